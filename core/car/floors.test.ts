import { describe, expect, it } from 'vitest';
import type { CarDesign, Floor } from './car-design.ts';
import { newCar } from './new-car.ts';
import { floorProfile, onProfile, describeFloor, inOrder, withMat } from './floors.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { predictRun } from '../predict/predict-run.ts';
import { likelyNumbers, valueOf } from './values.ts';

const car = newCar('x');
const on = (floor: Partial<Floor>): CarDesign => ({ ...car, floor: { ...car.floor, ...floor } });
const format = (value: number, quantity: string): string => `${Number(value.toFixed(3))} ${quantity}`;
const distance = (design: CarDesign): number => {
  const run = predictRun(design);
  return run.kind === 'ran' ? run.result.distance : NaN;
};

describe('a floor of stretches', () => {
  it('is told from the line on', () =>
    expect(describeFloor(on({ stretches: [{ from: 2, kind: 'coir-matting', slope: -0.02 }] }).floor, format)).toBe(
      'smooth floor or linoleum; from 2 distance coir matting, 0.02 angle downhill',
    ));
  it('is kept in the order it is met; of two at one place the later counts', () => {
    const [a, b, c] = [3, 1, 3].map((from, i) => ({ from, kind: i === 2 ? 'parquet' : 'smooth', slope: 0 }) as const);
    expect(inOrder([a!, b!, c!])).toEqual([b, c]);
  });
  it('has on each piece what such a floor has, and keeps what the car is known to do better', () => {
    const mixed = on({ stretches: [{ from: 2, kind: 'short-carpet', slope: 0.01 }] });
    const carpet = deriveRunSetup(on({ kind: 'short-carpet', slope: 0.01 })).surface;
    const [stretch] = deriveRunSetup(mixed).stretches!;
    for (const key of ['staticGrip', 'slidingGrip', 'rollingResistanceDrive', 'rollingResistanceOther', 'slope'] as const)
      expect(stretch![key], key).toBeCloseTo(carpet[key]!, 12);
    // Tyres that grip a tenth better at the line do so on the carpet, and a lean of the hall goes on.
    const likely = likelyNumbers(mixed);
    const better = deriveRunSetup(mixed, { kind: 'full' }, { ...likely, staticGrip: 1.1 * likely.staticGrip!, slope: 0.002 });
    expect(better.stretches![0]!.staticGrip).toBeCloseTo(1.1 * carpet.staticGrip, 12);
    expect(better.stretches![0]!.slope).toBeCloseTo(0.012, 12);
  });
  it('ends a run sooner the nearer the carpet lies, and beyond the stop it changes nothing', () => {
    const carpetFrom = (from: number): number => distance(on({ stretches: [{ from, kind: 'short-carpet', slope: 0 }] }));
    const plain = distance(car);
    expect(carpetFrom(2)).toBeLessThan(carpetFrom(8));
    expect(carpetFrom(8)).toBeLessThan(plain);
    expect(carpetFrom(plain + 1)).toBeCloseTo(plain, 9);
  });
  it('is refused where its stretches are out of order, by its key', () => {
    const run = predictRun(
      on({
        stretches: [
          { from: 3, kind: 'smooth', slope: 0 },
          { from: 2, kind: 'smooth', slope: 0 },
        ],
      }),
    );
    expect(run).toMatchObject({ kind: 'refused', faults: [{ path: 'floor.stretches' }] });
  });
  it('gets a mat under the launch: carpet first, then the floor as it was', () => {
    const { floor } = on({
      kind: 'wet-smooth',
      slope: 0.01,
      stretches: [
        { from: 0.5, kind: 'parquet', slope: 0 },
        { from: 4, kind: 'gravel', slope: 0 },
      ],
    });
    expect(withMat(floor)).toMatchObject({
      kind: 'short-carpet',
      stretches: [
        { from: 0.75, kind: 'wet-smooth', slope: 0.01 },
        { from: 4, kind: 'gravel' },
      ],
    });
  });
});

describe('a floor from the side', () => {
  const ramp: CarDesign['floor'] = {
    ...newCar('x').floor,
    slope: 0,
    stretches: [
      { from: 3, kind: 'coir-matting', slope: 0.3 },
      { from: 5, kind: 'smooth', slope: -0.1 },
    ],
  };
  it('rises by the sine of its slope along each stretch, and is as long as it is', () => {
    const profile = floorProfile(ramp, 8);
    expect(profile.map(({ along }) => along)).toEqual([0, 3, 5, 8]);
    expect(profile.at(-1)!.y).toBeCloseTo(2 * Math.sin(0.3) - 3 * Math.sin(0.1), 12);
    expect(profile.at(-1)!.x).toBeCloseTo(3 + 2 * Math.cos(0.3) + 3 * Math.cos(0.1), 12);
    expect(floorProfile(ramp, 4).map(({ along }) => along)).toEqual([0, 3, 4]);
  });
  it('is found at any place along it, and ends where it ends', () => {
    const profile = floorProfile(ramp, 8);
    expect(onProfile(profile, 4).y).toBeCloseTo(Math.sin(0.3), 12);
    expect(onProfile(profile, 0)).toMatchObject({ x: 0, y: 0 });
    expect(onProfile(profile, 99)).toEqual(profile.at(-1));
  });
});

describe('what was measured on a floor', () => {
  const car: CarDesign = { ...newCar('x'), measured: { staticGrip: { value: 0.9, spread: 0.05, on: 'smooth' } } };
  it('is told of that floor, and estimated on another', () => {
    expect(valueOf(car, 'staticGrip')).toMatchObject({ value: 0.9, evidence: 'measured' });
    expect(valueOf({ ...car, floor: { ...car.floor, kind: 'gravel' } }, 'staticGrip').evidence).toBe('estimated');
  });
  it('is its slope, as surely as it was measured', () => {
    const floor = { ...car.floor, slope: 0.01 };
    expect(valueOf({ ...car, floor }, 'slope')).toMatchObject({ value: 0.01, evidence: 'estimated' });
    expect(valueOf({ ...car, floor: { ...floor, slopeSpread: 0.0005 } }, 'slope')).toEqual({
      value: 0.01,
      spread: 0.0005,
      evidence: 'measured',
    });
  });
});
