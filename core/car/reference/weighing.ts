import type { CarDesign } from '../car-design.ts';
import { standingWeight, weighedAt, type StandingWeight } from '../weights.ts';

/** The same car put on the scale: it weighs this, kg, or stands on its axles so. */
export const weighing = (design: CarDesign, said: Partial<StandingWeight>): CarDesign =>
  weighedAt(design, { ...standingWeight(design), ...said });
