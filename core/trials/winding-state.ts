import { bisect } from '../numerics/bisect.ts';
import type { CarDesign } from '../car/car-design.ts';
import { safeStretch } from '../car/catalogue.ts';
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

/** What a car holds when it is wound by `turns`, up to a full wind; null for none, or for more than it takes. */
export function windingState(design: CarDesign, turns: number): WindingState | null {
  if (turns <= 0) return null;
  const most = fullTurns(design);
  const wind = turns >= most ? ({ kind: 'full' } as const) : ({ kind: 'turns', turns } as const);
  const prediction = predictRun(design, wind);
  if (prediction.kind === 'refused') return null;
  const { motor } = deriveRunSetup(design, wind);
  return { pull: prediction.result.launchThrust, stretch: modelOf(motor).stretch(motor) };
}

/** Halvings of the turns that are searched: finer than a counter counts. */
const HALVINGS = 12;

/** The most turns that string or band stands: a full wind of a trap; of bands, up to the stretch that is safe, though no more than a full wind. The design must have no faults. */
export function safeTurns(design: CarDesign): number {
  const most = fullTurns(design);
  if (!hasBands(design.motor)) return most;
  const limit = safeStretch(design.motor.band);
  const isSafe = (turns: number): boolean => (windingState(design, turns)?.stretch ?? Infinity) <= limit;
  if (isSafe(most)) return most;
  return bisect(isSafe, 0, most, HALVINGS).low;
}
