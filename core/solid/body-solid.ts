import type { CarDesign } from '../car/car-design.ts';
import { isRoller } from '../car/motors/motors.ts';
import { bodyPartOf } from '../car/fitted.ts';
import { bodyWidth, bodyWidthAt } from '../car/weights.ts';
import { axleLine, deckHeights, tubeProfile } from './deck-heights.ts';
import { tubeOpening } from './tube-opening.ts';
import { bodyCorners, deckOutline, isFrame, wheelSlot } from './deck-outline.ts';
import type { Corner, Shape } from './shape.ts';
import { GROUND, solid, type Solid } from './solid.ts';

/** Width of a craft stick, m. */
const STICK = 0.01;
/** Corners of what lies between two places along the car, over the middle line or beside it. */
const strip = (from: number, to: number, high: (x: number) => number, low: (x: number) => number): readonly Corner[] => [
  { x: from, y: high(from) },
  { x: to, y: high(to) },
  { x: to, y: low(to) },
  { x: from, y: low(from) },
];

/** Where the cross stick between both ends lies: under the hook of the bands, else halfway. */
function crossStick({ motor }: CarDesign, left: number, right: number): number {
  const at = motor.kind === 'band' ? motor.anchorToAxle - STICK / 2 : (left + right) / 2;
  return Math.min(Math.max(at, left), right);
}

/** The sticks of a frame, from above: two along it and three across them. */
function frameSticks(design: CarDesign): readonly (readonly Corner[])[] {
  const [{ x: left }, { x: right }] = bodyCorners(design);
  const edge = (x: number): number => bodyWidthAt(design, x) / 2;
  const middle = crossStick(design, left, right - STICK);
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
  if (bodyPartOf(design).isTube && !isRoller(design)) {
    const profile = tubeProfile(design);
    return [[...profile.map(({ x, radius }) => ({ x, y: radius })), ...profile.toReversed().map(({ x, radius }) => ({ x, y: -radius }))]];
  }
  const deck = deckOutline(design);
  if (deck.length > 0) return [deck];
  return isFrame(design) && bodyWidth(design) >= 3 * STICK ? frameSticks(design) : [bodyCorners(design)];
}

/** What a body that is no deck is called. */
const NAMES: Partial<Readonly<Record<CarDesign['body']['kind'], string>>> = { bottle: 'bottle', tube: 'tube', beam: 'beam', box: 'box' };

/** Deck, frame, bottle or tube. */
export function bodySolid(design: CarDesign): Solid {
  const { isTube, thickness } = bodyPartOf(design);
  if (isTube) {
    const { under, top } = deckHeights(design, 0);
    const shell: Shape = {
      kind: 'shell',
      height: (under + top) / 2,
      profile: tubeProfile(design),
      wall: thickness,
      opening: tubeOpening(design),
    };
    return solid(GROUND, NAMES[design.body.kind] ?? 'tube', [shell], []);
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
  return solid(GROUND, isFrame(design) ? 'frame' : (NAMES[design.body.kind] ?? 'deck'), shapes, []);
}
