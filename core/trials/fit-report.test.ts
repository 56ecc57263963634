import { describe, expect, it } from 'vitest';
import type { CarDesign, RunRecord, Wind } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { predictRun } from '../predict/predict-run.ts';
import { fitReport } from './fit-report.ts';

const FULL: Wind = { kind: 'full' };
const design: CarDesign = { ...newCar('Tern'), care: 'ordinary' };
const reach = (car: CarDesign, wind: Wind = FULL): number => {
  const ran = predictRun(car, wind);
  return ran.kind === 'ran' ? ran.result.distance : NaN;
};
const runsOf = (car: CarDesign, wind: Wind, distances: readonly number[]): RunRecord[] =>
  distances.map((distance, i) => ({
    format: 'nimble-axle/run-record',
    version: 1,
    design: car,
    ranAt: `2026-11-21T18:0${i}:00Z`,
    wind,
    outcome: { kind: 'stopped', distance },
    seen: [],
    note: '',
  }));
const asExpected = (wind: Wind): RunRecord[] =>
  runsOf(
    design,
    wind,
    [0.98, 1, 1.02].map((by) => by * reach(design, wind)),
  );

describe('the report of a fit', () => {
  const carpet = { ...design.floor, kind: 'short-carpet' as const };
  const one = fitReport({ design, runs: asExpected(FULL), predict: [{ winding: FULL }, { winding: FULL, floor: carpet }] })!;

  it('predicts each winding on its own floor', () => {
    const [here, there] = one.predictions;
    expect(here!.mean.middle / reach(design)).toBeCloseTo(1, 1);
    expect(there!.mean.middle / reach({ ...design, floor: carpet })).toBeCloseTo(1, 0);
    expect(there!.mean.high).toBeLessThan(here!.mean.low);
    expect(here!.nextRun.high - here!.nextRun.low).toBeGreaterThan(here!.mean.high - here!.mean.low);
  });

  it('lays a group beside what the others say of it, where there are others', () => {
    expect(one.groups).toEqual([{ winding: FULL, direction: null, runs: 3, without: null, check: null }]);
    const half: Wind = { kind: 'turns', turns: 3 };
    const two = fitReport({ design, runs: [...asExpected(half), ...asExpected(FULL)] })!;
    for (const { winding, without, check } of two.groups) {
      expect(without!.low).toBeLessThan(reach(design, winding));
      expect(without!.high).toBeGreaterThan(reach(design, winding));
      expect(check!.verdict).toBe('as-expected');
    }
  });

  it('weighs causes whose chances add up to 1, nothing wrong first where all went as expected', () => {
    expect(one.causes.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 6);
    expect(one.causes[0]!.id).toBe('none');
    expect(one.causes.every(({ id }) => typeof id === 'string')).toBe(true);
  });

  it('weighs what was seen of the runs', () => {
    const rubbed = asExpected(FULL).map((run) => ({ ...run, seen: ['rubbed' as const] }));
    const chanceOf = (causes: typeof one.causes): number => causes.find(({ id }) => id === 'rubbing')!.probability;
    expect(chanceOf(fitReport({ design, runs: rubbed })!.causes)).toBeGreaterThan(3 * chanceOf(one.causes));
  });
  it('has each value with what was expected of it inside its interval', () => {
    for (const { prior, fitted, interval90 } of Object.values(one.values)) {
      expect(interval90[0]).toBeLessThan(fitted);
      expect(interval90[1]).toBeGreaterThan(fitted);
      expect(prior).toBeGreaterThan(interval90[0]);
      expect(prior).toBeLessThan(interval90[1]);
    }
    expect(one).toMatchObject({ earlier: { groups: 0, runs: 0 }, unwound: 0, isSettled: true, before: { verdict: 'as-expected' } });
  });

  it('of runs that were not wound is none', () => {
    expect(fitReport({ design, runs: runsOf(design, { kind: 'turns', turns: 0 }, [0, 0]) })).toBeNull();
  });
});
