import type { CarDesign } from '../car/car-design.ts';
import { woundByFeel } from '../car/new-car.ts';
import { hasBands } from '../car/motors/motors.ts';
import { modelOf } from '../motor/motors.ts';
import { deriveRunSetup, fullTurns } from '../predict/derive-run-setup.ts';
import { predictRun } from '../predict/predict-run.ts';

/** A car with so many turns on its drive axle. */
export interface WindingState {
  /** N at the tyre. */
  readonly pull: number;
  /** Stretch ratio of the band; null without one. */
  readonly stretch: number | null;
}

/** What a car holds when it is wound by `turns`; null for none, or for more than it takes: a string ends, a band breaks. */
export function windingState(design: CarDesign, turns: number): WindingState | null {
  if (turns <= 0) return null;
  const most = fullTurns(design);
  const isFull = hasBands(design.motor) ? turns === most : turns >= most;
  const wind = isFull ? ({ kind: 'full' } as const) : ({ kind: 'turns', turns } as const);
  const prediction = predictRun(design, wind);
  if (prediction.kind === 'refused') return null;
  const { motor } = deriveRunSetup(design, wind);
  return { pull: prediction.result.launchThrust, stretch: modelOf(motor).stretch(motor) };
}

/** The most turns that string or band stands: a full wind of a trap; of bands until they are tight. The design must have no faults. */
export const safeTurns = (design: CarDesign): number => fullTurns(woundByFeel(design));
