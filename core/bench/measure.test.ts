import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MOTOR_KINDS } from '../car/motors/motors.ts';
import { newCar } from '../car/new-car.ts';
import { standingWeight } from '../car/weights.ts';
import { energyOnTheWay } from '../predict/energy-on-the-way.ts';
import { likelyNumbers, valueOf } from '../car/values.ts';
import { readMeasurement } from '../files/read.ts';
import { randomGenerator, standardNormal } from '../numerics/low-discrepancy.ts';
import { deriveRunSetup, fullTurns } from '../predict/derive-run-setup.ts';
import { simulateValidated } from '../run/simulate.ts';
import {
  propagateUncertainty,
  makeEstimate,
  meanEstimate,
  findOutliers,
  resolutionUncertainty,
  weightedMean,
  confidenceInterval,
} from './estimate.ts';
import { linearFit } from './linear-fit.ts';
import { disagreements, applyMeasurement } from './apply-measurement.ts';
import { coastTime } from './coast-down.ts';
import { meanPlot } from './measured.ts';
import { isMeasured, measure } from './measure.ts';
import type { Measurement, MeasurementResult } from './measured.ts';

type Column = readonly number[];
/** Worked with SciPy. */
const REFERENCE = JSON.parse(readFileSync(new URL('./reference/reference-trials.json', import.meta.url), 'utf8')) as {
  linear: { angle: Column; torque: Column; preload: number; rate: number; preload95: number; rate95: number }[];
  rubber: {
    flatLength: number;
    section: number;
    stretchedLength: Column;
    force: Column;
    c1: number;
    c2: number;
    c1_95: number;
    c2_95: number;
  }[];
  coast: { marks: Column; times: Column; v0: number; a0: number }[];
  spin: { inertia: number; mass: number; journalRadius: number; turns: number; time: number; friction: number }[];
};

/** A measurement as a file has it, worked out. */
function measured(kind: Measurement['kind'], readings: object, more: object = {}): MeasurementResult {
  const read = readMeasurement({ format: 'nimble-axle/measurement', version: 1, kind, readings, ...more });
  if (read.kind === 'faulty') throw new Error(JSON.stringify(read.faults));
  const result = measure(read.value);
  if (!isMeasured(result)) throw new Error(result.needs);
  return result;
}
const half = ([low, high]: readonly [number, number]): number => (high - low) / 2;

describe('fits against others', () => {
  it('Norris of NIST StRD: the certified line to six digits', () => {
    const x = [
      0.2, 337.4, 118.2, 884.6, 10.1, 226.5, 666.3, 996.3, 448.6, 777.0, 558.2, 0.4, 0.6, 775.5, 666.9, 338.0, 447.5, 11.6, 556.0, 228.1,
      995.8, 887.6, 120.2, 0.3, 0.3, 556.8, 339.1, 887.2, 999.0, 779.0, 11.1, 118.3, 229.2, 669.1, 448.9, 0.5,
    ];
    const y = [
      0.1, 338.8, 118.1, 888.0, 9.2, 228.1, 668.5, 998.5, 449.1, 778.9, 559.2, 0.3, 0.1, 778.1, 668.8, 339.3, 448.9, 10.8, 557.7, 228.3,
      998.0, 888.8, 119.6, 0.3, 0.6, 557.6, 339.3, 888.0, 998.5, 778.9, 10.2, 117.6, 228.9, 668.4, 449.2, 0.2,
    ];
    const { estimates, scatter } = linearFit([x.map(() => 1), x], y, 0)!;
    expect(estimates[0]!.value / -0.262323073774029).toBeCloseTo(1, 6);
    expect(estimates[1]!.value / 1.00211681802045).toBeCloseTo(1, 6);
    expect(estimates[0]!.deviation / 0.232818234301152).toBeCloseTo(1, 6);
    expect(scatter / 0.884796396144373).toBeCloseTo(1, 6);
  });
  it.each(REFERENCE.linear)('a spring over $angle.length angles', ({ angle, torque, preload, rate, preload95, rate95 }) => {
    const { springPreload, springRate } = measured('lever-pull', { angle, torque }).values;
    expect(springPreload!.value / preload).toBeCloseTo(1, 4);
    expect(springRate!.value / rate).toBeCloseTo(1, 4);
    expect(half(springPreload!.interval95) / preload95).toBeCloseTo(1, 3);
    expect(half(springRate!.interval95) / rate95).toBeCloseTo(1, 3);
  });
  it.each(REFERENCE.rubber)('rubber over $force.length lengths', ({ c1, c2, c1_95, c2_95, ...readings }) => {
    const { flatLength, section, stretchedLength, force } = readings;
    const { values } = measured('band-pull', { flatLength, section, stretchedLength, force });
    expect(values.c1!.value / c1).toBeCloseTo(1, 4);
    expect(values.c2!.value / c2).toBeCloseTo(1, 4);
    expect(half(values.c1!.interval95) / c1_95).toBeCloseTo(1, 3);
    expect(half(values.c2!.interval95) / c2_95).toBeCloseTo(1, 3);
  });
  it.each(REFERENCE.coast)('a coast-down past $marks.length marks', ({ marks, times, v0, a0 }) => {
    const { values } = measured('coast', { marks, times }, { resolution: 0.01 });
    expect(values.v0!.value / v0).toBeCloseTo(1, 4);
    expect(Math.abs(values.a0!.value / a0 - 1)).toBeLessThan(2e-4);
  });
  it.each(REFERENCE.spin)('an axle that spins $turns turns', ({ friction, ...readings }) => {
    // The readings are reported to four digits: so far is it known.
    expect(Math.abs(measured('free-spin', readings).values.bearingFriction!.value / friction - 1)).toBeLessThan(3e-4);
  });
  it('Student’s t and the normal are those of the tables', () => {
    // t(0.975; 4, 9, 29) = 2.776, 2.262, 2.045; z(0.975) = 1.959964. Standard tables.
    for (const [freedom, t] of [
      [4, 2.776],
      [9, 2.262],
      [29, 2.045],
      [Infinity, 1.959964],
    ] as const)
      expect(makeEstimate(0, 1, freedom).interval95[1]).toBeCloseTo(t, 3);
  });
});

