import { CAUSES, type Explanation } from './causes.ts';
import type { Tuning } from './tuning.ts';

/** What is known of a car without looking at its runs one by one. */
export interface CarInBrief {
  readonly canRun: boolean;
  /** The title of a rule of its brief that it breaks; null for none. */
  readonly brokenRule: string | null;
  readonly hasBrief: boolean;
  readonly runs: number;
}

/** The next thing to do for a car: what, why, and at which station. */
export interface NextThing {
  readonly words: string;
  readonly reason: string;
  readonly station: 'brief' | 'design' | 'track' | 'tune';
}

/** Runs alike that show how much luck is in one. */
const ENOUGH = 3;

/** The one thing that brings a car further now, from what is known of it at a glance. */
export function nextThing({ canRun, brokenRule, hasBrief, runs }: CarInBrief): NextThing {
  if (!canRun) return { station: 'design', words: 'make it able to run', reason: 'as it is designed it cannot be wound or does not move' };
  if (brokenRule) return { station: 'design', words: `put the rule right: ${brokenRule}`, reason: 'as it is, it would not be let start' };
  if (!hasBrief) return { station: 'brief', words: 'say what is asked of it', reason: 'every judgement here is by that' };
  if (runs === 0)
    return { station: 'track', words: 'make three runs alike', reason: 'they show what it does, and how much luck is in one' };
  if (runs < ENOUGH)
    return {
      station: 'track',
      words: runs === ENOUGH - 1 ? 'make one more run alike' : 'make two more runs alike',
      reason: 'with three it can be told from luck',
    };
  return { station: 'tune', words: 'see why it ran so, and what to change', reason: `${runs} runs are there to tell it` };
}

/** A fault that is so likely, though not sure, is looked for before anything is changed. */
const LIKELY = 0.4;

/** The same once the runs were weighed: a check at the table before a change, a change before more runs. */
export function nextByRuns({ next, further }: Pick<Tuning, 'next' | 'further'>, told: Explanation | null): NextThing {
  if (next?.stoppedBy) return { station: 'design', words: `put this right: ${next.stoppedBy}`, reason: 'as it is, that stops it' };
  const [fault] = told?.causes.filter(({ id }) => id !== 'none') ?? [];
  if (fault && fault.probability >= LIKELY) {
    const { check, name, tells } = CAUSES[fault.id];
    return { station: 'tune', words: check ?? `find out: ${tells}`, reason: `${name}: ${Math.round(100 * fault.probability)} % likely` };
  }
  const [change] = next?.changes ?? [];
  if (change) return { station: 'tune', words: `try one change: ${change.words}`, reason: 'nothing surer is known to help more' };
  const [run] = further;
  return run
    ? {
        station: 'track',
        words: 'make a run that tells more',
        reason: `it would take away about ${Math.round(100 * run.share)} % of what is not known`,
      }
    : { station: 'track', words: 'make more runs alike', reason: 'they tell what luck is' };
}
