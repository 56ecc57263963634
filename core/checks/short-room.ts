import { bisect } from '../numerics/bisect.ts';
import { USUAL_HALF_WIDTH } from '../units/quantity.ts';
import { goalOf } from '../brief/goal.ts';
import { predictRun } from '../predict/predict-run.ts';
import { fullTurns } from '../predict/derive-run-setup.ts';
import type { Check, Situation } from './check.ts';

/** Turns whose run ends at this fraction of the room: near enough to learn from, short enough not to hit. */
const ROOM_SHARE = 0.9;

/** The wind, in turns, that ends at `distance` metres, by bisection over the winds that grow the run. */
function turnsFor(design: Situation['design'], distance: number): number {
  const stopsBefore = (turns: number): boolean => {
    const prediction = predictRun(design, { kind: 'turns', turns });
    return prediction.kind !== 'ran' || prediction.result.distance <= distance;
  };
  return bisect(stopsBefore, 0, fullTurns(design), 24).low;
}

/** Whether the run fits the room, m. A run that hits the wall is only "at least". */
export function shortRoom({ design, result }: Situation): Check | null {
  const room = design.floor.roomLength;
  if (room === null) return null;
  const fits = result.distance <= room;
  const goal = goalOf(design.aim);
  // What counts is decided at a mark before the wall.
  const isSettledBefore = 'distance' in goal && goal.kind !== 'closest-to' && goal.kind !== 'speed-and-distance' && goal.distance <= room;
  return {
    id: 'short-room',
    title: 'room for the run',
    value: result.distance,
    limit: room,
    limitIs: 'most',
    quantity: 'distance',
    verdict: fits || isSettledBefore ? 'good' : 'warning',
    sure: 'estimated',
    sentence: (format) =>
      fits
        ? `It stops ${format.predicted(room - result.distance, 'distance', USUAL_HALF_WIDTH * result.distance)} before the wall.`
        : `The wall is at ${format(room, 'distance')}: a full wind can only show “at least”. Wind ${format(turnsFor(design, ROOM_SHARE * room), 'count')} turns to stop before the wall.`,
    remedies: () => [],
  };
}
