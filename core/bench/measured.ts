import { mean } from 'simple-statistics';
import type { Measurement } from '../schema/generated/measurement.ts';
import { meanEstimate, findOutliers, resolutionUncertainty, priorScatter, confidenceInterval, type Estimate } from './estimate.ts';

export type { Measurement };
export type MeasurementKind = Measurement['kind'];
/** A measurement of one kind. */
export type MeasurementOf<Kind extends MeasurementKind> = Extract<Measurement, { kind: Kind }>;

/** What was read against what is fitted to it, to be drawn. */
export interface FitPlot {
  readonly across: string;
  readonly up: string;
  readonly points: readonly (readonly [x: number, y: number])[];
  /** Places in `points` that are to be looked at again. */
  readonly odd: readonly number[];
  /** What the fit leaves of each point; and in what of it they usually lie, a robust standard deviation. */
  readonly residuals: readonly number[];
  readonly usual: number;
  /** The fit, and within what it lies 9 times in 10. */
  readonly curve: readonly { readonly x: number; readonly y: number; readonly low: number; readonly high: number }[];
  /** What was thought before, where the design says it. */
  readonly thought?: readonly (readonly [x: number, y: number])[];
}

/** What a measurement comes to: values by their keys, SI units. */
export interface MeasurementResult {
  readonly values: Readonly<Record<string, Estimate>>;
  readonly drawn: FitPlot | null;
  /** What is to be said besides, in words. */
  readonly remarks: readonly string[];
}

/** A measurement that cannot be worked out: which column of the readings, and what it needs. */
export interface InsufficientReadings {
  readonly column: string;
  readonly needs: string;
}

/** One division of what such things are read with, if left out: rad; N; N·m; m; kg; s. Common practice. */
const USUAL_DIVISIONS: Readonly<Record<string, number>> = {
  angle: 0.0175,
  force: 0.1,
  torque: 0.005,
  time: 0.1,
  times: 0.02,
  length: 0.001,
  distance: 0.01,
  height: 0.001,
  drive: 0.001,
  other: 0.001,
  raised: 0.001,
  inOut: 0.0005,
  upDown: 0.0005,
  before: 0.0001,
  after: 0.0001,
  drift: 0.01,
  out: 0.01,
  back: 0.01,
};

/** One division that a column was read in; what is usual if left out. */
export const divisionOf = (measurement: Measurement, column: string): number =>
  (measurement.resolution as Readonly<Record<string, number | null>> | undefined)?.[column] ?? USUAL_DIVISIONS[column] ?? 0;

/** Places of a curve that is drawn. */
const PLACES = 24;

/** A fit as it is drawn over the readings’ own stretch. */
export function fitPlot(
  labels: Pick<FitPlot, 'across' | 'up'>,
  x: readonly number[],
  y: readonly number[],
  fit: {
    readonly residuals: readonly number[];
    readonly at: (x: number) => Estimate;
    readonly division: number;
    /** Standard deviation in which such readings usually repeat: nearer than that none is odd. */
    readonly repeatability?: number;
  },
): FitPlot {
  const [from, to] = [Math.min(...x), Math.max(...x)];
  const least = Math.max(resolutionUncertainty(fit.division), (fit.repeatability ?? 0) / 2);
  return {
    ...labels,
    points: x.map((place, i) => [place, y[i]!] as const),
    odd: findOutliers(fit.residuals, least),
    residuals: fit.residuals,
    usual: priorScatter(fit.residuals, least),
    curve: Array.from({ length: PLACES + 1 }, (_, i) => {
      const place = from + ((to - from) * i) / PLACES;
      const there = fit.at(place);
      const [low, high] = confidenceInterval(there, 0.9);
      return { x: place, y: there.value, low, high };
    }),
  };
}

/** Readings of one thing one after the other, about their mean. */
export function meanPlot(up: string, readings: readonly number[], division: number, repeatability: number): FitPlot {
  const average = meanEstimate(readings, division, repeatability);
  const order = readings.map((_, i) => i + 1);
  return fitPlot({ across: 'reading', up }, order, readings, {
    residuals: readings.map((reading) => reading - average.value),
    at: () => average,
    division,
    repeatability,
  });
}

/** Readings of which each was worked out by itself, about their mean. `division`: that of each; `repeats`: as a fraction. */
export function meanOfEach(readings: readonly number[], division: (i: number) => number, repeats: number): Estimate {
  return meanEstimate(readings, Math.max(0, ...readings.map((_, i) => division(i))), repeats * mean([...readings]));
}
