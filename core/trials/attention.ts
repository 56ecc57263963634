import type { CarInBrief } from './next-thing.ts';

/** Runs of which the next thing is told by what they tell, see `nextThing`. */
const TELLING_RUNS = 3;

/**
 * How much a car needs its builder, the least first: one that cannot run; breaks a rule; has no goal; has too few runs; has runs that tell
 * what to change; never ran.
 */
export function attentionRank({ canRun, brokenRule, hasBrief, runs }: Omit<CarInBrief, 'outlook' | 'isBuilt'>): number {
  if (!canRun) return 0;
  if (brokenRule !== null) return 1;
  if (!hasBrief) return 2;
  if (runs === 0) return 5;
  return runs < TELLING_RUNS ? 3 : 4;
}
