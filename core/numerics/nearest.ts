/** The one of some numbers that is nearest to another; of two that are as near the first. At least one is needed. */
export const nearestOf = (numbers: readonly number[], to: number): number =>
  numbers.reduce((nearest, one) => (Math.abs(one - to) < Math.abs(nearest - to) ? one : nearest));
