import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { freeName } from './free-name.ts';
import { kitText, readKit, readLines, readPoints } from './parse-lines.ts';

describe('what is written as a list', () => {
  it.each([
    ['10, 7, 5', [10, 7, 5]],
    ['10 7;5', [10, 7, 5]],
    ['', []],
    [' 0.5 ', [0.5]],
  ])('points from %j', (text, value) => expect(readPoints(text)).toEqual({ kind: 'read', value }));
  it.each(['ten', '5, -1', '1001', Array(51).fill('1').join(' ')])('refuses points that are none: %j', (text) =>
    expect(readPoints(text)).toMatchObject({ kind: 'unclear', message: expect.stringContaining('10, 7, 5') }),
  );
  it.each([
    ['8 luggage labels\n\n 4 × net needles ', [8, 'luggage labels', 4, 'net needles']],
    ['1 m of twine', [1, 'm of twine']],
    ['string', [1, 'string']],
    ['4x corks', [4, 'corks']],
  ])('a kit from %j', (text, told) => {
    const read = readKit(text);
    expect(read.kind === 'read' && read.value.flatMap(({ count, name }) => [count, name])).toEqual(told);
  });
  it('names the line of a kit that cannot be', () => {
    expect(readKit('2 discs\n0 straws')).toMatchObject({ kind: 'unclear', message: expect.stringMatching(/^Line 2:/) });
    expect(readKit(`1 ${'x'.repeat(81)}`)).toMatchObject({ kind: 'unclear' });
    expect(readKit(Array(61).fill('2 discs').join('\n'))).toMatchObject({ kind: 'unclear', message: 'At most 60 lines.' });
  });
  it('is a list of lines, none longer than it may be', () => {
    expect(readLines(' ab\n\nabc ', 3)).toEqual({ kind: 'read', value: ['ab', 'abc'] });
    expect(readLines('ab\nabcd', 3)).toEqual({ kind: 'unclear', message: 'Line 2: write at most 3 letters.' });
    expect(readLines(Array(21).fill('a').join('\n'), 3)).toMatchObject({ kind: 'unclear' });
  });
  it('reads a kit again as it is told', () => {
    const item = fc.record({ count: fc.integer({ min: 1, max: 1000 }), name: fc.stringMatching(/^[a-w]([a-z ]{0,30}[a-z])?$/) });
    fc.assert(
      fc.property(fc.array(item, { maxLength: 9 }), (kit) => {
        expect(readKit(kitText(kit))).toEqual({ kind: 'read', value: kit });
      }),
    );
  });
  it('finds a name that is free', () => {
    expect(freeName('Round', [])).toBe('Round');
    expect(freeName('Round', ['Round', 'Round 3', 'Round 2'])).toBe('Round 4');
  });
});
