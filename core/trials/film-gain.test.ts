import { describe, expect, it } from 'vitest';
import type { RunRecord } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { simulate } from '../run/simulate.ts';
import type { RunOfCar } from './compared-runs.ts';
import { filmGain } from './film-gain.ts';
import { observationOf } from './fit/likelihood.ts';
import { USUAL_INSTRUMENTS } from './fit/trial.ts';
import { isSlipping, trialGroups } from './trial-groups.ts';

const design = newCar('car', 'lever');
const AT = [0.2, 0.5, 1, 2];

/** Runs of the most likely car, with times along the way from a film. */
const runs = [-0.02, 0, 0.02].map((luck): RunOfCar => {
  const outcome = simulate({ ...deriveRunSetup(design), marks: AT });
  if (outcome.kind === 'refused') throw new Error('It does not run.');
  const { distance, marks } = outcome.result;
  const record: Omit<RunRecord, 'design'> = {
    format: 'nimble-axle/run-record',
    version: 1,
    ranAt: '2026-05-01T10:00:00Z',
    wind: { kind: 'full' },
    outcome: { kind: 'stopped', distance: distance * (1 + luck) },
    splits: marks.map(({ distance: at, time }) => ({ at, time, deviation: 0.005 })),
    film: { startDeviation: 0.006, slip: { ratio: 0.01, deviation: 0.02 } },
    seen: ['spun'],
    note: '',
  };
  return { record, design };
});

describe('what films tell of a car', () => {
  it('cuts what is not known of resistance and motor, and holds what is true', () => {
    const { resistance, energy } = filmGain(design, runs)!;
    const width = ({ low, high }: { readonly low: number; readonly high: number }): number => high - low;
    expect(width(energy.with)).toBeLessThan(0.8 * width(energy.without));
    for (const { with: now } of [resistance, energy]) {
      expect(now.low).toBeLessThan(0);
      expect(now.high).toBeGreaterThan(0);
    }
  });
  it('is nothing where no run was filmed, or none counts', () => {
    const unfilmed = runs.map(({ record: { film: _film, ...record } }) => ({ record, design }));
    expect(filmGain(design, unfilmed)).toBeNull();
    expect(
      filmGain(
        design,
        runs.map((run) => ({ ...run, record: { ...run.record, leftOut: true as const } })),
      ),
    ).toBeNull();
  });
  it('takes the slip of a wheel’s dot before what the eye saw', () => {
    expect(trialGroups(runs)[0]!.runs.every(({ spun }) => spun === false)).toBe(true);
    expect([isSlipping({ ratio: 0.3, deviation: 0.05 }), isSlipping({ ratio: 0.07, deviation: 0.05 })]).toEqual([true, false]);
  });
  it('counts its times with their own deviation, and the release as off by the same in all', () => {
    const [run] = trialGroups(runs)[0]!.runs;
    const { instrument, release, places } = observationOf(
      { ...run!, time: 4, film: { startDeviation: 0.02, stopDeviation: 0.1 } },
      AT,
      USUAL_INSTRUMENTS,
    );
    expect(places).toEqual([0, 1, 2, 3, 4, 5]);
    // Of a stop after 4 s: 1 % and 0.1 s of 4 s; the release 0.02 s of 4 s.
    expect(instrument[1]).toBeCloseTo(0.01 ** 2 + 0.025 ** 2, 9);
    expect([release[0], release[1]]).toEqual([0, 0.005]);
    const first = run!.splits![0]!;
    expect(instrument[2]).toBeCloseTo(0.04 ** 2 + (0.005 / first.time) ** 2, 9);
    expect(release[2]).toBeCloseTo(0.02 / first.time, 9);
  });
});
