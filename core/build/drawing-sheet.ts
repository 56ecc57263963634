import type { CarDesign } from '../car/car-design.ts';
import { WHEELS } from '../car/catalogue.ts';
import { isRoller, isWoundOnAxle } from '../car/motors/motors.ts';
import { bodyPartOf } from '../car/fitted.ts';
import { bodyLength } from '../car/weights.ts';
import { planView } from '../geometry/plan-view.ts';
import { sideView } from '../geometry/side-view.ts';
import { across, leader, SIZE_TEXT, upright, type Dimension } from './dimensions.ts';
import {
  boxOf,
  circle,
  isInTheWay,
  line,
  overlap,
  PAPERS,
  path,
  place,
  placedText,
  rectangle,
  textBox,
  type Box,
  type Item,
  type PaperName,
  type Place,
  type Sheet,
  type TextItem,
} from './drawing.ts';
import { betweenWheels, lengthsOf } from './lengths.ts';
import { notesOf } from './notes.ts';
import { partsList, wholeMass, type PartLine } from './parts-list.ts';
import { wrapped } from './tiles.ts';
import { fitted, frameAndTitle, TITLE, withinFrame, type TitleWords } from './title-block.ts';
import { deckAt, meant, rearOf, sideOf, topOf, type View } from './views.ts';

/** Scales that a drawing may have, the largest first: 1 to so many. Source: ISO 5455, and those between that fit more on a small sheet. */
const SCALES = [0.5, 1, 2, 2.5, 3, 4, 5, 7.5, 10, 15, 20] as const;
const scaleWords = (by: number): string => (by < 1 ? `${1 / by} : 1` : `1 : ${by}`);

/** mm to a tenth: `260`, `12.5`. */
const size = (metres: number): string => String(Number((1000 * metres).toFixed(1)));
/** mm: what stands free about a view, between lines of sizes, and between views. */
const LANE = 8;
const BETWEEN = 14;
const BALLOON = 3.4;
const BALLOON_LANE = 13;
const BALLOONS_APART = 9.5;

/** A size that whoever builds needs, as it is told: in words where no view has room for it. */
interface NeededSize {
  readonly tells: string;
  readonly label: string;
  readonly value: string;
}

/** Every size that is needed to make a car, each once, m printed as mm. */
export function neededSizes(design: CarDesign): readonly NeededSize[] {
  const { motor, otherWheels, body, ballast, sleeve, endPlay } = design;
  const list: NeededSize[] = [];
  const add = (tells: string, label: string, metres: number): void => void list.push({ tells, label, value: size(metres) });
  add('driveWheels', 'drive wheels ⌀', design.driveWheels.diameter);
  if (!isRoller(design) && otherWheels) {
    add('otherWheels', 'other wheels ⌀', otherWheels.diameter);
    add('wheelbase', 'wheelbase', design.wheelbase);
    add('trackWidth', 'track width', design.trackWidth);
    add('bodyLength', 'length of the body', bodyLength(design));
    add('bodyWidth', 'width of the body', bodyPartOf(design).isTube ? body.width : Math.min(body.width, design.trackWidth));
    if (!bodyPartOf(design).isTube) add('axleGap', 'deck over the middle of the axles', body.axleGap);
    add('endPlay', 'play of each axle from side to side', endPlay);
  }
  add('axleDiameter', 'axle ⌀', design.axleDiameter);
  sleeve.forEach(({ diameter }, i) => add(`sleeve${i}`, `sleeve ⌀${sleeve.length > 1 ? `, layer ${i + 1}` : ''}`, diameter));
  if (isWoundOnAxle(motor)) add('windingWidth', 'width for winding', motor.windingWidth);
  if (motor.kind === 'lever') {
    add('leverLength', 'lever, pivot to notch', motor.leverLength);
    add('trapPosition', 'pivot from the drive axle', motor.trapPosition);
    add('pivotAboveAxle', 'pivot above the drive axle', motor.pivotAboveAxle);
  }
  if (motor.kind === 'band') {
    add('anchorToAxle', 'hook from the drive axle', motor.anchorToAxle);
    add('anchorAboveAxle', 'hook above the drive axle', motor.anchorAboveAxle);
  }
  if (motor.kind === 'twist') {
    add('hookToHook', 'length of the roller', motor.hookToHook);
    add('armLength', 'trailing arm', motor.armLength);
  }
  if (ballast.mass > 0) add('ballastPlace', 'ballast from the drive axle', ballast.fromDriveAxle);
  return list;
}

