import { mean } from 'simple-statistics';
import { curvatureFromDrift } from '../predict/straightness.ts';
import { makeEstimate, meanEstimate, repeatScatter, type Estimate } from './estimate.ts';
import { REPEATS } from './repeatability.ts';

/** A push or run with how far to the right it stopped, m. */
export interface Pushed {
  readonly drift: number;
  readonly distance: number;
  readonly direction?: 'out' | 'back' | undefined;
}

/** How a car curves, 1/m to the right, and what its floor makes of it along the run out; null where it was not pushed both ways. */
export interface PushedCurvature {
  readonly curvature: Estimate;
  readonly ofFloor: Estimate | null;
  /** Of each push, 1/m. */
  readonly each: readonly number[];
}

/** 1/m by which the curvature of one push lies from that of the next: a drift of so much a metre, κ = 2 y/s² on a short way. */
export const pushRepeats = (pushes: readonly Pushed[]): number => (2 * REPEATS.push) / mean(pushes.map(({ distance }) => distance));

/**
 * Curvature of a car from drifts: the mean of both directions where it was pushed both ways, which cancels a floor that leans, each
 * direction about its own mean (their scatter pooled); else the mean of all. Pushes that do not tell their direction count only where no two
 * ways are reported. `division`: m, of the drifts. Null of none.
 */
export function curvatureOfPushes(pushes: readonly Pushed[], division: number): PushedCurvature | null {
  if (pushes.length === 0) return null;
  const curvature = ({ drift, distance }: Pushed): number => curvatureFromDrift(drift, distance);
  const each = pushes.map(curvature);
  const finest = Math.max(...pushes.map(({ distance }) => Math.abs(curvatureFromDrift(division, distance))));
  const repeats = pushRepeats(pushes);
  const [out, back] = (['out', 'back'] as const).map((side) => pushes.filter(({ direction }) => direction === side).map(curvature));
  if (out!.length === 0 || back!.length === 0) return { curvature: meanEstimate(each, finest, repeats), ofFloor: null, each };
  // About the mean of its own direction: what the floor makes of it is no scatter.
  const squares = [out!, back!].flatMap((of) => of.map((one) => (one - mean(of)) ** 2)).reduce((sum, one) => sum + one, 0);
  const { deviation, freedom } = repeatScatter(squares, out!.length + back!.length - 2, finest, repeats);
  const [there, home] = [mean(out!), mean(back!)];
  const half = (value: number): Estimate =>
    makeEstimate(value / 2, (deviation / 2) * Math.hypot(out!.length ** -0.5, back!.length ** -0.5), freedom);
  return { curvature: half(there + home), ofFloor: half(there - home), each };
}
