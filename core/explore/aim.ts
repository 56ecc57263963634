import { contestScore, marksOfAll } from './all-rounds.ts';
import { goalOf } from '../brief/goal.ts';
import { goalRecord, goalScore } from '../brief/goals.ts';
import type { Aim, CarDesign } from '../car/car-design.ts';
import type { Numbers } from '../car/value-table.ts';
import { prepareRun } from '../predict/derive-run-setup.ts';
import { curvatureOf, likelyCurvature } from '../predict/straightness.ts';
import type { RunSetup } from '../run/run-setup.ts';
import type { Workspace } from '../run/workspace.ts';
import { simulateValidated, type RunResult } from '../run/simulate.ts';

/**
 * How well a run meets a car’s aim: higher is better, in the unit of the goal; in points where it aims at all rounds. A car meant straight is taken to curve as one in
 * three of its build does. `numbers`: of a car as it turned out.
 */
export const scoreOf = (design: CarDesign, result: RunResult, numbers?: Numbers, workspace?: Workspace): number =>
  design.aim.contest
    ? contestScore(design, design.aim.contest, result, numbers, workspace)
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
