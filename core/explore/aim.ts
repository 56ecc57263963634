import { contestScore, marksOfAll, pointsByRound, type RoundOutcome } from './all-rounds.ts';
import { goalOf } from '../brief/goal.ts';
import { goalRecord, goalScore, measureOf } from '../brief/goals.ts';
import { judgeGoal, type JudgedGoal } from '../brief/judge.ts';
import type { SampledRun } from '../predict/sampled-runs.ts';
import { boundsOf } from '../predict/uncertainty.ts';
import type { Aim, CarDesign } from '../car/car-design.ts';
import type { Numbers } from '../car/value-table.ts';
import { prepareRun } from '../predict/derive-run-setup.ts';
import { curvatureOf, likelyCurvature } from '../predict/straightness.ts';
import type { RunSetup } from '../run/run-setup.ts';
import type { Workspace } from '../run/workspace.ts';
import { simulateValidated, type RunResult } from '../run/simulate.ts';

/** What a car comes to in each round of the contest it aims at; null where it aims at one goal. `numbers`: of a car as it turned out. */
export const roundsOf = (design: CarDesign, result: RunResult, numbers?: Numbers, workspace?: Workspace): readonly RoundOutcome[] | null =>
  design.aim.contest ? pointsByRound(design, design.aim.contest, result, numbers, workspace) : null;

/**
 * How well a run meets a car’s aim: higher is better, in the unit of the goal, or in points where it aims at all rounds. A car meant straight
 * is taken to curve as one in three of its build does.
 * @param rounds what it comes to in them (`roundsOf`)
 */
export const scoreOf = (design: CarDesign, result: RunResult, numbers?: Numbers, rounds = roundsOf(design, result, numbers)): number =>
  rounds
    ? contestScore(design.aim.contest!, rounds)
    : goalScore(goalOf(design.aim), { design, result, numbers, curvature: Math.abs(curvatureOf(design)) + likelyCurvature(design) });

/** m, what has to be timed for an aim. */
export const marksOf = (aim: Aim): readonly number[] => {
  if (aim.contest) return marksOfAll(aim.contest);
  const goal = goalOf(aim);
  return goalRecord(goal).marks?.(goal) ?? [];
};

/** The run of a setup that was proved sound, with the aim's distance as a mark. */
export const simulateForAim = (aim: Aim, setup: RunSetup, workspace?: Workspace): RunResult =>
  simulateValidated({ ...setup, marks: [...marksOf(aim)] }, { workspace });

/** The run of a design with its aim's distance as a mark; null where it cannot run. */
export function runForAim(design: CarDesign, workspace?: Workspace): RunResult | null {
  const prepared = prepareRun(design);
  return prepared.kind === 'refused' ? null : simulateForAim(design.aim, prepared.setup, workspace);
}

/**
 * What cars built to a design come to by their aim: by its goal, or in points where it aims at all rounds.
 * @param sample their runs with every mark timed (`marksOf`)
 * @param seed of the curvatures of their paths
 */
export function judgeAim(design: CarDesign, sample: readonly SampledRun[], seed = 1, workspace?: Workspace): JudgedGoal {
  if (!design.aim.contest) return judgeGoal(design, goalOf(design.aim), sample, seed);
  const scores = sample.map(({ design: built, numbers, result }) =>
    result ? scoreOf(built, result, numbers, roundsOf(built, result, numbers, workspace)) : 0,
  );
  return { kind: 'ran', bounds: boundsOf(scores), chance: null };
}

/** What a score is in the unit that the aim is reported in; NaN of a car that does not get there, or cannot run. */
export const askedOf = (aim: Aim, score: number): number =>
  aim.contest ? (Number.isFinite(score) ? score : NaN) : measureOf(goalOf(aim), score);
