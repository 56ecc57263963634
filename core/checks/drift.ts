import { upToWall } from '../car/floors.ts';
import { squareWheels, straightAxles } from './chassis-remedies.ts';
import { curvatureOf, likelyCurvature, worstDrift } from '../predict/straightness.ts';
import { goalOf } from '../brief/goal.ts';
import { goalRecord } from '../brief/goals.ts';
import { grade, type Check, type Situation } from './check.ts';

/** Half the lane where none is given: this fraction of the distance, and at least so many m. */
const LANE_SHARE = 0.2;
const HALF_LANE = 1;

/** How far off the straight line the car comes along its run to its goal, m. Source: geometry of the circle; a build's own crookedness is our estimate. */
export function drift({ design, result }: Situation): Check | null {
  if (!design.otherWheels) return null;
  const distance = Math.min(design.aim.distance ?? Infinity, upToWall(design.floor, result.distance));
  const curvature = curvatureOf(design);
  const built = worstDrift(curvature, distance);
  const likely = worstDrift(likelyCurvature(design), distance);
  const isBuilt = Math.abs(curvature) > likelyCurvature(design);
  const value = Math.min(isBuilt ? Math.abs(built) : likely, distance);
  const limit = design.floor.laneWidth === null ? Math.max(HALF_LANE, LANE_SHARE * distance) : design.floor.laneWidth / 2;
  // What a build may turn out like is to be minded, no more; one that turns sideways before it gets there goes nowhere.
  const turnsAside = isBuilt && Math.abs(curvature) * distance > Math.PI / 2;
  // Where nothing is asked of its line and no lane is laid, what a build may turn out like is no fault.
  const isAsked = isBuilt || design.floor.laneWidth !== null || goalRecord(goalOf(design.aim)).isSteered === true;
  const verdict = turnsAside ? 'stop' : isAsked ? grade(value, limit, 'most', isBuilt ? 1 : Infinity) : 'good';
  const side = built > 0 ? 'to the right' : 'to the left';
  return {
    id: 'drift',
    title: 'drift to the side',
    value,
    limit,
    limitIs: 'most',
    quantity: 'distance',
    verdict,
    sure: isBuilt ? 'sizes' : 'rough',
    sentence: (format) =>
      turnsAside
        ? `Its axles and wheels turn it round ${side}: within ${format.predicted(distance, 'distance')} it faces sideways.`
        : isBuilt
          ? `Its axles and wheels steer it ${format.predicted(value, 'distance')} ${side} within ${format.predicted(distance, 'distance')}.`
          : `It is designed to run straight. A build like this may drift ${format.predicted(value, 'distance')} to either side within ${format.predicted(distance, 'distance')}.`,
    remedies: () => (verdict === 'good' ? [] : isBuilt ? [straightAxles(design)] : squareWheels(design)),
  };
}
