import type { CarDesign, Wind } from '../car/car-design.ts';
import { predictRun } from '../predict/predict-run.ts';
import { curvatureOf, driftAfter, likelyCurvature } from '../predict/straightness.ts';
import { type Quantity, unitOf, type UnitSystem, unitValue } from '../units/quantity.ts';

/** m of way after which it is asked how far off the line a car is. */
export const DRIFT_WAY = 5;

/** A question about a change to a car. */
export type CarFigure = 'distance' | 'pull' | 'speed' | 'wheelspin' | 'energy' | 'time' | 'drift';
/** A question about runs that depend on luck. */
export type LuckFigure = 'mean' | 'mean-off' | 'best' | 'next' | 'seen';
export type WatchedFigure = CarFigure | LuckFigure;

/** How each is called, and in which quantity it is reported. */
export const WATCHED_FIGURES: Readonly<Record<WatchedFigure, { readonly label: string; readonly quantity: Quantity }>> = {
  distance: { label: 'the distance', quantity: 'distance' },
  pull: { label: 'its pull at the launch', quantity: 'force' },
  speed: { label: 'its top speed', quantity: 'speed' },
  wheelspin: { label: 'the distance over which its wheels spin', quantity: 'distance' },
  energy: { label: 'the energy stored', quantity: 'energy' },
  time: { label: 'the time of its run', quantity: 'time' },
  drift: { label: `the drift off the line after ${DRIFT_WAY} m`, quantity: 'distance' },
  mean: { label: 'the mean distance', quantity: 'distance' },
  'mean-off': { label: 'the uncertainty of their mean', quantity: 'distance' },
  best: { label: 'the distance of the best of them', quantity: 'distance' },
  next: { label: 'the distance of that run', quantity: 'distance' },
  seen: { label: 'the difference that luck alone may cause', quantity: 'distance' },
};

/** Digits by which a change is seen where the same car is compared with itself. Our choice. */
const DIGITS = 3;
/** A figure as it is reported where a car is compared with itself: `printAsked('pull', 0.0934, 'metric') // '0.0934 N'`. */
export function formatWatched(asked: WatchedFigure, value: number, units: UnitSystem): string {
  const { quantity } = WATCHED_FIGURES[asked];
  // Less than a millimetre, or what is as small, is nothing.
  const shown = Math.abs(value) < 1e-3 ? 0 : value / unitValue(quantity, units);
  return `${Number(shown.toPrecision(DIGITS))}\u00a0${unitOf(quantity, units)}`;
}

/** The figures of a car’s likely run, SI; null of a car that does not run, or does not get moving. */
export function figuresOf(design: CarDesign, wind: Wind = { kind: 'full' }): Readonly<Record<CarFigure, number>> | null {
  const prediction = predictRun(design, wind);
  if (prediction.kind === 'refused' || prediction.result.stalled) return null;
  const { distance, launchThrust, topSpeed, slipDistance, storedEnergy, time } = prediction.result;
  const drift = driftAfter(Math.abs(curvatureOf(design)) + likelyCurvature(design), DRIFT_WAY);
  return { distance, pull: launchThrust, speed: topSpeed, wheelspin: slipDistance, energy: storedEnergy, time, drift };
}
