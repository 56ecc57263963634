import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { GRAVITY } from '../constants.ts';
import { runSetups } from './reference/generated-setups.ts';
import { odexRun } from './reference/odex-run.ts';
import type { LeverSetup, RunSetup } from './run-setup.ts';
import { simulate, type RunResult } from './simulate.ts';

interface ReferenceRun {
  readonly name: string;
  readonly setup: RunSetup;
  readonly expect: Omit<RunResult, 'energy' | 'trace' | 'wheelie'>;
}
const { runs } = JSON.parse(readFileSync(new URL('reference/reference-runs.json', import.meta.url), 'utf8')) as { runs: ReferenceRun[] };
const leverRuns = runs.filter(({ setup }) => (setup.motor.kind as string) === 'lever');
const plain = leverRuns[0]!.setup;

function ran(setup: RunSetup): RunResult {
  const outcome = simulate(setup);
  if (outcome.kind === 'refused') throw new Error(JSON.stringify(outcome.faults));
  return outcome.result;
}

/** Relative difference, or absolute where the reference is zero. */
const apart = (value: number, reference: number): number => Math.abs(value - reference) / (Math.abs(reference) || 1);
const closure = ({ energy, storedEnergy }: RunResult): number =>
  Math.abs(Object.values(energy).reduce((a, b) => a + b) - storedEnergy) / storedEnergy;

describe('runs computed elsewhere (SciPy solve_ivp, DOP853)', () => {
  it.each(leverRuns)('$name', ({ setup, expect: reference }) => {
    const result = ran(setup);
    for (const key of [
      'storedEnergy',
      'turns',
      'poweredDistance',
      'launchThrust',
      'launchGripNeeded',
      'launchGripLimit',
      'launchGripRatio',
      'distance',
      'time',
      'topSpeed',
    ] as const)
      expect(apart(result[key], reference[key]), key).toBeLessThan(1e-6);
    expect(Math.abs(result.slipDistance - reference.slipDistance)).toBeLessThan(1e-5);
    expect(Math.abs(result.turnsLeft - reference.turnsLeft)).toBeLessThan(1e-4);
    expect(result.powerEndDistance === null).toBe(reference.powerEndDistance === null);
    reference.marks.forEach((mark, i) => expect(apart(result.marks[i]!.time, mark.time)).toBeLessThan(1e-6));
    expect(result).toMatchObject({ ended: reference.ended, stalled: reference.stalled, rollsBack: reference.rollsBack });
  });
});

describe('generated setups', () => {
  it('agree with odex on the same equations, close their energy and end', () => {
    const ends = new Set<string>();
    fc.assert(
      fc.property(runSetups, (setup) => {
        const outcome = simulate(setup);
        if (outcome.kind === 'refused') return void ends.add('refused');
        const { result } = outcome;
        const reference = odexRun(setup);
        ends.add(result.slipDistance > 0 ? `${result.ended}, slipping` : result.ended);
        expect(result.ended).toBe(reference.ended);
        for (const key of ['distance', 'time', 'topSpeed'] as const)
          expect(Math.abs(result[key] - reference[key]), key).toBeLessThan(1e-4 * reference[key] + 1e-9);
        expect(Math.abs(result.slipDistance - reference.slipDistance)).toBeLessThan(Math.max(1e-3 * reference.slipDistance, 1e-3));
        expect(closure(result)).toBeLessThan(1e-4);
      }),
      { numRuns: 120, seed: 20261124 },
    );
    // The generator must reach what it is meant to.
    expect([...ends]).toEqual(expect.arrayContaining(['stopped', 'stopped, slipping', 'stalled', 'refused']));
  }, 120_000);
});