/** What stands on a sheet so far, and where lines of sizes are. */
interface Draft {
  readonly items: Item[];
  readonly spans: Box[];
}

/** The first of several ways to tell a size whose lines run through no text and whose text has room; it is drawn. Whether there was one. */
function told(draft: Draft, ways: readonly Dimension[], within: Box): boolean {
  for (const { lines, texts, span } of ways) {
    if (draft.spans.some((other) => overlap(span, other))) continue;
    const standing = draft.items.filter((item): item is TextItem => item.kind === 'text');
    const runsThrough = lines.some((one) => standing.some((text) => isInTheWay(one, textBox(text))));
    const isOutside = lines.some(
      (one) =>
        one.kind === 'path' && one.points.some(({ x, y }) => x < within.left || x > within.right || y < within.top || y > within.bottom),
    );
    const text = runsThrough || isOutside ? null : placedText([...draft.items, ...lines], texts, within);
    if (!text) continue;
    draft.items.push(...lines, text);
    draft.spans.push(span);
    return true;
  }
  return false;
}

/** Numbers in circles over a view, each with a line to its part; left out where there is no room. */
function balloons(draft: Draft, parts: readonly PartLine[], at: Partial<Readonly<Record<string, Place>>>, y: number, within: Box): void {
  const targets = parts.flatMap((part) => {
    const target = at[part.on];
    return target ? [{ number: part.number, target }] : [];
  });
  const inOrder = targets.toSorted((a, b) => a.target.x - b.target.x);
  const most = Math.floor((within.right - within.left) / BALLOONS_APART);
  const shown = inOrder.slice(0, most);
  const places = shown.map(({ target }) => target.x);
  // Pushed apart to the right, then back within the frame.
  for (let i = 0; i < places.length; i++)
    places[i] = Math.max(places[i]!, (places[i - 1] ?? within.left - BALLOONS_APART + BALLOON + 1) + BALLOONS_APART);
  for (let i = places.length - 1; i >= 0; i--)
    places[i] = Math.min(places[i]!, (places[i + 1] ?? within.right + BALLOONS_APART - BALLOON - 1) - BALLOONS_APART);
  shown.forEach(({ number, target }, i) => {
    const middle = place(places[i]!, y);
    draft.items.push(circle(middle, BALLOON, 'thin'), line(place(middle.x, y + BALLOON), target, 'thin'), circle(target, 0.5, 'outline'), {
      kind: 'text',
      at: place(middle.x, y + 1),
      text: String(number),
      size: SIZE_TEXT,
      anchor: 'middle',
    });
  });
}

const noseWords = ({ layout }: CarDesign): string => (layout.driveAxle === 'rear' ? 'from the rear' : 'from the rear, over the other axle');

