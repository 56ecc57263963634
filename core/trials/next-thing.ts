import { MIN_LIKE_RUNS, type CarAtAGlance } from './attention.ts';
import type { MotorKind } from '../car/car-design.ts';
import { describeCause } from './cause-descriptions.ts';
import type { Outlook } from '../explore/outlook.ts';
import { chanceOf, isRepairable, type Evidence, type Explanation, type RankedCause } from './causes.ts';
import { FURTHER } from './posterior-change.ts';
import type { Tuning } from './tuning.ts';
import type { LogEntry, RunPlan } from './tuning-log.ts';
import type { CauseId } from './cause-descriptions.ts';
import type { RepairableFault } from './fit/trial.ts';
import type { SuggestedChange } from './next-change.ts';

/** What is known of a car without looking at its runs one by one. */
export interface CarInBrief extends CarAtAGlance {
  /** Whether it stands on the table: it ran, or it was said so. */
  readonly isBuilt: boolean;
  /** What is to be expected of it; null where that is not known. */
  readonly outlook: Outlook | null;
}

/** What can be done about the next thing at once, in Tune. */
export type NextAction =
  | { readonly kind: 'check'; readonly cause: CauseId }
  | { readonly kind: 'repair'; readonly cause: RepairableFault }
  | { readonly kind: 'apply'; readonly change: SuggestedChange }
  | { readonly kind: 'undo'; readonly entry: LogEntry };

/** The next thing to do for a car: what, why, and at which station. */
export interface NextThing {
  readonly words: string;
  readonly reason: string;
  readonly station: 'brief' | 'bench' | 'design' | 'build' | 'track' | 'tune';
  /** Absent where it is done at its station. */
  readonly action?: NextAction;
}

/** `3 in 10`; `hardly any` of fewer. */
const chanceWords = (chance: number): string => (chance < 0.05 ? 'hardly any' : `${Math.round(10 * chance)} in 10`);

/** A car that is less likely to meet its goal is changed before it is built. */
const EVEN = 0.5;
/** Fraction of what is not known from which it is worth measuring before it runs. */
const WORTH_MEASURING = 0.3;

/** Whether what is to be expected of a car decides what is next: before its runs tell more. */
export const needsOutlook = ({ canRun, brokenRule, hasBrief, runs }: Omit<CarInBrief, 'outlook'>): boolean =>
  canRun && brokenRule === null && hasBrief && runs < MIN_LIKE_RUNS;

/**
 * The one thing that brings a car further now, from what is known of it at a glance: whether it can run; keeps the rules; knows the goal;
 * is likely to do it; is built; has a part worth measuring; ran; and then what its runs tell.
 */
export function nextThing(car: CarInBrief): NextThing {
  const { canRun, brokenRule, hasBrief, runs, isBuilt, outlook } = car;
  if (!canRun) return { station: 'design', words: 'make it able to run', reason: 'as designed it cannot be wound or does not start' };
  if (brokenRule) return { station: 'design', words: `fix the rule: ${brokenRule}`, reason: 'as it is, it would not be allowed to start' };
  if (!hasBrief) return { station: 'brief', words: 'choose its goal', reason: 'everything is judged by that' };
  if (needsOutlook(car) && outlook && outlook.chance !== null && outlook.chance < EVEN)
    return {
      station: 'design',
      words: outlook.help === null ? 'let Best car search for a better one' : `try: ${outlook.help}`,
      reason: `${chanceWords(outlook.chance)} cars built like this reach the goal`,
    };
  if (runs === 0 && !isBuilt)
    return { station: 'build', words: 'build it', reason: 'the design is worth building; tell Build when the car is ready' };
  if (runs === 0 && outlook?.toMeasure && outlook.toMeasure.fraction >= WORTH_MEASURING)
    return {
      station: 'bench',
      words: `measure: ${outlook.toMeasure.name[0]!.toLowerCase()}${outlook.toMeasure.name.slice(1)}`,
      reason: `it cuts the uncertainty by about ${inHundred(outlook.toMeasure.fraction)}`,
    };
  if (runs === 0)
    return { station: 'track', words: 'make three like runs', reason: 'they show how far it goes, and how much runs differ by luck' };
  if (runs < MIN_LIKE_RUNS)
    return {
      station: 'track',
      words: runs === MIN_LIKE_RUNS - 1 ? 'make one more like run' : 'make two more like runs',
      reason: 'three runs tell the car from luck',
    };
  return { station: 'tune', words: 'see why it ran like this, and what to change', reason: `${runs} runs tell why` };
}

