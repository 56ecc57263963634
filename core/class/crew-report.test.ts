import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Brief, Round } from '../brief/brief.ts';
import type { CarDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { predict } from '../predict/uncertainty.ts';
import type { RunOfCar } from '../trials/compared-runs.ts';
import { crewReportOf, surpriseOf } from './crew-report.ts';

const design = newCar('Limpet');
const trophy = JSON.parse(readFileSync('server/demo/skerrow-lull-trophy.brief.json', 'utf8')) as Brief;
const [round] = trophy.rounds as [Round];
const asks = (name: string, distance: number): Round => ({ ...round, name, goal: { kind: 'at-least', distance } });
const runOf = (distance: number, minute: number, of: CarDesign = design): RunOfCar => ({
  design: of,
  record: {
    format: 'nimble-axle/run-record',
    version: 1,
    ranAt: `2026-12-01T10:${String(minute).padStart(2, '0')}:00.000Z`,
    wind: { kind: 'full' },
    outcome: { kind: 'stopped', distance },
    seen: [],
    note: '',
  },
});
const known = { carId: 'a', carVersion: 1, isBuilt: false, design };

describe('what a crew reports', () => {
  it('is the chance of the round that is least likely, by its name; none where no chance can be told', () => {
    const brief = { ...trophy, rounds: [asks('near', 0.5), asks('out of reach', 900), round] };
    expect(crewReportOf({ ...known, brief, runs: [] })).toMatchObject({ chance: 0, round: 'out of reach', surprise: null });
    expect(crewReportOf({ ...known, brief: { ...trophy, rounds: [asks('near', 0.5)] }, runs: [] }).chance).toBe(1);
    expect(crewReportOf({ ...known, brief: { ...trophy, rounds: [round] }, runs: [] })).toMatchObject({ chance: null, round: null });
  });
  it('names the rules that the car breaks', () => {
    const brief = { ...trophy, rules: { ...trophy.rules, length: 0.1 } };
    expect(crewReportOf({ ...known, brief, runs: [] }).broken).toContain('length');
  });
});

describe('how much runs surprise', () => {
  const predicted = predict(design);
  if (predicted.kind === 'refused') throw new Error('the car cannot run');
  const { low, middle, high } = predicted.prediction.distance;
  it('is nothing at what was expected, and 2.563 standard deviations from one end of 8 in 10 to the other', () => {
    expect(surpriseOf([runOf(middle, 1)])).toBeCloseTo(0, 10);
    // Normal distribution: the 90 % quantile is 1.2816 (any table).
    expect(surpriseOf([runOf(high, 1)])! - surpriseOf([runOf(low, 1)])!).toBeCloseTo(2 * 1.2816, 3);
  });
  it('goes by the mean of the newest like runs', () => {
    const other = { ...design, wheelbase: 0.31 };
    expect(surpriseOf([runOf(90, 1, other), runOf(middle - 1, 2), runOf(middle + 1, 3)])).toBeCloseTo(0, 10);
    expect(surpriseOf([])).toBeNull();
  });
});
