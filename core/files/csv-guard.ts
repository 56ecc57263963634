/** What a spreadsheet would take for a formula. Source: OWASP, CSV injection. */
const FORMULA = /^[=+\-@\t\r]/;
const GUARDED = /^'(?=[=+\-@\t\r])/;

/** A cell of a CSV as it is written: a text that a spreadsheet would work out is guarded by an apostrophe, a number is not. `guardCell('=1+1') // "'=1+1"` */
export const guardCell = (cell: string | number): string | number =>
  typeof cell === 'string' && FORMULA.test(cell) && !Number.isFinite(Number(cell)) ? `'${cell}` : cell;

/** A cell as it was before it was guarded: what is written and read again is the same. */
export const unguardCell = (cell: string): string => cell.replace(GUARDED, '');
