import { mean } from 'simple-statistics';
import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import type { CarDesign } from '../car/car-design.ts';
import { CARE } from '../car/catalogue.ts';
import { curvatureFromDrift, driftAfter, straighteningMoves, type AxleMove } from '../predict/straightness.ts';

/** A run or push with how far to the right it stopped: m. */
export interface Drifted {
  readonly way: number;
  readonly drift: number;
  readonly direction?: 'out' | 'back' | undefined;
}

/** What drifts tell of a car. */
export interface Straightening {
  /** 1/m, of the car itself, and where 9 in 10 lie. */
  readonly curvature: number;
  readonly low: number;
  readonly high: number;
  /** 1/m that the floor makes of it along the way out; null without runs both ways. */
  readonly ofFloor: number | null;
  /** m that it drifts over its mean way, most likely. */
  readonly drift: number;
  readonly way: number;
  /** What to move, each by itself; m by which that is sure. Empty where it cannot be told from straight. */
  readonly moves: readonly AxleMove[];
  readonly within: number;
}

const SIDE = 0.95;
/** That quantile of the normal, where one drift alone tells. */
const NORMAL = 1.645;

/**
 * How to make a car run straight, from drifts in metres. Pushes both ways cancel a floor that leans to the side: the car's own curvature is
 * the mean of both ways, the floor's half their difference. One drift alone is as sure as a car of its build is straight. Null without any.
 */
export function straightening(design: CarDesign, runs: readonly Drifted[]): Straightening | null {
  const sound = runs.filter(({ way }) => way > 0.2);
  if (sound.length === 0) return null;
  const curvatures = (of: readonly Drifted[]): number[] => of.map(({ drift, way }) => curvatureFromDrift(drift, way));
  const [out, back] = (['out', 'back'] as const).map((way) => curvatures(sound.filter(({ direction }) => direction === way))) as [
    number[],
    number[],
  ];
  const isBothWays = out.length > 0 && back.length > 0;
  const all = curvatures(sound);
  const curvature = isBothWays ? (mean(out) + mean(back)) / 2 : mean(all);
  // About the mean of its own direction: what the floor makes of it is no scatter.
  const scattered = (isBothWays ? [out, back] : [all]).map((of) => of.map((one) => one - mean(of)));
  const freedom = all.length - scattered.length;
  const spread =
    freedom > 0 ? Math.sqrt(scattered.flat().reduce((sum, off) => sum + off * off, 0) / freedom) : CARE[design.care].curvature / 2;
  const reach = ((freedom > 0 ? tQuantile(SIDE, freedom) : NORMAL) * spread) / Math.sqrt(all.length);
  const way = mean(sound.map((run) => run.way));
  const drift = driftAfter(curvature, way);
  const isTold = Math.abs(curvature) > reach;
  const per = straighteningMoves(design, driftAfter(Math.max(reach, 1e-6), way), way)[0]!.distance;
  return {
    curvature,
    low: curvature - reach,
    high: curvature + reach,
    ofFloor: isBothWays ? (mean(out) - mean(back)) / 2 : null,
    drift,
    way,
    moves: isTold ? straighteningMoves(design, drift, way) : [],
    within: per,
  };
}