describe('each measurement gives back what it was made from', () => {
  it.each([
    ['tilt', { angle: [Math.atan(0.8)], driveShare: 1 }, 'staticGrip', 0.8],
    // sin θ = μ (0.6 cos θ + 0.25 sin θ): worked by hand for μ = 0.7.
    ['tilt', { angle: [Math.atan(0.42 / (1 - 0.175))], driveShare: 0.6, massHeight: 0.05, wheelbase: 0.2 }, 'staticGrip', 0.7],
    ['drag', { force: [0.6 * 0.5 * 0.2 * 9.80665], mass: 0.2, driveShare: 0.5 }, 'slidingGrip', 0.6],
    ['ramp', { height: [0.06], run: 0.4, distance: [3.6], mass: 0.2 }, 'rolling', 0.015],
    // The other axle rolls with 0.02 of the 60 % that it carries: 0.6 · 0.4 + 0.02 · 0.6 of the weight.
    ['drag', { force: [0.252 * 0.2 * 9.80665], mass: 0.2, driveShare: 0.4, otherRolling: 0.02 }, 'slidingGrip', 0.6],
    ['roll-out', { turns: [5], length: [5 * Math.PI * 0.12] }, 'radius', 0.06],
    ['wobble', { inOut: [0.004], upDown: [0.001], radius: 0.05 }, 'outOfTrue', 0.04],
    ['wobble', { inOut: [0.004], upDown: [0.001], radius: 0.05 }, 'offCentre', 0.0005],
    ['weights', { drive: [0.12], other: [0.08] }, 'driveShare', 0.6],
    ['thread', { turns: [20], length: [20 * Math.PI * 0.0062], thickness: 0.0002 }, 'axleDiameter', 0.006],
    ['tape', { before: [0.006], after: [0.011], wraps: 19 }, 'tapeThickness', 0.005 / 38],
    // Half of 10 J/5 m − 10 J/6.25 m over 2 N · 2.
    ['level', { out: [5], back: [6.25], energy: 10, mass: 2 / 9.80665 }, 'slope', 0.1],
  ] as const)('%s %o', (kind, readings, key, value) => {
    expect(measured(kind, readings).values[key]!.value).toBeCloseTo(value, 9);
  });
  it('coast: rolling and air of a car that slows as it was made, F = a0 (m + ΣI/R²), Cd·A = 2 k (m + ΣI/R²)/ρ', () => {
    const marks = Array.from({ length: 12 }, (_, i) => 0.8 * (i + 1));
    const times = marks.map((mark) => coastTime(4, 0.1, 0.03, mark));
    const { values } = measured('coast', { marks, times, mass: 0.2, turning: 0.05, airDensity: 1.2 }, { resolution: { times: 1e-5 } });
    expect(values.resistance!.value).toBeCloseTo(0.1 * 0.25, 5);
    expect(values.rolling!.value).toBeCloseTo((0.1 * 0.25) / (0.2 * 9.80665), 5);
    expect(values.dragArea!.value).toBeCloseTo((2 * 0.03 * 0.25) / 1.2, 5);
    // What it weighs is not told: how it slows, and no force.
    const slows = measured('coast', { marks, times }, { resolution: { times: 1e-5 } });
    expect(Object.keys(slows.values)).toEqual(['v0', 'a0', 'k']);
    expect(slows.remarks).toEqual([]);
  });
  it('bands: what is lost for each length that they are stretched, from what they give back: 0.1 over 3 − 1 lengths is 0.05', () => {
    const [flatLength, section] = [0.1, 4e-6];
    const stretchedLength = [0.1, 0.15, 0.2, 0.25, 0.3];
    const pull = (length: number): number => {
      const stretch = length / flatLength;
      return 2 * section * (1e5 * (stretch - stretch ** -2) + 1.1e5 * (1 - stretch ** -3));
    };
    const force = stretchedLength.map(pull);
    const back = { stretchedLength, force: force.map((one) => 0.9 * one) };
    const { values } = measured('band-pull', { flatLength, section, stretchedLength, force }, { back });
    expect(values.c1!.value).toBeCloseTo(1e5, 3);
    expect(values.c2!.value).toBeCloseTo(1.1e5, 3);
    expect(values.bandLoss!.value).toBeCloseTo(0.05, 9);
  });
  it('weights: the height of the mass, from a car tilted on paper', () => {
    // 0.2 kg, 60 % on the drive axle of a wheelbase of 0.25 m, its mass 0.05 m high, wheels of 0.03 m: the other axle raised by 0.1 m.
    const [length, high, radius, raise] = [0.25, 0.05, 0.03, 0.1];
    const tangent = raise / Math.sqrt(length ** 2 - raise ** 2);
    const raised = 0.2 * (0.6 + ((high - radius) / length) * tangent);
    const { values } = measured('weights', { drive: [0.12], other: [0.08], raised: [raised], height: raise, wheelbase: length, radius });
    expect(values.massHeight!.value).toBeCloseTo(high, 9);
  });
  it.each(MOTOR_KINDS)('runs of a %s car out and back tell the lean of a floor that they were made on: 0.0040', (kind) => {
    const design = newCar('Tern', kind);
    const numbers = likelyNumbers(design);
    const reach = (slope: number): number => simulateValidated(deriveRunSetup(design, { kind: 'full' }, { ...numbers, slope })).distance;
    const readings = { out: [reach(0.004)], back: [reach(-0.004)], energy: energyOnTheWay(design)!, mass: standingWeight(design).mass };
    const { slope } = measured('level', readings).values;
    expect(slope!.value).toBeGreaterThan(0.0035);
    expect(slope!.value).toBeLessThan(0.0045);
    // No surer than the energy that the model says: 12 %.
    expect(slope!.deviation).toBeGreaterThan(0.12 * slope!.value);
  });
  it('pushes both ways cancel a floor that leans', () => {
    const { values } = measured('push', { drift: [0.3, -0.1], distance: [5, 5], direction: ['out', 'back'] });
    // Small drifts: κ ≈ 2 y/s².
    expect(values.curvature!.value).toBeCloseTo((2 * 0.1) / 25, 3);
    expect(values.ofFloor!.value).toBeCloseTo((2 * 0.2) / 25, 3);
  });
  it.each(['lever', 'band', 'twist'] as const)('pull at the rim of a %s car gives its motor’s values back, and what it holds', (kind) => {
    const design = newCar('Tern', kind);
    const numbers = likelyNumbers(design);
    const keys = kind === 'lever' ? (['springPreload', 'springRate'] as const) : (['c1', 'c2'] as const);
    const full = fullTurns(design);
    const turns = [1, 0.85, 0.7, 0.55, 0.4, 0.25].map((part) => part * full);
    // A car whose motor is a sixth stronger than expected, as the run model launches it.
    const stronger = { ...numbers, [keys[0]]: 1.15 * numbers[keys[0]]!, [keys[1]]: 1.2 * numbers[keys[1]]! };
    const force = turns.map((wound) => simulateValidated(deriveRunSetup(design, { kind: 'turns', turns: wound }, stronger)).launchThrust);
    const { values, drawn } = measured('rim-pull', { turns, force, lettingBack: true }, { design });
    if (kind === 'twist') return expect(values.given!.value).toBeGreaterThan(1.1);
    expect(values[keys[0]]!.value / stronger[keys[0]]!).toBeCloseTo(1, 2);
    expect(values[keys[1]]!.value / stronger[keys[1]]!).toBeCloseTo(1, 2);
    expect(values.energy!.value).toBeGreaterThan(0);
    expect(drawn!.odd).toEqual([]);
  });
});

