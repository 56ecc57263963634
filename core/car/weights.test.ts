import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { measuresOf } from '../geometry/measures.ts';
import { prepareRun } from '../predict/derive-run-setup.ts';
import type { CarDesign, MotorKind } from './car-design.ts';
import { BODIES, bandSizes, TYRES, WHEELS } from './catalogue.ts';
import { newCar } from './new-car.ts';
import { fitCatalogue } from './parts.ts';
import { sizesOf } from './sizes.ts';
import { weighing } from './reference/weighing.ts';
import { bodyLength, placedMasses, standingWeight, weighedAt, describeWeight, wheelsetOf } from './weights.ts';

const lever = newCar('x');
const band = newCar('x', 'band');
const KINDS: readonly MotorKind[] = ['lever', 'band', 'twist'];
const part = (design: CarDesign, what: string): number => placedMasses(design).find((placed) => placed.what === what)!.mass;

describe('what a car weighs', () => {
  it('is the sum of its parts, worked by hand', () => {
    // Two discs of 16.3 g (1.44 kg/m² over 120 mm), hubs of 2 g, two rubber tyres of 4 g a metre, 122.7 mm of 3.2 mm bamboo at 700 kg/m³.
    const wheels = 2 * (1.44 * Math.PI * 0.06 ** 2 + 0.002 + 0.004 * Math.PI * 0.12) + 700 * Math.PI * 0.0016 ** 2 * (0.11 + 0.0127);
    expect(part(lever, 'drive wheels')).toBeCloseTo(wheels, 9);
    // Card of 550 g/m², 60 mm wide and 40 mm longer than the wheelbase.
    expect(part(lever, 'body')).toBeCloseTo(0.55 * 0.06 * 0.3, 9);
    // A bottle: wall × circumference × length × density.
    const bottle: CarDesign = { ...lever, body: { ...lever.body, kind: 'bottle', width: 0.07 } };
    expect(part(bottle, 'body')).toBeCloseTo(BODIES.bottle.areaDensity * Math.PI * 0.07 * bodyLength(bottle), 9);
    // Two bands of 3½ × ⅛ × 1/32 in, each two strands, at 1,100 kg/m³.
    expect(part(band, 'motor')).toBeCloseTo(2 * 2 * 1100 * 0.0254 ** 3 * (3.5 / 8 / 32), 9);
    expect(standingWeight(lever).mass).toBeCloseTo(
      placedMasses(lever).reduce((sum, { mass }) => sum + mass, 0),
      12,
    );
  });
  it('of a wheelset turns as its parts do, worked by hand: ½ m R² of discs, m R² of tyres, ½ m r² of hubs and axle', () => {
    const set = wheelsetOf(lever, 'drive', 1.44)!;
    const [disc, tyre, hub] = [1.44 * Math.PI * 0.06 ** 2, 0.004 * Math.PI * 0.12, 0.002];
    const axle = 700 * Math.PI * 0.0016 ** 2 * (0.11 + 0.0127);
    expect(set.mass).toBeCloseTo(2 * (disc + tyre + hub) + axle, 9);
    expect(set.inertia).toBeCloseTo(2 * ((0.5 * disc + tyre) * 0.06 ** 2 + 0.5 * hub * 0.008 ** 2) + 0.5 * axle * 0.0016 ** 2, 12);
    expect([set.radius, set.journalRadius]).toEqual([0.06, 0.0016]);
    // Less inertia by far than mass: 4 discs and tyres on axles of 3.2 mm are light.
    expect(set.inertia).toBeGreaterThan(6e-5);
  });
  it('stands on the axles by moments', () => {
    const moment = placedMasses(lever).reduce((sum, { mass, at }) => sum + mass * at, 0);
    const { mass, driveLoadShare } = standingWeight(lever);
    // Lifted at the drive axle, it turns about the other: both sums are the same.
    expect(driveLoadShare * mass * lever.wheelbase).toBeCloseTo(mass * lever.wheelbase - moment, 12);
    expect(standingWeight({ ...lever, ballast: { mass: 0.1, fromDriveAxle: 0 } }).driveLoadShare).toBeGreaterThan(driveLoadShare);
  });
  it('follows the scale: the rest makes up for what no part explains, and lies where the axles say', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.12, max: 0.5, noNaN: true }),
        fc.double({ min: 0.2, max: 0.8, noNaN: true }),
        (mass, driveLoadShare) => {
          const design = weighedAt(lever, { mass, driveLoadShare });
          expect(standingWeight(design).mass).toBeCloseTo(mass, 12);
          expect(standingWeight(design).driveLoadShare).toBeCloseTo(driveLoadShare, 9);
          expect(design.weighed).toEqual({ mass, driveLoadShare });
        },
      ),
    );
  });
  it('changes by the difference of a part that is changed, and by nothing else', () => {
    const slots = { driveWheels: Object.keys(WHEELS), body: Object.keys(BODIES), tyre: Object.keys(TYRES) } as const;
    const masses = (design: CarDesign) => new Map(placedMasses(design).map(({ what, mass }) => [what as string, mass]));
    fc.assert(
      fc.property(
        fc
          .constantFrom(...(Object.keys(slots) as (keyof typeof slots)[]))
          .chain((slot) => fc.tuple(fc.constant(slot), fc.constantFrom(...slots[slot]))),
        fc.boolean(),
        ([slot, key], isWeighed) => {
          const before = isWeighed ? weighing(lever, { mass: 0.2 }) : lever;
          const after = fitCatalogue(before, slot, key);
          const own = slot === 'body' ? 'body' : 'drive wheels';
          const change = masses(after).get(own)! - masses(before).get(own)!;
          expect(standingWeight(after).mass - standingWeight(before).mass).toBeCloseTo(change, 12);
        },
      ),
    );
  });
  it('moves with every size that is slid: no size but the scale’s own changes the rest', () => {
    for (const kind of KINDS) {
      const car = newCar('x', kind);
      for (const { id, low, high, write } of sizesOf(kind))
        if (!['mass', 'driveLoadShare'].includes(id)) expect([id, write(car, (low + high) / 2).rest.mass]).toEqual([id, car.rest.mass]);
    }
  });
  it('is refused where it is less than its parts, naming what they weigh, and where it tips over', () => {
    const faultOf = (design: CarDesign) => {
      const prepared = prepareRun(design);
      return prepared.kind === 'refused' ? prepared.faults[0] : null;
    };
    const parts = standingWeight(lever).mass - lever.rest.mass;
    expect(faultOf(weighing(lever, { mass: parts - 0.005 }))).toMatchObject({
      path: 'mass',
      limit: { is: 'least', value: Math.ceil(parts * 1000) / 1000 },
    });
    expect(faultOf(weighing(lever, { mass: parts + 0.005 }))).toBeNull();
    expect(faultOf({ ...lever, ballast: { mass: 0.2, fromDriveAxle: 0.5 } })).toMatchObject({
      path: 'driveLoadShare',
      limit: { is: 'least' },
    });
    expect(faultOf({ ...lever, ballast: { mass: 0.2, fromDriveAxle: -0.3 } })).toMatchObject({
      path: 'driveLoadShare',
      limit: { is: 'most' },
    });
  });
  it('says where it is known from, and what has changed since', () => {
    const grams = (mass: number): string => `${Math.round(1000 * mass)} g`;
    expect(describeWeight(lever, grams)).toMatch(/^Added up/);
    const weighed = weighing(lever, { mass: 0.165 });
    expect(describeWeight(weighed, grams)).toBe('As weighed.');
    const bigger = { ...weighed, driveWheels: { kind: 'card-disc', diameter: 0.2 } } as CarDesign;
    expect(describeWeight(bigger, grams)).toBe(`165 g weighed; ${grams(standingWeight(bigger).mass)} with the changes since.`);
    // Wheels measured to be denser turn harder, but the scale has told the whole.
    const denser: CarDesign = { ...weighed, measured: { driveWheelDensity: { value: 2, spread: 0.05 } } };
    expect(standingWeight(denser).mass).toBeCloseTo(0.165, 12);
    expect(wheelsetOf(denser, 'drive', 2)!.inertia).toBeGreaterThan(wheelsetOf(denser, 'drive', 1.44)!.inertia);
  });
});

