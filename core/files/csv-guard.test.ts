import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { guardCell, unguardCell } from './csv-guard.ts';

describe('a cell of a CSV', () => {
  it.each([
    ['=HYPERLINK("x")', `'=HYPERLINK("x")`],
    ['+44', '+44'],
    ['+a', `'+a`],
    ['-0.4', '-0.4'],
    ['-x', `'-x`],
    ['@sum', `'@sum`],
    ['Tern', 'Tern'],
  ])('%j is written as %j: only what a spreadsheet would work out is guarded', (cell, written) => expect(guardCell(cell)).toBe(written));
  it('that is a number stays one', () => expect(guardCell(-4)).toBe(-4));
  it('comes back as it was, through a file', () =>
    fc.assert(
      fc.property(fc.array(fc.stringMatching(/^[=+\-@a'",; ]{0,6}$/), { minLength: 1 }), (cells) => {
        fc.pre(!cells.some((cell) => /^'[=+\-@]/.test(cell)));
        const { data } = Papa.parse<string[]>(Papa.unparse([cells.map(guardCell)]), { delimiter: ',' });
        expect((data[0] ?? ['']).map(unguardCell)).toEqual(cells);
      }),
    ));
});
