/** What is wrong with a value that must lie from `low` to `high`, both included; or null. */
export const withinLimits =
  (low: number, high: number, unit: string) =>
  (value: number): string | null =>
    value >= low && value <= high ? null : `Must be ${low} to ${high} ${unit}.`;

/** The same of a value that must lie above `low`. */
export const aboveLimit =
  (low: number, high: number, unit: string) =>
  (value: number): string | null =>
    value > low && value <= high ? null : `Must be above ${low} and at most ${high} ${unit}.`;
