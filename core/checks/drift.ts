import { squareWheels, straightAxles } from './remedies.ts';
import { curvatureOf, likelyCurvature, worstDrift } from '../predict/straightness.ts';
import { grade, type Check, type Situation } from './check.ts';

/** Half the lane where none is given: this share of the way, and at least so many m. */
const LANE_SHARE = 0.2;
const HALF_LANE = 1;

/** How far off the straight line the car comes on its way to its goal, m. Source: geometry of the circle; a build's own crookedness is our estimate. */
export function drift({ design, result }: Situation): Check | null {
  if (!design.otherWheels) return null;
  const way = Math.min(design.aim.distance ?? Infinity, result.distance, design.floor.roomLength ?? Infinity);
  const built = worstDrift(curvatureOf(design), way);
  const likely = worstDrift(likelyCurvature(design), way);
  const value = Math.min(Math.max(Math.abs(built), likely), way);
  const limit = design.floor.laneWidth === null ? Math.max(HALF_LANE, LANE_SHARE * way) : design.floor.laneWidth / 2;
  const isBuilt = Math.abs(built) > likely;
  // What a build may turn out like is to be minded, no more.
  const verdict = grade(value, limit, 'most', isBuilt ? 1 : Infinity);
  return {
    id: 'drift',
    title: 'drift to the side',
    value,
    limit,
    limitIs: 'most',
    quantity: 'distance',
    verdict,
    sure: isBuilt ? 'sizes' : 'rough',
    sentence: (print) =>
      isBuilt
        ? `Its axles and wheels steer it ${print(value, 'distance')} to the ${built > 0 ? 'right' : 'left'} within ${print(way, 'distance')}.`
        : `Meant straight, a build like this may be ${print(value, 'distance')} to either side within ${print(way, 'distance')}.`,
    remedies: () => (verdict === 'good' ? [] : isBuilt ? [straightAxles(design), ...squareWheels(design)] : squareWheels(design)),
  };
}
