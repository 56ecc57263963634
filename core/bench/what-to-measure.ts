import type { CarDesign } from '../car/car-design.ts';
import { likelyNumbers } from '../car/values.ts';
import { boundsOf, type Bounds } from '../predict/uncertainty.ts';
import { sampledRuns } from '../predict/sampled-runs.ts';
import { makeWorkspace } from '../run/workspace.ts';
import { MEASUREMENTS, MEASUREMENT_KINDS } from './measurements.ts';
import { applyMeasurement } from './apply-measurement.ts';
import { isMeasured, measure } from './measure.ts';
import type { MeasurementKind } from './measured.ts';
import type { HiddenBuild } from './hidden-car.ts';
import { simulatedReadings } from './simulated-readings.ts';

/** A measurement that could be made: what it would take away of what is not known of a full run, and the range that would be left, m. */
export interface ToMeasure {
  readonly kind: MeasurementKind;
  /** Fraction of the variance, from 0 to 1. */
  readonly fraction: number;
  readonly after: Bounds;
}

export interface WhatToMeasure {
  readonly now: Bounds;
  /** The most telling first. */
  readonly measurements: readonly ToMeasure[];
}

const RUNS = 96;

/** A car built just as expected. */
const asThought = (design: CarDesign): HiddenBuild => ({
  design,
  numbers: likelyNumbers(design),
  curvature: 0,
  slope: 0,
  outOfTrue: 0.02,
  offCentre: 0.001,
});

/** ln-variance of a range: that of a normal between whose tenths it lies. */
const logVariance = ({ low, high }: Bounds): number => Math.log(Math.max(high, 0.01) / Math.max(low, 0.01)) ** 2;

/** Where 8 in 10 such cars stop, wound fully, m. */
export const predictedRange = (car: CarDesign, workspace = makeWorkspace()): Bounds =>
  boundsOf(sampledRuns(car, { runs: RUNS, workspace }).map(({ result }) => result?.distance ?? 0));

/** What each measurement would bring on this car: it is read as a car built as expected would be, and the prediction made again. Null where the car cannot run. */
export function whatToMeasure(design: CarDesign): WhatToMeasure {
  const workspace = makeWorkspace();
  const now = predictedRange(design, workspace);
  const measurements = MEASUREMENT_KINDS.filter((kind) => MEASUREMENTS[kind].suits(design)).flatMap((kind): ToMeasure[] => {
    const simulated = simulatedReadings(kind, asThought(design), 1);
    const result = simulated && measure(simulated.measurement);
    if (!result || !isMeasured(result)) return [{ kind, fraction: 0, after: now }];
    const after = predictedRange(applyMeasurement(design, result), workspace);
    return [{ kind, fraction: Math.max(0, 1 - logVariance(after) / logVariance(now)), after }];
  });
  return { now, measurements: measurements.sort((a, b) => b.fraction - a.fraction) };
}