/** The views of a car in first angle with all sizes that have room there; which are told. */
function viewsSheet(
  design: CarDesign,
  width: number,
  height: number,
): { readonly items: Item[]; readonly told: ReadonlySet<string>; readonly by: number } {
  const frame = withinFrame(width, height);
  const within: Box = { left: frame.left + 1, right: frame.right - 1, top: frame.top + 1, bottom: frame.bottom - 1 };
  const side = sideView(design);
  const plan = planView(meant(design));
  const heading = side.heading;
  const roller = isRoller(design);
  const [long, tall] = [side.bounds.right - side.bounds.left, side.bounds.top];
  const wide = 2 * plan.bounds.halfWidth;
  const lanesBelow = roller ? 1 : 2;
  const roomAcross = within.right - within.left - 2 * (2 * LANE + 4) - BETWEEN;
  const roomUp = within.bottom - within.top - TITLE.height - BALLOON_LANE - BETWEEN - (lanesBelow + 2) * LANE - 8;
  const by =
    SCALES.find((scale) => (1000 * (long + wide)) / scale <= roomAcross && (1000 * (tall + wide)) / scale <= roomUp) ?? SCALES.at(-1)!;
  const scale = 1000 / by;
  // The nose points to the right; the rear stands at the right of the side view, the plan below it (first angle).
  const [first, last] = heading > 0 ? [side.bounds.left, side.bounds.right] : [-side.bounds.right, -side.bounds.left];
  const x0 = within.left + 2 * LANE + 4 - scale * first;
  const floor = within.top + BALLOON_LANE + scale * tall;
  const planY = floor + (lanesBelow + 0.5) * LANE + BETWEEN / 2 + (scale * wide) / 2 + 4;
  const rearX = x0 + scale * last + BETWEEN + LANE + (scale * wide) / 2;
  const drawn = { scale, heading };
  const sideDrawn = sideOf(design, { ...drawn, origin: place(x0, floor) });
  const top = topOf(design, { ...drawn, origin: place(x0, planY) });
  const rear = rearOf(design, { scale, origin: place(rearX, floor) });
  const draft: Draft = { items: [...sideDrawn.items, ...top.items, ...rear.items], spans: [] };
  const floorLine = line(place(x0 + scale * first - 3, floor), place(x0 + scale * last + 3, floor), 'thin');
  draft.items.push(floorLine);
  balloons(draft, partsList(design), sideDrawn.parts, within.top + BALLOON + 1, { ...within, right: rearX - (scale * wide) / 2 });
  const told_ = dimensionsOf(design, { side: sideDrawn, top, rear, floor, planY, rearX, scale, x0, first, last, wide }, draft, within);
  const caption = (text: string, x: number, y: number): void => {
    const places = [0, 4, 8].flatMap((down) =>
      [0, -15, 15].map((aside) => ({ at: place(x + aside, y + down), text, size: 2.6, anchor: 'middle' as const })),
    );
    const standing = placedText(draft.items, places, within);
    if (standing) draft.items.push(standing);
  };
  caption(noseWords(design), rearX, floor + 2.4 * LANE);
  caption('from above', x0 + (scale * (first + last)) / 2, planY + (scale * wide) / 2 + 2 * LANE);
  return { items: draft.items, told: told_, by };
}

interface Layout {
  readonly side: View;
  readonly top: View;
  readonly rear: View;
  readonly floor: number;
  readonly planY: number;
  readonly rearX: number;
  readonly scale: number;
  readonly x0: number;
  readonly first: number;
  readonly last: number;
  readonly wide: number;
}

