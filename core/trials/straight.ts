import { mean } from 'simple-statistics';
import { confidenceInterval } from '../bench/estimate.ts';
import { curvatureOfPushes } from '../bench/pushes.ts';
import type { CarDesign } from '../car/car-design.ts';
import { driftAfter, straighteningMoves, type AxleMove } from '../predict/straightness.ts';

/** A run or push with how far to the right it stopped: m. */
export interface Drifted {
  readonly distance: number;
  readonly drift: number;
  readonly direction?: 'out' | 'back' | undefined;
}

/** What drifts tell of a car. */
export interface Straightening {
  /** 1/m, of the car itself, and where 9 in 10 lie. */
  readonly curvature: number;
  readonly low: number;
  readonly high: number;
  /** 1/m that the floor makes of it along the run out; null without runs both ways. */
  readonly ofFloor: number | null;
  /** m that it drifts over its mean way, most likely. */
  readonly drift: number;
  readonly distance: number;
  /** What to move, each by itself; m by which that is sure. Empty where it cannot be determined from straight. */
  readonly moves: readonly AxleMove[];
  readonly within: number;
}

/** m: a shorter run tells no curve. */
const SHORTEST = 0.2;
/** m, of a tape that is laid to the line. */
const TAPE = 0.01;

/** How to make a car run straight, from drifts in metres: its curvature as the bench reads it from pushes (`curvatureOfPushes`), with its range. Null without any. */
export function straightening(design: CarDesign, runs: readonly Drifted[]): Straightening | null {
  const pushes = runs.filter(({ distance }) => distance > SHORTEST);
  const found = curvatureOfPushes(pushes, TAPE);
  if (!found) return null;
  const { curvature, ofFloor } = found;
  const [low, high] = confidenceInterval(curvature, 0.9);
  const meanDistance = mean(pushes.map(({ distance }) => distance));
  const drift = driftAfter(curvature.value, meanDistance);
  const reach = (high - low) / 2;
  return {
    curvature: curvature.value,
    low,
    high,
    ofFloor: ofFloor && ofFloor.value,
    drift,
    distance: meanDistance,
    moves: low > 0 || high < 0 ? straighteningMoves(design, drift, meanDistance) : [],
    within: straighteningMoves(design, driftAfter(Math.max(reach, 1e-6), meanDistance), meanDistance)[0]!.distance,
  };
}
