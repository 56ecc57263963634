import { describe, expect, it } from 'vitest';
import { distinguish } from './distinguish.ts';
import { newCar } from './new-car.ts';
import { weighedAt } from './weights.ts';

describe('what tells designs apart', () => {
  const car = newCar('Gull', 'band');
  it('is what differs, in the words of each: tyre, floor, band or turns', () => {
    const onCarpet = { ...car, floor: { ...car.floor, kind: 'short-carpet' as const } };
    expect(
      distinguish(
        [
          { ...car, tyre: 'bare-disc' },
          { ...car, tyre: 'cut-glove' },
        ],
        'metric',
      ),
    ).toEqual(['tyres bare plastic disc edge', 'tyres cut glove or balloon']);
    expect(distinguish([car, onCarpet], 'metric')).toEqual(['floor smooth floor or linoleum', 'floor short carpet']);
    const [a, b, c] = distinguish([{ ...car, tyre: 'foam' }, onCarpet, { ...car, tyre: 'foam', care: 'careful' }], 'metric');
    expect(new Set([a, b, c]).size).toBe(3);
    expect([a, b, c].every((words) => words!.endsWith(' and 1 more'))).toBe(true);
    // Of what always goes together one is named.
    expect(distinguish([car, { ...onCarpet, tyre: 'foam' }], 'metric')[1]).toBe('tyres foam strip and 1 more');
  });
  it('is nothing of one design, or of the same twice; a weight that follows a part is left out', () => {
    expect(distinguish([car], 'metric')).toEqual(['']);
    expect(distinguish([car, { ...car }], 'metric')).toEqual(['', '']);
    const heavier = weighedAt(car, { mass: 0.2, driveLoadShare: 0.6 });
    expect(distinguish([car, heavier], 'metric')[1]).toMatch(/200\u00a0g/);
    expect(distinguish([car, { ...heavier, tyre: 'cut-glove' }], 'metric')[1]).toBe('tyres cut glove or balloon');
  });
});
