import type { CarDesign } from '../car/car-design.ts';
import { prepareRun } from '../predict/derive-run-setup.ts';
import { upToWall } from '../car/floors.ts';
import { stoppedBy } from '../checks/check-car.ts';
import type { Workspace } from '../run/workspace.ts';
import type { RoundOutcome } from './all-rounds.ts';
import { roundsOf, scoreOf, simulateForAim } from './aim.ts';

/** One of many cars tried: its run, up to the wall, and how well that meets the aim. SI units; NaN, and a score of −Infinity, where it cannot run. */
export interface ExploredCar {
  readonly distance: number;
  readonly time: number;
  readonly launchGripRatio: number;
  /** Higher is better, by the car's aim. */
  readonly score: number;
  /** What it comes to in each round, where it aims at all of them. */
  readonly rounds?: readonly RoundOutcome[];
  /** The check or rule that stops it; null where none does. */
  readonly stoppedBy: string | null;
}

const CANNOT_RUN: ExploredCar = {
  distance: NaN,
  time: NaN,
  launchGripRatio: NaN,
  score: -Infinity,
  stoppedBy: 'cannot run',
};

/** Runs and judges a design. */
export function exploreCar(design: CarDesign, workspace?: Workspace): ExploredCar {
  const prepared = prepareRun(design);
  if (prepared.kind === 'refused') return CANNOT_RUN;
  const { setup } = prepared;
  const result = simulateForAim(design.aim, setup, workspace);
  const { distance, time, launchGripRatio } = result;
  const rounds = roundsOf(design, result, undefined, workspace);
  return {
    distance: upToWall(design.floor, distance),
    time,
    launchGripRatio,
    score: scoreOf(design, result, undefined, rounds),
    ...(rounds && { rounds }),
    stoppedBy: stoppedBy(design, result, setup),
  };
}

/** Whether the first of two cars is the one to take: one that nothing stops before one that something does, then by score. */
export const isBetter = (
  a: { readonly score: number; readonly isStopped: boolean },
  b: { readonly score: number; readonly isStopped: boolean },
): boolean => (a.isStopped === b.isStopped ? a.score > b.score : b.isStopped && a.score > -Infinity);
