import type { Phase } from '../../core/run/trace.ts';

/** What the car is doing, in builders' words. */
export const PHASE_WORDS: Readonly<Record<Phase, string>> = {
  rolling: 'pulled along',
  spinning: 'wheels spin',
  braking: 'wheels drag',
  coasting: 'coasts',
  rewinding: 'winds up again and brakes',
};
