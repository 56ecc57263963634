import { describe, expect, it } from 'vitest';
import { falsePosition, pointOf } from './false-position.ts';

describe('false position', () => {
  it('brackets the square root of two', () => {
    const f = (x: number): number => x * x - 2;
    const { low, high } = falsePosition(f, pointOf(f, 1), pointOf(f, 2), 1e-9);
    expect(low).toBeLessThanOrEqual(Math.SQRT2);
    expect(high).toBeGreaterThan(Math.SQRT2);
    expect(high - low).toBeLessThan(2e-9);
  });
  it('comes to a hundredth of the root of a nearly straight function in few steps, where bisection takes seven', () => {
    let calls = 0;
    const f = (x: number): number => {
      calls++;
      return x + 0.02 * x * x - 3;
    };
    const { low, high } = falsePosition(f, pointOf(f, 0), pointOf(f, 5));
    expect(calls).toBeLessThanOrEqual(6);
    // 25 (√1.24 − 1) = 2.83882
    expect([low <= 2.83882, high > 2.83882, high - low < 0.01 * high]).toEqual([true, true, true]);
  });
  it('goes by halves where a value is infinite', () => {
    const f = (x: number): number => (x > 1 ? Infinity : -1);
    const { low, high } = falsePosition(f, pointOf(f, 0), pointOf(f, 8));
    expect([low <= 1, high > 1, high - low < 0.011]).toEqual([true, true, true]);
  });
});