describe('how sure a measurement is', () => {
  it('is never surer than its instrument, where all readings are alike', () => {
    expect(meanEstimate([5, 5, 5], 0.1).deviation).toBeCloseTo(resolutionUncertainty(0.1) / Math.sqrt(3), 12);
    for (const [kind, readings, column] of [
      ['tilt', { angle: [0.5, 0.5], driveShare: 1 }, 'angle'],
      ['roll-out', { turns: [5, 5], length: [1.885, 1.885] }, 'length'],
      ['free-spin', { inertia: 5e-5, mass: 0.04, journalRadius: 0.0017, turns: [40, 40], time: [11, 11] }, 'time'],
      ['lever-pull', { angle: [0, 1, 2, 3], torque: [0.2, 0.3, 0.4, 0.5] }, 'torque'],
    ] as const)
      for (const { deviation } of Object.values(measured(kind, readings, { resolution: { [column]: 0.01 } }).values))
        expect(deviation).toBeGreaterThan(0);
  });
  it.each([1, 2, 3, 6])('of %i readings holds the truth in 9 of 10, whether the hand is steadier or less than most', (count) => {
    const random = randomGenerator(count);
    let held = 0;
    for (let n = 0; n < 4000; n++) {
      // Repeatability 1 is what such readings have on average: scaled inverse χ² of three.
      const scatter = Math.sqrt(3 / [0, 1, 2].reduce((sum) => sum + standardNormal(random()) ** 2, 0));
      const [low, high] = confidenceInterval(
        meanEstimate(
          Array.from({ length: count }, () => 5 + scatter * standardNormal(random())),
          0.1,
          1,
        ),
        0.9,
      );
      if (5 >= low && 5 <= high) held++;
    }
    expect(Math.abs(held / 4000 - 0.9)).toBeLessThan(0.015);
  });
  it('is worked by hand: 2.00 four times and 2.01, repeating within 0.1: s² = (3 · 0.01 + 0.00008)/7, and none of them is odd', () => {
    const readings = [2, 2, 2.01, 2, 2];
    const told = meanEstimate(readings, 0.01, 0.1);
    expect(told.value).toBeCloseTo(2.002, 12);
    expect(told.degreesOfFreedom).toBe(7);
    expect(told.deviation).toBeCloseTo(Math.sqrt(0.03008 / 7 / 5), 12);
    expect(meanPlot('way, m', readings, 0.01, 0.1).odd).toEqual([]);
    expect(meanPlot('way, m', [2, 2, 2.4, 2, 2], 0.01, 0.1).odd).toEqual([2]);
    // Read once it is as sure as such a reading is, known by three: t(0.975, 3) = 3.182 (tables).
    expect(meanEstimate([2], 0.01, 0.1).interval95[1]).toBeCloseTo(2 + 3.182 * 0.1, 3);
  });
  it('that slides with more than it held by is told as 1, and is as sure as it was read', () => {
    const readings = { force: [1, 1.05, 0.95], mass: 0.2, driveShare: 0.5, staticGrip: 0.8 };
    const { slidingRatio, slidingGrip } = measured('drag', readings).values;
    expect(slidingRatio!.value).toBe(1);
    expect(slidingRatio!.deviation).toBeCloseTo(slidingGrip!.deviation / 0.8, 9);
  });
  it('of a coast is that of all it was fitted with together: a line of times keeps its middle', () => {
    // Where the readings lie, the band is as narrow as they are many; by its two parameters alone it would be five times as wide.
    const marks = [0.5, 1, 1.5, 2, 2.5, 3];
    const off = [0.02, -0.02, 0.02, -0.02, 0.02, -0.02];
    const times = marks.map((mark, i) => coastTime(2, 0.3, 0.01, mark) + off[i]!);
    const { drawn, values } = measured('coast', { marks, times, air: 0.01 }, { resolution: { times: 0.01 } });
    const middle = drawn!.curve[12]!;
    const [v0, a0] = [values.v0!, values.a0!];
    const alone = propagateUncertainty([v0, a0], (speed, slows) => coastTime(speed, slows, 0.01, middle.x));
    expect(middle.high - middle.low).toBeLessThan(0.5 * (confidenceInterval(alone, 0.9)[1] - confidenceInterval(alone, 0.9)[0]));
    expect(middle.high - middle.low).toBeGreaterThan(0.02);
  });
  it('goes through a formula by its slopes: a product’s relative spreads add in square', () => {
    const some = fc.double({ min: 1, max: 10, noNaN: true });
    fc.assert(
      fc.property(some, some, (a, b) => {
        const both = propagateUncertainty([makeEstimate(a, 0.01 * a), makeEstimate(b, 0.02 * b)], (x, y) => x * y);
        expect(both.deviation / both.value).toBeCloseTo(Math.hypot(0.01, 0.02), 5);
      }),
    );
  });
  it('of two that agree is surer than either, of two that do not no surer than they lie apart, and this is said', () => {
    const agree = weightedMean([makeEstimate(5, 0.1), makeEstimate(5.05, 0.1)])!;
    expect(agree.disagree).toBe(false);
    expect(agree.estimate.deviation).toBeCloseTo(0.1 / Math.SQRT2, 9);
    const apart = weightedMean([makeEstimate(5, 0.1), makeEstimate(6, 0.1)])!;
    expect(apart.disagree).toBe(true);
    expect(confidenceInterval(apart.estimate, 0.95)[0]).toBeLessThan(5.1);
    expect(weightedMean([])).toBeNull();
    // What each knows of its spread is known of both; one alone stays what it is.
    expect(weightedMean([makeEstimate(5, 0.1, 3), makeEstimate(5, 0.1, 4)])!.estimate.degreesOfFreedom).toBe(7);
    expect(weightedMean([makeEstimate(5, 0.1, 3)])).toEqual({ estimate: makeEstimate(5, 0.1, 3), disagree: false });
  });
  it('points out no roll-out that differs as rolls usually do, and one that differs by far', () => {
    const odd = (last: number): readonly number[] =>
      measured('roll-out', { turns: [5, 5, 5, 5, 5], length: [1.885, 1.886, 1.885, 1.884, last] }).drawn!.odd;
    expect(odd(1.885 * 1.004)).toEqual([]);
    expect(odd(1.885 * 1.1)).toEqual([4]);
  });
  it('points out a reading far off the rest, and no other', () => {
    expect(findOutliers([0.1, -0.1, 0.05, 0, -0.07, 2], 0.01)).toEqual([5]);
    expect(findOutliers([0.1, -0.1, 0.05], 0.01)).toEqual([]);
  });
});

