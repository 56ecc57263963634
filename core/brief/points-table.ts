import type { PointsTable } from '../car/contest.ts';
import type { Goal } from './goal.ts';
import { goalRecord } from './goals.ts';
import type { RunValue } from './run-value.ts';

/** By so much a car that hit the wall stands above one that stopped just there. */
const AT_WALL = 1e-6;

/** What a run came to as a number of which more is better: less of a time. NaN of none. */
export const figureOf = (goal: Goal, run: RunValue | null): number =>
  run === null ? NaN : (goalRecord(goal).isLess ? -1 : 1) * (run.value + (run.atLeast ? AT_WALL : 0));

/**
 * Points of a figure in one evening: those of its place; who ties shares them (common practice). A figure that is none earns nothing.
 * @param rivals figures of the others, NaN of one that does not count
 * @param points by place, the first first
 * @example pointsAmong(5, [6, 5, 4], [10, 7, 5, 3]) // 6, the mean of second and third place
 */
export function pointsAmong(figure: number, rivals: readonly number[], points: readonly number[]): number {
  if (Number.isNaN(figure)) return 0;
  const better = rivals.filter((rival) => rival > figure).length;
  const alike = rivals.filter((rival) => rival === figure).length;
  let sum = 0;
  for (let place = better; place <= better + alike; place++) sum += points[place] ?? 0;
  return sum / (alike + 1);
}

/**
 * What each figure earns on average over many evenings.
 * @param evenings figures of the rivals in each
 * @example pointsTable([[4], [6]], [10, 7]).above // [8.5, 10]: better than the first rival, then than both
 */
export function pointsTable(evenings: readonly (readonly number[])[], points: readonly number[]): PointsTable {
  const figures = [...new Set(evenings.flat().filter((figure) => !Number.isNaN(figure)))].sort((a, b) => a - b);
  const mean = (figure: number): number => evenings.reduce((sum, rivals) => sum + pointsAmong(figure, rivals, points), 0) / evenings.length;
  return {
    figures,
    at: figures.map(mean),
    above: figures.map((figure, i) => mean(i + 1 < figures.length ? (figure + figures[i + 1]!) / 2 : Infinity)),
    below: mean(-Infinity),
  };
}

/** What a figure earns by a table. */
export function pointsFor({ figures, at, above, below }: PointsTable, figure: number): number {
  if (Number.isNaN(figure)) return 0;
  let [low, high] = [0, figures.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (figures[middle]! <= figure) low = middle + 1;
    else high = middle;
  }
  if (low === 0) return below;
  return figures[low - 1] === figure ? at[low - 1]! : above[low - 1]!;
}
