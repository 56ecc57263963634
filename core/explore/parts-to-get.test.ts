import { describe, expect, it } from 'vitest';
import type { BandDesign, CarDesign, LeverDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { fitCatalogue } from '../car/parts.ts';
import type { OwnPart } from '../car/part-slots.ts';
import { formatBy } from '../units/quantity.ts';
import { partsToGet } from './parts-to-get.ts';

const lever = newCar('x');
const band = newCar('x', 'band');
const format = formatBy((value) => `${Math.round(value * 1000)}`);
const named = (to: CarDesign, from = lever, drawer: readonly OwnPart[] = []): string[] =>
  partsToGet(from, to, drawer, format).map(({ name, count, isAtHand }) => `${count} ${name}${isAtHand ? ' at hand' : ''}`);
const levered = (leverLength: number): CarDesign => ({ ...lever, motor: { ...lever.motor, leverLength } as LeverDesign });
const glove: OwnPart = {
  format: 'nimble-axle/own-part',
  version: 1,
  kind: 'tyre',
  name: 'blue glove',
  like: 'glove',
  values: {},
  evidence: 'estimated',
  count: 2,
};

describe('what a changed car needs', () => {
  it('is nothing for the same car, a shorter lever or less ballast', () => {
    expect(named(lever)).toEqual([]);
    expect(named(levered(0.1))).toEqual([]);
    expect(named(lever, { ...lever, ballast: { mass: 0.05, fromDriveAxle: 0 } })).toEqual([]);
  });
  it('is a longer lever, other wheels with their size, more ballast', () => {
    expect(named(levered(0.25))).toEqual(['1 6 mm wooden dowel, 250']);
    expect(named({ ...lever, driveWheels: { kind: 'card-disc', diameter: 0.16 } })).toEqual(['2 card disc, two layers, 160']);
    expect(named({ ...lever, ballast: { mass: 0.02, fromDriveAxle: 0 } })).toEqual(['1 20 of coins or clay']);
  });
  it('counts: more bands of the same kind are another need', () => {
    const more: CarDesign = { ...band, motor: { ...band.motor, parallel: 3, series: 2 } as BandDesign };
    expect(partsToGet(band, more, [], format)[0]!.count).toBe(6);
  });
  it('is at hand where the drawer holds enough of it', () => {
    const gloved = fitCatalogue(lever, 'tyre', 'glove');
    expect(named(gloved, lever, [glove])[0]).toMatch(/at hand$/);
    expect(named(gloved, lever, [{ ...glove, count: 1 }])[0]).not.toMatch(/at hand$/);
  });
});