describe('a file of a measurement', () => {
  const file = (more: object) => ({ format: 'nimble-axle/measurement', version: 1, ...more });
  it.each([
    [file({ kind: 'tilt', readings: {} }), 'readings.angle'],
    [file({ kind: 'tilt', readings: { angle: [3], driveShare: 0.5 } }), 'readings.angle[0]'],
    [file({ kind: 'stretch-to-break', readings: {} }), 'kind'],
    [file({ kind: 'roll-out', readings: { turns: [1, 2], length: [1] } }), 'readings.length'],
    [file({ kind: 'rim-pull', readings: { turns: [1, 2, 3], force: [1, 2, 3] } }), 'design'],
  ])('%o is refused by its key', (value, path) => {
    const read = readMeasurement(value);
    expect(read.kind === 'faulty' && read.faults.map((fault) => fault.path)).toContain(path);
  });
});

describe('a value that was measured before', () => {
  const design = newCar('Tern', 'lever');
  const read = (preload: number) => {
    const angle = [0, 0.5, 1, 1.5, 2, 2.5, 3];
    const off = [0.001, -0.001, 0.0005, 0, -0.0005, 0.001, -0.001];
    return measured('lever-pull', { angle, torque: angle.map((at, i) => preload + 0.12 * at + off[i]!) });
  };
  it('is weighed with what is measured now, and is surer for it', () => {
    const once = applyMeasurement(design, read(0.16));
    const twice = applyMeasurement(once, read(0.161));
    const [first, both] = [once, twice].map((car) => valueOf(car, 'springPreload'));
    expect(both!.spread).toBeLessThan(first!.spread);
    expect(both!.value).toBeGreaterThan(first!.value);
    expect(both!.evidence).toBe('measured');
    expect(disagreements(once, read(0.161))).toEqual([]);
  });
  it('is as sure as Student’s t of its readings, and as what was thought of it, by hand: t of 5 is wider by √(5/3)', () => {
    const before = valueOf(design, 'springPreload');
    const after = valueOf(applyMeasurement(design, { values: { springPreload: makeEstimate(0.17, 0.005, 5) } }), 'springPreload');
    const now = (0.005 * Math.sqrt(5 / 3)) / 0.17;
    const [old, fresh] = [before.spread ** -2, now ** -2];
    expect(after.spread).toBeCloseTo(1 / Math.sqrt(old + fresh), 4);
    expect(Math.log(after.value)).toBeCloseTo((old * Math.log(before.value) + fresh * Math.log(0.17)) / (old + fresh), 4);
  });
  it.each([
    [2, 2.5],
    [2.5, 2.5],
    [3, Math.sqrt(3)],
    [Infinity, 1],
  ])('of %d degrees of freedom is wider by %d', (freedom, wider) => {
    const before = valueOf(design, 'springPreload').spread ** -2;
    const after =
      valueOf(applyMeasurement(design, { values: { springPreload: makeEstimate(0.17, 0.005, freedom) } }), 'springPreload').spread ** -2;
    expect(Math.sqrt(1 / (after - before)) / (0.005 / 0.17)).toBeCloseTo(wider, 1);
  });
  it('is said to disagree where both are surer than that', () => {
    expect(disagreements(applyMeasurement(design, read(0.16)), read(0.2))).toContain('springPreload');
    expect(disagreements(design, read(0.3))).toEqual([]);
  });
});

