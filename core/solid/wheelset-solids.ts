import type { CarDesign } from '../car/car-design.ts';
import { AXLE_ENDS, DISC_HOLE } from '../car/catalogue.ts';
import { bodyPartOf, driveWheelOf, otherWheelOf } from '../car/fitted.ts';
import { hasTyres } from '../car/parts.ts';
import { bodyWidthAt } from '../car/weights.ts';
import { HUB, bearingOutside, bearingTubes, isTubeBearing, type Axle } from './bearing-sizes.ts';
import { deckHeights, tubeRadiusAt } from './deck-heights.ts';
import { driveNotch } from './deck-outline.ts';
import { circle, rectangle, type Corner, type Shape } from './shape.ts';
import { GROUND, solid, type Solid } from './solid.ts';

/** m by which a hub covers a disc's own hole all round, to be glued there. */
const HUB_COVERS = 0.004;
/** m that a tyre is wider than the wheel, and thick. */
const TYRE = { wider: 0.001, thick: 0.0008 };
/** m of a bearing block or lug along the car, and of a lug across it. Common practice. */
const BLOCK = { long: 0.012, lug: 0.004 };
/** m of a lug round its hole. */
const ROUND_HOLE = 0.003;
/** m: a bearing that is closer to the deck than this is glued right on it. */
const GLUED_ON = 0.5e-3;

const SIDES = [
  { side: 1, word: 'left' },
  { side: -1, word: 'right' },
] as const;
const HOLES: Readonly<Record<Axle, string>> = { drive: 'drive axle', other: 'other axle' };

/** A round piece across the car, its hole for the axle free. */
const disc = (x: number, z: number, radius: number, hole: number, from: number, to: number): Shape => ({
  kind: 'across',
  corners: circle(x, z, radius),
  holes: hole > 0 && hole < radius ? [circle(x, z, hole)] : [],
  from: Math.min(from, to),
  to: Math.max(from, to),
});

/** Where a wheelset stands. */
interface Wheelset {
  readonly axle: Axle;
  readonly x: number;
  readonly radius: number;
  readonly thickness: number;
  readonly kind: CarDesign['driveWheels']['kind'];
  /** Middles of its wheels across the car. */
  readonly wheels: readonly { readonly y: number; readonly word: string }[];
}

function wheelsetsOf(design: CarDesign): readonly Wheelset[] {
  const { driveWheels, otherWheels, layout, trackWidth, wheelbase } = design;
  const pair = SIDES.map(({ side, word }) => ({ y: (side * trackWidth) / 2, word }));
  const drive: Wheelset = {
    axle: 'drive',
    x: 0,
    radius: driveWheels.diameter / 2,
    thickness: driveWheelOf(design).thickness,
    kind: driveWheels.kind,
    wheels: pair,
  };
  if (!otherWheels) return [drive];
  const wheels = layout.otherWheelCount === 1 ? [{ y: 0, word: 'single' }] : pair;
  const { thickness } = otherWheelOf(design);
  return [drive, { axle: 'other', x: wheelbase, radius: otherWheels.diameter / 2, thickness, kind: otherWheels.kind, wheels }];
}

/** Both ends of an axle across the car, m from the middle. */
export const axleHalf = (design: CarDesign, which: Axle): number =>
  ((which === 'other' && design.layout.otherWheelCount === 1 ? bodyWidthAt(design, design.wheelbase) : design.trackWidth) + AXLE_ENDS) / 2;

/** m across of the hole that a wheel has or is given in its middle. */
export const ownHole = ({ axleDiameter }: CarDesign, kind: CarDesign['driveWheels']['kind']): number =>
  kind === 'optical-disc' ? DISC_HOLE : axleDiameter;

/** m that a hub reaches round its axle: over the wheel's own hole, and never past its rim. */
export const hubRadius = (design: CarDesign, { kind, diameter }: CarDesign['driveWheels']): number =>
  Math.min(Math.max(HUB.diameter, ownHole(design, kind) + 2 * HUB_COVERS), diameter) / 2;

/** Wheels with what is on them, and their axle. */
function turningPart(design: CarDesign, { axle, x, radius, thickness, kind, wheels }: Wheelset): Solid[] {
  const turnsWith = `${axle}-axle` as const;
  const bore = design.axleDiameter / 2;
  const half = axleHalf(design, axle);
  const list: Solid[] = [
    solid(
      `${axle}-axle`,
      HOLES[axle],
      [{ kind: 'rod', from: { x, y: -half, z: radius }, to: { x, y: half, z: radius }, radius: bore, inside: 0 }],
      bearingIds(design, axle).map((id) => [id, 'hole']),
      { turnsWith },
    ),
  ];
  for (const { y, word } of wheels) {
    const id = `${axle}-wheel-${word}`;
    const name = word === 'single' ? 'single wheel' : `${word} ${axle} wheel`;
    const hole = ownHole(design, kind) / 2;
    list.push(
      solid(id, name, [disc(x, radius, radius, hole, y - thickness / 2, y + thickness / 2)], [[`${id}-hub`, 'glue']], { turnsWith }),
    );
    if (axle === 'drive' && hasTyres(design)) {
      const wide = (thickness + TYRE.wider) / 2;
      list.push(
        solid(`${id}-tyre`, `tyre of the ${name}`, [disc(x, radius, radius, radius - TYRE.thick, y - wide, y + wide)], [[id, 'glue']], {
          turnsWith,
        }),
      );
    }
    // A hub stands outside, where nothing is in its way; of a single wheel to its left.
    const out = y < 0 ? -1 : 1;
    const covers = hubRadius(design, { kind, diameter: 2 * radius });
    const foot = y + (out * thickness) / 2;
    list.push(
      solid(`${id}-hub`, `hub of the ${name}`, [disc(x, radius, covers, bore, foot, foot + out * HUB.length)], [[`${axle}-axle`, 'hub']], {
        turnsWith,
      }),
    );
  }
  return list;
}

