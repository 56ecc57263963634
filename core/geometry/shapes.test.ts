import { describe, expect, it } from 'vitest';
import type { CarDesign, Wheels } from '../car/car-design.ts';
import { WHEELS } from '../car/catalogue.ts';
import { newCar } from '../car/new-car.ts';
import { standingWeight } from '../car/weights.ts';
import { measuresOf } from './measures.ts';
import { sideView, weightPoint } from './side-view.ts';
import { wheelMarks } from './wheel-marks.ts';

const band = newCar('x', 'band');
const uneven: CarDesign = { ...band, otherWheels: { kind: 'jar-lid', diameter: 0.07 } };
const bodied = (kind: CarDesign['body']['kind'], car = uneven): CarDesign => ({ ...car, body: { ...car.body, kind, width: 0.07 } });

describe('a body as what it is', () => {
  it.each(['bottle', 'tube'] as const)('a %s lies level, though its wheels differ', (kind) => {
    const { deck } = sideView(bodied(kind));
    const lowest = deck.filter(({ y }) => y === Math.min(...deck.map((point) => point.y)));
    expect(lowest).toHaveLength(2);
    // As thick as it is across.
    const height = Math.max(...deck.map(({ y }) => y)) - Math.min(...deck.map(({ y }) => y));
    expect(height).toBeCloseTo(0.07, 12);
  });
  it('a bottle ends in a neck, toward the other axle', () => {
    const { deck } = sideView(bodied('bottle'));
    const front = Math.max(...deck.map(({ x }) => x));
    const neck = deck.filter(({ x }) => x === front).map(({ y }) => y);
    expect(Math.max(...neck) - Math.min(...neck)).toBeLessThan(0.5 * 0.07);
    expect(deck).toHaveLength(8);
  });
  it('a deck follows its axles, as long as it is said to be', () => {
    const { deck } = sideView(bodied('card'));
    expect(deck[0]!.y).toBeGreaterThan(deck[1]!.y);
    expect(deck[1]!.x - deck[0]!.x).toBeCloseTo(uneven.wheelbase + uneven.body.overhang, 12);
    const longer = measuresOf({ ...bodied('card'), body: { ...uneven.body, overhang: 0.3 } }).length;
    expect(longer).toBeCloseTo(uneven.wheelbase + 0.3, 9);
  });
});

describe('a wheel as what it is', () => {
  it.each(Object.keys(WHEELS) as Wheels['kind'][])('%s: its marks lie within its rim', (kind) => {
    for (const diameter of [0.02, 0.12])
      for (const radius of wheelMarks({ kind, diameter })) {
        expect(radius).toBeGreaterThan(0);
        expect(radius).toBeLessThan(diameter / 2);
      }
  });
  it('an optical disc has a hole of 15 mm (ECMA-130)', () =>
    expect(wheelMarks({ kind: 'optical-disc', diameter: 0.12 })).toContain(0.0075));
});

describe('where the weight sits', () => {
  it('is between the axles, nearer to the one that carries more: moments', () => {
    const weight = weightPoint(band);
    expect(weight.x / band.wheelbase).toBeCloseTo(1 - standingWeight(band).driveLoadShare, 12);
    expect(weightPoint({ ...band, ballast: { mass: 0.1, fromDriveAxle: 0 } }).x).toBeLessThan(weight.x);
  });
});
