import { formatFault } from '../fault-words.ts';
import { describe, expect, it } from 'vitest';
import type { StoredVersion } from '../schema/stored.ts';
import { readCarDesign, readCarVersion } from '../files/read.ts';
import type { BandDesign, CarDesign } from './car-design.ts';
import { describeFault } from './fault-words.ts';
import { describeBands } from './motors/rubber-motors.ts';
import { boundFault } from '../fault.ts';
import { formatQuantity } from '../units/quantity.ts';
import { newCar } from './new-car.ts';
import { describeChanges, differences } from './difference.ts';
import { predictRun } from '../predict/predict-run.ts';
import { isSameDesign } from './same-design.ts';
import { closestVersion, treeOf, versionOf } from './version-tree.ts';
import { withMotor } from './new-car.ts';

const car = newCar('Kelp Runner');
const longer: CarDesign = { ...car, motor: { ...car.motor, leverLength: 0.22 } as CarDesign['motor'], tyre: 'glue-bead' };
const kept = (n: number, design: CarDesign, parent: number | null): StoredVersion => ({
  id: `00000000-0000-4000-8000-00000000000${n}`,
  carId: 'car',
  version: 1,
  record: {
    format: 'nimble-axle/car-version',
    version: 1,
    name: `version ${n}`,
    note: '',
    keptAt: `2026-11-2${n}T18:00:00.000Z`,
    parent: parent === null ? null : `00000000-0000-4000-8000-00000000000${parent}`,
    change: '',
    design,
  },
});

describe('the change between two designs', () => {
  it('is told in words, in either unit system', () => {
    expect(describeChanges(car, longer, 'metric').replaceAll('\u00a0', ' ')).toBe(
      'tyres rubber-band tyre → hot-glue bead; lever length 180 mm → 220 mm',
    );
    expect(describeChanges(car, longer, 'inch').replaceAll('\u00a0', ' ')).toContain('lever length 7.09 in → 8.66 in');
  });
  it('tells what was measured in the unit it is measured in', () => {
    const weighed: CarDesign = { ...car, measured: { rollingLengthDrive: { value: 0.00062, spread: 0.05 } } };
    expect(describeChanges(car, weighed, 'metric')).toBe('rolling friction length of the drive wheels estimated → 0.62 mm measured');
    // What differs in its fourth digit still differs.
    const again: CarDesign = { ...car, measured: { rollingLengthDrive: { value: 0.0006204, spread: 0.05 } } };
    expect(describeChanges(weighed, again, 'metric')).toContain('0.62 mm measured → 0.6204 mm measured');
  });
  it.each([
    [{ floor: { ...car.floor, kind: 'concrete' } }, 'floor smooth floor or linoleum → rough concrete'],
    [{ layout: { ...car.layout, otherWheelCount: 1 } }, 'wheels on the other axle 2 → 1'],
    [{ layout: { ...car.layout, driveAxle: 'front' } }, 'drive axle at the rear → in front'],
    [{ care: 'careful' }, 'build not known: rough to careful → careful: everything runs true'],
    [{ motor: { ...car.motor, release: 'tied' } }, 'end drops off → tied'],
    [{ sleeve: [{ kind: 'tape', diameter: 0.006, turns: 2 }] }, 'tape none → ⌀ 6 mm under the last 2 turns'],
    [{ floor: { ...car.floor, roomLength: 12 } }, 'room none → 12.00 m'],
    [{ floor: { ...car.floor, laneWidth: 2 } }, 'lane none → 2.00 m'],
    [{ limits: { ...car.limits, length: 0.4 } }, 'length limit none → 400 mm'],
    [{ limits: { ...car.limits, mass: 0.2 } }, 'weight limit none → 200 g'],
    [{ limits: { ...car.limits, bands: 2 } }, 'band limit none → 2'],
    [{ aim: { kind: 'closest-to', distance: 9 } }, 'aim furthest none → closest-to 9.00 m'],
    [
      { own: { tyre: { name: 'moss rubber', evidence: 'measured', values: { staticGrip: 1.1 } } } },
      'tyres rubber-band tyre → moss rubber (1.1)',
    ],
  ] as readonly (readonly [Partial<CarDesign>, string])[])('tells what else differs: %#', (change, words) =>
    expect(describeChanges(car, { ...car, ...change }, 'metric').replaceAll('\u00a0', ' ')).toBe(words),
  );
  it('tells bands by number and size, and what drives a car by name', () => {
    const band = newCar('x', 'band');
    const motor = band.motor as BandDesign;
    const told = (change: Partial<BandDesign>): string =>
      describeChanges(band, { ...band, motor: { ...motor, ...change } }, 'metric').replaceAll('\u00a0', ' ');
    expect(told({ parallel: 2, series: 3 })).toBe('bands side by side 1 → 2; bands end to end 2 → 3');
    expect(told({ band: { kind: 'own', length: 0.1, width: 0.004, thickness: 0.001 } })).toBe(
      'bands size 33 (3½ × 1/8 in) → own sizes (100 mm, 4 mm, 1 mm)',
    );
    expect(describeChanges(car, band, 'metric')).toContain('driven by a snap trap and a lever → bands on the axle');
  });
  it('is nothing for a car that only has another name, whatever the order of its keys', () => {
    const renamed = Object.fromEntries(Object.entries({ ...car, name: 'Other' }).reverse()) as unknown as CarDesign;
    expect(differences(car, renamed, 'metric')).toEqual([]);
    expect(isSameDesign(car, renamed)).toBe(true);
    expect(isSameDesign(car, longer)).toBe(false);
  });
});

