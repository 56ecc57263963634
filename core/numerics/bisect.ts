/** Halvings that leave a part of 10⁻¹⁵ of where they began. */
const HALVINGS = 50;

/** Ends of an interval. */
export interface Bracket {
  readonly low: number;
  readonly high: number;
}

/**
 * Where a condition that holds below some place stops holding, by bisection. Source: any text of numerical analysis.
 * @param isBelow whether a place lies below it; never asked of the ends
 * @param low a place below it
 * @param high a place above it
 * @param halvings how often the interval is halved, 50 by default
 * @returns the interval that is left: `low` is still below, `high` is not
 * @example bisect((x) => x * x < 2, 0, 2).low // 1.41421356…
 */
export function bisect(isBelow: (x: number) => boolean, low: number, high: number, halvings = HALVINGS): Bracket {
  let [below, above] = [low, high];
  for (let k = 0; k < halvings; k++) {
    const middle = (below + above) / 2;
    // Nothing lies between any more.
    if (middle === below || middle === above) break;
    if (isBelow(middle)) below = middle;
    else above = middle;
  }
  return { low: below, high: above };
}

/**
 * The greatest whole number below that place.
 * @param low a whole number for which the condition is taken to hold
 * @param high a whole number for which it is taken not to
 * @example bisectWhole((n) => n * n < 50, 0, 50) // 7
 */
export function bisectWhole(isBelow: (n: number) => boolean, low: number, high: number): number {
  let [below, above] = [low, high];
  while (above - below > 1) {
    const middle = Math.floor((below + above) / 2);
    if (isBelow(middle)) below = middle;
    else above = middle;
  }
  return below;
}
