/**
 * Steps of one ratio, `perDecade` to a power of ten, as ISO 3 lays out preferred numbers (R20, R40).
 * An axis that ends on one, or a scale that is one, stands still while what is drawn in it changes a little.
 */
const stepOf = (value: number, perDecade: number): number => perDecade * Math.log10(value);

/** Numbers this close to a step are on it. */
const NEAR = 1e-9;

/** The smallest step at or above a positive value: `steadyAbove(7.4, 20)` is 7.94. */
export const hysteresisAbove = (value: number, perDecade: number): number => 10 ** (Math.ceil(stepOf(value, perDecade) - NEAR) / perDecade);

/** The largest step at or below a positive value: `steadyBelow(7.4, 20)` is 7.08. */
export const hysteresisBelow = (value: number, perDecade: number): number =>
  10 ** (Math.floor(stepOf(value, perDecade) + NEAR) / perDecade);
