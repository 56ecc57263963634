import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { CarDesign } from './car-design.ts';
import { AXLES, BEARINGS, TYRES, WHEELS } from './catalogue.ts';
import { conflictsOf, misfitOf, misfitsAt, nearestWheel } from './fit.ts';
import { newCar } from './new-car.ts';
import { fitCatalogue } from './parts.ts';
import type { PartSlot } from './part-slots.ts';

const lever = newCar('x');
const WITH: readonly (readonly [PartSlot, object])[] = [
  ['tyre', TYRES],
  ['bearing', BEARINGS],
  ['axle', AXLES],
  ['driveWheels', WHEELS],
  ['otherWheels', WHEELS],
];

describe('which parts go together', () => {
  it.each([
    ['bearing', 'steel-brass', 'for axles of metal'],
    ['bearing', 'ball-bearing', null],
    ['bearing', 'screw-eye', null],
    ['bearing', 'wood-wood', null],
    ['tyre', 'bare-disc', null],
    ['tyre', 'card-edge', 'the optical disc has another edge'],
    ['tyre', 'moulded-rubber', 'the optical disc has another edge'],
    ['tyre', 'cut-glove', null],
    ['driveWheels', 'spool', 'for a roller'],
    ['otherWheels', 'jar-lid', null],
    ['body', 'card', null],
  ] as const)('%s %s on a car of discs on skewers', (slot, key, reason) => expect(misfitOf(lever, slot, key)).toBe(reason));
  it('a metal axle wants other bearings than a wooden one, and a roller takes a spool', () => {
    const wire = fitCatalogue(lever, 'axle', 'rod-3mm');
    expect(misfitOf(wire, 'bearing', 'wood-plastic-straw')).toBe('for axles of wood');
    expect(misfitOf(wire, 'bearing', 'magnet')).toBeNull();
    expect(misfitOf(newCar('x', 'twist'), 'driveWheels', 'spool')).toBeNull();
    expect(Object.keys(misfitsAt(lever, 'bearing')).sort()).toEqual(['magnet', 'steel-brass', 'steel-brass-graphite', 'steel-straw']);
    expect(misfitsAt(lever, 'body')).toEqual({});
  });
  it.each([
    ['optical-disc', 0.144, 0.12],
    ['optical-disc', 0.09, 0.08],
    ['bottle-cap', 0.08, 0.04],
    ['bottle-cap', 0.01, 0.024],
    ['card-disc', 0.3, 0.3],
  ] as const)('the nearest %s to %d m is %d m', (kind, wanted, nearest) => expect(nearestWheel(kind, wanted)).toBe(nearest));
  it('whatever is chosen of what fits, in whatever order, goes together at the end', () => {
    const choices = fc.array(
      fc.constantFrom(...WITH).chain(([slot, table]) => fc.tuple(fc.constant(slot), fc.constantFrom(...Object.keys(table)))),
      { maxLength: 8 },
    );
    const chosen = new Set<string>();
    fc.assert(
      fc.property(fc.constantFrom('lever', 'band'), choices, (kind, list) => {
        const car = list.reduce<CarDesign>(
          (design, [slot, key]) => {
            if (misfitOf(design, slot, key) !== null) return design;
            chosen.add(`${slot} ${key}`);
            return fitCatalogue(design, slot, key);
          },
          newCar('x', kind as 'lever' | 'band'),
        );
        expect(conflictsOf(car)).toEqual([]);
      }),
      { numRuns: 400, seed: 5 },
    );
    // Nearly everything there is was chosen at one time or another.
    expect(chosen.size).toBeGreaterThan(45);
  });
  it('a part of one’s own is taken to fit', () => {
    const own = { name: 'mine', evidence: 'measured', values: {} } as const;
    const odd: CarDesign = { ...lever, tyre: 'card-edge', bearing: 'steel-brass', otherWheels: { kind: 'optical-disc', diameter: 0.2 } };
    expect(conflictsOf(odd).map(({ slot }) => slot)).toEqual(['tyre', 'bearing', 'otherWheels']);
    expect(conflictsOf({ ...odd, own: { tyre: own, bearing: own, otherWheels: own } })).toEqual([]);
  });
});