/** Draws every size that has room in the views; which were told. */
function dimensionsOf(design: CarDesign, layout: Layout, draft: Draft, within: Box): ReadonlySet<string> {
  const { side, top, rear, floor, planY, scale, x0, first, last, wide } = layout;
  const { motor, otherWheels, body, wheelbase, driveWheels, trackWidth, ballast } = design;
  const view = sideView(design);
  const done = new Set<string>();
  const values = new Map(neededSizes(design).map(({ tells, value }) => [tells, value]));
  const tell = (ways: readonly Dimension[]): void => {
    const [way] = ways;
    if (way && values.has(way.tells) && !done.has(way.tells) && told(draft, ways, within)) done.add(way.tells);
  };
  const text = (tells: string, sign = ''): string => `${sign}${values.get(tells) ?? ''}`;
  /** A size across, on the first lane where it has room. */
  const acrossOn = (tells: string, from: Place, to: Place, lanes: readonly number[], sign = ''): void =>
    tell(lanes.map((y) => across(tells, text(tells, sign), from, to, y)));
  const uprightOn = (tells: string, from: Place, to: Place, lanes: readonly number[], sign = ''): void =>
    tell(lanes.map((x) => upright(tells, text(tells, sign), from, to, x)));
  const [leftEdge, rightEdge] = [x0 + scale * first, x0 + scale * last];
  const below = [1, 2, 3].map((n) => floor + LANE * n);
  const leftLanes = [1, 2].map((n) => leftEdge - LANE * n);
  const rightLanes = [1, 2].map((n) => rightEdge + LANE * n);
  const roller = isRoller(design);
  const isMirrored = view.heading < 0;
  const driveLanes = isMirrored ? rightLanes : leftLanes;
  const otherLanes = isMirrored ? leftLanes : rightLanes;
  // Across, the shorter nearer to the view: what is longer stands outside.
  const onFloor = (x: number): Place => side.at({ x, y: 0 });
  const spans: (readonly [tells: string, x: number])[] = [];
  if (motor.kind === 'lever') spans.push(['trapPosition', motor.trapPosition]);
  if (motor.kind === 'band' && view.motor.kind === 'band') spans.push(['anchorToAxle', view.motor.anchor.x]);
  if (motor.kind === 'twist') spans.push(['armLength', -motor.armLength]);
  if (!roller) spans.push(['wheelbase', wheelbase]);
  if (ballast.mass > 0 && !roller) spans.push(['ballastPlace', ballast.fromDriveAxle]);
  for (const [tells, x] of spans.toSorted(([, a], [, b]) => Math.abs(a) - Math.abs(b))) acrossOn(tells, onFloor(0), onFloor(x), below);
  uprightOn('driveWheels', onFloor(0), side.at({ x: 0, y: driveWheels.diameter }), driveLanes, '⌀');
  if (otherWheels) uprightOn('otherWheels', onFloor(wheelbase), side.at({ x: wheelbase, y: otherWheels.diameter }), otherLanes, '⌀');
  // From above: how long and how wide.
  if (!roller) {
    const planFoot = planY + (scale * wide) / 2;
    const ends = [-body.overhang / 2, wheelbase + body.overhang / 2] as const;
    const bodyHalf = (bodyPartOf(design).isTube ? body.width : Math.min(body.width, trackWidth)) / 2;
    acrossOn(
      'bodyLength',
      top.at({ x: ends[0], y: -bodyHalf }),
      top.at({ x: ends[1], y: -bodyHalf }),
      [1, 2].map((n) => planFoot + LANE * n),
    );
    const planLeft = Math.min(top.at({ x: ends[0], y: 0 }).x, top.at({ x: ends[1], y: 0 }).x, leftEdge);
    const end = isMirrored ? ends[1] : ends[0];
    uprightOn(
      'bodyWidth',
      top.at({ x: end, y: bodyHalf }),
      top.at({ x: end, y: -bodyHalf }),
      [1, 2].map((n) => planLeft - LANE * n),
    );
  }
  // From the rear.
  const rearRight = rear.at({ x: wide / 2, y: 0 }).x;
  if (roller) {
    if (motor.kind === 'twist')
      acrossOn('hookToHook', rear.at({ x: -motor.hookToHook / 2, y: 0 }), rear.at({ x: motor.hookToHook / 2, y: 0 }), below);
  } else {
    acrossOn('trackWidth', rear.at({ x: -trackWidth / 2, y: 0 }), rear.at({ x: trackWidth / 2, y: 0 }), below);
    if (!bodyPartOf(design).isTube) {
      const { low } = deckAt(design, view.deck);
      const bodyHalf = Math.min(body.width, trackWidth) / 2;
      uprightOn(
        'axleGap',
        rear.at({ x: bodyHalf, y: driveWheels.diameter / 2 }),
        rear.at({ x: bodyHalf, y: low }),
        [1, 2].map((n) => rearRight + LANE * n),
      );
    }
  }
  // What stands aslant is told beside a leader.
  if (view.motor.kind === 'lever') {
    const { pivot, tipCocked } = view.motor;
    const target = side.at({ x: pivot.x + 0.75 * (tipCocked.x - pivot.x), y: pivot.y + 0.75 * (tipCocked.y - pivot.y) });
    const bends = [
      [10, -9],
      [-10, -9],
      [16, -14],
      [-16, -14],
      [12, 10],
      [-12, 10],
    ].map(([dx, dy]) => ({ ...place(target.x + dx!, target.y + dy!), to: dx! > 0 ? ('right' as const) : ('left' as const) }));
    tell(leader('leverLength', `lever ${text('leverLength')}`, target, bends));
  }
  return done;
}

