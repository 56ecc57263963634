import { describe, expect, it } from 'vitest';
import { CARD_LENGTH, CARD_SIGNS, formatCardCode, readCardCode } from './card-code.ts';

describe('the code of a card', () => {
  it('has at least 40 bits, of signs that are not taken for each other', () => {
    expect(CARD_LENGTH * Math.log2(new Set(CARD_SIGNS).size)).toBeGreaterThanOrEqual(40);
    // Crockford, Base 32 (crockford.com/base32.html, from memory): without I, L, O and U.
    expect(/[ILOU]/.test(CARD_SIGNS)).toBe(false);
  });
  it.each([
    ['7KQ40MB1', '7KQ40MB1'],
    [' 7kq4-ombi ', '7KQ40MB1'],
    ['7KQ4 0MBL', '7KQ40MB1'],
    ['7KQ40MB', null],
    ['7KQ40MB12', null],
    ['7KQ40MBU', null],
    ['', null],
  ])('typed as “%s” is %s', (typed, code) => expect(readCardCode(typed)).toBe(code));
  it('is printed in two halves', () => expect(formatCardCode('7KQ40MB1')).toBe('7KQ4-0MB1'));
});