/** What each bearing of an axle is called among the solids. */
function bearingIds(design: CarDesign, which: Axle): string[] {
  const count = isTubeBearing(design, which) ? bearingTubes(design, which).length : 2;
  return count === 1 ? [`${which}-bearing`] : SIDES.map(({ word }) => `${which}-bearing-${word}`);
}

/** Parts of a line across the car, m from the middle, under which the deck is solid at a place along it. */
function underDeck(design: CarDesign, x: number): readonly (readonly [from: number, to: number])[] {
  // Of a round body its middle third is nearly flat.
  const half = bodyPartOf(design).isTube ? tubeRadiusAt(design, x) / 3 : bodyWidthAt(design, x) / 2;
  const notch = driveNotch(design);
  // Where the deck is cut out for the winding, it begins beside the cut.
  const from = notch && Math.abs(x) <= notch.reach ? notch.half : 0;
  return from > 0
    ? [
        [from, half],
        [-half, -from],
      ]
    : [[-half, half]];
}

/** What an axle turns in, and what fills the gap from there to the deck. */
function standingPart(design: CarDesign, { axle, x, radius }: Wheelset): Solid[] {
  const { isTube } = bodyPartOf(design);
  const { under } = deckHeights(design, x);
  const outside = bearingOutside(design, axle) / 2;
  const ids = bearingIds(design, axle);
  const bore = design.axleDiameter / 2;
  if (!isTubeBearing(design, axle)) {
    const reach = bodyWidthAt(design, x) / 2 - BLOCK.lug;
    const bottom = radius - outside - ROUND_HOLE;
    // In a bottle or tube the hole in its wall is the bearing.
    return SIDES.map(({ side, word }, i) => {
      const top = isTube ? radius + outside + ROUND_HOLE : Math.max(under, radius + outside + ROUND_HOLE);
      const half = Math.max(BLOCK.long / 2, outside + ROUND_HOLE);
      const shape: Shape = {
        kind: 'across',
        corners: rectangle(x - half, x + half, bottom, top),
        holes: [circle(x, radius, outside)],
        from: Math.min(side * reach, side * (reach + BLOCK.lug)),
        to: Math.max(side * reach, side * (reach + BLOCK.lug)),
      };
      return solid(ids[i]!, `${word} bearing of the ${HOLES[axle]}`, [shape], [[GROUND, isTube ? 'hole' : 'glue']]);
    });
  }
  return bearingTubes(design, axle).flatMap(([from, to], i) => {
    const id = ids[i]!;
    const where = ids.length === 1 ? '' : `${SIDES[i]!.word} `;
    const name = `${where}bearing of the ${HOLES[axle]}`;
    const tube: Shape = { kind: 'rod', from: { x, y: from, z: radius }, to: { x, y: to, z: radius }, radius: outside, inside: bore };
    // An axle inside a bottle or tube turns in holes of its wall; one that passes below a neck hangs from it.
    if (isTube && radius + outside > under) return [solid(id, name, [tube], [[GROUND, 'hole']])];
    const blocks = blockShapes(design, x, radius + outside, [from, to]);
    if (blocks.length === 0) return [solid(id, name, [tube], [[GROUND, 'glue']])];
    return [solid(id, name, [tube], [[`${id}-block`, 'glue']]), solid(`${id}-block`, `block on the ${name}`, blocks, [[GROUND, 'glue']])];
  });
}

/** Blocks from a bearing up to the deck, wherever it lies under the deck; none where it is glued right on. */
function blockShapes(design: CarDesign, x: number, bottom: number, [from, to]: readonly [number, number]): Shape[] {
  const half = BLOCK.long / 2;
  const [left, right] = [x - half, x + half].map((at) => deckHeights(design, at).under) as [number, number];
  if (Math.min(left, right) - bottom < GLUED_ON) return [];
  const corners: readonly Corner[] = [
    { x: x - half, y: bottom },
    { x: x + half, y: bottom },
    { x: x + half, y: right },
    { x: x - half, y: left },
  ];
  return underDeck(design, x).flatMap(([low, high]): Shape[] => {
    const [a, b] = [Math.max(low, from), Math.min(high, to)];
    return b - a > 1e-3 ? [{ kind: 'across', corners, holes: [], from: a, to: b }] : [];
  });
}

/** Axles, wheels, tyres, hubs, and what the axles turn in down to the deck. */
export const wheelsetSolids = (design: CarDesign): readonly Solid[] =>
  wheelsetsOf(design).flatMap((wheelset) => [...turningPart(design, wheelset), ...standingPart(design, wheelset)]);