/** A fault that is so likely, though not sure, is looked for before anything is changed. */
export const LIKELY = 0.4;
/** Fraction of what is not known below which one more run tells little. */
const TELLS_LITTLE = 0.08;
/** A car that comes as far as it is asked to in so many of its runs does what its brief asks. */
const MEETS = 0.9;

const inHundred = (fraction: number): string => `${Math.round(100 * fraction)} %`;

/** What to do about the most likely fault: look for it, or put right what was found; null where neither is to be done. */
function aboutFault(
  causes: readonly RankedCause[],
  { id, probability }: RankedCause,
  motor: MotorKind,
  checks: NonNullable<Evidence['checks']>,
): NextThing | null {
  if (probability < LIKELY) return null;
  const { check, cure, name, tells } = describeCause(id, motor);
  const reason = `${name}: ${inHundred(chanceOf(causes, id))} likely`;
  if (checks[id] === undefined)
    return check
      ? { station: 'tune', words: check, reason, action: { kind: 'check', cause: id } }
      : { station: 'tune', words: `find out: ${tells}`, reason };
  return checks[id] === 'confirmed' && cure && isRepairable(id)
    ? { station: 'tune', words: cure, reason, action: { kind: 'repair', cause: id } }
    : null;
}

const tryChange = (change: SuggestedChange): Pick<NextThing, 'station' | 'words' | 'action'> => ({
  station: 'tune',
  words: `try one change: ${change.words}`,
  action: { kind: 'apply', change },
});

/** What is reported besides the runs: what was found at the table, and the plan by which the last change is judged. */
export interface AlsoKnown {
  readonly checks?: NonNullable<Evidence['checks']>;
  readonly plan?: RunPlan | null;
  /** What drives the car: faults are reported in its words. */
  readonly motor?: MotorKind;
}

/**
 * The same once the runs were weighed: what stops it; then runs that are planned, a change that made it worse; a check at the table before
 * a change, a change before more runs, and nothing where it does what its brief asks.
 */
export function nextByRuns(
  { next, further, full, putRight, hasRun }: Pick<Tuning, 'next' | 'further' | 'full' | 'putRight' | 'hasRun'>,
  explanation: Explanation | null,
  { checks = {}, plan = null, motor = 'lever' }: AlsoKnown = {},
): NextThing {
  const [change] = next?.changes ?? [];
  if (next?.stoppedBy)
    return change
      ? { ...tryChange(change), reason: `“${next.stoppedBy}” stops the car, and this fixes it` }
      : { station: 'design', words: `fix this: ${next.stoppedBy}`, reason: 'as it is, it stops the car' };
  if (plan && plan.before + plan.after > 0) {
    const { name } = plan.entry.version.record;
    return { station: 'track', words: 'make the planned runs', reason: `they judge “${name}”` };
  }
  if (!hasRun) {
    const since = putRight.length > 0 ? 'it was repaired' : 'it was changed';
    return { station: 'track', words: 'make three like runs', reason: `no run has been made since ${since}: they show what changed` };
  }
  if (plan?.entry.comparison?.verdict === 'worse')
    return {
      station: 'tune',
      words: `undo “${plan.entry.version.record.name}”`,
      reason: 'it made the car worse',
      action: { kind: 'undo', entry: plan.entry },
    };
  if (full?.reaches != null && full.reaches >= MEETS)
    return {
      station: 'track',
      words: 'make the run that counts',
      reason: `it meets its brief: ${inHundred(Math.min(full.reaches, 0.99))} of its next runs reach the goal`,
    };
  const [fault] = explanation?.causes.filter(({ id }) => id !== 'none') ?? [];
  const found = fault && aboutFault(explanation!.causes, fault, motor, checks);
  if (found) return found;
  if (change) return { ...tryChange(change), reason: 'no other change is as sure to help' };
  const [run] = further;
  if (!run || run.fraction < TELLS_LITTLE)
    return { station: 'bench', words: 'measure a part', reason: 'no change is sure to help, and one more run tells little' };
  return {
    station: 'track',
    words: `make ${FURTHER[run.id]}`,
    reason: `it would cut the uncertainty by about ${inHundred(run.fraction)}`,
  };
}
