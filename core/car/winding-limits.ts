import { rubberOf, type BandSizes } from '../motor/rubber.ts';
import type { Band } from './car-design.ts';

/** Stretch ratio that rubber stands again and again. Common practice, from memory. */
export const safeStretch = (of: Band): number => (of.kind === 'tubing' ? 2 : 4.5);

/** Layers on an axle above which windings ride over each other and snag. Common practice. */
export const MAX_LAYERS = 3;

/**
 * Layers that so many turns of a strand make on a width of axle, m: turns × thickness / width. Rubber keeps its volume:
 * stretched λ times it is √λ thinner.
 * @example layersOf({ turns: 20, strand: 0.003, width: 0.02, stretch: 4 }) // 1.5
 */
export const layersOf = (of: {
  readonly turns: number;
  readonly strand: number;
  readonly width: number;
  readonly stretch: number;
}): number => (of.turns * of.strand) / (Math.sqrt(Math.max(of.stretch, 1)) * of.width);

/**
 * Turns that a twisted bundle takes for its length over the root of its section: strands that lie at one slope have gone round so often.
 * Common practice: a band of 3 × 1/8 in takes 40 to 60 turns (50 · √5.04 mm² / 76.2 mm).
 */
const TWIST_SLOPE = 1.47;

/** Turns that a twisted band takes before it knots. */
export function twistTurns(sizes: BandSizes): number {
  const { length, section } = rubberOf(sizes);
  return (TWIST_SLOPE * length) / Math.sqrt(section);
}
