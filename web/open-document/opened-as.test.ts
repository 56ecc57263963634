import { describe, expect, it } from 'vitest';
import { newCar } from '../../core/car/new-car.ts';
import { openedAs } from './opened-as.ts';

const saved = newCar('Tern');
const edited = { ...saved, wheelbase: 0.2 };
const car = { version: 4, content: saved };

describe('a car is opened', () => {
  it('as it was saved where nothing was left unsaved', () => expect(openedAs(car, null)).toEqual({ draft: null, isConflict: false }));
  it('with the draft that grew from what is saved', () =>
    expect(openedAs(car, { baseVersion: 4, content: edited })).toEqual({ draft: edited, isConflict: false }));
  it('with a question where the draft grew from an older version', () =>
    expect(openedAs(car, { baseVersion: 3, content: edited })).toEqual({ draft: edited, isConflict: true }));
  it('without a question where an old draft says what was saved since, in whatever order', () => {
    const turned = Object.fromEntries(Object.entries(saved).reverse()) as typeof saved;
    expect(openedAs(car, { baseVersion: 3, content: turned })).toEqual({ draft: null, isConflict: false });
  });
  it('with the draft that only has another name', () =>
    expect(openedAs(car, { baseVersion: 4, content: { ...saved, name: 'Plover' } }).draft?.name).toBe('Plover'));
});
