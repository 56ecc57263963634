import { quantileSorted } from 'simple-statistics';
import type { CarDesign } from '../car/car-design.ts';
import { upToWall } from '../car/floors.ts';
import { START } from '../car/did-not-start.ts';
import { failedBy } from '../checks/check-car.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { sampledCars } from '../predict/sampled-cars.ts';
import { runFaults } from '../run/run-setup.ts';
import type { Workspace } from '../run/workspace.ts';
import { meanOutcomes, type RoundOutcome } from './all-rounds.ts';
import { roundsOf, scoreOf, simulateForAim } from './aim.ts';

/** Cars built to one design that represent all while many are searched, and where one is reported. */
const SAMPLE = 24;
const TOLD = 500;
/** 8 in 10 do better. */
const LOWER_QUANTILE = 0.2;
/** Score of a car that is hooked or wound beyond what it can take: it does not run. */
const CANNOT_RUN = -1e4;

const atShare = (scores: readonly number[], fraction: number): number =>
  quantileSorted(
    scores.toSorted((a, b) => a - b),
    fraction,
  );

/** The runs of so many cars built to a design, with what each comes to by the aim; the result is null of one that cannot run. */
function builtRuns(design: CarDesign, seed: number, count: number, workspace: Workspace) {
  const carAt = sampledCars(design, seed);
  return Array.from({ length: count }, (_, n) => {
    const { design: built, numbers } = carAt(n);
    const setup = deriveRunSetup(built, { kind: 'full' }, numbers);
    const result = runFaults(setup).length > 0 ? null : simulateForAim(design.aim, setup, workspace);
    const rounds = result && roundsOf(built, result, numbers, workspace);
    return { built, setup, result, rounds, score: result ? scoreOf(built, result, numbers, rounds) : CANNOT_RUN };
  });
}

/**
 * Scores designs by what 8 in 10 cars built like this exceed, by their aim (m, or s saved). The same random cars are built of every design, so that two
 * designs differ by what they are and not by luck. `seed`: the same gives the same scores.
 */
export const lowerQuantileScorer =
  (seed: number, workspace: Workspace, cars = SAMPLE): ((design: CarDesign) => number) =>
  (design) =>
    atShare(
      builtRuns(design, seed, cars, workspace).map(({ score }) => score),
      LOWER_QUANTILE,
    );

/** What many cars built to one design do. */
export interface BuiltSample {
  /** By the aim, one for each car; two designs have the same cars in the same order. */
  readonly scores: readonly number[];
  /** What 8 in 10 exceed, and half. */
  readonly lower: number;
  readonly middle: number;
  /** m that half come to, up to the wall where there is one; and the fraction that it stops. */
  readonly distance: number;
  readonly atWall: number;
  /** What they come to in each round on average, where all rounds are the aim; null elsewhere. */
  readonly rounds: readonly RoundOutcome[] | null;
  /** Share that has each trouble: stalls, spins at the launch, or is stopped by a check. */
  readonly troubles: ReadonlyMap<string, number>;
}

/**
 * Runs many cars built to a design.
 * @param seed the same seed gives the same cars of every design
 * @param count cars in the sample; 500 by default
 */
export function builtSample(design: CarDesign, seed: number, workspace: Workspace, count = TOLD): BuiltSample {
  const runs = builtRuns(design, seed, count, workspace);
  const troubles = new Map<string, number>();
  let atWall = 0;
  for (const { built, setup, result } of runs) {
    const had = result
      ? [
          ...(result.distance < START ? ['stalls'] : []),
          ...(result.launchGripNeeded > 0 && result.launchGripRatio < 1 ? ['spins'] : []),
          ...failedBy(built, result, setup),
        ]
      : ['stalls'];
    for (const trouble of had) troubles.set(trouble, (troubles.get(trouble) ?? 0) + 1 / count);
    if (result && result.distance >= (design.floor.roomLength ?? Infinity)) atWall += 1 / count;
  }
  const scores = runs.map(({ score }) => score);
  const distances = runs.map(({ result }) => upToWall(design.floor, result?.distance ?? 0));
  return {
    scores,
    lower: atShare(scores, LOWER_QUANTILE),
    middle: atShare(scores, 0.5),
    distance: atShare(distances, 0.5),
    atWall,
    rounds: meanOutcomes(runs.map((run) => run.rounds)),
    troubles,
  };
}

/** Share by which a trouble must be commoner to count: a few of five hundred cars are luck. */
const MORE = 0.02;
/** Whether cars of the first sample have some trouble more often than those of the second. */
export const hasMoreTrouble = (a: BuiltSample, b: BuiltSample): boolean =>
  [...a.troubles].some(([trouble, fraction]) => fraction > (b.troubles.get(trouble) ?? 0) + MORE);

/** Fraction of the cars of the first sample that do better than the same cars of the second. */
export const shareBetter = (a: BuiltSample, b: BuiltSample): number =>
  a.scores.filter((score, n) => score > b.scores[n]!).length / a.scores.length;
