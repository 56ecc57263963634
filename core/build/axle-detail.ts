import type { CarDesign } from '../car/car-design.ts';
import { WHEELS } from '../car/catalogue.ts';
import { isWoundOnAxle } from '../car/motors/motors.ts';
import { across, leader, type Dimension } from './dimensions.ts';
import { DETAIL_SCALES, LANE, formatScale, placeDimension, type Draft } from './draft.ts';
import { LETTERS, makeLine, makePath, makePlace, makeRectangle, type Box, type Item, type Place, type TextItem } from './drawing.ts';
import { lengthsOf } from './lengths.ts';
import { betweenWheels } from '../solid/bearing-sizes.ts';
import type { SizeFormat } from './size-format.ts';
import { neededSizes } from './needed-sizes.ts';

/** Turns that are drawn at most, and mm between them at least. */
const WOUND = 7;
const WOUND_APART = 1;
/** mm of a wheel’s rim that the detail shows. */
const DETAIL_RIM = 17;

/** The drive axle from above at a larger scale, with its bearings, what is wound, and the sleeve. */
export function axleDetail(
  design: CarDesign,
  room: Box,
  sizes: SizeFormat,
): { readonly items: Item[]; readonly dimensioned: ReadonlySet<string>; readonly by: number } {
  const { motor, trackWidth, axleDiameter, sleeve, driveWheels, endPlay } = design;
  const lengths = new Map(lengthsOf(design).map((cut) => [cut.id, cut.length]));
  const long = lengths.get('drive-axle') ?? trackWidth;
  const thick = WHEELS[driveWheels.kind].thickness;
  const wide = Math.max(long, trackWidth + thick);
  const by = DETAIL_SCALES.find((scale) => (1000 * wide) / scale <= room.right - room.left - 8) ?? DETAIL_SCALES.at(-1)!;
  const scale = 1000 / by;
  const middle = makePlace((room.left + room.right) / 2, room.top + DETAIL_RIM + 22);
  const at = (x: number, y: number): Place => makePlace(middle.x + scale * x, middle.y - scale * y);
  const box = (left: number, right: number, half: number, kind: 'outline' | 'thin' | 'hidden' = 'outline'): Item =>
    makePath(makeRectangle(at(left, half).x, at(left, half).y, scale * (right - left), 2 * scale * half), kind, true);
  const rim = Math.min(driveWheels.diameter / 2, DETAIL_RIM / scale);
  const items: Item[] = [
    makeLine(makePlace(middle.x - (scale * long) / 2 - 3, middle.y), makePlace(middle.x + (scale * long) / 2 + 3, middle.y), 'centre'),
  ];
  for (const side of [-1, 1]) items.push(box(side * (trackWidth / 2) - thick / 2, side * (trackWidth / 2) + thick / 2, rim));
  const winding = isWoundOnAxle(motor) ? motor.windingWidth : 0;
  const tube = lengths.get('drive-bearing');
  const inner = (betweenWheels(design, 'drive') - endPlay) / 2;
  if (tube)
    for (const side of [-1, 1])
      items.push(
        box(Math.min(side * inner, side * (inner - tube)), Math.max(side * inner, side * (inner - tube)), axleDiameter / 2 + 0.0008),
      );
  items.push(box(-long / 2, long / 2, axleDiameter / 2));
  const draft: Draft = { items, spans: [] };
  const done = new Set<string>();
  const values = new Map(neededSizes(design, sizes).map(({ tells, value }) => [tells, value]));
  const tell = (tells: string, candidates: readonly Dimension[]): void => {
    if (values.has(tells) && placeDimension(draft, candidates, room)) done.add(tells);
  };
  sleeve.forEach(({ diameter }) => items.push(box(-winding / 2, winding / 2, diameter / 2)));
  // String or band as it is wound, side by side.
  const round = Math.max(axleDiameter, ...sleeve.map(({ diameter }) => diameter)) / 2;
  const turns = Math.min(WOUND, Math.floor((scale * winding) / WOUND_APART));
  for (let i = 0; i < turns; i++) {
    const x = winding * ((i + 0.5) / turns - 0.5);
    items.push(makeLine(at(x - winding / (4 * turns), -round), at(x + winding / (4 * turns), round), 'thin'));
  }
  const foot = middle.y + Math.max(scale * rim, DETAIL_RIM) + LANE;
  if (winding > 0)
    tell(
      'windingWidth',
      [0, 1].map((n) =>
        across(
          'windingWidth',
          values.get('windingWidth')!,
          at(-winding / 2, -axleDiameter / 2),
          at(winding / 2, -axleDiameter / 2),
          foot + LANE * n,
        ),
      ),
    );
  const bends = (target: Place, right: boolean) =>
    [12, 17, 22, 27].map((up, i) => ({
      ...makePlace(target.x + (right ? 1 : -1) * (8 + 3 * i), middle.y - DETAIL_RIM - up + 10),
      to: right ? ('right' as const) : ('left' as const),
    }));
  const free = at(-(winding / 2 + 0.002), axleDiameter / 2);
  tell('axleDiameter', leader('axleDiameter', `axle ⌀${values.get('axleDiameter')!}`, free, bends(free, false)));
  sleeve.forEach(({ diameter }, i) => {
    const target = at(((i + 1) / (sleeve.length + 1)) * (winding / 2), diameter / 2);
    tell(`sleeve${i}`, leader(`sleeve${i}`, `sleeve ⌀${values.get(`sleeve${i}`)!}`, target, bends(target, true)));
  });
  if (endPlay > 0 && tube) {
    const target = at(inner + endPlay / 4, -axleDiameter / 2);
    tell(
      'endPlay',
      [0, 1, 2].flatMap((n) =>
        leader('endPlay', `play ${values.get('endPlay')!} in all`, target, [
          { ...makePlace(target.x - 8 - 5 * n, foot + 4 * n), to: 'left' as const },
        ]),
      ),
    );
  }
  const words: TextItem = {
    kind: 'text',
    at: makePlace(room.left, room.top + 3.5),
    text: `drive axle from above, ${formatScale(by)}`,
    size: LETTERS,
    anchor: 'start',
    bold: true,
  };
  return { items: [...draft.items, words], dimensioned: done, by };
}