/** Turns that are drawn at most, and mm between them at least. */
const WOUND = 7;
const WOUND_APART = 1;
/** mm of a wheel’s rim that the detail shows. */
const DETAIL_RIM = 17;

/** The drive axle from above at a larger scale, with its bearings, what is wound, and the sleeve. */
function axleDetail(design: CarDesign, room: Box): { readonly items: Item[]; readonly told: ReadonlySet<string>; readonly by: number } {
  const { motor, trackWidth, axleDiameter, sleeve, driveWheels, endPlay } = design;
  const lengths = new Map(lengthsOf(design).map((cut) => [cut.id, cut.length]));
  const long = lengths.get('drive-axle') ?? trackWidth;
  const by = SCALES.find((scale) => (1000 * long) / scale <= room.right - room.left - 8) ?? SCALES.at(-1)!;
  const scale = 1000 / by;
  const middle = place((room.left + room.right) / 2, room.top + DETAIL_RIM + 22);
  const at = (x: number, y: number): Place => place(middle.x + scale * x, middle.y - scale * y);
  const box = (left: number, right: number, half: number, kind: 'outline' | 'thin' | 'hidden' = 'outline'): Item =>
    path(rectangle(at(left, half).x, at(left, half).y, scale * (right - left), 2 * scale * half), kind, true);
  const thick = WHEELS[driveWheels.kind].thickness;
  const rim = Math.min(driveWheels.diameter / 2, DETAIL_RIM / scale);
  const items: Item[] = [
    line(place(middle.x - (scale * long) / 2 - 3, middle.y), place(middle.x + (scale * long) / 2 + 3, middle.y), 'centre'),
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
  const values = new Map(neededSizes(design).map(({ tells, value }) => [tells, value]));
  const tell = (tells: string, ways: readonly Dimension[]): void => {
    if (values.has(tells) && told(draft, ways, room)) done.add(tells);
  };
  sleeve.forEach(({ diameter }) => items.push(box(-winding / 2, winding / 2, diameter / 2)));
  // String or band as it is wound, side by side.
  const round = Math.max(axleDiameter, ...sleeve.map(({ diameter }) => diameter)) / 2;
  const turns = Math.min(WOUND, Math.floor((scale * winding) / WOUND_APART));
  for (let i = 0; i < turns; i++) {
    const x = winding * ((i + 0.5) / turns - 0.5);
    items.push(line(at(x - winding / (4 * turns), -round), at(x + winding / (4 * turns), round), 'thin'));
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
      ...place(target.x + (right ? 1 : -1) * (8 + 3 * i), middle.y - DETAIL_RIM - up + 10),
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
          { ...place(target.x - 8 - 5 * n, foot + 4 * n), to: 'left' as const },
        ]),
      ),
    );
  }
  const words: TextItem = {
    kind: 'text',
    at: place(room.left, room.top + 3.5),
    text: `drive axle from above, ${scaleWords(by)}`,
    size: 3.2,
    anchor: 'start',
    bold: true,
  };
  return { items: [...draft.items, words], told: done, by };
}

/** A table: rows of words in columns so many mm wide, wrapped; how far down it reaches. */
function table(
  head: readonly string[],
  rows: readonly (readonly string[])[],
  columns: readonly number[],
  x: number,
  y: number,
): { readonly items: Item[]; readonly foot: number } {
  const items: Item[] = [];
  const width = columns.reduce((sum, column) => sum + column, 0);
  const step = 3.8;
  let down = y;
  items.push(line(place(x, down), place(x + width, down), 'thin'));
  [head, ...rows].forEach((row, n) => {
    const cells = row.map((text, i) => wrapped(text, 2.7, columns[i]! - 2).map((part) => fitted(part, 2.7, columns[i]! - 2, 1.8)));
    const tall = step * Math.max(...cells.map((lines) => Math.max(lines.length, 1))) + 1.2;
    let left = x;
    cells.forEach((lines, i) => {
      lines.forEach((part, k) =>
        items.push({ kind: 'text', at: place(left + 1, down + 3.5 + step * k), ...part, anchor: 'start', ...(n === 0 && { bold: true }) }),
      );
      left += columns[i]!;
    });
    down += tall;
    items.push(line(place(x, down), place(x + width, down), 'thin'));
  });
  return { items, foot: down };
}

