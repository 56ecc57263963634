import type { Goal } from '../brief/goal.ts';
import { goalRecord } from '../brief/goals.ts';
import type { RunValue } from '../brief/run-value.ts';
import { formatQuantity, type Quantity, type UnitSystem } from '../units/quantity.ts';
import { distanceOf, type Entry, type Meet, type MeetOutcome, type MeetResult, type StandingResult } from './meet.ts';
import { UNTIMED, measuringOf, valueOfRun, type Measuring, type Medal } from './scoring.ts';

/** A time as it was taken, to the hundredth: gates tell that, and who took it by hand wrote no more than was read. `timeWords(4.1) // '4.1 s'` */
export const formatTime = (seconds: number): string => `${Number(seconds.toFixed(2))}\u00a0s`;

/** A place in a heat that was not timed, or the mean of several: `1st across the mark, not timed`. */
const formatArrival = (place: number): string =>
  Number.isInteger(place) ? `${formatPlace(place)} across the mark, not timed` : `place ${Number(place.toFixed(1))} on average, not timed`;

/** A value by a goal as it was measured: `9.20 m`, `at least 18.5 m`. */
export function formatRunValue(goal: Goal, { value, atLeast }: RunValue, units: UnitSystem): string {
  const { quantity } = goalRecord(goal);
  const figure =
    quantity === 'kg·m'
      ? `${Number(value.toPrecision(3))} kg·m`
      : quantity === 'time'
        ? value > UNTIMED
          ? formatArrival(value - UNTIMED)
          : formatTime(value)
        : quantity === 'm + m/s'
          ? `${Number(value.toFixed(2))}`
          : formatQuantity(value, quantity as Quantity, units);
  return atLeast ? `at least ${figure}` : figure;
}

const NOT_RUN: Readonly<Record<Exclude<MeetOutcome['kind'], 'ran'>, string>> = {
  broke: 'broke',
  'no-start': 'did not start',
  rule: 'broke a rule',
  void: 'withdrawn',
};

/** What a run came to, in words: its value, or why it does not count. */
export function describeOutcome(goal: Goal, outcome: MeetOutcome, units: UnitSystem, measuring: Measuring = {}): string {
  if (outcome.kind !== 'ran') return outcome.kind === 'rule' && outcome.rule ? `broke a rule: ${outcome.rule}` : NOT_RUN[outcome.kind];
  const value = valueOfRun(goal, outcome, measuring);
  const { crossed = 0 } = outcome;
  const lines = crossed > 0 ? ` (${crossed} ${crossed === 1 ? 'line' : 'lines'} crossed)` : '';
  return `${value ? formatRunValue(goal, value, units) : 'does not count'}${lines}`;
}

/** What a stored result came to, in words, by the goal of its round; `?` where the meet has that round no more. */
export function describeResult(
  meet: Pick<Meet, 'brief' | 'entries'>,
  { entry, round, outcome }: Pick<MeetResult, 'entry' | 'round' | 'outcome'>,
  units: UnitSystem,
): string {
  const of = meet.brief.rounds[round];
  return of ? describeOutcome(of.goal, outcome, units, measuringOf(meet, entry)) : '?';
}

/** How far a car came, and what its crew had expected and lets be shown, m; null where either is not known. */
export function besidePrediction(
  { showsPrediction, predicted }: Entry,
  outcome: MeetOutcome,
): { readonly distance: number; readonly predicted: number } | null {
  const distance = distanceOf(outcome);
  return showsPrediction && predicted !== undefined && distance !== null ? { distance, predicted } : null;
}

/** How a run was timed, with its times along the run: `timed by gates: 6.00 m in 2.31 s`; empty where its time was typed. */
export function describeTiming({ timedBy, splits = [] }: Pick<MeetOutcome, 'timedBy' | 'splits'>, units: UnitSystem): string {
  if (!timedBy) return '';
  const passings = splits.map(({ at, time }) => `${formatQuantity(at, 'distance', units)} in ${formatTime(time)}`);
  return `timed by ${timedBy}${passings.length > 0 ? `: ${passings.join(', ')}` : ''}`;
}

const ENDINGS: Readonly<Record<string, string>> = { one: 'st', two: 'nd', few: 'rd', other: 'th' };
const ordinal = new Intl.PluralRules('en', { type: 'ordinal' });

/** A place: `placeWords(22) // '22nd'`. */
export const formatPlace = (place: number): string => `${place}${ENDINGS[ordinal.select(place)]!}`;

/** Who corrected a result and why, the newest first; empty where nobody did. */
export const describeCorrection = ({ result, before }: StandingResult): string =>
  before.length === 0
    ? ''
    : result.corrects
      ? `corrected by ${result.by || 'an official'}${result.why ? `: ${result.why}` : ''}`
      : 'saved twice';

export const MEDALS: Readonly<Record<Medal['what'], string>> = {
  furthest: 'furthest',
  quickest: 'quickest',
  straightest: 'straightest',
  'best-predicted': 'best predicted',
  'most-improved': 'most improved',
};

/** What a medal is for, with its figure. */
export function describeMedal({ what, value, atLeast }: Medal, units: UnitSystem): string {
  switch (what) {
    case 'furthest':
      return `${atLeast ? 'at least ' : ''}${formatQuantity(value, 'distance', units)}`;
    case 'quickest':
      return formatTime(value);
    case 'straightest':
      return `${Number((100 * value).toPrecision(2))} cm off the line for each metre`;
    case 'best-predicted':
      return `within ${Math.max(1, Math.round(100 * value))} % of its own prediction`;
    case 'most-improved':
      return `${Math.round(100 * value)} % further than its first run`;
  }
}
