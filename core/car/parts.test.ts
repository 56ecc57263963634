import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readCarDesign, readOwnPart } from '../files/read.ts';
import { predict } from '../predict/uncertainty.ts';
import type { CarDesign } from './car-design.ts';
import { newCar } from './new-car.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { describeChanges } from './difference.ts';
import { CATALOGUE, fitCatalogue, fitOwn, fittedKey, fittedName, neededAt, PART_VALUES } from './parts.ts';
import type { OwnPart } from '../schema/generated/own-part.ts';
import { SLOTS, type PartSlot } from './part-slots.ts';
import { predictRun } from '../predict/predict-run.ts';
import { grippierTyres } from '../checks/chassis-remedies.ts';
import { valueOf } from './values.ts';

const lever = newCar('x');
const band = newCar('x', 'band');
const roller = newCar('x', 'twist');
const part = (kind: OwnPart['kind'], like: string, values: OwnPart['values'], more: Partial<OwnPart> = {}): OwnPart => ({
  format: 'nimble-axle/own-part',
  version: 1,
  kind,
  name: 'mine',
  like,
  values,
  evidence: 'measured',
  count: 4,
  ...more,
});
const runOf = (design: CarDesign) => {
  const prediction = predictRun(design);
  if (prediction.kind === 'refused') throw new Error(JSON.stringify(prediction.faults));
  return prediction.result;
};
const slots = Object.keys(SLOTS) as PartSlot[];