/** The detail of the drive axle, the parts list, what sizes no view had room for, and the notes. */
function listsSheet(
  design: CarDesign,
  told: ReadonlySet<string>,
  width: number,
  height: number,
): { readonly items: Item[]; readonly by: number } {
  const frame = withinFrame(width, height);
  const half = frame.left + 0.42 * (frame.right - frame.left);
  const roller = isRoller(design);
  const items: Item[] = [];
  let by = 1;
  const known = new Set(told);
  let down = frame.top + 4;
  if (!roller) {
    const detail = axleDetail(design, { left: frame.left + 3, right: half - 4, top: frame.top + 2, bottom: frame.top + 92 });
    items.push(...detail.items);
    detail.told.forEach((one) => known.add(one));
    ({ by } = detail);
    down = Math.max(...detail.items.map((item) => boxOf(item).bottom)) + 5;
  }
  const further = neededSizes(design).filter(({ tells }) => !known.has(tells));
  if (further.length > 0) {
    const { items: rows, foot } = table(
      ['further sizes', 'mm'],
      further.map(({ label, value }) => [label, value]),
      [74, 24],
      frame.left + 3,
      down,
    );
    items.push(...rows.map((item) => (item.kind === 'text' ? { ...item, ...tellsOf(item, further) } : item)));
    down = foot + 4;
  }
  const notes = notesOf(design);
  items.push({ kind: 'text', at: place(frame.left + 3, down + 3.5), text: 'notes', size: 3.2, anchor: 'start', bold: true });
  down += 5;
  const rightTop = frame.bottom - TITLE.height;
  for (const note of notes)
    for (const [i, text] of wrapped(note, 2.7, half - frame.left - 12).entries()) {
      items.push({
        kind: 'text',
        at: place(frame.left + (i === 0 ? 3 : 6), down + 3.5),
        text: i === 0 ? `– ${text}` : text,
        size: 2.7,
        anchor: 'start',
      });
      down += 3.9;
    }
  const parts = partsList(design);
  const weight = (mass: number | null): string => (mass === null ? '' : (1000 * mass).toFixed(1));
  const list = table(
    ['no.', 'part', 'count', 'size', 'g'],
    [
      ...parts.map(({ number, name, count, size: told2, mass }) => [String(number), name, String(count), told2, weight(mass)]),
      ['', 'rest: glue, hubs, trap, trimmings', '', '', weight(design.rest.mass)],
      ['', 'whole, ready to run', '', '', (1000 * wholeMass(design)).toFixed(0)],
    ],
    [8, 62, 11, 50, 13],
    half,
    frame.top + 3,
  );
  items.push(...list.items);
  // Whatever does not fit above the title block is told elsewhere: never over it.
  return {
    items: items.filter((item) => boxOf(item).bottom < (boxOf(item).right > frame.right - TITLE.width ? rightTop : frame.bottom)),
    by,
  };
}
const tellsOf = (item: TextItem, further: readonly NeededSize[]): { readonly tells?: string } => {
  const found = further.find(({ label }) => label === item.text);
  return found ? { tells: found.tells } : {};
};
/** The drawing of a car, on sheets of this paper lying: the views with their sizes and numbers, and the lists. */
export function drawingSheets(design: CarDesign, words: Pick<TitleWords, 'version' | 'crew' | 'date'>, paper: PaperName): readonly Sheet[] {
  const { width: high, height: wide, label } = PAPERS[paper];
  const views = viewsSheet(design, wide, high);
  const lists = listsSheet(design, views.told, wide, high);
  const title = (sheet: number, scale: string): Item[] =>
    frameAndTitle(wide, high, { car: design.name, ...words, scale, sheet: `${sheet} of 2`, paper: label });
  return [
    { name: `${design.name}, views`, width: wide, height: high, items: [...title(1, scaleWords(views.by)), ...views.items] },
    {
      name: `${design.name}, parts and details`,
      width: wide,
      height: high,
      items: [...title(2, isRoller(design) ? '–' : scaleWords(lists.by)), ...lists.items],
    },
  ];
}