describe('a load', () => {
  const loaded = (mass: number, fromDriveAxle: number): CarDesign => ({ ...newCar('x'), load: { mass, fromDriveAxle } });
  it('weighs on the axles by its place: moments', () => {
    const bare = standingWeight(newCar('x'));
    const over = standingWeight(loaded(0.1, 0));
    expect(over.mass).toBeCloseTo(bare.mass + 0.1, 12);
    expect(over.mass * over.driveLoadShare).toBeCloseTo(bare.mass * bare.driveLoadShare + 0.1, 12);
    const ahead = standingWeight(loaded(0.1, 0.26));
    expect(ahead.mass * ahead.driveLoadShare).toBeCloseTo(bare.mass * bare.driveLoadShare, 12);
  });
  it('is no weight of the car’s own', () => expect(measuresOf(loaded(0.2, 0.1)).mass).toBeCloseTo(measuresOf(newCar('x')).mass, 12));
});

describe('latex tubing', () => {
  it('pulls by its section, a ring: two strands of a loop, one of a straight piece', () => {
    // ¼ in outside, 1/16 in wall: π/4 (6.35² − 3.175²) mm² = 23.75 mm².
    const tubing = { kind: 'tubing', length: 0.2, outside: 0.00635, wall: 0.0015875 } as const;
    const sectionOf = (form: 'loop' | 'straight'): number => {
      const { width, thickness } = bandSizes({ ...tubing, form });
      return width * thickness;
    };
    expect(sectionOf('loop')).toBeCloseTo(23.752e-6, 9);
    expect(sectionOf('straight')).toBeCloseTo(sectionOf('loop') / 2, 12);
    // A wall of half its width is a solid strand.
    const { width, thickness } = bandSizes({ ...tubing, form: 'loop', wall: 0.0032 });
    expect(width * thickness).toBeCloseTo((Math.PI / 4) * 0.00635 ** 2, 12);
  });
});
