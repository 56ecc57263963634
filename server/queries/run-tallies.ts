import type { Outcome } from '../../core/car/car-design.ts';
import { START, type RunTallies, type SessionSums } from '../../core/schema/stored.ts';
import type { Db } from '../database.ts';
import type { DesignsOf } from './run-rows.ts';

/** A run that started and stopped by itself. */
const STARTED = `outcome = 'stopped' AND distance >= ${START}`;

interface TallyRow {
  readonly design_id: string;
  readonly turns: number | null;
  readonly latest: string;
  readonly stopped: number;
  readonly walls: number;
  readonly noStarts: number;
  readonly sum: number;
  readonly squares: number;
  readonly best: number;
  readonly best_outcome: Outcome['kind'];
}

interface SessionRow extends Pick<TallyRow, 'stopped' | 'walls' | 'noStarts' | 'sum' | 'squares' | 'best'> {
  readonly session: string;
  readonly best_wall: number;
}

/** Runs added up: like runs of a car, and the runs of each session. */
export function runTallyQueries(db: Db, designsOf: DesignsOf) {
  const alike = "FROM runs WHERE car_id = t.car_id AND design_id = t.design_id AND turns IS nullif(t.wind, 'full') AND deleted_at IS NULL";
  const tally = db.prepare<[string], TallyRow>(
    `SELECT design_id, nullif(wind, 'full') AS turns, stopped, walls, no_starts AS noStarts, sum, squares,
       (SELECT ran_at ${alike} ORDER BY ran_at DESC LIMIT 1) AS latest,
       (SELECT distance ${alike} ORDER BY distance DESC LIMIT 1) AS best,
       (SELECT outcome ${alike} ORDER BY distance DESC, outcome LIMIT 1) AS best_outcome
     FROM run_tallies t WHERE car_id = ? AND design_id <> '' AND stopped + walls + no_starts > 0 ORDER BY latest DESC`,
  );

  const bySession = db.prepare<[string], SessionRow>(
    `SELECT session, CAST(total(${STARTED}) AS INTEGER) AS stopped, CAST(total(outcome = 'hit-wall') AS INTEGER) AS walls,
       CAST(total(outcome = 'stopped' AND distance < ${START}) AS INTEGER) AS noStarts,
       total(iif(${STARTED}, distance, 0)) AS sum, total(iif(${STARTED}, distance * distance, 0)) AS squares,
       max(distance) AS best, max(iif(outcome = 'hit-wall', distance, -1)) AS best_wall
     FROM runs WHERE car_id = ? AND deleted_at IS NULL AND session IS NOT NULL GROUP BY session`,
  );
  return {
    /** Like runs added up, the newest groups first, at most `most` of them. */
    tallies: (carId: string, most: number): RunTallies => {
      const rows = tally.all(carId);
      const shown = rows.slice(0, most);
      const known = designsOf(shown.map(({ design_id: designId }) => designId));
      return {
        total: rows.length,
        tallies: shown
          .filter(({ design_id: designId }) => Object.hasOwn(known, designId))
          .map(({ design_id: designId, squares, best, best_outcome: kind, ...row }) => ({
            ...row,
            designId,
            sumOfSquares: squares,
            best: { kind, distance: best },
          })),
        designs: known,
      };
    },
    /** Runs of each session added up. */
    sessionSums: (carId: string): SessionSums[] =>
      bySession.all(carId).map(({ session, squares, best, best_wall: wall, ...row }) => ({
        ...row,
        session,
        sumOfSquares: squares,
        best: { kind: wall === best ? 'hit-wall' : 'stopped', distance: best },
      })),
  };
}