describe('what no thing can be', () => {
  const came = (kind: Measurement['kind'], readings: object, more: object = {}) => {
    const read = readMeasurement({ format: 'nimble-axle/measurement', version: 1, kind, readings, ...more });
    return read.kind === 'faulty'
      ? read.faults.map(({ path, ...fault }) => `${path}: ${'what' in fault ? fault.what : fault.code}`).join()
      : measure(read.value);
  };
  // π · 10 turns of thread 3 mm thick, 34 mm long: 34/31.4 − 3 = −1.92 mm, by hand.
  it.each([
    ['thread', { turns: [10], length: [0.034], thickness: 0.003 }, {}, 'length', /axle diameter between 0 and 0\.2: these give -0\.00192/],
    [
      'lever-pull',
      { angle: [0, 1, 2, 3], torque: [0.3, 0.5, 0.7, 0.9] },
      { back: { angle: [0, 1, 2, 3], torque: [0.4, 0.667, 0.933, 1.2] } },
      'torque',
      /fraction of the energy returned between 0 and 1: these give 1\.33/,
    ],
    ['tape', { before: [0.006, 0.006], after: [0.004, 0.004], wraps: 5 }, {}, 'after', /thickness of the tape.*these give -0\.0002/],
  ] as const)('%s: %j is refused, with what it comes to', (kind, readings, more, column, needs) => {
    expect(came(kind, readings, more)).toEqual({ column, needs: expect.stringMatching(needs) });
  });
  it('hardly any is told with a remark: a spring of 300 N·m was read in N·mm; a usual one has none', () => {
    const pull = (by: number) =>
      came('lever-pull', { angle: [0, 1, 2, 3], torque: [0.3, 0.51, 0.69, 0.9].map((torque) => by * torque) }) as MeasurementResult;
    expect(pull(1).remarks).toEqual([]);
    expect(pull(30).remarks).toEqual([
      expect.stringMatching(/torque at rest of 9.*N·m, not in N·mm/),
      expect.stringMatching(/spring rate/),
    ]);
  });
  it('marks and times of a coast rise, each above the one before', () => {
    expect(came('coast', { marks: [1, 2, 3, 4], times: [1, 3, 2, 4] })).toBe('readings.times[2]: above 3, the one before');
    expect(came('coast', { marks: [3, 2, 4, 5], times: [1, 2, 3, 4] })).toBe('readings.marks[1]: above 3, the one before');
  });
  it('a column without its division is as coarse as such things are: torques to 0.005 N·m', () => {
    const pull = (more: object) =>
      (came('lever-pull', { angle: [0, 1, 2, 3], torque: [0.3, 0.5, 0.7, 0.9] }, more) as MeasurementResult).values.springRate!.deviation;
    // Right on a line: 0.005/√12 over √Σ(α − ᾱ)² = √5.
    expect(pull({})).toBeCloseTo(0.005 / Math.sqrt(12) / Math.sqrt(5), 9);
    expect(pull({ resolution: { torque: 0.0005 } })).toBeCloseTo(0.0005 / Math.sqrt(12) / Math.sqrt(5), 9);
  });
});
