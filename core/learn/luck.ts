import { randomGenerator, standardNormal } from '../numerics/low-discrepancy.ts';
import { RUN_SCATTER } from '../predict/next-run.ts';
import type { Answer, Misconception } from './idea.ts';
import type { LuckFigure } from './measured-car.ts';

/**
 * How far the best of n runs lies beyond their mean, in standard deviations, on average.
 * Source: order statistics of the normal distribution (tables of L. H. C. Tippett, 1925). From memory; the tests draw it.
 */
export const BEST_OF: Readonly<Record<1 | 3 | 10, number>> = { 1: 0, 3: 0.8463, 10: 1.5388 };

/** Distances of n runs of a car that comes so far, m, as luck draws them from a seed: the same seed draws the same. */
export function luckyRuns(distance: number, count: number, seed: number): readonly number[] {
  const random = randomGenerator(seed);
  return Array.from({ length: count }, () => Math.max(0, distance * (1 + RUN_SCATTER * standardNormal(random()))));
}

/** Within how much of the truth the mean of n runs lies 8 times in 10, m. `meanWithin(10, 4) // 0.38` */
export const meanWithin = (distance: number, count: number): number => (standardNormal(0.9) * RUN_SCATTER * distance) / Math.sqrt(count);

/** A question on luck, before it is asked of a car: what is compared, in figures of a car that comes so far. */
export interface LuckTemplate {
  readonly id: string;
  readonly change: string;
  readonly asked: LuckFigure;
  /** Runs before and after. */
  readonly runs: readonly [before: number, after: number];
  /** m, before and after. */
  readonly figures: (distance: number) => readonly [before: number, after: number];
  readonly because: Readonly<Record<Answer, string>>;
  readonly thought: readonly [words: string, misconception: Misconception | null];
}

const MEANS: Readonly<Record<Answer, string>> = {
  more: 'Every run adds an error of its own, and the errors add up.',
  less: 'Runs that are too long and too short cancel: the error of a mean of n runs is smaller by 1/√n.',
  alike: 'Luck is the same in each run, so more runs tell no more.',
};

/** Questions on luck and averages: answers follow from the scatter of runs. Source: scatter of a mean, σ/√n. */
export const LUCK_QUESTIONS: readonly LuckTemplate[] = [
  {
    id: 'mean-of-five',
    change: 'Five runs instead of one',
    asked: 'mean-off',
    runs: [1, 5],
    figures: (distance) => [meanWithin(distance, 1), meanWithin(distance, 5)],
    because: MEANS,
    thought: ['One careful run tells as much as five.', 'one-run'],
  },
  {
    id: 'before-and-after',
    change: 'Three runs before and three after a change, instead of one each',
    asked: 'seen',
    runs: [1, 3],
    figures: (distance) => [Math.SQRT2 * meanWithin(distance, 1), Math.SQRT2 * meanWithin(distance, 3)],
    because: MEANS,
    thought: ['One run shows whether a change helps.', 'one-run'],
  },
  {
    id: 'best-of-ten',
    change: 'Ten runs instead of three',
    asked: 'best',
    runs: [3, 10],
    figures: (distance) => [distance * (1 + BEST_OF[3] * RUN_SCATTER), distance * (1 + BEST_OF[10] * RUN_SCATTER)],
    because: {
      more: 'With more tries the best one is luckier. The car is no better.',
      less: 'It wears out before its best run.',
      alike: 'The best run is what the car can do, however many there are.',
    },
    thought: ['The best run shows what the car can do, however often it was tried.', 'one-run'],
  },
  {
    id: 'after-the-best',
    change: 'One more run, after the best of ten',
    asked: 'next',
    runs: [10, 1],
    figures: (distance) => [distance * (1 + BEST_OF[10] * RUN_SCATTER), distance],
    because: {
      more: 'It is warmed up now and does even better.',
      less: 'The best run had luck, and the next run has no luck in advance: it falls back to the mean (regression to the mean).',
      alike: 'The car is the same, so it goes as far again.',
    },
    thought: ['It has been changed for the worse since.', 'one-run'],
  },
  {
    id: 'twenty-runs',
    change: 'Twenty runs instead of five',
    asked: 'mean',
    runs: [5, 20],
    figures: (distance) => [distance, distance],
    because: {
      more: 'With practice it goes further.',
      less: 'A long evening brings more bad runs than good ones.',
      alike: 'More runs make the mean more certain. They do not move it.',
    },
    thought: ['The mean of more runs is larger.', null],
  },
];
