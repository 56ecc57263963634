/** Of 10,000 evenings: what is rarer than one in a hundred is told so. */
const RARE = 0.01;

/** A chance in per cent: `under 1 %`, `62 %`, `–` for none. */
export const inHundred = (chance: number): string =>
  chance < RARE ? (chance === 0 ? '–' : 'under 1 %') : chance > 1 - RARE ? 'over 99 %' : `${Math.round(100 * chance)} %`;
