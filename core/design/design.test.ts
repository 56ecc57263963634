import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readCarDesign, readJson, readRunRecord, readRunSetup } from '../files/read.ts';
import { sideView } from '../drawing/side-view.ts';
import { newCar, type CarDesign } from './car-design.ts';
import { BEARINGS, WHEEL_MATERIALS } from './catalogue.ts';
import { deriveRunSetup, designFaults, fullTurns, wheelsetOf } from './derive-run-setup.ts';
import { SIZES } from './sizes.ts';
import { limitOf, predictRun } from './verdict.ts';

const car = newCar('New car');
const distanceOf = (design: CarDesign): number => {
  const prediction = predictRun(design);
  return prediction.kind === 'ran' ? prediction.result.distance : NaN;
};

describe('a new car', () => {
  it('passes its schema and runs without wheelspin', () => {
    expect(readCarDesign(car).kind).toBe('read');
    const prediction = predictRun(car);
    expect(prediction).toMatchObject({ kind: 'ran', result: { slipDistance: 0, ended: 'stopped' } });
  });
  it('gives a run setup that passes the published schema', () => expect(readRunSetup(deriveRunSetup(car)).kind).toBe('read'));
});

describe('common practice', () => {
  it('a plain snap-trap car with disc wheels on hanger wire in straws runs about 35 ft', () => {
    // Short lever, 2 mm hanger wire in straws, bare discs, a rough build of 250 g; within a factor of 1.6.
    const plain: CarDesign = {
      ...car,
      mass: 0.25,
      tyre: 'bare-disc',
      bearing: 'steel-straw',
      axleDiameter: 0.002,
      care: 'rough',
      motor: { ...car.motor, leverLength: 0.12, trapPosition: 0.125 },
    };
    expect(distanceOf(plain) / 0.3048).toBeGreaterThan(35 / 1.6);
    expect(distanceOf(plain) / 0.3048).toBeLessThan(35 * 1.6);
  });
  it('an optical disc weighs 14 to 33 g (ECMA-130)', () => {
    const grams = (wheelsetOf({ material: 'disc-plastic', diameter: 0.12 }, 0.0032, BEARINGS['wood-plastic-straw']).mass / 2) * 1000;
    expect(grams).toBeGreaterThan(14);
    expect(grams).toBeLessThan(33);
    expect(WHEEL_MATERIALS['disc-plastic'].thickness).toBe(0.0012);
  });
});

describe('what moves with a size', () => {
  it('wheels: mass with the square, inertia with the fourth power of their diameter', () => {
    const bearing = BEARINGS['wood-plastic-straw'];
    const [small, big] = [0.1, 0.2].map((diameter) => wheelsetOf({ material: 'plywood', diameter }, 1e-9, bearing));
    expect((big!.mass - 0.004) / (small!.mass - 0.004)).toBeCloseTo(4, 6);
    expect(big!.inertia / small!.inertia).toBeCloseTo(16, 0);
  });
  it('every size can be read back as written, and stays within the schema over its slider', () => {
    for (const size of SIZES)
      for (const value of [size.low, (size.low + size.high) / 2, size.high]) {
        const changed = size.write(car, value);
        expect(size.read(changed), size.id).toBe(value);
        expect(readCarDesign(changed).kind, size.id).toBe('read');
      }
  });
  it('any place of the sliders either runs or is refused with a key named, and can be drawn', () => {
    const places = fc.tuple(...SIZES.map(({ low, high }) => fc.double({ min: low, max: high, noNaN: true })));
    fc.assert(
      fc.property(places, (values) => {
        const design = SIZES.reduce((made, size, i) => size.write(made, values[i]!), car);
        const prediction = predictRun(design);
        if (prediction.kind === 'refused') expect(prediction.faults[0]!.path).not.toBe('');
        else {
          expect(Number.isFinite(prediction.result.distance)).toBe(true);
          expect(limitOf(prediction.result).kind).toBeTruthy();
        }
        const { bounds, pivot } = sideView(design);
        expect(bounds.right - bounds.left).toBeGreaterThan(design.wheelbase);
        expect(bounds.top).toBeGreaterThanOrEqual(pivot.y - 0.05);
      }),
      { numRuns: 300 },
    );
  });
});

describe('a wind of N turns', () => {
  it('goes less far the less it is wound, without wheelspin', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: fullTurns(car) - 0.6, noNaN: true }), (turns) => {
        const [less, more] = [turns, turns + 0.5].map((wound) => predictRun(car, { kind: 'turns', turns: wound }));
        if (less!.kind === 'ran' && more!.kind === 'ran') expect(less!.result.distance).toBeLessThanOrEqual(more!.result.distance);
      }),
      { numRuns: 60 },
    );
  });
  it('is refused above a full wind', () => {
    expect(designFaults(car, { kind: 'turns', turns: 99 })).toMatchObject([
      { path: 'wind.turns', message: expect.stringContaining('at most 22.7') },
    ]);
  });
  it('asks for a car heavier than its wheels', () => expect(designFaults({ ...car, mass: 0.03 })[0]).toMatchObject({ path: 'mass' }));
});

describe('what limits a car', () => {
  const limit = (design: CarDesign): unknown => {
    const prediction = predictRun(design);
    return prediction.kind === 'ran' ? limitOf(prediction.result).kind : 'refused';
  };
  it('is named', () => {
    expect(limit(car)).toBe('loss');
    expect(limit({ ...car, floor: { kind: 'smooth', slope: 0.3 } })).toBe('stalls');
    expect(limit({ ...car, floor: { kind: 'smooth', slope: 0.04 } })).toBe('stops-wound');
    expect(limit({ ...car, floor: { kind: 'smooth', slope: -0.1 } })).toBe('endless');
    expect(
      limit({
        ...car,
        tyre: 'bare-disc',
        axleDiameter: 0.016,
        driveLoadShare: 0.3,
        driveWheels: { material: 'disc-plastic', diameter: 0.08 },
      }),
    ).toBe('wheelspin');
  });
});

describe('files', () => {
  it('names every fault by its path', () => {
    const read = readCarDesign({ ...car, mass: -1, tyre: 'glass', wheels: 4, motor: { ...car.motor, leverLength: '0.2' } });
    expect(read).toMatchObject({ kind: 'faulty' });
    const lines = read.kind === 'faulty' ? read.faults.map(({ path, message }) => `${path}: ${message}`) : [];
    expect(lines).toEqual(
      expect.arrayContaining([
        'mass: must be > 0',
        expect.stringMatching(/^tyre: must be one of "bare-disc", /),
        'wheels: is not a known key; remove it or check its spelling',
        'motor.leverLength: must be a number',
      ]),
    );
    expect(lines).toHaveLength(4);
  });
  it('says when a file is no JSON at all', () =>
    expect(readJson('{', readCarDesign)).toMatchObject({ faults: [{ message: expect.stringContaining('not a JSON file') }] }));
  it('holds demo data that passes its schemas', () => {
    const { cars } = JSON.parse(readFileSync(new URL('../../server/demo/skerrow.json', import.meta.url), 'utf8')) as {
      cars: { design: CarDesign; runs: { record: object }[] }[];
    };
    for (const { design, runs } of cars) {
      expect(readCarDesign(design)).toMatchObject({ kind: 'read' });
      for (const { record } of runs)
        expect(readRunRecord({ format: 'nimble-axle/run-record', version: 1, ...record, design })).toMatchObject({ kind: 'read' });
    }
  });
});
