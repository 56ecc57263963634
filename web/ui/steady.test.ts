import { describe, expect, it } from 'vitest';
import { hysteresisAbove, hysteresisBelow } from './hysteresis.ts';

/** ISO 3:1973, basic series R20: rounded values of 10^(n/20). */
const R20 = [1, 1.12, 1.25, 1.4, 1.6, 1.8, 2, 2.24, 2.5, 2.8, 3.15, 3.55, 4, 4.5, 5, 5.6, 6.3, 7.1, 8, 9, 10];

describe('steady numbers', () => {
  it('are the preferred numbers of ISO 3 (from memory), but for their rounding', () => {
    R20.forEach((number, n) => {
      const exact = 10 ** (n / 20);
      expect(Math.abs(number / exact - 1)).toBeLessThan(0.013);
      for (const decade of [1e-3, 1, 1e4]) {
        expect(hysteresisAbove(decade * exact, 20) / (decade * exact)).toBeCloseTo(1, 9);
        expect(hysteresisBelow(decade * exact, 20) / (decade * exact)).toBeCloseTo(1, 9);
      }
    });
  });
  it('lie about a number, a step apart', () => {
    for (const value of [3e-4, 0.77, 7.4, 9.99, 123]) {
      const [above, below] = [hysteresisAbove(value, 40), hysteresisBelow(value, 40)];
      expect(above).toBeGreaterThan(value);
      expect(below).toBeLessThan(value);
      expect(above / below).toBeCloseTo(10 ** (1 / 40), 9);
    }
  });
});