describe('a part of one’s own, fitted', () => {
  it('gives the run its values: a spring’s energy is τ₀Δα + ½κΔα² (any mechanics handbook)', () => {
    const strong = fitOwn(lever, 'trap', part('trap', 'household', { preload: 0.2, rate: 0.14 }));
    const swing = (power: number): number => 3 ** power - 0.35 ** power;
    expect(runOf(strong).storedEnergy).toBeCloseTo(0.2 * swing(1) + 0.5 * 0.14 * swing(2), 9);
  });
  it('holds by its own grip: F = μN (Coulomb), whatever the catalogue says of its like', () => {
    const grip = (like: string) => runOf(fitOwn(lever, 'tyre', part('tyre', like, { staticGrip: 0.5, slidingGrip: 0.4 }))).launchGripLimit;
    // What is left apart is what the tyres themselves weigh.
    const weightOf = (like: string) => deriveRunSetup(fitOwn(lever, 'tyre', part('tyre', like, {}))).car;
    const load = (like: string) => weightOf(like).mass * weightOf(like).driveLoadShare;
    expect(grip('bare-disc') / grip('sticky-tack')).toBeCloseTo(load('bare-disc') / load('sticky-tack'), 1);
    const setup = deriveRunSetup(fitOwn(lever, 'tyre', part('tyre', 'bare-disc', { staticGrip: 0.5, slidingGrip: 0.4 })));
    expect(setup.surface).toMatchObject({ staticGrip: 0.5, slidingGrip: expect.closeTo(0.4, 12) as number });
  });
  it('weighs and measures what it is said to: wheels, axle, lever, bearing, washer, bands', () => {
    const wheels = fitOwn(lever, 'driveWheels', part('wheel', 'card-disc', { diameter: 0.2, areaDensity: 2 }));
    const light = fitOwn(lever, 'driveWheels', part('wheel', 'card-disc', { diameter: 0.2, areaDensity: 1 }));
    expect(wheels.driveWheels).toEqual({ kind: 'card-disc', diameter: 0.2 });
    // Two discs, each one kilogram a square metre heavier.
    const more = deriveRunSetup(wheels).car.driveWheels.mass - deriveRunSetup(light).car.driveWheels.mass;
    expect(more).toBeCloseTo(2 * Math.PI * 0.1 ** 2, 9);
    expect(fitOwn(lever, 'axle', part('axle', 'skewer', { diameter: 0.004 })).axleDiameter).toBe(0.004);
    expect(deriveRunSetup(fitOwn(lever, 'lever', part('lever', 'dowel', { massPerLength: 0.05 }))).motor).toMatchObject({
      leverMass: 0.05 * 0.18,
    });
    expect(deriveRunSetup(fitOwn(lever, 'bearing', part('bearing', 'steel-brass', { friction: 0.1 }))).car.bearingFriction).toBe(0.1);
    expect(deriveRunSetup(fitOwn(roller, 'washer', part('washer', 'bead', { friction: 0.05 }))).motor).toMatchObject({
      washerFriction: 0.05,
    });
    expect(deriveRunSetup(fitOwn(band, 'band', part('band', '33', { width: 0.005 }))).motor).toMatchObject({
      bandWidth: 0.005,
      bandLength: 3.5 * 0.0254,
    });
  });
  it('is a design file that can be read, and is gone when another is fitted there', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(lever, band, roller),
        fc.constantFrom(...slots),
        fc.double({ min: 0.2, max: 0.9, noNaN: true }),
        (car, slot, share) => {
          const { kind } = SLOTS[slot];
          const like = Object.keys(CATALOGUE[kind])[0]!;
          const values = Object.fromEntries(PART_VALUES[kind].map(({ key, most }) => [key, share * most]));
          const fitted = fitOwn(car, slot, part(kind, like, values));
          expect(readCarDesign(fitted)).toMatchObject({ kind: 'read' });
          const present = fittedKey(car, slot);
          if (present === null) {
            expect(fitted).toBe(car);
            return;
          }
          expect(fittedName(fitted, slot)).toBe('mine');
          expect(describeChanges(car, fitted, 'metric')).toContain('→ mine (');
          const again = fitCatalogue(fitted, slot, present);
          expect(again.own).toBeUndefined();
          expect(fittedName(again, slot)).toBe(fittedName(car, slot));
        },
      ),
      { numRuns: 120 },
    );
  });
  it('narrows the range when it was measured, and a grip only on the floor it was measured on', () => {
    const tyre = (evidence: OwnPart['evidence']) =>
      fitOwn(lever, 'tyre', part('tyre', 'glue-bead', { staticGrip: 0.6, slidingGrip: 0.5 }, { evidence }));
    expect(valueOf(tyre('measured'), 'staticGrip')).toMatchObject({ value: 0.6, evidence: 'measured' });
    expect(valueOf(tyre('estimated'), 'staticGrip').spread).toBeGreaterThan(2 * valueOf(tyre('measured'), 'staticGrip').spread);
    const onCarpet: CarDesign = { ...tyre('measured'), floor: { ...lever.floor, kind: 'short-carpet' } };
    expect(valueOf(onCarpet, 'staticGrip')).toMatchObject({ value: expect.closeTo(0.6 * 1.1, 12), evidence: 'estimated' });
    const trap = (evidence: OwnPart['evidence']) =>
      fitOwn(
        { ...lever, care: 'careful' },
        'trap',
        part('trap', 'household', { preload: 0.16, rate: 0.11, efficiency: 0.92 }, { evidence }),
      );
    const width = (design: CarDesign): number => {
      const outcome = predict(design);
      return outcome.kind === 'ran' ? outcome.prediction.distance.high - outcome.prediction.distance.low : NaN;
    };
    expect(width(trap('measured'))).toBeLessThan(width(trap('estimated')));
  });
  it('gives way to a tyre with more grip than its own', () => {
    const slick = fitOwn(lever, 'tyre', part('tyre', 'sticky-tack', { staticGrip: 0.2, slidingGrip: 0.15 }));
    const [first] = grippierTyres(slick);
    expect(first!.design.own).toBeUndefined();
    expect(first!.design.tyre).toBe('bare-disc');
  });
});

describe('how many are needed', () => {
  it.each([
    [lever, 'driveWheels', 2],
    [lever, 'band', 0],
    [band, 'band', 2],
    [roller, 'driveWheels', 1],
    [{ ...lever, layout: { ...lever.layout, otherWheelCount: 1 } } as CarDesign, 'otherWheels', 1],
  ] as const)('of %#', (car, slot, count) => expect(neededAt(car, slot)).toBe(count));
});

describe('a part that cannot be', () => {
  it.each([
    [part('tyre', 'velvet', { staticGrip: 0.5 }), 'like'],
    [part('tyre', 'glue-bead', { friction: 0.5 }), 'values.friction'],
    [part('tyre', 'glue-bead', { staticGrip: 0.5, slidingGrip: 0.6 }), 'values.slidingGrip'],
    [part('wheel', 'card-disc', { diameter: 40 }), 'values.diameter'],
    [part('wheel', 'card-disc', { diameter: -1 }), 'values.diameter'],
    [part('band', '33', { width: 0.003 }, { count: 1.5 }), 'count'],
    [part('band', '33', { colour: 1 }), 'values'],
  ])('%# names the key', (wrong, path) => {
    const read = readOwnPart(wrong);
    expect(read.kind === 'faulty' && read.faults[0]!.path).toBe(path);
  });
});
