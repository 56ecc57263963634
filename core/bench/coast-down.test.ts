import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { coastDown, coastSpeed, coastTime } from './coast-down.ts';
import { resolutionUncertainty } from './estimate.ts';
import { fitCurve, spreadOfFit } from './least-squares.ts';

interface CoastCase {
  readonly marks: readonly number[];
  readonly times: readonly number[];
  readonly v0: number;
  readonly a0: number;
  readonly k: number;
  readonly rms: number;
}

describe('a curve fitted by least squares', () => {
  // Misra1a of NIST StRD, Nonlinear Regression: y = b1 (1 − e^(−b2 x)); certified values and standard deviations.
  const x = [77.6, 114.9, 141.1, 190.8, 239.9, 289, 332.8, 378.4, 434.8, 477.3, 536.8, 593.1, 689.1, 760];
  const y = [10.07, 14.73, 17.94, 23.93, 29.61, 35.18, 40.02, 44.82, 50.76, 55.05, 61.01, 66.4, 75.47, 81.78];
  const curve =
    ([b1, b2]: readonly number[]) =>
    (at: number) =>
      b1! * (1 - Math.exp(-b2! * at));
  const found = fitCurve(curve, { x, y }, [
    [
      { start: 500, min: 1, max: 1e4 },
      { start: 1e-4, min: 1e-8, max: 1 },
    ],
  ]);
  it('has the certified parameters of NIST’s Misra1a to six digits, and their standard deviations', () => {
    expect(found[0]).toBeCloseTo(238.94212918, 3);
    expect(found[1]! / 5.5015643181e-4).toBeCloseTo(1, 6);
    const { estimates, scatter } = spreadOfFit(curve, { x, y }, found, 0);
    expect(estimates[0]!.deviation / 2.7070075241).toBeCloseTo(1, 4);
    expect(estimates[1]!.deviation / 7.2668688436e-6).toBeCloseTo(1, 4);
    expect(scatter / 0.1018787633).toBeCloseTo(1, 5);
  });
  it('is never surer than its instrument: readings without scatter keep the spread of a division', () => {
    const exact = { x, y: x.map(curve([200, 5e-4])) };
    const { scatter, estimates } = spreadOfFit(curve, exact, [200, 5e-4], 0.1);
    expect(scatter).toBe(resolutionUncertainty(0.1));
    expect(estimates[0]!.deviation).toBeGreaterThan(0);
  });
});

describe('a coast-down', () => {
  const cases = (JSON.parse(readFileSync(new URL('./reference/reference-trials.json', import.meta.url), 'utf8')) as { coast: CoastCase[] })
    .coast;
  it.each(cases)('of $marks.length marks has SciPy’s minimum', ({ marks, times, v0, a0, k, rms }) => {
    const found = coastDown({ marks, times, resolution: 0.01 })!;
    expect(found.v0.value / v0).toBeCloseTo(1, 4);
    expect(found.a0.value / a0).toBeCloseTo(1, 3.5);
    // Where there is hardly any air the least square is at its edge: below a hundredth of what a car's air would be.
    if (k > 1e-3) expect(found.k.value / k).toBeCloseTo(1, 4);
    else expect(found.k.value).toBeLessThan(1e-4);
    const left = Math.sqrt(found.residuals.reduce((sum, residual) => sum + residual ** 2, 0) / marks.length);
    expect(left).toBeLessThan(rms * (1 + 1e-4));
  });
  it('of marks that a car passes by the formula gives that car back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.8, max: 5, noNaN: true }),
        fc.double({ min: 0.06, max: 0.4, noNaN: true }),
        fc.double({ min: 0.002, max: 0.04, noNaN: true }),
        fc.double({ min: 0.5, max: 0.95, noNaN: true }),
        (v0, a0, k, share) => {
          // As far as the formula goes: ln(1 + k v0²/a0)/(2k).
          const stop = Math.log1p((k * v0 * v0) / a0) / (2 * k);
          const marks = Array.from({ length: 8 }, (_, i) => (share * stop * (i + 1)) / 8);
          const found = coastDown({ marks, times: marks.map((x) => coastTime(v0, a0, k, x)), resolution: 1e-6 })!;
          expect(found.v0.value / v0).toBeCloseTo(1, 4);
          expect(found.a0.value / a0).toBeCloseTo(1, 3);
          expect(coastSpeed(found.v0.value, found.a0.value, found.k.value, marks[4]!) / coastSpeed(v0, a0, k, marks[4]!)).toBeCloseTo(1, 4);
        },
      ),
      { numRuns: 25 },
    );
  });
  it('holds the air at what is given where the times do not tell it, and says so; tells it where they do', () => {
    const [few, sharp] = [cases[0]!, Array.from({ length: 12 }, (_, i) => 0.8 * (i + 1))];
    expect(coastDown({ ...few, resolution: 0.01 }, 0.008)).toMatchObject({ isAirHeld: true, k: { value: 0.008 } });
    const times = sharp.map((x) => coastTime(4, 0.1, 0.03, x));
    expect(coastDown({ marks: sharp, times, resolution: 1e-3 }, 0.008)!.isAirHeld).toBe(false);
  });
  it('is not told by two marks', () => {
    expect(coastDown({ marks: [1, 2], times: [1, 2.2], resolution: 0.01 })).toBeNull();
  });
});
