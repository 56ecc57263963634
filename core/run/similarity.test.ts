import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runSetups } from './reference/generated-setups.ts';
import type { MotorSetup, RunSetup, Wheelset } from './run-setup.ts';
import { simulate, type RunResult } from './simulate.ts';

/**
 * Dimensional analysis (Buckingham, Phys. Rev. 4 (1914)): a car with all lengths times λ and all masses times μ, under the
 * same gravity, runs the same run with distances times λ, times and speeds times √λ, forces times μ, energies times λμ. In
 * air of the same density its drag area is then times μ/λ, and its rubber's coefficients, a pressure, times μ/λ².
 */
function scaled(setup: RunSetup, lambda: number, mu: number): RunSetup {
  const wheelset = ({ radius, mass, inertia, journalRadius }: Wheelset): Wheelset => ({
    radius: lambda * radius,
    mass: mu * mass,
    inertia: mu * lambda ** 2 * inertia,
    journalRadius: lambda * journalRadius,
  });
  const { car, motor } = setup;
  return {
    ...setup,
    car: {
      ...car,
      mass: mu * car.mass,
      wheelbase: lambda * car.wheelbase,
      massHeight: lambda * car.massHeight,
      dragArea: (mu / lambda) * car.dragArea,
      driveWheels: wheelset(car.driveWheels),
      otherWheels: car.otherWheels && wheelset(car.otherWheels),
    },
    motor: scaledMotor(motor, lambda, mu),
    marks: (setup.marks ?? []).map((mark) => lambda * mark),
  };
}

function scaledMotor(motor: MotorSetup, lambda: number, mu: number): MotorSetup {
  const each = <M extends MotorSetup>(of: M, factor: number, ...keys: (keyof M)[]): Partial<M> =>
    Object.fromEntries(keys.map((key) => [key, factor * (of[key] as number)])) as Partial<M>;
  const rubber = <M extends Extract<MotorSetup, { kind: 'band' | 'twist' }>>(of: M): Partial<M> => ({
    ...each(of, mu / lambda ** 2, 'c1', 'c2'),
    ...each(of, lambda, 'bandWidth', 'bandThickness', 'bandLength'),
  });
  switch (motor.kind) {
    case 'lever':
      return {
        ...motor,
        ...each(motor, lambda, 'leverLength', 'pivotToAxle', 'pivotAboveAxle', 'stringDiameter', 'windingWidth'),
        ...each(motor, mu, 'leverMass'),
        ...each(motor, mu * lambda ** 2, 'armInertia'),
        ...each(motor, mu * lambda, 'springPreload', 'springRate'),
        spool: scaledSpool(motor.spool, lambda),
      };
    case 'band':
      return {
        ...motor,
        ...rubber(motor),
        ...each(motor, lambda, 'anchorToAxle', 'anchorAboveAxle', 'windingWidth'),
        spool: scaledSpool(motor.spool, lambda),
      };
    case 'twist':
      return { ...motor, ...rubber(motor), ...each(motor, lambda, 'hookToHook', 'washerRadius', 'armLength') };
  }
}

type Spool = Extract<MotorSetup, { kind: 'band' }>['spool'];
const scaledSpool = (spool: Spool, lambda: number): Spool =>
  spool.map((step) => ({ ...step, radius: lambda * step.radius })) as unknown as Spool;

/** As closely as a run is solved; a wrong power would be out by a factor. */
const SOLVED = 1e-4;

/** By which powers of λ and μ the figures of a result grow. */
const GROWTH: readonly (readonly [key: keyof RunResult & string, lambda: number, mu: number])[] = [
  ['distance', 1, 0],
  ['poweredDistance', 1, 0],
  ['slipDistance', 1, 0],
  ['time', 0.5, 0],
  ['slipTime', 0.5, 0],
  ['topSpeed', 0.5, 0],
  ['storedEnergy', 1, 1],
  ['launchThrust', 0, 1],
  ['launchResistance', 0, 1],
  ['launchGripNeeded', 0, 1],
  ['launchGripLimit', 0, 1],
  ['turns', 0, 0],
  ['turnsLeft', 0, 0],
];

describe('a car scaled up', () => {
  it('runs the same run on a larger scale (dimensional analysis)', () => {
    let compared = 0;
    fc.assert(
      fc.property(runSetups, fc.constantFrom(1, 4), fc.constantFrom(0.5, 1, 2, 8), (setup, lambda, mu) => {
        const [small, large] = [simulate(setup), simulate(scaled(setup, lambda, mu))];
        expect(large.kind).toBe(small.kind);
        if (small.kind === 'refused' || large.kind === 'refused') return;
        // The limits of time and way are the same for all.
        if (small.result.ended === 'limit' || large.result.ended === 'limit') return;
        compared++;
        for (const [key, ofLambda, ofMu] of GROWTH) {
          const expected = lambda ** ofLambda * mu ** ofMu * (small.result[key] as number);
          // What is left is known as closely as the turns it is taken from.
          const scale = key === 'turnsLeft' ? small.result.turns : Math.abs(expected);
          expect(Math.abs((large.result[key] as number) - expected), key).toBeLessThan(SOLVED * Math.max(scale, 1e-2));
        }
        const inPlay = large.result.storedEnergy + Math.abs(large.result.energy.climb);
        for (const [part, energy] of Object.entries(small.result.energy)) {
          const apart = Math.abs(large.result.energy[part as keyof typeof large.result.energy] - lambda * mu * energy);
          expect(apart, part).toBeLessThanOrEqual(SOLVED * inPlay);
        }
        expect([large.result.wheelie, large.result.rollsBack]).toEqual([small.result.wheelie, small.result.rollsBack]);
      }),
      { numRuns: 300, endOnFailure: true },
    );
    expect(compared).toBeGreaterThan(150);
  });
});