describe('versions', () => {
  const versions = [kept(4, longer, 9), kept(3, longer, 1), kept(2, { ...car, care: 'careful' }, 1), kept(1, car, null)];
  it('pass their schema', () => expect(readCarVersion(versions[0]!.record)).toMatchObject({ kind: 'read' }));
  it('grow as a tree, one whose parent is gone by itself', () =>
    expect(treeOf(versions).map(({ version, depth }) => `${depth} ${version.record.name}`)).toEqual([
      '0 version 1',
      '1 version 2',
      '1 version 3',
      '0 version 4',
    ]));
  it('in a circle, or grown from themselves, are still told, each once', () => {
    const circle = [kept(1, car, 2), kept(2, car, 1), kept(3, car, 3), kept(4, car, null)];
    expect(treeOf(circle).map(({ version, depth }) => `${depth} ${version.record.name}`)).toEqual([
      '0 version 4',
      '0 version 1',
      '0 version 2',
      '0 version 3',
    ]);
  });
  it('are found by what they are, and by what is nearest', () => {
    expect(versionOf(versions, { ...car, name: 'x' })?.record.name).toBe('version 1');
    expect(closestVersion(versions, { ...longer, trackWidth: 0.2 })?.version.record.name).toBe('version 4');
    expect(closestVersion([], car)).toBeNull();
  });
});

describe('another motor in the same car', () => {
  it.each([
    ['lever', 'band'],
    ['band', 'lever'],
    ['lever', 'twist'],
    ['twist', 'band'],
  ] as const)('from %s to %s it still passes its schema and runs', (from, to) => {
    const made = withMotor(newCar('x', from), to);
    expect(made.motor.kind).toBe(to);
    expect(readCarDesign(made)).toMatchObject({ kind: 'read' });
    expect(predictRun(made).kind).toBe('ran');
  });
});

describe('bands in words', () => {
  it.each([
    [1, 1, '1 band'],
    [1, 3, '3 bands end to end'],
    [2, 1, '2 bands side by side'],
    [2, 3, '6 bands, 2 side by side, 3 end to end'],
  ])('%i beside, %i behind one another: %s', (parallel, series, words) => {
    const { motor } = newCar('x', 'band');
    expect(describeBands({ ...(motor as BandDesign), parallel, series })).toBe(words);
  });
});

describe('a bound that is not kept is told in what its key is measured in', () => {
  it.each([
    ['mass', 0.024, 'must be at most 24 g'],
    ['motor.turns', 12, 'must be at most 12'],
    ['alignment.driveToe', Math.PI / 180, 'must be at most 1'],
    ['floor.slope', Math.PI / 90, 'must be at most 2'],
    ['driveLoadShare', 0.5, 'must be at most 50 %'],
    ['floor.roomLength', 20, 'must be at most 20.00 m'],
    ['motor.trapPosition', 0.3, 'must be at most 300 mm'],
    ['driveWheels.diameter', 0.4, 'must be at most 400 mm'],
    ['limits.height', 0.2, 'must be at most 200 mm'],
    ['motor.band', 0.09, 'must be at most 90 mm'],
  ])('%s', (path, value, words) => {
    const format: Parameters<typeof describeFault>[1] = (of, quantity) => formatQuantity(of, quantity, 'metric');
    expect(describeFault(boundFault(path, { is: 'most', value }), format).replaceAll('\u00a0', ' ')).toMatch(
      new RegExp(`^${words.replace('.', '\\.')}`),
    );
  });
  it('and in its own words where it is no bound, or measured in something of its own', () => {
    expect(describeFault({ path: 'motor.releaseAngle', code: 'lever-past-line', at: 'released' }, String)).toMatch(/raise it$/);
    const tooLow = { path: 'motor.anchorAboveAxle', code: 'against', must: 'not-exceed', other: 'motor.anchorToAxle' } as const;
    expect(describeFault(tooLow, String)).toBe('must not be above anchor to axle');
    expect(describeFault(boundFault('measured.c1', { is: 'most', value: 3 }), String)).toBe('must be at most 3');
    expect(formatFault(boundFault('mass', { is: 'least', value: 2, because: 'the wheels weigh that' }))).toBe(
      'mass: must be at least 2, the wheels weigh that',
    );
  });
});
