import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readCarDesign } from '../files/read.ts';
import type { MotorKind } from './car-design.ts';
import { newCar } from './new-car.ts';
import { predictRun } from '../predict/predict-run.ts';
import { findSize, sizesOf } from './sizes.ts';
import { withMotor } from './new-car.ts';

/** Weight and its share follow the parts; on the scale each is read by itself. */
const isFollowing = (id: string): boolean => id === 'mass' || id === 'driveLoadShare';

const kinds: MotorKind[] = ['lever', 'band', 'twist'];

describe.each(kinds)('the sizes of a %s car', (kind) => {
  const car = newCar('x', kind);
  const sizes = sizesOf(kind);
  it('have names of their own', () => {
    expect(new Set(sizes.map(({ id }) => id)).size).toBe(sizes.length);
    expect(new Set(sizes.map(({ label }) => label)).size).toBe(sizes.length);
  });
  it('are what was written, and nothing else changes; anything a slider reaches is a file that can be read', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...sizes.filter(({ isRestated }) => !isRestated)),
        fc.double({ min: 0, max: 1, noNaN: true }),
        ({ id, low, high, read, write }, share) => {
          const value = low + share * (high - low);
          const made = write(car, value);
          // A sleeve thinner than the axle, or with no turns, is none.
          if (!id.startsWith('sleeve') || made.sleeve.length > 0) expect(read(made)).toBeCloseTo(value, 9);
          expect(readCarDesign(made)).toMatchObject({ kind: 'read' });
          for (const other of sizes)
            if (
              other.id !== id &&
              !other.isRestated &&
              !(id.startsWith('sleeve') && other.id.startsWith('sleeve')) &&
              !(isFollowing(other.id) && !isFollowing(id))
            )
              expect(other.read(made)).toBeCloseTo(other.read(car), 9);
        },
      ),
    );
  });
  it('are told in another way where a builder reads another: the girth of a bottle is π times its width', () => {
    const girth = sizes.find(({ id }) => id === 'girth');
    if (!girth) return;
    expect(girth.read({ ...car, body: { ...car.body, width: 0.07 } })).toBeCloseTo(0.2199, 4);
    expect(girth.write(car, 0.2199).body.width).toBeCloseTo(0.07, 4);
  });
  it('are found by name', () => {
    expect(findSize(car, 'driveWheels').read(car)).toBe(car.driveWheels.diameter);
    expect(() => findSize(car, 'sails')).toThrow(RangeError);
  });
});

describe('another motor in the same car', () => {
  it.each(kinds.flatMap((from) => kinds.map((to) => [from, to] as const)))('%s → %s runs, on its floor and for its aim', (from, to) => {
    const car = {
      ...newCar('Tern', from),
      floor: { ...newCar('x').floor, roomLength: 12 },
      aim: { kind: 'at-least', distance: 8 } as const,
    };
    const made = withMotor(car, to);
    expect(made.motor.kind).toBe(to);
    expect(made).toMatchObject({ name: 'Tern', floor: car.floor, aim: car.aim });
    expect(predictRun(made).kind).toBe('ran');
    expect(readCarDesign(made)).toMatchObject({ kind: 'read' });
    if (from === to) expect(made).toBe(car);
  });
});
