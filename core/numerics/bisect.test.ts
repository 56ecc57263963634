import { describe, expect, it } from 'vitest';
import { bisect, bisectWhole } from './bisect.ts';

describe('bisection', () => {
  it('brackets √2 from both sides', () => {
    const { low, high } = bisect((x) => x * x < 2, 0, 2);
    expect(low).toBeCloseTo(Math.SQRT2, 14);
    expect(low * low).toBeLessThan(2);
    expect(high * high).toBeGreaterThanOrEqual(2);
  });
  it('halves the interval so often as it is told: 8 becomes 1 in three', () =>
    expect(bisect((x) => x < 2.5, 0, 8, 3)).toEqual({ low: 2, high: 3 }));
  it('ends where nothing lies between, and does not ask of the ends', () => {
    const asked: number[] = [];
    bisect((x) => (asked.push(x), true), 1, 1 + Number.EPSILON, 1000);
    expect(asked).toEqual([]);
  });
  it('finds whole numbers: 7² < 50 ≤ 8²; none where none holds', () => {
    expect(bisectWhole((n) => n * n < 50, 0, 50)).toBe(7);
    expect(bisectWhole(() => false, 0, 50)).toBe(0);
    expect(bisectWhole(() => true, 0, 50)).toBe(49);
  });
});
