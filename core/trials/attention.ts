/** What is known of a car at once, from its design, its brief and how many runs it made. */
export interface CarAtAGlance {
  readonly canRun: boolean;
  /** The title of a rule of its brief that it breaks; null for none. */
  readonly brokenRule: string | null;
  readonly hasBrief: boolean;
  readonly runs: number;
}

/** Runs alike that show how much luck is in one. */
export const MIN_LIKE_RUNS = 3;

/**
 * How much a car needs its builder, the least first: one that cannot run; breaks a rule; has no goal; has too few runs; has runs that tell
 * what to change; never ran.
 */
export function attentionRank({ canRun, brokenRule, hasBrief, runs }: CarAtAGlance): number {
  if (!canRun) return 0;
  if (brokenRule !== null) return 1;
  if (!hasBrief) return 2;
  if (runs === 0) return 5;
  return runs < MIN_LIKE_RUNS ? 3 : 4;
}
