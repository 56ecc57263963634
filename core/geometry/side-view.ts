import type { CarDesign } from '../car/car-design.ts';
import { valueOf } from '../car/values.ts';
import { bodyReach } from '../car/body-reach.ts';
import { centreOfWeight } from '../car/weights.ts';
import { bodyPartOf } from '../car/fitted.ts';
import { box } from './box.ts';
import type { LeverStands, MotorView } from './motors/motor-geometry.ts';
import { ballastEdge } from '../solid/car-solids.ts';
import { deckHeights, tubeProfile } from '../solid/deck-heights.ts';
import { geometryOf } from './motors/motors.ts';
import { wheelMarks } from './wheel-marks.ts';
import type { Circle, Point } from './point.ts';

/** Side view of a car, to scale, m. */
export interface SideView {
  readonly driveWheel: Circle;
  /** Radii of what tells the wheels' kinds, m. */
  readonly driveMarks: readonly number[];
  readonly otherMarks: readonly number[];
  /** Null for a roller. */
  readonly otherWheel: Circle | null;
  /** The drive axle's spool, and its sleeves from the inside out. */
  readonly axle: Circle;
  readonly sleeves: readonly Circle[];
  readonly otherAxle: Circle | null;
  /** Corners, in order; none for a roller. */
  readonly deck: readonly Point[];
  readonly ballast: readonly Point[];
  readonly load: readonly Point[];
  readonly motor: MotorView;
  /** Which way it runs: toward +x, or toward −x with its drive axle in front. */
  readonly heading: 1 | -1;
  readonly bounds: { readonly left: number; readonly right: number; readonly top: number };
}

/** Drawn thickness of bodies thinner than this, m. */
const LEAST_DECK = 0.0015;

/** Outline of the body: a deck along the axles, a tube lying level, a bottle with its neck toward the other axle. */
function deckOf(design: CarDesign): Point[] {
  if (bodyPartOf(design).isTube) {
    const { under, top } = deckHeights(design, 0);
    const middle = (under + top) / 2;
    const profile = tubeProfile(design);
    return [
      ...profile.map(({ x, radius }) => ({ x, y: middle - radius })),
      ...profile.toReversed().map(({ x, radius }) => ({ x, y: middle + radius })),
    ];
  }
  const { left, right } = bodyReach(design);
  const { under, top } = deckHeights(design, 0);
  return box(left, right, 0, Math.max(top - under, LEAST_DECK), (x) => deckHeights(design, x).under);
}

/** Where all of a car's weight sits together. */
export const weightPoint = (design: CarDesign): Point => ({ x: centreOfWeight(design), y: valueOf(design, 'massHeight').value });

/**
 * The car from the side: where every part is, with the lever cocked and at rest. The deck reaches from axle to axle and beyond.
 * @param lever the position of the lever that the bounds include; the largest by default
 * @returns m, from the floor under the drive axle
 */
export function sideView(design: CarDesign, lever: LeverStands = 'largest'): SideView {
  const { motor, wheelbase } = design;
  const circle = (x: number, diameter: number, y = diameter / 2): Circle => ({ x, y, radius: diameter / 2 });
  const driveWheel = circle(0, design.driveWheels.diameter);
  const otherWheel = design.otherWheels ? circle(wheelbase, design.otherWheels.diameter) : null;
  const deckTop = (x: number): number => deckHeights(design, x).top;
  const geometry = geometryOf(motor);
  const view = geometry.sideView(motor, driveWheel.y, deckTop);
  const deck = otherWheel ? deckOf(design) : [];
  /** A block on the deck; in a roller, within it. */
  const block = ({ mass, fromDriveAxle: place }: CarDesign['ballast']): Point[] => {
    const side = ballastEdge(mass);
    const under = otherWheel ? deckTop(place) : driveWheel.y - side / 2;
    return mass > 0 ? box(place - side / 2, place + side / 2, under, under + side) : [];
  };
  const ballast = block(design.ballast);
  const load = block(design.load);
  const all: readonly Point[] = [...deck, ...ballast, ...load, ...geometry.outline(view, lever)];
  return {
    driveWheel,
    driveMarks: wheelMarks(design.driveWheels),
    otherMarks: design.otherWheels ? wheelMarks(design.otherWheels) : [],
    otherWheel,
    axle: circle(0, design.axleDiameter, driveWheel.y),
    sleeves: design.sleeve.map(({ diameter }) => circle(0, diameter, driveWheel.y)),
    otherAxle: otherWheel ? circle(wheelbase, design.axleDiameter, otherWheel.y) : null,
    deck,
    ballast,
    load,
    motor: view,
    heading: design.layout.driveAxle === 'rear' ? 1 : -1,
    bounds: {
      left: Math.min(-driveWheel.radius, ...all.map(({ x }) => x)),
      right: Math.max(driveWheel.radius, otherWheel ? wheelbase + otherWheel.radius : 0, ...all.map(({ x }) => x)),
      top: Math.max(2 * driveWheel.radius, otherWheel ? 2 * otherWheel.radius : 0, ...all.map(({ y }) => y)),
    },
  };
}
