import type { CarDesign } from '../car/car-design.ts';
import { driveWheelOf, otherWheelOf } from '../car/fitted.ts';
import { isWoundOnAxle } from '../car/motors/motors.ts';
import { bodyWidthAt } from '../car/weights.ts';

/** m kept free between a bearing and the turns wound beside it. Common practice. */
const BESIDE_WINDING = 0.003;
/** m across and long, of the hub that glues a wheel to its axle. Common practice. */
export const HUB = { diameter: 0.02, length: 0.005 };
/** m that a bearing is long at the least, so that it can be glued. */
const LEAST_TUBE = 0.005;
/** Bearings that are tubes cut to length, and how much wider than the axle they are outside, m. Common practice. */
const TUBES: Partial<Readonly<Record<CarDesign['bearing'], number>>> = {
  'wood-plastic-straw': 0.0016,
  'wood-paper-straw': 0.002,
  'steel-straw': 0.0016,
  'steel-brass': 0.001,
  'steel-brass-graphite': 0.001,
};
/** Play of a bare hole about its axle, m across. Common practice. */
const HOLE_PLAY = 0.0005;

export type Axle = 'drive' | 'other';

/** Outside of what an axle turns in, m: the tube, or the bare hole with its play. */
export const bearingOutside = (design: CarDesign, which: Axle = 'drive'): number =>
  design.axleDiameter + (TUBES[bearingAt(design, which)] ?? HOLE_PLAY);

/** What an axle turns in, by its word of the catalogue. */
export const bearingAt = ({ bearing, otherBearing }: CarDesign, which: Axle): CarDesign['bearing'] =>
  which === 'other' ? (otherBearing ?? bearing) : bearing;

export const isTubeBearing = (design: CarDesign, which: Axle = 'drive'): boolean => TUBES[bearingAt(design, which)] !== undefined;

/** Room between the wheels of an axle, m. */
export const betweenWheels = (design: CarDesign, which: Axle): number =>
  design.trackWidth - (which === 'drive' || !design.otherWheels ? driveWheelOf(design) : otherWheelOf(design)).thickness;

/** Width of the drive axle that is kept free for winding, m. */
export const windingGap = ({ motor }: CarDesign): number => (isWoundOnAxle(motor) ? motor.windingWidth + 2 * BESIDE_WINDING : 0);

/** Tubes that an axle turns in, each from one place across the car to another, m from the middle; none where it turns in holes. */
export function bearingTubes(design: CarDesign, which: Axle): readonly (readonly [from: number, to: number])[] {
  if (!isTubeBearing(design, which)) return [];
  const { otherWheels, layout, wheelbase, endPlay } = design;
  const inner = (betweenWheels(design, which) - endPlay) / 2;
  const bothSides = (from: number, to: number): readonly (readonly [number, number])[] => [
    [from, Math.max(to, from + LEAST_TUBE)],
    [-Math.max(to, from + LEAST_TUBE), -from],
  ];
  if (which === 'drive') return bothSides(windingGap(design) / 2, inner);
  if (!otherWheels) return [];
  if (layout.otherWheelCount === 2) return [[-Math.max(inner, LEAST_TUBE / 2), Math.max(inner, LEAST_TUBE / 2)]];
  // One wheel in the middle has a bearing to either side, as far as the body reaches.
  const beside = (otherWheelOf(design).thickness + endPlay) / 2 + HUB.length;
  return bothSides(beside, bodyWidthAt(design, wheelbase) / 2);
}
