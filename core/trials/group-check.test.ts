import { describe, expect, it } from 'vitest';
import type { Wind } from '../car/car-design.ts';
import { START } from '../car/did-not-start.ts';
import type { CarDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { predictRun } from '../predict/predict-run.ts';
import { fitCar, leaveOut } from './fit/fit-car.ts';
import { predictFitted, type FittedPrediction } from './fit/predict-fitted.ts';
import { STALL } from './fit/outputs.ts';
import { checkBefore, checkGroup } from './group-check.ts';

const FULL: Wind = { kind: 'full' };
const design: CarDesign = { ...newCar('Tern'), care: 'ordinary' };
const reach = (() => {
  const prediction = predictRun(design);
  return prediction.kind === 'ran' ? prediction.result.distance : NaN;
})();
const stopped = (...distances: readonly number[]) => distances.map((distance) => ({ outcome: { kind: 'stopped', distance } as const }));
/** Said of a run: a normal in ln(m + 0.05) about ln 10, 0.1 wide; its mean of n narrower by √n. */
const said = (deviation: number): FittedPrediction => ({
  mean: { low: 9, middle: 10, high: 11 },
  next: { low: 8, middle: 10, high: 12 },
  lnNext: [{ weight: 1, mean: Math.log(10), variance: deviation ** 2 }],
  lnMeanOf: (runs) => [{ weight: 1, mean: Math.log(10), variance: deviation ** 2 / runs }],
  fork: null,
});
const at = (z: number): number => 10 * Math.exp(z) - STALL;

describe('like runs against a fit that does not know them', () => {
  it('the chance is that of both tails of the mean of so many', () => {
    // By tables: 2 (1 − Φ(1)) = 0.3173; of four runs the same distance is 2 σ: 0.0455.
    expect(checkGroup(said(0.1), { runs: stopped(at(0.1)) })).toEqual({ chance: expect.closeTo(0.3173, 4), verdict: 'as-expected' });
    expect(checkGroup(said(0.1), { runs: stopped(at(0.1), at(0.1), at(0.1), at(0.1)) })).toEqual({
      chance: expect.closeTo(0.0455, 4),
      verdict: 'surprising',
    });
    expect(checkGroup(said(0.1), { runs: stopped(at(-0.35)) }).verdict).toBe('impossible');
  });
  it('a wall is "at least": short of what is said it is no surprise, far beyond it is', () => {
    const wall = (distance: number) => [{ outcome: { kind: 'hit-wall', distance } as const }];
    expect(checkGroup(said(0.1), { runs: wall(at(-0.5)) })).toMatchObject({ chance: 1, verdict: 'as-expected' });
    expect(checkGroup(said(0.1), { runs: wall(at(0.35)) }).verdict).toBe('impossible');
  });
  it('runs that did not start are impossible where none was thought to', () => {
    expect(checkGroup(said(0.1), { runs: stopped(10, 0) }).verdict).toBe('impossible');
    expect(checkGroup(said(0.1), { runs: stopped(0, 0) }).verdict).toBe('impossible');
    // Where one in two does not (half lie below what counts as a start), two of two are nothing rare: 2 · ¼.
    const torn = { ...said(0.1), lnNext: [{ weight: 1, mean: Math.log(START + STALL), variance: 1 }] };
    expect(checkGroup(torn, { runs: stopped(0, 0) }).chance).toBeCloseTo(0.5, 6);
  });
  it('of a car: alike windings are as expected, one of which half is lost is not, before any run or after others', () => {
    const half: Wind = { kind: 'turns', turns: 10 };
    const prediction = predictRun(design, half);
    const short = prediction.kind === 'ran' ? prediction.result.distance : NaN;
    const of = (wind: Wind, distance: number) => ({ design, wind, runs: stopped(0.97 * distance, distance, 1.03 * distance) });
    const sound = [of(half, short), of(FULL, reach)];
    const wrong = [of(half, short), of(FULL, 0.4 * reach)];
    const verdicts = (groups: typeof sound) => {
      const fitted = fitCar(groups)!;
      return groups.map((group, g) => checkGroup(predictFitted(leaveOut(fitted, g), design, group.wind)!, group).verdict);
    };
    expect(verdicts(sound)).toEqual(['as-expected', 'as-expected']);
    expect(verdicts(wrong)).not.toContain('as-expected');
    expect(checkBefore(of(FULL, reach))!.verdict).toBe('as-expected');
    expect(checkBefore(of(FULL, 0.1 * reach))!.verdict).toBe('impossible');
  });
  it('leaving a group out comes to what a fit without it says', () => {
    const groups = [0.5, 0.75, 1].map((share) => {
      const wind: Wind = { kind: 'turns', turns: 20 * share };
      const prediction = predictRun(design, wind);
      const distance = prediction.kind === 'ran' ? 0.9 * prediction.result.distance : NaN;
      return { design, wind, runs: stopped(0.96 * distance, distance, 1.05 * distance) };
    });
    const [left, without] = [leaveOut(fitCar(groups)!, 2), fitCar(groups.slice(0, 2))!].map(
      (fitted) => predictFitted(fitted, design, groups[2]!.wind)!.mean,
    );
    expect(left!.middle / without!.middle).toBeCloseTo(1, 2);
    expect((left!.high - left!.low) / (without!.high - without!.low)).toBeCloseTo(1, 1);
  });
});
