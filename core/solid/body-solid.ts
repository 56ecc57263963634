import type { CarDesign } from '../car/car-design.ts';
import { bodyPartOf, otherWheelOf } from '../car/fitted.ts';
import { bodyLength, bodyWidth, bodyWidthAt } from '../car/weights.ts';
import { HUB } from './bearing-sizes.ts';
import { bodyCorners, deckOutline } from './deck-outline.ts';
import { rectangle, type Corner, type Shape } from './shape.ts';
import { GROUND, solid, type Solid } from './solid.ts';

/** Axles pass through a bottle or tube with this fraction of its width below them. */
export const TUBE_BELOW = 0.15;
/** Width of a craft stick, m. */
const STICK = 0.01;
/** m kept free round a wheel that runs through the deck. Common practice. */
const ROUND_WHEEL = 0.004;
/** Fraction of a bottle's length that its shoulder takes, and its neck; and how thick that is. */
const SHOULDER = 0.16;
const NECK = 0.08;
const NECK_WIDTH = 0.36;

/** Height of the line through the middles of both axles at a place along the car, and how it rises. */
export function axleLine({ driveWheels, otherWheels, wheelbase }: CarDesign): {
  readonly at: (x: number) => number;
  readonly slope: number;
} {
  const drive = driveWheels.diameter / 2;
  const slope = otherWheels ? (otherWheels.diameter / 2 - drive) / wheelbase : 0;
  return { at: (x) => drive + slope * x, slope };
}

/** Underside and top of a deck at a place along the car, m over the floor; of a tube where it is thickest. */
export function deckHeights(design: CarDesign, x: number): { readonly under: number; readonly top: number } {
  const { isTube, thickness } = bodyPartOf(design);
  const line = axleLine(design);
  if (!isTube) return { under: line.at(x) + design.body.axleGap, top: line.at(x) + design.body.axleGap + thickness };
  const low = line.at(design.wheelbase / 2) - TUBE_BELOW * design.body.width;
  return { under: low, top: low + design.body.width };
}

/** The opening in a deck for a single wheel in the middle, from above; none where it passes below. */
export function wheelSlot(design: CarDesign): readonly Corner[] | null {
  const { layout, otherWheels, wheelbase, body } = design;
  if (layout.otherWheelCount !== 1 || !otherWheels || bodyPartOf(design).isTube) return null;
  const radius = otherWheels.diameter / 2;
  const above = deckHeights(design, wheelbase).under - radius;
  if (above >= radius) return null;
  const reach = Math.sqrt(Math.max(radius ** 2 - above ** 2, 0)) + ROUND_WHEEL;
  // Its hub turns in the slot too where the deck is lower than that.
  const hub = above < HUB.diameter / 2 + ROUND_WHEEL / 2 ? HUB.length : 0;
  const half = (otherWheelOf(design).thickness + ROUND_WHEEL) / 2 + hub;
  if (half >= bodyWidthAt(design, wheelbase) / 2) return null;
  // Where the deck ends before the wheel does, the slot is open in front.
  const end = wheelbase + body.overhang / 2;
  return rectangle(wheelbase - reach, Math.min(wheelbase + reach, end), -half, half);
}

/** Corners of what lies between two places along the car, over the middle line or beside it. */
const strip = (from: number, to: number, high: (x: number) => number, low: (x: number) => number): readonly Corner[] => [
  { x: from, y: high(from) },
  { x: to, y: high(to) },
  { x: to, y: low(to) },
  { x: from, y: low(from) },
];

/** The sticks of a frame, from above: two along it and three across them. */
function frameSticks(design: CarDesign): readonly (readonly Corner[])[] {
  const [{ x: left }, { x: right }] = bodyCorners(design);
  const edge = (x: number): number => bodyWidthAt(design, x) / 2;
  const middle = (left + right - STICK) / 2;
  return [
    ...[left, middle, right - STICK].map((x) => strip(x, x + STICK, edge, (at) => -edge(at))),
    strip(left, right, edge, (x) => edge(x) - STICK),
    strip(
      left,
      right,
      (x) => STICK - edge(x),
      (x) => -edge(x),
    ),
  ];
}

/** What a body is made of from above, each by its corners: a deck, a tube, or the sticks that it is glued of. */
export function bodyPieces(design: CarDesign): readonly (readonly Corner[])[] {
  const deck = deckOutline(design);
  if (deck.length > 0) return [deck];
  return design.body.kind === 'craft-sticks' && bodyWidth(design) >= 3 * STICK ? frameSticks(design) : [bodyCorners(design)];
}

/** A bottle has a shoulder and a neck toward the other axle; a tube is as thick all along. */
export function tubeProfile(design: CarDesign): readonly { readonly x: number; readonly radius: number }[] {
  const [left, right] = [-design.body.overhang / 2, design.wheelbase + design.body.overhang / 2];
  const radius = design.body.width / 2;
  if (design.body.kind !== 'bottle')
    return [
      { x: left, radius },
      { x: right, radius },
    ];
  const long = bodyLength(design);
  return [
    { x: left, radius },
    { x: right - (SHOULDER + NECK) * long, radius },
    { x: right - NECK * long, radius: NECK_WIDTH * radius },
    { x: right, radius: NECK_WIDTH * radius },
  ];
}

/** Deck, frame, bottle or tube. */
export function bodySolid(design: CarDesign): Solid {
  const { isTube, thickness } = bodyPartOf(design);
  if (isTube) {
    const { under, top } = deckHeights(design, 0);
    const shell: Shape = { kind: 'shell', height: (under + top) / 2, profile: tubeProfile(design), wall: thickness };
    return solid(GROUND, design.body.kind === 'bottle' ? 'bottle' : 'tube', [shell], []);
  }
  const { under, top } = deckHeights(design, 0);
  const { slope } = axleLine(design);
  const slot = wheelSlot(design);
  const shapes = bodyPieces(design).map((corners): Shape => ({
    kind: 'plate',
    corners,
    holes: slot ? [slot] : [],
    from: under,
    to: top,
    slope,
  }));
  return solid(GROUND, design.body.kind === 'craft-sticks' ? 'frame' : design.body.kind === 'beam' ? 'beam' : 'deck', shapes, []);
}
