import { mean, sampleStandardDeviation } from 'simple-statistics';
import type { CarDesign, Wind } from '../car/car-design.ts';
import { standingWeight } from '../car/weights.ts';
import { GRAVITY } from '../constants.ts';
import { energyOnTheWay } from '../predict/energy-on-the-way.ts';

/** Runs out and back over one floor, and what they tell of it. */
export interface FloorSlope {
  /** m, mean of each way. */
  readonly out: number;
  readonly back: number;
  /** m, what a level floor would give: the mean resistance of both ways on the same energy. */
  readonly level: number;
  /** Rise over run along the run out; above 0 it leans uphill. And its standard deviation. */
  readonly slope: number;
  readonly deviation: number;
}

/** Runs each way that are needed to tell. */
const FEWEST = 2;

/**
 * The lean of a floor from like runs both ways: half the difference of the two mean resistances E/s over the weight; its spread from the
 * spread of each way's mean. `energy`: J that the tyres passed on; `mass`: kg. Null with fewer than two runs each way. Source: energy,
 * E = (F ± W·slope) s.
 */
export function floorSlope(out: readonly number[], back: readonly number[], energy: number, mass: number): FloorSlope | null {
  if (out.length < FEWEST || back.length < FEWEST) return null;
  const [there, returned] = [out, back].map((side) => {
    const distance = mean([...side]);
    return { distance, resistance: energy / distance, spread: sampleStandardDeviation([...side]) / Math.sqrt(side.length) / distance };
  }) as [Way, Way];
  const weight = mass * GRAVITY;
  return {
    out: there.distance,
    back: returned.distance,
    level: (2 * energy) / (there.resistance + returned.resistance),
    slope: (there.resistance - returned.resistance) / (2 * weight),
    deviation: Math.hypot(there.resistance * there.spread, returned.resistance * returned.spread) / (2 * weight),
  };
}

interface Way {
  readonly distance: number;
  readonly resistance: number;
  readonly spread: number;
}

/** The lean of a floor from distances of one car both ways, with the energy that the model says the way takes of it; null where that cannot be determined. */
export function floorSlopeFromRuns(design: CarDesign, wind: Wind, out: readonly number[], back: readonly number[]): FloorSlope | null {
  const spent = energyOnTheWay(design, wind);
  return spent === null ? null : floorSlope(out, back, spent, standingWeight(design).mass);
}
