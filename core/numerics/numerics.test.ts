import { describe, expect, it } from 'vitest';
import { crossing, firstFall, integral, integrate, interpolate, NODES, POINTS, tail, weightedSum, weightsAt } from './chebyshev.ts';
import { denseValue, makeDense, makeStep, tryStep } from './dormand-prince.ts';

const sampled = (f: (s: number) => number): Float64Array => NODES.map(f);

describe('a Chebyshev panel', () => {
  it('integrates smooth functions to many digits', () => {
    const running = new Float64Array(POINTS);
    integrate(sampled(Math.exp), running);
    running.forEach((value, j) => expect(value).toBeCloseTo(Math.exp(NODES[j]!) - Math.exp(-1), 10));
    expect(integral(sampled(Math.cos))).toBeCloseTo(2 * Math.sin(1), 10);
  });
  it('is exact for polynomials between its points', () =>
    expect(
      interpolate(
        sampled((s) => s ** 9 - s),
        0.3,
      ),
    ).toBeCloseTo(0.3 ** 9 - 0.3, 13));
  it('is weighed at a place as it is interpolated there', () => {
    for (const s of [-1, -0.37, NODES[3]!, 0.5, 1]) {
      const values = sampled((at) => Math.exp(-at) * Math.sin(3 * at));
      expect(weightedSum(values, weightsAt(s))).toBeCloseTo(interpolate(values, s), 13);
    }
  });
  it('says how much it leaves out', () => {
    expect(tail(sampled(Math.exp))).toBeLessThan(1e-9);
    expect(tail(sampled(Math.abs))).toBeGreaterThan(1e-3);
  });
  it('finds where a quantity crosses and first falls below zero', () => {
    expect(
      crossing(
        sampled((s) => s ** 3 - 0.2),
        -1,
        1,
      ),
    ).toBeCloseTo(Math.cbrt(0.2), 10);
    expect(
      firstFall(
        sampled((s) => Math.cos(4 * s + 4)),
        0,
      ),
    ).toBeCloseTo(Math.PI / 8 - 1, 4);
    expect(
      firstFall(
        sampled((s) => 2 + s),
        0,
      ),
    ).toBeNaN();
    expect(
      firstFall(
        sampled((s) => -0.5 - s),
        1e-12,
      ),
    ).toBeCloseTo(-0.5, 10);
    expect(
      firstFall(
        sampled((s) => s - 5),
        0,
      ),
    ).toBe(-1);
  });
});

describe('a Dormand–Prince step', () => {
  it('is of order five, its dense output close behind', () => {
    const errors = [0.4, 0.2].map((h) => {
      const step = makeStep(1);
      step.start[0] = 1;
      step.rates[0]![0] = 1;
      tryStep(step, (y, rate) => void (rate[0] = y[0]!), h, Float64Array.of(1));
      makeDense(step, h);
      return { end: Math.abs(step.end[0]! - Math.exp(h)), middle: Math.abs(denseValue(step, 0, 0.5) - Math.exp(h / 2)) };
    });
    expect(errors[0]!.end / errors[1]!.end).toBeGreaterThan(2 ** 5.5);
    expect(errors[1]!.middle).toBeLessThan(1e-6);
  });
});
