import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { GRAVITY } from '../constants.ts';
import { admittedSetups, real, runSetups, setupsOnStretches } from './reference/generated-setups.ts';
import { odexRun } from './reference/odex-run.ts';
import { readRunSetup } from '../files/read.ts';
import { DISTANCE_LIMIT, TIME_LIMIT } from './motion.ts';
import type { LeverSetup, RunSetup } from './run-setup.ts';
import { simulate, type RunResult } from './simulate.ts';

interface ReferenceRun {
  readonly name: string;
  readonly setup: RunSetup;
  readonly expect: Omit<RunResult, 'energy' | 'trace' | 'wheelie' | 'launchResistance'>;
}
const { runs } = JSON.parse(readFileSync(new URL('reference/reference-runs.json', import.meta.url), 'utf8')) as { runs: ReferenceRun[] };
const plain = runs[0]!.setup;
const bandRun = runs.find(({ name }) => name === 'band, some wheelspin')!.setup;

function ran(setup: RunSetup): RunResult {
  const outcome = simulate(setup);
  if (outcome.kind === 'refused') throw new Error(JSON.stringify(outcome.faults));
  return outcome.result;
}

/** Relative difference, or absolute where the reference is zero. */
const apart = (value: number, reference: number): number => Math.abs(value - reference) / (Math.abs(reference) || 1);
/** How far the budget is from closing, as a fraction of the energy that came in: wound, or gained downhill. */
const closure = ({ energy, storedEnergy }: RunResult): number =>
  Math.abs(Object.values(energy).reduce((a, b) => a + b) - storedEnergy) / (storedEnergy + Math.abs(energy.climb) || 1);

describe('runs computed elsewhere (SciPy solve_ivp, DOP853)', () => {
  it.each(runs)('$name', ({ setup, expect: reference }) => {
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
      expect(apart(result[key], reference[key]), key).toBeLessThan(1e-5);
    expect(Math.abs(result.slipDistance - reference.slipDistance)).toBeLessThan(1e-5);
    expect(Math.abs(result.turnsLeft - reference.turnsLeft)).toBeLessThan(1e-4);
    expect(result.powerEndDistance === null).toBe(reference.powerEndDistance === null);
    reference.marks.forEach((mark, i) => expect(apart(result.marks[i]!.time, mark.time)).toBeLessThan(1e-5));
    expect(result).toMatchObject({ ended: reference.ended, stalled: reference.stalled, rollsBack: reference.rollsBack });
  });
});

describe('floors of several stretches, computed elsewhere (SciPy solve_ivp, DOP853)', () => {
  const floors = JSON.parse(readFileSync(new URL('reference/reference-floors.json', import.meta.url), 'utf8')) as { runs: ReferenceRun[] };
  it.each(floors.runs)('$name', ({ setup, expect: reference }) => {
    const result = ran(setup);
    for (const key of ['storedEnergy', 'turns', 'launchThrust', 'launchGripNeeded', 'distance', 'time', 'topSpeed'] as const)
      expect(apart(result[key], reference[key]), key).toBeLessThan(1e-4);
    expect(Math.abs(result.slipDistance - reference.slipDistance)).toBeLessThan(Math.max(1e-3 * reference.slipDistance, 1e-3));
    reference.marks.forEach((mark, i) => expect(apart(result.marks[i]!.time, mark.time)).toBeLessThan(1e-4));
    expect(closure(result)).toBeLessThan(1e-6);
  });
});

/** Both solvers on one setup: the same end, distance, time and top speed to 1e-4, slip to 1e-3 or 1 mm, energy to 1e-4. */
function agrees(setup: RunSetup): RunResult {
  const result = ran(setup);
  const reference = odexRun(setup);
  expect(result.ended).toBe(reference.ended);
  for (const key of ['distance', 'time', 'topSpeed'] as const)
    expect(Math.abs(result[key] - reference[key]), key).toBeLessThan(1e-4 * reference[key] + 1e-9);
  expect(Math.abs(result.slipDistance - reference.slipDistance)).toBeLessThan(Math.max(1e-3 * reference.slipDistance, 1e-3));
  expect(closure(result)).toBeLessThan(1e-4);
  return result;
}

