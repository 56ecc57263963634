import type { CarDesign } from '../car/car-design.ts';
import { bodyPartOf } from '../car/fitted.ts';
import { bodyLength, bodyWidth, bodyWidthAt } from '../car/weights.ts';
import { axleLine, deckHeights } from './deck-heights.ts';
import { bodyCorners, deckOutline, wheelSlot } from './deck-outline.ts';
import type { Corner, Shape } from './shape.ts';
import { GROUND, solid, type Solid } from './solid.ts';

/** Width of a craft stick, m. */
const STICK = 0.01;
/** Fraction of a bottle's length that its shoulder takes, and its neck; and how thick that is. */
const SHOULDER = 0.16;
const NECK = 0.08;
const NECK_WIDTH = 0.36;

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
  // Of a sheet, a slot that is open at its end is part of the outline.
  const holes = slot && !(slot.isOpen && deckOutline(design).length > 0) ? [slot.corners] : [];
  const shapes = bodyPieces(design).map((corners): Shape => ({
    kind: 'plate',
    corners,
    holes,
    from: under,
    to: top,
    slope,
  }));
  return solid(GROUND, design.body.kind === 'craft-sticks' ? 'frame' : design.body.kind === 'beam' ? 'beam' : 'deck', shapes, []);
}
