import { areaOf, circle, type Corner, type Outline } from '../../solid/shape.ts';

/** One of the layers that a printed part is stacked of: an outline with its holes, from one height over the bed to another, m. */
export interface Layer extends Outline {
  readonly from: number;
  readonly to: number;
}

/** A part that a 3D printer makes, as it lies on the bed: x and y along it, z up from 0; m. */
export interface PrintedPart {
  readonly id: string;
  readonly name: string;
  readonly count: number;
  /** What it is for and how it is fitted. */
  readonly note: string;
  readonly layers: readonly Layer[];
}

/** m of the thinnest wall: three lines of a nozzle of 0.4 mm. Common practice. */
export const WALL = 1.2e-3;
/** m across by which a hole is wider than what is glued into it, and than what turns or slides in it. Common practice. */
export const CLEARANCE = { glued: 0.2e-3, free: 0.5e-3 } as const;
/** kg/m³ of a print that is filled throughout: polylactic acid. Source: its data sheets, 1240. */
const DENSITY = 1240;
/** m that a printed circle may be off. */
const FINE = 0.01e-3;

/** A round outline, to a hundredth of a millimetre. */
export const round = (radius: number, x = 0, y = 0): readonly Corner[] => circle(x, y, radius, FINE);

/** m³ of a printed part, filled throughout. */
export const volumeOf = ({ layers }: PrintedPart): number =>
  layers.reduce((sum, { corners, holes, from, to }) => {
    const area = holes.reduce((left, hole) => left - areaOf(hole), areaOf(corners));
    return sum + area * (to - from);
  }, 0);

/** kg of a printed part that is filled throughout: with fewer lines inside it weighs less. */
export const printedMass = (part: PrintedPart): number => DENSITY * volumeOf(part);

/** What a part takes on the bed, m. */
export function extentOf({ layers }: PrintedPart): {
  readonly low: Corner;
  readonly width: number;
  readonly depth: number;
  readonly height: number;
} {
  const corners = layers.flatMap((layer) => layer.corners);
  const [xs, ys] = [corners.map(({ x }) => x), corners.map(({ y }) => y)];
  const low = { x: Math.min(...xs), y: Math.min(...ys) };
  return { low, width: Math.max(...xs) - low.x, depth: Math.max(...ys) - low.y, height: Math.max(...layers.map(({ to }) => to)) };
}
