import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import type { BandSetup, LeverSetup, RunSetup, TwistSetup } from '../run-setup.ts';

/** Run setups over the whole range builders could meet, some that stall, spin, lift or are refused. SI. */
export const real = (min: number, max: number): fc.Arbitrary<number> =>
  // Nothing a builder could call other than zero.
  fc.double({ min, max, noNaN: true, noDefaultInfinity: true }).map((value) => (Math.abs(value) < 1e-9 ? 0 : value));

const wheelset = fc
  .record({ radius: real(0.015, 0.16), mass: real(0.004, 0.08), roundness: real(0.3, 0.9), journalRadius: real(0.0008, 0.004) })
  .map(({ roundness, ...rest }) => ({ ...rest, inertia: roundness * rest.mass * rest.radius ** 2 }));

const release = fc.constantFrom('free' as const, 'tied' as const);
const axleRadius = real(0.001, 0.006);
/** A bare axle, or up to four steps of tape. */
const spool = fc
  .tuple(axleRadius, fc.array(fc.record({ ratio: real(0.5, 3), turns: real(0.5, 12) }), { maxLength: 3 }))
  .map(([radius, sleeves]): LeverSetup['spool'] => {
    const radii = [radius, ...sleeves.map(({ ratio }) => ratio * radius)];
    const steps = radii.map((r, i) => (i < sleeves.length ? { radius: r, turns: sleeves[i]!.turns } : { radius: r }));
    return steps as LeverSetup['spool'];
  });

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
    spool,
    stringDiameter: real(0.0002, 0.001),
    windingWidth: real(0.004, 0.03),
    release,
  })
  .map(({ reachRatio, ...rest }) => ({ kind: 'lever', ...rest, pivotToAxle: reachRatio * rest.leverLength }));

const rubber = { c1: real(5e4, 2e5), c2: real(5e4, 2e5), bandEfficiency: real(0.6, 1), bandThickness: real(0.0007, 0.0012) };

export const bandSetups: fc.Arbitrary<BandSetup> = fc
  .record({
    ...rubber,
    bandWidth: real(0.0015, 0.012),
    bandLength: real(0.05, 0.1),
    parallel: fc.integer({ min: 1, max: 2 }),
    series: fc.integer({ min: 1, max: 4 }),
    spanRatio: real(0.7, 1.3),
    rise: real(-0.1, 0.1),
    windingWidth: real(0.005, 0.03),
    windingStretch: fc.oneof(fc.constant(1), real(1, 2.5)),
    spool,
    turns: real(1, 20),
    release,
  })
  .map(({ spanRatio, rise, ...rest }) => {
    const anchorToAxle = spanRatio * rest.series * rest.bandLength;
    return { kind: 'band', ...rest, anchorToAxle, anchorAboveAxle: rise * anchorToAxle };
  });

export const twistSetups: fc.Arbitrary<TwistSetup> = fc
  .record({
    ...rubber,
    bandWidth: real(0.0015, 0.0065),
    bandLength: real(0.03, 0.09),
    parallel: fc.integer({ min: 1, max: 2 }),
    series: fc.constant(1),
    hookRatio: real(0.7, 1.3),
    turns: real(3, 40),
    washerFriction: real(0, 0.3),
    washerRadius: real(0, 0.004),
    armLength: real(0.03, 0.15),
    armFriction: real(0, 0.4),
  })
  .map(({ hookRatio, ...rest }) => ({ kind: 'twist', ...rest, hookToHook: hookRatio * rest.bandLength }));

const floor = {
  rollingResistanceDrive: real(0.003, 0.05),
  rollingResistanceOther: real(0.003, 0.05),
  staticGrip: real(0.05, 1),
  slidingShare: real(0.5, 1),
  slope: fc.oneof({ weight: 3, arbitrary: fc.constant(0) }, real(-0.03, 0.08)),
};

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
    ...floor,
    motor: fc.oneof(leverSetups, bandSetups, twistSetups),
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
    }) => {
      const isRoller = motor.kind === 'twist';
      return {
        format: 'nimble-axle/run-setup',
        version: 1,
        car: {
          ...car,
          driveLoadShare: isRoller ? 1 : car.driveLoadShare,
          mass: (isRoller ? body / 10 : body) + driveWheels.mass + (isRoller ? 0 : otherWheels.mass),
          driveWheels,
          otherWheels: isRoller ? null : otherWheels,
        },
        surface: {
          rollingResistanceDrive,
          ...(isRoller ? {} : { rollingResistanceOther }),
          staticGrip,
          slidingGrip: slidingShare * staticGrip,
          slope,
        },
        motor,
      };
    },
  );

/** The same on floors of up to three stretches more: mats, slippery patches, ramps. */
export const setupsOnStretches: fc.Arbitrary<RunSetup> = fc
  .tuple(runSetups, fc.array(fc.record({ after: real(0.05, 4), ...floor }), { minLength: 1, maxLength: 3 }))
  .map(([setup, pieces]) => {
    let from = 0;
    const stretches = pieces.map(({ after, slidingShare, rollingResistanceOther, ...piece }) => {
      from += after;
      const other = setup.car.otherWheels ? { rollingResistanceOther } : {};
      return { from, ...piece, ...other, slidingGrip: slidingShare * piece.staticGrip };
    });
    return { ...setup, stretches };
  });

/** Any number a schema allows, by order of magnitude; whole tables of a definition. */
interface Schema {
  readonly $ref?: string;
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly oneOf?: readonly Schema[];
  readonly type?: string;
  readonly minimum?: number;
  readonly exclusiveMinimum?: number;
  readonly maximum?: number;
  readonly minItems?: number;
  readonly items?: Schema;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly definitions?: Readonly<Record<string, Schema>>;
}
const schema = JSON.parse(readFileSync('schemas/run-setup.schema.json', 'utf8')) as Schema;
const even = fc.noBias(fc.integer({ min: 0, max: 1_000_000 })).map((k) => k / 1_000_000);

function numbersOf({ minimum, exclusiveMinimum, maximum }: Schema): fc.Arbitrary<number> {
  const low = minimum ?? exclusiveMinimum ?? 0;
  const high = maximum!;
  if (low < 0)
    return fc.oneof(
      even.map((part) => low + (high - low) * part),
      even.map((part) => 0.1 * part - 0.05),
    );
  const start = Math.max(low, Math.min(high, 4e-3));
  const spread = even.map((part) => Math.min(high, start * (high / start) ** part));
  return fc.oneof({ weight: 12, arbitrary: spread }, { weight: 1, arbitrary: fc.constantFrom(minimum ?? high, high) });
}

function anythingOf(part: Schema): fc.Arbitrary<unknown> {
  if (part.$ref !== undefined) return anythingOf(schema.definitions![part.$ref.split('/').at(-1)!]!);
  if (part.const !== undefined) return fc.constant(part.const);
  if (part.enum) return fc.constantFrom(...part.enum);
  if (part.oneOf) return fc.oneof(...part.oneOf.map(anythingOf));
  switch (part.type) {
    case 'null':
      return fc.constant(null);
    case 'integer':
      return fc.integer({ min: part.minimum!, max: 8 });
    case 'number':
      return numbersOf(part);
    case 'array':
      return fc.array(anythingOf(part.items!), { minLength: part.minItems ?? 0, maxLength: 4 });
    default:
      return fc.record(Object.fromEntries(Object.entries(part.properties!).map(([key, value]) => [key, anythingOf(value)])));
  }
}

/** Everything the published schema admits, sensible or not. */
export const admittedSetups = anythingOf(schema) as fc.Arbitrary<RunSetup>;