describe('generated setups', () => {
  it('agree with odex on the same equations, close their energy and end', () => {
    const ends = new Set<string>();
    fc.assert(
      fc.property(runSetups, (setup) => {
        if (simulate(setup).kind === 'refused') return void ends.add('refused');
        const result = agrees(setup);
        ends.add(`${setup.motor.kind} ${result.slipDistance > 0 ? 'slipping' : result.ended}`);
      }),
      { numRuns: 600, seed: 20261124, endOnFailure: true },
    );
    // The generator must reach what it is meant to.
    const kinds = ['lever', 'band', 'twist'].flatMap((kind) => ['stopped', 'slipping', 'stalled'].map((end) => `${kind} ${end}`));
    expect([...ends]).toEqual(expect.arrayContaining([...kinds, 'refused']));
  }, 120_000);
  it('on floors of several stretches do so too', () => {
    let reached = 0;
    fc.assert(
      fc.property(setupsOnStretches, (setup) => {
        if (simulate(setup).kind === 'refused') return;
        const result = agrees(setup);
        if (result.distance > setup.stretches!.at(-1)!.from) reached++;
      }),
      { numRuns: 300, seed: 20261126, endOnFailure: true },
    );
    expect(reached).toBeGreaterThan(30);
  }, 120_000);
  it('a floor that changes a hair beyond the line, steeply, ends the run', () => {
    for (const from of [1e-9, 1e-7, 1e-4])
      fc.assert(
        fc.property(runSetups, (setup) => {
          if (simulate(setup).kind === 'refused') return;
          expect(ran({ ...setup, stretches: [{ from, ...setup.surface, slope: 0.6 }] }).distance).toBeLessThan(20);
        }),
        { numRuns: 60, seed: 20261126 },
      );
  }, 60_000);
  it('a floor of stretches alike is one floor', () => {
    fc.assert(
      fc.property(runSetups, real(0.05, 6), (setup, from) => {
        const whole = simulate(setup);
        if (whole.kind === 'refused') return;
        const parted = ran({ ...setup, stretches: [{ from, ...setup.surface }] });
        for (const key of ['distance', 'time', 'topSpeed', 'slipDistance'] as const)
          expect(Math.abs(parted[key] - whole.result[key]), key).toBeLessThan(2e-5 * whole.result[key] + 1e-6);
      }),
      { numRuns: 200, seed: 20261126 },
    );
  }, 60_000);
  it('of any size the schema admits run to finite numbers, or are refused by a key', () => {
    fc.assert(
      fc.property(admittedSetups, (setup) => {
        expect(readRunSetup(setup)).toMatchObject({ kind: 'read' });
        const outcome = simulate(setup);
        if (outcome.kind === 'refused') return void expect(outcome.faults[0]!.path).toMatch(/^(car|surface|stretches|motor)\./);
        const { energy, distance, time, topSpeed, slipDistance, turnsLeft } = outcome.result;
        for (const value of [...Object.values(energy), distance, time, topSpeed, slipDistance, turnsLeft])
          expect(Number.isFinite(value)).toBe(true);
      }),
      { numRuns: 1500, seed: 20261124 },
    );
  }, 60_000);
});

describe('a car that stands all but wholly on its other wheels', () => {
  it('ends, though its tyre is asked to slide again at the very speed at which it held', () => {
    const text = readFileSync(new URL('reference/chattering-setup.json', import.meta.url), 'utf8');
    expect(ran(JSON.parse(text) as RunSetup).ended).toBe('limit');
  });
  it('ends: its drive wheels touch the floor with nothing, whatever the floor does', () => {
    for (const slope of [-0.002, -0.001, 0, 0.001]) {
      const car = {
        ...bandRun.car,
        mass: 8.5,
        massHeight: 0.78,
        driveLoadShare: 0,
        otherWheels: { radius: 1, mass: 8.4, inertia: 4.4, journalRadius: 0.0016 },
      };
      const surface = { ...bandRun.surface, rollingResistanceOther: 0.0007, slope };
      expect(Number.isFinite(ran({ ...bandRun, car, surface }).distance)).toBe(true);
    }
  });
});

