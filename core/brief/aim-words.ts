import type { Aim } from '../car/car-design.ts';
import { formatIn, type UnitSystem, USUAL_HALF_WIDTH } from '../units/quantity.ts';
import { goalOf, type Goal } from './goal.ts';
import { describeFigure, goalRecord, measureOf } from './goals.ts';
import { goalFigures } from './judge.ts';

/** How what an aim is scored by is put into words: the figure of its goal, or points where it aims at all rounds. */
export interface AimWords {
  /** The less the better. */
  readonly isLess: boolean;
  /** What a better car is: `sooner`. */
  readonly gain: string;
  /** Figures no finer than `half`, half of what 8 in 10 lie within; and their unit. */
  readonly figures: (half: number) => { readonly figure: (value: number) => string; readonly unit: string };
  /** A figure with what it is of, where that has to be said: `3.1 s to 6.00 m`. */
  readonly describe: (figure: string) => string;
  /** What a score comes to: `about 3.1 s to 6.00 m`, as finely as one of a car that was not measured is known. */
  readonly formatScore: (score: number) => string;
}

/** Points to the tenth: fewer are luck. */
export const formatPoints = (points: number): string => points.toFixed(1).replace(/^-0\.0$/, '0.0');

const OF_ALL_ROUNDS: AimWords = {
  isLess: false,
  gain: 'more',
  figures: () => ({ figure: formatPoints, unit: 'points' }),
  describe: (figure) => figure,
  formatScore: (score) => `about ${formatPoints(score)} points`,
};

/** What a round came to by its figure, of which more is better: `about 7.8 s`. */
export function formatFigure(goal: Goal, figure: number, units: UnitSystem): string {
  if (!Number.isFinite(figure)) return 'does not count';
  const value = Math.abs(figure);
  const { figure: format, unit } = goalFigures(goal, USUAL_HALF_WIDTH * value, units);
  return `about ${format(value)} ${unit}`;
}

/** The words of an aim. */
export function aimWords(aim: Aim, units: UnitSystem): AimWords {
  if (aim.contest) return OF_ALL_ROUNDS;
  const goal = goalOf(aim);
  const { isLess = false, gain } = goalRecord(goal);
  const describe = (figure: string): string => describeFigure(goal, figure, formatIn(units));
  return {
    isLess,
    gain,
    describe,
    figures: (half) => goalFigures(goal, half, units),
    formatScore: (score) => {
      const value = measureOf(goal, score);
      if (!Number.isFinite(value)) return 'stops short';
      const { figure, unit } = goalFigures(goal, USUAL_HALF_WIDTH * value, units);
      return describe(`about ${figure(value)} ${unit}`);
    },
  };
}
