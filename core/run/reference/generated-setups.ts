import fc from 'fast-check';
import type { LeverSetup, RunSetup } from '../run-setup.ts';

/** Run setups over the whole range builders could meet, some that stall, spin, lift or are refused. SI. */
const real = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true, noDefaultInfinity: true });

const wheelset = fc
  .record({ radius: real(0.015, 0.16), mass: real(0.004, 0.08), roundness: real(0.3, 0.9), journalRadius: real(0.0008, 0.004) })
  .map(({ roundness, ...rest }) => ({ ...rest, inertia: roundness * rest.mass * rest.radius ** 2 }));

export const leverSetups: fc.Arbitrary<LeverSetup> = fc
  .record({
    leverLength: real(0.06, 0.4),
    leverMass: real(0, 0.02),
    armInertia: real(0, 5e-6),
    reachRatio: real(0.75, 1.4),
    pivotAboveAxle: real(-0.02, 0.03),
    springPreload: real(0.05, 0.3),
    springRate: real(0.03, 0.2),
    springEfficiency: real(0.6, 1),
    cockedAngle: real(2, 3.05),
    releaseAngle: real(0.2, 0.9),
    axleRadius: real(0.001, 0.006),
    sleeve: fc.option(fc.record({ ratio: real(0.5, 3), turns: real(1, 20) }), { nil: undefined }),
    stringDiameter: real(0.0002, 0.001),
    windingWidth: real(0.004, 0.03),
    release: fc.constantFrom('free' as const, 'tied' as const),
  })
  .map(({ reachRatio, axleRadius, sleeve, ...rest }) => ({
    kind: 'lever',
    ...rest,
    pivotToAxle: reachRatio * rest.leverLength,
    spool: sleeve ? [{ radius: axleRadius, turns: sleeve.turns }, { radius: sleeve.ratio * axleRadius }] : [{ radius: axleRadius }],
  }));

export const runSetups: fc.Arbitrary<RunSetup> = fc
  .record({
    driveWheels: wheelset,
    otherWheels: wheelset,
    body: real(0.02, 0.3),
    wheelbase: real(0.1, 0.5),
    massHeight: real(0, 0.08),
    driveAxle: fc.constantFrom('rear' as const, 'front' as const),
    driveLoadShare: real(0.2, 0.95),
    dragArea: real(0, 0.02),
    bearingFriction: real(0.02, 0.5),
    rollingResistanceDrive: real(0.003, 0.05),
    rollingResistanceOther: real(0.003, 0.05),
    staticGrip: real(0.05, 1),
    slidingShare: real(0.5, 1),
    slope: fc.oneof({ weight: 3, arbitrary: fc.constant(0) }, real(-0.03, 0.08)),
    motor: leverSetups,
  })
  .map(
    ({
      driveWheels,
      otherWheels,
      body,
      staticGrip,
      slidingShare,
      rollingResistanceDrive,
      rollingResistanceOther,
      slope,
      motor,
      ...car
    }) => ({
      format: 'nimble-axle/run-setup',
      version: 1,
      car: { ...car, mass: body + driveWheels.mass + otherWheels.mass, driveWheels, otherWheels },
      surface: { rollingResistanceDrive, rollingResistanceOther, staticGrip, slidingGrip: slidingShare * staticGrip, slope },
      motor,
    }),
  );