describe('a run without an end', () => {
  const downhill = (slope: number, dragArea: number): RunSetup => ({
    ...plain,
    car: { ...plain.car, dragArea },
    surface: { ...plain.surface, slope },
  });
  it('is ended where it has gone on for long enough, or far enough, and not beyond', () => {
    // Steep, it is soon far; where it all but stands still it goes on for long.
    const far = ran(downhill(-0.3, 0));
    expect(far).toMatchObject({ ended: 'limit', distance: DISTANCE_LIMIT });
    expect(far.time).toBeLessThan(TIME_LIMIT);
    const slow = ran(downhill(-0.03, 2));
    expect(slow).toMatchObject({ ended: 'limit', time: TIME_LIMIT });
    expect(slow.distance).toBeLessThan(DISTANCE_LIMIT);
    // At its last speed, where the slope pays for rolling, bearings and air, it goes on evenly.
    const { trace } = ((): RunResult => {
      const outcome = simulate(downhill(-0.03, 2), { trace: true });
      if (outcome.kind === 'refused') throw new Error('refused');
      return outcome.result;
    })();
    const [early, late] = [trace!.distance.findIndex((metres) => metres > slow.distance / 2), trace!.distance.length - 1];
    const speed = (trace!.distance[late]! - trace!.distance[early]!) / (trace!.time[late]! - trace!.time[early]!);
    expect(apart(speed, trace!.speed[late]!)).toBeLessThan(0.01);
  });
});

