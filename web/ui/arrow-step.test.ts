import { describe, expect, it } from 'vitest';
import { arrowStep } from './arrow-step.ts';

const press = (key: string, more: { readonly shiftKey?: boolean; readonly altKey?: boolean } = {}): number | null =>
  arrowStep({ key, shiftKey: false, altKey: false, ...more });

describe('an arrow key', () => {
  it('steps up to the right and up, down to the left and down', () =>
    expect(['ArrowRight', 'ArrowUp', 'ArrowLeft', 'ArrowDown'].map((key) => press(key))).toEqual([1, 1, -1, -1]));
  it('steps ten times as far with Shift, a tenth with Alt', () => {
    expect(press('ArrowUp', { shiftKey: true })).toBe(10);
    expect(press('ArrowLeft', { altKey: true })).toBe(-0.1);
  });
  it('is no other key', () => expect([press('a'), press('Enter'), press('Home')]).toEqual([null, null, null]));
  it('has page keys beside it for ten steps', () => expect([press('PageUp'), press('PageDown')]).toEqual([10, -10]));
});