describe('a coasting car', () => {
  const coaster = (dragArea: number, bearingFriction: number): RunSetup => ({ ...plain, car: { ...plain.car, dragArea, bearingFriction } });
  const crr = 0.012;
  const even = (setup: RunSetup): RunSetup => ({
    ...setup,
    surface: { ...setup.surface, rollingResistanceDrive: crr, rollingResistanceOther: crr },
  });
  /** Distance from let-go to the stop, the speed at let-go, and the mass that rolls. */
  const coastOf = (setup: RunSetup) => {
    const outcome = simulate(setup, { trace: true });
    if (outcome.kind === 'refused') throw new Error('refused');
    const { trace, distance, powerEndDistance } = outcome.result;
    const { driveWheels, otherWheels, mass } = setup.car;
    const M = mass + driveWheels.inertia / driveWheels.radius ** 2 + otherWheels!.inertia / otherWheels!.radius ** 2;
    return { coast: distance - powerEndDistance!, v: trace!.speed[trace!.phase.indexOf('coasting')]!, M, m: mass };
  };
  it('covers v²/(2 g Crr), heavier by its wheels, without air and bearings (integration by hand)', () => {
    const { coast, v, M, m } = coastOf(even(coaster(0, 0)));
    expect(apart(coast, ((M / m) * v * v) / (2 * GRAVITY * crr))).toBeLessThan(1e-9);
  });
  it('covers (M/2k) ln(1 + k v²/F0) with air (integration by hand)', () => {
    const { coast, v, M, m } = coastOf(even(coaster(0.02, 0)));
    const k = 0.5 * 1.225 * 0.02;
    expect(apart(coast, (M / (2 * k)) * Math.log(1 + (k * v * v) / (crr * m * GRAVITY)))).toBeLessThan(1e-9);
  });
});

describe('the ends a run can come to', () => {
  const changed = (car: Partial<RunSetup['car']>, surface: Partial<RunSetup['surface']>, motor: Partial<LeverSetup> = {}): RunSetup => ({
    ...plain,
    car: { ...plain.car, ...car },
    surface: { ...plain.surface, ...surface },
    motor: { ...plain.motor, ...motor } as RunSetup['motor'],
  });
  it('stalls where the slope outdoes the pull, and rolls back', () => {
    expect(ran(changed({}, { slope: 0.2 }))).toMatchObject({ stalled: true, ended: 'stalled', rollsBack: true, distance: 0 });
  });
  it('rolls on past 600 s or 1000 m downhill', () => {
    const result = ran(changed({}, { slope: -0.05 }));
    expect(result.ended).toBe('limit');
    expect(apart(result.distance, 1000)).toBeLessThan(1e-9);
    expect(closure(result)).toBeLessThan(1e-6);
  });
  it('is braked by a tied string that winds up again', () => {
    const free = ran(plain);
    const tied = ran(changed({}, {}, { release: 'tied' }));
    expect(tied.distance).toBeLessThan(free.distance);
    expect(tied.energy.unspent).toBeGreaterThan(0);
    expect(tied.powerEndTime).toBeCloseTo(free.powerEndTime!, 9);
  });
  it('lifts its front where the thrust acts high on a short wheelbase', () => {
    const result = ran(changed({ wheelbase: 0.06, massHeight: 0.3, driveLoadShare: 0.9 }, { staticGrip: 0.9, slidingGrip: 0.8 }));
    expect(result.wheelie).toBe(true);
  });
  it('is refused with the keys named where lever and string lie in line', () => {
    const outcome = simulate(changed({}, {}, { cockedAngle: 3.16, leverLength: 0.1 }));
    expect(outcome).toMatchObject({ kind: 'refused', faults: [{ path: 'motor.cockedAngle' }] });
  });
  it('gives the same answer however often and in whatever order of keys it is asked', () => {
    const shuffled = JSON.parse(
      JSON.stringify({ motor: plain.motor, marks: plain.marks, surface: plain.surface, version: 1, car: plain.car, format: plain.format }),
    ) as RunSetup;
    expect(ran(shuffled)).toEqual(ran(plain));
  });
});