describe('a car whose weight lies on the floor', () => {
  it.each([0, 0.3, 1])('shifts none of it: with a share of %d on the drive wheels it agrees with odex', (driveLoadShare) => {
    for (const setup of [plain, bandRun]) {
      const { ended, slipDistance } = agrees({ ...setup, car: { ...setup.car, massHeight: 0, driveLoadShare } });
      expect(ended).toBe(driveLoadShare === 0 ? 'stalled' : 'stopped');
      if (driveLoadShare === 1) expect(slipDistance).toBe(0);
    }
  });
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
  it('slides braking where a tied band outdoes the grip, and holds a wheel it has brought to rest', () => {
    const result = agrees({
      ...bandRun,
      surface: { ...bandRun.surface, staticGrip: 0.12, slidingGrip: 0.1 },
      motor: { ...bandRun.motor, release: 'tied' } as RunSetup['motor'],
    });
    const outcome = simulate(
      {
        ...bandRun,
        surface: { ...bandRun.surface, staticGrip: 0.12, slidingGrip: 0.1 },
        motor: { ...bandRun.motor, release: 'tied' } as RunSetup['motor'],
      },
      { trace: true },
    );
    const trace = outcome.kind === 'ran' ? outcome.result.trace! : null;
    const held = trace!.phase.findIndex((phase, i) => phase === 'braking' && trace!.wheelSpeed[i] === 0 && trace!.speed[i]! > 0);
    expect(held).toBeGreaterThan(0);
    expect(result.rollsBack).toBe(true);
  });
  it('lets the string go slack where a heavy lever cannot keep up', () => {
    const result = agrees(changed({ mass: 0.1 }, { slope: -0.3 }, { leverMass: 0.05, springPreload: 0.01, springRate: 0.005 }));
    expect(result.powerEndDistance!).toBeLessThan(0.99 * result.poweredDistance);
    expect(result.energy.unspent).toBeGreaterThan(0);
    expect(result.turnsLeft).toBe(0);
  });
  it('is the same run however finely an even spool is cut into steps', () => {
    const whole = ran(changed({}, {}, { spool: [{ radius: 0.002 }], stringDiameter: 0 }));
    const cut = ran(
      changed({}, {}, { spool: Array.from({ length: 40 }, () => ({ radius: 0.002, turns: 0.7 })) as never, stringDiameter: 0 }),
    );
    expect(apart(cut.distance, whole.distance)).toBeLessThan(1e-6);
    expect(apart(cut.time, whole.time)).toBeLessThan(1e-5);
  });
  it('agrees on a tapered winding of many steps, and on wheelspin across a step', () => {
    const taper = Array.from({ length: 12 }, (_, i) => ({ radius: 0.0016 + 0.0003 * i, turns: 1.5 }));
    agrees(changed({}, {}, { spool: taper as never }));
    const spinning = changed({}, { staticGrip: 0.05, slidingGrip: 0.03 }, { spool: [{ radius: 0.0016, turns: 19 }, { radius: 0.004 }] });
    const outcome = simulate(spinning, { trace: true });
    const trace = outcome.kind === 'ran' ? outcome.result.trace! : null;
    // The pull drops where the sleeve ends: the wheels must still be spinning there.
    const drop = trace!.thrust.findIndex((thrust, i) => i > 0 && thrust < 0.6 * trace!.thrust[i - 1]!);
    expect(trace!.phase[drop]).toBe('spinning');
    agrees(spinning);
  });
  it('is braked by a tied string that winds up again', () => {
    const free = ran(plain);
    const tied = ran(changed({}, {}, { release: 'tied' }));
    expect(tied.distance).toBeLessThan(free.distance);
    expect(tied.energy.unspent).toBeGreaterThan(0);
    expect(tied.powerEndTime).toBeCloseTo(free.powerEndTime!, 9);
  });
  it('lifts its front where the thrust acts high on a short wheelbase', () => {
    const result = agrees(changed({ wheelbase: 0.06, massHeight: 0.3, driveLoadShare: 0.9 }, { staticGrip: 0.9, slidingGrip: 0.8 }));
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

describe('sense: without wheelspin and with a free release', () => {
  const gripping = runSetups
    .map((setup): RunSetup => ({
      ...setup,
      surface: { ...setup.surface, staticGrip: 5, slidingGrip: 5, slope: Math.abs(setup.surface.slope) },
      motor: setup.motor.kind === 'twist' ? setup.motor : { ...setup.motor, release: 'free' },
    }))
    .filter((setup) => {
      const outcome = simulate(setup);
      return outcome.kind === 'ran' && outcome.result.ended === 'stopped' && outcome.result.slipDistance === 0;
    });
  const worse: Record<string, (setup: RunSetup) => RunSetup> = {
    'more bearing friction': (s) => ({ ...s, car: { ...s.car, bearingFriction: 1.3 * s.car.bearingFriction } }),
    'more rolling resistance': ({ surface, ...s }) => ({
      ...s,
      surface: {
        ...surface,
        rollingResistanceDrive: 1.3 * surface.rollingResistanceDrive,
        ...(surface.rollingResistanceOther === undefined ? {} : { rollingResistanceOther: 1.3 * surface.rollingResistanceOther }),
      },
    }),
    'more air': (s) => ({ ...s, car: { ...s.car, dragArea: 1.5 * s.car.dragArea } }),
    'a steeper slope': (s) => ({ ...s, surface: { ...s.surface, slope: s.surface.slope + 0.01 } }),
    'less winding': ({ motor, ...s }) => ({
      ...s,
      motor: motor.kind === 'lever' ? { ...motor, cockedAngle: 0.95 * motor.cockedAngle } : { ...motor, turns: 0.9 * motor.turns },
    }),
  };
  it.each(Object.keys(worse))('%s never lengthens a run', (what) => {
    fc.assert(
      fc.property(gripping, (setup) => {
        const outcome = simulate(worse[what]!(setup));
        if (outcome.kind === 'ran') expect(outcome.result.distance).toBeLessThan(ran(setup).distance * (1 + 1e-6));
      }),
      { numRuns: 100, seed: 7 },
    );
  });
});
