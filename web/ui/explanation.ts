/** How a figure came about: the formula, and each number put in with where it comes from. */
export interface Explanation {
  readonly title: string;
  readonly formula: string;
  readonly numbers: readonly (readonly [name: string, value: string, from: string])[];
}
