import { onFloor } from '../brief/brief.ts';
import { drawnRun, runSpread, type RunSpread } from '../brief/drawn-run.ts';
import { goalRecord, measuredOfModel, type GoalRun } from '../brief/goals.ts';
import { figureOf, pointsFor } from '../brief/points-table.ts';
import { compareValues, countedOf, type RunValue } from '../brief/run-value.ts';
import type { CarDesign } from '../car/car-design.ts';
import type { Contest, ContestRound } from '../car/contest.ts';
import type { Numbers } from '../car/value-table.ts';
import { numbersOn } from '../car/values.ts';
import { lowDiscrepancy, standardNormal } from '../numerics/low-discrepancy.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { curvatureOf, likelyCurvature } from '../predict/straightness.ts';
import { runFaults } from '../run/run-setup.ts';
import { simulateValidated, type RunResult } from '../run/simulate.ts';
import type { Workspace } from '../run/workspace.ts';

/** Evenings over which a car’s points are averaged, and runs of one round that differ in them. */
const EVENINGS = 16;
const RUNS = 4;
/**
 * Of each evening how much the car bends, and how far along and aside each run is, in standard deviations: the same for every car, each with
 * its opposite. How much it bends is taken from equal parts of a normal, for a gap is passed by the straightest.
 */
const DEVIATIONS = Array.from({ length: EVENINGS / 2 }, (_, n) => {
  const off = Array.from(lowDiscrepancy(2 * RUNS, 5)(n), standardNormal);
  return [standardNormal(0.5 + (n + 0.5) / EVENINGS), ...off];
}).flatMap((deviations) => [deviations, deviations.map((deviation) => -deviation)]);

/** Points by which a car is preferred that comes nearer to the field where it earns no more: a search finds its way by that. */
const HINT = 2e-3;
/** m after which a run that does not count is as good as one that all but does. */
const ALL_BUT = 10;

/** The car as it runs a round. */
export const inRound = (design: CarDesign, { floor, load }: ContestRound): CarDesign => onFloor(design, floor, load);

/** m, what is timed in any round. */
export const marksOfAll = ({ rounds }: Contest): readonly number[] => [
  ...new Set(rounds.flatMap(({ goal }) => goalRecord(goal).marks?.(goal) ?? [])),
];

/** What a car comes to in one round. */
export interface RoundOutcome {
  /** Mean points against the field. */
  readonly points: number;
  /** The figure that counts, half of its evenings better: in the goal's unit, less of a time negative; −∞ where most do not count. */
  readonly figure: number;
  /** Fraction of its evenings in which a run counts. */
  readonly counts: number;
  /** m that it goes there. */
  readonly distance: number;
}

/** What one car earns in a round by its run there, over many evenings. */
export function pointsInRound({ goal, runs, worst, points, ...round }: ContestRound, run: GoalRun, spread: RunSpread): RoundOutcome {
  const { design } = run;
  const [straight, usual] = [curvatureOf(design), likelyCurvature(design)];
  const free = measuredOfModel(goal, run);
  const least = worst === null ? null : { value: worst, atLeast: false };
  const figures = DEVIATIONS.map(([bend, ...off]) => {
    const possible = { run: { ...run, curvature: straight + usual * bend! }, free };
    const values: RunValue[] = [];
    for (let k = 0; k < runs; k++) {
      const value = drawnRun(goal, possible, spread, off[2 * (k % RUNS)]!, off[2 * (k % RUNS) + 1]!);
      if (value) values.push(value);
    }
    values.sort((a, b) => compareValues(goal, a, b));
    return figureOf(goal, countedOf({ ...round, goal, runs }, values, least));
  });
  const counting = figures.filter((figure) => !Number.isNaN(figure));
  return {
    points: figures.reduce((sum, figure) => sum + pointsFor(points, figure), 0) / figures.length,
    figure: figures.map((figure) => (Number.isNaN(figure) ? -Infinity : figure)).sort((a, b) => a - b)[figures.length >> 1]!,
    counts: counting.length / figures.length,
    distance: run.result.distance,
  };
}

const NOTHING: RoundOutcome = { points: 0, figure: -Infinity, counts: 0, distance: 0 };

/**
 * What one car earns in each round of a contest, with its own scatter from run to run and its likely bend.
 * @param design one that can run, as it stands in the round that is shown
 * @param result its run there, with every mark timed (`marksOfAll`)
 * @param numbers as it turned out; the most likely by default
 */
export function pointsByRound(
  design: CarDesign,
  contest: Contest,
  result: RunResult,
  numbers?: Numbers,
  workspace?: Workspace,
): readonly RoundOutcome[] {
  const marks = [...marksOfAll(contest)];
  const spread = runSpread(design, contest.scatter);
  const { rounds, shown } = contest;
  // Rounds on one floor with one load are one run.
  const alike = ({ floor, load }: ContestRound): number => rounds.findIndex((other) => other.floor === floor && other.load === load);
  const ofShown = alike(rounds[shown]!);
  const runs = new Map<number, GoalRun | null>();
  const runIn = (round: ContestRound, isShown: boolean): GoalRun | null => {
    const asked = inRound(design, round);
    const there = numbers && numbersOn(design, asked, numbers);
    const own = { design: asked, curvature: 0, ...(there && { numbers: there }) };
    if (isShown) return { ...own, result };
    const setup = deriveRunSetup(asked, { kind: 'full' }, there);
    return runFaults(setup).length > 0 ? null : { ...own, result: simulateValidated({ ...setup, marks }, { workspace }) };
  };
  return rounds.map((round) => {
    const first = alike(round);
    if (!runs.has(first)) runs.set(first, runIn(round, first === ofShown));
    const run = runs.get(first)!;
    return run ? pointsInRound(round, run, spread) : NOTHING;
  });
}

/** How well a car does in all rounds: points, and `hint` points for what brings it nearer to the field or further ahead. */
export const contestScore = ({ rounds }: Contest, made: readonly RoundOutcome[], hint = HINT): number =>
  made.reduce((sum, { points, figure, distance }, i) => {
    const { middle } = rounds[i]!;
    const nearer = Number.isFinite(figure)
      ? Math.min(Math.max((figure - middle) / Math.abs(middle) || 0, -1), 1)
      : -2 + Math.min(distance / ALL_BUT, 1);
    return sum + points + hint * nearer;
  }, 0);

/** What many cars come to in each round: mean points and chances, and the figure of the middle one; null of cars with one goal. Who cannot run earns nothing. */
export function meanOutcomes(cars: readonly (readonly RoundOutcome[] | null)[]): readonly RoundOutcome[] | null {
  const known = cars.find((car) => car !== null);
  if (!known) return null;
  const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;
  const middle = (values: readonly number[]): number => values.toSorted((a, b) => a - b)[values.length >> 1]!;
  return known.map((_, i) => {
    const each = cars.map((car) => car?.[i] ?? NOTHING);
    return {
      points: mean(each.map(({ points }) => points)),
      counts: mean(each.map(({ counts }) => counts)),
      figure: middle(each.map(({ figure }) => figure)),
      distance: middle(each.map(({ distance }) => distance)),
    };
  });
}
