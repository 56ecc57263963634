import { describe, expect, it } from 'vitest';
import { randomGenerator, standardNormal } from '../numerics/low-discrepancy.ts';
import { signsInRuns, type RunInOrder } from './signs-in-runs.ts';

const inOrder = (distances: readonly number[], first = 1): RunInOrder[] => distances.map((distance, i) => ({ distance, order: first + i }));
/** Groups of five runs with 5 % scatter, each changed as its order says. */
function groupsOf(count: number, seed: number, by: (order: number, chance: () => number) => number): RunInOrder[][] {
  const random = randomGenerator(seed);
  const normal = (): number => standardNormal(Math.min(Math.max(random(), 1e-9), 1 - 1e-9));
  return Array.from({ length: count }, (_, g) =>
    inOrder(
      Array.from({ length: 5 }, (_, i) => 10 * (1 + g) * Math.exp(by(5 * g + i, normal))),
      1 + 5 * g,
    ),
  );
}
const share = (is: (seed: number) => boolean): number =>
  Array.from({ length: 200 }, (_, seed) => is(seed + 1)).filter(Boolean).length / 200;

describe('what runs show besides how far they go', () => {
  it('cannot be told of two runs alike, and of odd ones not of three', () => {
    expect(signsInRuns([inOrder([1, 2])])).toMatchObject({ drift: 'cannot-tell', odd: 'cannot-tell', growing: 'cannot-tell' });
    expect(signsInRuns([inOrder([1, 1.01, 1.02])])).toMatchObject({ odd: 'cannot-tell', growing: 'cannot-tell' });
  });
  it('drift: the slope of the book through two groups, each about its own mean', () => {
    // By hand: ln falls by 0.02 a run in both, with ± 0.001 beside it; groups are apart by much more.
    const off = [0.001, -0.001, 0, 0.001, -0.001];
    const group = (at: number, first: number): RunInOrder[] =>
      inOrder(
        off.map((by, i) => Math.exp(at - 0.02 * i + by)),
        first,
      );
    const told = signsInRuns([group(2, 1), group(3, 6)]);
    expect(told.drift).toBe('seen');
    // Σ since·off of the five is −0.2 + 0.002·(−1)…: slope −0.02 + (−2·0.001 + 0.001 + 0.001 − 2·0.001)/10.
    expect(told.perRun).toBeCloseTo(Math.expm1(-0.02 - 0.0002), 6);
    expect(told.oddOnes).toEqual([]);
  });
  it('drift: as sure as Student’s t with three degrees says, by hand', () => {
    // Five runs about a line, residuals s · (1, −2, 0, 2, −1): Σ² = 10 s², error s/√3, so t = √3 b/s against 3.182.
    const off = [1, -2, 0, 2, -1].map((by) => 0.01 * by);
    const told = (slope: number) => signsInRuns([inOrder(off.map((by, i) => Math.exp(2 + slope * i + by)))]);
    expect(told(0.018)).toMatchObject({ drift: 'not-seen', perRun: expect.closeTo(Math.expm1(0.018), 9) });
    expect(told(0.019)).toMatchObject({ drift: 'seen', perRun: expect.closeTo(Math.expm1(0.019), 9) });
  });
  it('drift of 2 % a run shows mostly, and none shows by luck in more than one of twenty', () => {
    expect(
      share(
        (seed) =>
          signsInRuns(groupsOf(3, seed, (order, chance) => 0.05 * chance() - 0.02 * (order % 5) - 0.02 * 5 * Math.floor(order / 5)))
            .drift === 'seen',
      ),
    ).toBeGreaterThan(0.4);
    const sound = (seed: number) => signsInRuns(groupsOf(3, seed, (_, chance) => 0.05 * chance()));
    expect(share((seed) => sound(seed).drift === 'seen')).toBeLessThan(0.09);
    expect(share((seed) => sound(seed).growing === 'seen')).toBeLessThan(0.09);
  });
  it('a run that lost a third is odd; runs of one scatter are not', () => {
    const spoiled = share((seed) => {
      const { odd, oddOnes } = signsInRuns(groupsOf(3, seed, (order, chance) => 0.05 * chance() - (order === 7 ? 0.4 : 0)));
      return odd === 'seen' && oddOnes.includes(8);
    });
    expect(spoiled).toBeGreaterThan(0.9);
  });
  it('scatter that grows sixfold over fifteen runs shows', () => {
    expect(
      share((seed) => signsInRuns(groupsOf(4, seed, (order, chance) => 0.01 * Math.exp(order / 5) * chance())).growing === 'seen'),
    ).toBeGreaterThan(0.4);
  });
});
