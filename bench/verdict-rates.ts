/** How often a verdict on two groups of runs is false, and how often a gain is seen. */
import { didItHelp } from '../core/trials/did-it-help.ts';
import { ownScatter } from '../core/trials/own-scatter.ts';
import { randomOf } from './hidden-cars.ts';
import { fractionOf, line, numbered } from './table-of-rates.ts';

/** How the runs of a verdict are made. */
interface VerdictRuns {
  readonly scatter: number;
  /** Groups of three runs of the builder’s before these. */
  readonly earlier?: number;
  /** ln between the days of the two groups. */
  readonly day?: number;
  readonly isInTurn?: boolean;
  /** Fraction of runs of which a quarter to a half is lost. */
  readonly spoiled?: number;
  /** ln from one run to the next. */
  readonly drift?: number;
}

const VERDICTS = 2500;
/** Verdicts over pairs of groups: false ones where nothing was changed, and gains that are seen. */
export function verdictRates(seed: number): void {
  const chance = randomOf(seed + 5);
  const verdictRate = (gain: number, count: number, is: readonly string[], runsMade: VerdictRuns): string => {
    const { scatter, earlier = 0, day = 0, isInTurn = false, spoiled = 0, drift = 0 } = runsMade;
    const group = (mean: number, size: number, orderOf: (i: number) => number, isClean = false) =>
      numbered(size).map((i) => ({
        value:
          mean *
          Math.exp(scatter * chance.normal() + drift * orderOf(i)) *
          (!isClean && chance.uniform() < spoiled ? chance.uniform(0.5, 0.75) : 1),
        atLeast: false,
        hasStarted: true,
        order: orderOf(i),
      }));
    return fractionOf(
      numbered(VERDICTS).map(() => {
        const history = ownScatter(numbered(earlier).map(() => group(10, 3, () => 0, true).map(({ value }) => value)));
        const before = group(10, count, (i) => (isInTurn ? 2 * i : i));
        const after = group(10 * (1 + gain) * Math.exp(day * chance.normal()), count, (i) => (isInTurn ? 2 * i + 1 : count + i));
        return didItHelp([{ before, after }], { scatter: history, isInTurn, noMore: true })!.verdict;
      }),
      (verdict) => is.includes(verdict),
    );
  };
  const counts = [3, 5, 8];
  const cells = (what: string, gain: number, is: readonly string[], runsMade: VerdictRuns, asked: string): void =>
    line(`${what}, with ${counts.join(', ')} of each`, counts.map((count) => verdictRate(gain, count, is, runsMade)).join(', '), asked);
  const any = ['better', 'worse'];
  cells(
    'verdicts false at no change: 5 % scatter on two days, eight groups before',
    0,
    any,
    { scatter: 0.05, day: 0.02, earlier: 8 },
    '≤ 12 %',
  );
  cells('12 % scatter, no group before', 0, any, { scatter: 0.12 }, '≤ 12 %');
  cells('12 % scatter in turn', 0, any, { scatter: 0.12, isInTurn: true }, '≤ 12 %');
  cells('one run in eight spoiled', 0, any, { scatter: 0.05, earlier: 8, spoiled: 1 / 8 }, '≤ 12 %');
  cells('1 % less from run to run, one group after the other', 0, any, { scatter: 0.05, earlier: 8, drift: -0.01 }, '≤ 12 %');
  cells('1 % more from run to run', 0, any, { scatter: 0.05, earlier: 8, drift: 0.01 }, 'shown beside it');
  cells('+10 % seen', 0.1, ['better'], { scatter: 0.05, earlier: 8, isInTurn: true }, '≥ 65 % with 3');
  cells('+5 % seen in turn', 0.05, ['better'], { scatter: 0.05, earlier: 8, isInTurn: true }, 'shown beside it');
  cells('+5 % seen one group after the other', 0.05, ['better'], { scatter: 0.05, earlier: 8 }, 'shown beside it');
}
