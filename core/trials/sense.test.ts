import { describe, expect, it } from 'vitest';
import type { Wind } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { randomGenerator, standardNormal } from '../numerics/low-discrepancy.ts';
import { fullTurns } from '../predict/derive-run-setup.ts';
import { predictRun } from '../predict/predict-run.ts';
import { fitCar } from './fit/fit-car.ts';
import { predictFitted, type Interval } from './fit/predict-fitted.ts';
import type { TrialGroup, TrialRun } from './fit/trial.ts';

const design = newCar('Tern', 'band');
const FULL = { kind: 'full' } as const;
const HALF: Wind = { kind: 'turns', turns: Math.round(fullTurns(design)) / 2 };
const random = randomGenerator(11);

/** Runs that scatter by 5 % about a fraction of what is thought. */
function runsAt(wind: Wind, count: number, share = 0.85): TrialRun[] {
  const prediction = predictRun(design, wind);
  const middle = prediction.kind === 'ran' ? share * prediction.result.distance : NaN;
  return Array.from({ length: count }, () => ({
    outcome: { kind: 'stopped', distance: middle * Math.exp(0.05 * standardNormal(random())) },
  }));
}
const wallAt = (distance: number): TrialRun => ({ outcome: { kind: 'hit-wall', distance } });
const told = (trials: readonly TrialGroup[]): Interval => predictFitted(fitCar(trials)!, design, FULL)!.mean;
const width = ({ low, high }: Interval): number => Math.log(high / low);

describe('what a fit says makes sense', () => {
  const some: TrialGroup = { design, wind: HALF, runs: runsAt(HALF, 12) };
  const first = (count: number): TrialGroup => ({ ...some, runs: some.runs.slice(0, count) });

  it('is surer with more runs', () => {
    const widths = [2, 4, 8, 12].map((count) => width(told([first(count)])));
    for (let i = 1; i < widths.length; i++) expect(widths[i]!).toBeLessThan(1.03 * widths[i - 1]!);
    expect(width(told([some, { design, wind: FULL, runs: runsAt(FULL, 4) }]))).toBeLessThan(widths.at(-1)!);
  });

  it('is never less far for a run that hit the wall, wherever that stands', () => {
    const before = told([first(3)]);
    const half = predictRun(design, HALF);
    const likely = half.kind === 'ran' ? half.result.distance : NaN;
    for (const part of [0.3, 0.6, 0.8, 0.95]) {
      const after = told([{ ...some, runs: [...first(3).runs, wallAt(part * likely)] }]);
      expect(after.middle).toBeGreaterThan(0.998 * before.middle);
    }
  });

  it('is the same for a run that tells nothing: at least a centimetre', () => {
    const [before, after] = [told([first(3)]), told([{ ...some, runs: [...first(3).runs, wallAt(0.01)] }])];
    for (const end of ['low', 'middle', 'high'] as const) expect(after[end] / before[end]).toBeCloseTo(1, 6);
  });

  it('does not hang on the order of runs, or of groups, and is the same every time', () => {
    const full: TrialGroup = { design, wind: FULL, runs: runsAt(FULL, 3) };
    const forth = told([first(5), full]);
    expect(told([first(5), full])).toEqual(forth);
    const back = told([
      { ...full, runs: full.runs.toReversed() },
      { ...some, runs: first(5).runs.toReversed() },
    ]);
    for (const end of ['low', 'middle', 'high'] as const) expect(back[end] / forth[end]).toBeCloseTo(1, 4);
  });
});
