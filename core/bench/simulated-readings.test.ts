import { describe, expect, it } from 'vitest';
import { MOTOR_KINDS } from '../car/motors/motors.ts';
import { newCar } from '../car/new-car.ts';
import { hiddenBuild } from '../rig/simulated-instruments.ts';
import { MEASUREMENTS } from './measurements.ts';
import { isMeasured, measure } from './measure.ts';
import type { MeasurementKind } from './measured.ts';
import { simulatedReadings } from './simulated-readings.ts';
import { whatToMeasure } from './what-to-measure.ts';

const KINDS = Object.keys(MEASUREMENTS) as MeasurementKind[];
/** The finest mark of a spring scale, N; of a board’s angle, rad; of a ruler, m. */
const DIVISIONS = { force: 0.05, angle: Math.PI / 360, length: 0.001 };

describe.each(MOTOR_KINDS)('readings of a %s car, as instruments would take them', (motor) => {
  const build = hiddenBuild(newCar('hidden', motor));
  const made = KINDS.flatMap((kind) => {
    const of = simulatedReadings(kind, build, 11);
    return of ? [{ kind, ...of }] : [];
  });
  it.each(made)('of $kind come back as what they were made of, within five of their own deviations', ({ measurement, truth }) => {
    const result = measure(measurement);
    if (!isMeasured(result)) throw new Error(result.needs);
    const told = Object.entries(truth).flatMap(([key, value]) => (result.values[key] ? [[value, result.values[key]] as const] : []));
    // A roller’s pull at the rim tells its rubber and its washer in one.
    expect(told.length > 0 || measurement.kind === 'rim-pull').toBe(true);
    for (const [value, { value: found, deviation }] of told) expect(Math.abs(found - value)).toBeLessThan(5 * deviation);
  });
  it('are taken with instruments whose finest mark is known', () => {
    const finest = (kind: MeasurementKind) =>
      (made.find((one) => one.kind === kind)?.measurement as { resolution?: object } | undefined)?.resolution;
    expect(finest('roll-out')).toMatchObject({ length: DIVISIONS.length });
    if (motor === 'lever') expect(finest('lever-pull')).toMatchObject({ force: DIVISIONS.force });
    if (motor !== 'twist') expect(finest('tilt')).toMatchObject({ angle: DIVISIONS.angle });
  });
});

describe('what to measure', () => {
  it('of a new car: each that suits it, the one first that takes most of its range away', () => {
    const design = newCar('x');
    const { now, measurements } = whatToMeasure(design);
    expect(measurements.map(({ kind }) => kind).toSorted()).toEqual(KINDS.filter((kind) => MEASUREMENTS[kind].suits(design)).toSorted());
    const shares = measurements.map(({ fraction: share }) => share);
    expect(shares).toEqual(shares.toSorted((a, b) => b - a));
    const [first] = measurements;
    const width = ({ low, high }: { low: number; high: number }): number => Math.log(high / low);
    expect(first!.fraction).toBeCloseTo(1 - (width(first!.after) / width(now)) ** 2, 9);
    expect(first!.fraction).toBeGreaterThan(0.1);
  });
});
