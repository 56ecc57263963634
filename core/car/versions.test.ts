import { describe, expect, it } from 'vitest';
import type { StoredVersion } from '../schema/stored.ts';
import { readCarDesign, readCarVersion } from '../files/read.ts';
import type { CarDesign } from './car-design.ts';
import { newCar } from './new-car.ts';
import { changeWords, differences } from './difference.ts';
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
    expect(changeWords(car, longer, 'metric').replaceAll('\u00a0', ' ')).toBe(
      'tyres rubber-band tyre → hot-glue bead; lever length 180 mm → 220 mm',
    );
    expect(changeWords(car, longer, 'inch').replaceAll('\u00a0', ' ')).toContain('lever length 7.09 in → 8.66 in');
  });
  it('tells what was measured in the unit it is measured in', () => {
    const weighed: CarDesign = { ...car, measured: { rollingLengthDrive: { value: 0.00062, spread: 0.05 } } };
    expect(changeWords(car, weighed, 'metric')).toBe('rolling friction length of the drive wheels estimated → 0.62 mm measured');
    // What differs in its fourth digit still differs.
    const again: CarDesign = { ...car, measured: { rollingLengthDrive: { value: 0.0006204, spread: 0.05 } } };
    expect(changeWords(weighed, again, 'metric')).toContain('0.62 mm measured → 0.6204 mm measured');
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
    expect(closestVersion(versions, { ...longer, mass: 0.2 })?.version.record.name).toBe('version 4');
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
