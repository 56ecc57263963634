import type { CarDesign, MotorKind } from '../../../core/car/car-design.ts';
import { isSameBuild, isSameContent, isSameWind } from '../../../core/car/same-design.ts';
import { formatPoints } from '../../../core/brief/aim-words.ts';
import { goalOf, type Goal } from '../../../core/brief/goal.ts';
import { goalRecord } from '../../../core/brief/goals.ts';
import type { AtTheMark } from '../../../core/trials/at-the-mark.ts';
import { causeName, describeCause } from '../../../core/trials/cause-descriptions.ts';
import { CERTAIN_FROM, type Explanation, type RankedCause } from '../../../core/trials/causes.ts';
import type { Comparison } from '../../../core/trials/did-it-help.ts';
import type { GroupSpread } from '../../../core/trials/censored.ts';
import type { Interval } from '../../../core/trials/fit/predict-fitted.ts';
import type { PosteriorChange } from '../../../core/trials/posterior-change.ts';
import type { LogEntry } from '../../../core/trials/tuning-log.ts';
import type { SuggestedChange } from '../../../core/trials/next-change.ts';
import type { Straightening } from '../../../core/trials/straight.ts';
import type { EntryToCheck } from '../../../core/trials/entries-to-check.ts';
import type { Plausibility, GroupCheck } from '../../../core/trials/group-check.ts';
import type { SignsInRuns } from '../../../core/trials/signs-in-runs.ts';
import type { TunedGroup } from '../../../core/trials/tuning.ts';
import {
  formatAbout,
  formatKnown,
  formatNumber,
  formatQuantity,
  formatRange,
  unitOf,
  type UnitSystem,
} from '../../../core/units/quantity.ts';

export const percent = (fraction: number): string => `${Math.round(100 * fraction)}\u00a0%`.replace('-', '−');

/** Two shares as a range with one sign of percent: `18–52 %`, `+5 to +19 %`. */
const percentRange = (low: number, high: number, format = percent): string =>
  formatRange(format(low).replace(/\u00a0%$/, ''), format(high));

/** `20.1 m (18.8 to 21.4)`, no finer than it is known. */
export function formatInterval(interval: Interval, units: UnitSystem): string {
  const { middle, range } = intervalParts(interval, units);
  return `${middle} ${unitOf('distance', units)} (${range})`;
}

/** The number and the range alone: `20.1`, `18.8–21.4`. */
export function intervalParts({ low, middle, high }: Interval, units: UnitSystem): { readonly middle: string; readonly range: string } {
  const format = (value: number): string => formatKnown(value, (high - low) / 2, 'distance', units);
  return { middle: format(middle), range: formatRange(format(low), format(high)) };
}

/** The mean of like runs with its interval, no finer than that: `15.0 m (13.7–16.4)`; open above where walls leave it so. */
export function describeMean({ mean, low, high }: GroupSpread, units: UnitSystem): string {
  const known = (value: number): string => formatKnown(value, high === null ? mean - low : (high - low) / 2, 'distance', units);
  const range = high === null ? `at least ${known(low)}` : formatRange(known(low), known(high));
  return `${known(mean)}\u00a0${unitOf('distance', units)} (${range})`;
}

/** Like runs by how they were wound, and by which version ran where there are several: `fully wound, “long lever”`. */
export const describeRunGroup = (
  group: Pick<TunedGroup, 'wind' | 'direction' | 'design' | 'faults'>,
  nameOf: (design: CarDesign) => string,
): string =>
  [
    windingWords(group),
    nameOf(group.design),
    ...group.faults.map((fault) => `before “${describeCause(fault, group.design.motor.kind).name}” was repaired`),
  ]
    .filter(Boolean)
    .join(', ');

const windingWords = ({ wind, direction }: Pick<TunedGroup, 'wind' | 'direction'>): string =>
  [wind.kind === 'full' ? 'fully wound' : `${formatNumber(wind.turns, 'count', 'metric')} turns`, direction ?? '']
    .filter(Boolean)
    .join(', ');

/** Which fraction of runs goes how far, where the wall hides how far some would: `all beyond 6.10 m, 2 in 3 beyond 8.40 m`. */
export const describeSurvival = (steps: NonNullable<TunedGroup['beyond']>, units: UnitSystem): string =>
  `${steps.map(([distance, fraction]) => `${percent(fraction)} go beyond ${formatQuantity(distance, 'distance', units)}`).join(', ')} (walls as “at least”).`;

/** Fractions below which it is no more than expected, and beyond which it is reported in figures. */
const NONE = 0.03;
const MUCH = 0.4;
/** A part in words: `a third`. */
const inWords = (fraction: number): string => {
  // No finer than a twentieth: it is not known so well.
  if (fraction > MUCH) return percent(Math.round(20 * fraction) / 20);

  const parts: readonly (readonly [number, string])[] = [
    [1 / 10, 'a tenth'],
    [1 / 5, 'a fifth'],
    [1 / 4, 'a quarter'],
    [1 / 3, 'a third'],
  ];
  return parts.reduce((best, part) => (Math.abs(part[0] - fraction) < Math.abs(best[0] - fraction) ? part : best))[1];
};

/** `Rolling resistance: about a third more than expected`, `18–52 % (9 in 10)`, and whether these runs tell much of it. */
export function describePosteriorChange(
  { more, low, high, left }: PosteriorChange,
  of: 'resistance' | 'energy',
): { readonly words: string; readonly range: string; readonly remark: string } {
  const [subject, up, down] = of === 'resistance' ? ['Rolling resistance', 'more', 'less'] : ['Motor energy', 'more', 'less'];
  const words =
    Math.abs(more) < NONE
      ? of === 'resistance'
        ? 'Rolling resistance: as expected'
        : 'Motor energy: as expected'
      : `${subject}: about ${inWords(Math.abs(more))} ${more > 0 ? up : down} than expected`;
  return {
    words,
    range: `${percentRange(low, high)}, 9 in 10`,
    remark: left > 0.85 ? '; these runs tell little about it by itself.' : '.',
  };
}

/** What is most likely, or that it cannot be determined, and what would. */
export function describeCauses({ causes, named, sureness, isAlone, wouldTell }: Explanation, motor: MotorKind): string {
  if (named === 'none') return 'Nothing seems wrong: it runs as expected.';
  if (named) {
    const name = causeName(
      causes.find(({ id }) => id === named)!,
      motor,
    );
    const more = isAlone || named === 'two' || named === 'other' ? '' : ' There may be another cause as well.';
    return `Most likely cause (${percent(sureness)}): ${name}.${more}`;
  }
  const [first, second] = causes;
  const both = [first, second].flatMap((cause) => (cause ? [causeName(cause, motor)] : []));
  return `These runs do not tell which: ${both.join(', or ')}. This would tell: ${wouldTell && describeCause(wouldTell, motor).tells}.`;
}

/** m: less is nothing that a cause explains. */
const EXPLAINS = 0.05;

export const causeFacts = ({ probability, metres, id }: RankedCause, units: UnitSystem): string =>
  id === 'none' || metres < EXPLAINS
    ? percent(probability)
    : `${percent(probability)} · would explain ${formatAbout(metres, 'distance', units)}`;

export const isSure = ({ probability }: RankedCause): boolean => probability >= CERTAIN_FROM;

/** In what a gain is reported, by what the car aims at. */
export function formatGain({ gain, low, high, chance, isInPoints }: SuggestedChange, design: CarDesign, units: UnitSystem): string {
  const surely = `${percent(Math.min(chance, 0.99))} likely`;
  if (isInPoints)
    return `${formatPoints(gain)} points more in all rounds (${formatRange(formatPoints(low), formatPoints(high))}, 9 in 10) · ${surely}`;
  const goal = goalOf(design.aim);
  const isTime = goal.kind === 'quickest-to';
  const half = Math.max(Math.abs(high - low) / 2, 1e-6);
  const format = (value: number): string => formatKnown(value, half, isTime ? 'time' : 'distance', units);
  const unit = unitOf(isTime ? 'time' : 'distance', units);
  if (Number(format(Math.abs(gain))) === 0)
    return `hardly changes the ${isTime ? 'time' : 'distance'} (${formatRange(format(low), format(high))} ${unit}, 9 in 10)`;
  // What cures the car may cost some of its distance.
  if (gain < 0 && !isTime) return `costs about ${format(-gain)} ${unit} (${formatRange(format(-high), format(-low))}, 9 in 10)`;
  return `${isTime ? 'quicker by' : 'better by'} ${format(gain)} ${unit} (${formatRange(format(low), format(high))}, 9 in 10) · ${surely}`;
}

/** How the next runs of two groups do at the goal. */
export function describeNextRuns(
  { beats, mark }: AtTheMark,
  { scoring }: Pick<Comparison, 'scoring'>,
  goal: Goal,
  units: UnitSystem,
): string {
  const does = scoring.target !== null ? 'stops nearer to the mark' : scoring.by === 'goal' ? DOES[goalRecord(goal).gain] : 'goes further';
  const chance = `The next run of the second ${does ?? 'does better'} than that of the first in ${percent(Math.min(Math.max(beats, 0.01), 0.99))}`;
  if (!mark || scoring.target !== null) return `${chance}.`;
  const [first, second] = mark.reach.map((fraction) => percent(Math.min(Math.max(fraction, 0.01), 0.99)));
  return `${chance}; ${first} of the first’s runs reach the mark at ${formatQuantity(mark.distance, 'distance', units)}, and ${second} of the second’s.`;
}
/** What a better run does, by what is better of it. */
const DOES: Readonly<Record<string, string>> = {
  further: 'goes further',
  sooner: 'is there sooner',
  straighter: 'passes straighter',
};

const VERDICTS: Readonly<Record<Comparison['verdict'], string>> = {
  better: 'Better',
  worse: 'Worse',
  'no-difference': 'No difference that matters',
  'cannot-tell': 'Cannot tell yet',
};

/** How much better the second is: `+12 % (+5 to +19 %, 9 in 10)`, or `0.40 m nearer to the mark (0.10–0.70, 9 in 10)`; from nothing where none started. */
function gainOf({ gain, scoring, starts, middle }: Comparison, units: UnitSystem): string {
  if (!gain) {
    const [first, second] = [middle.before, middle.after].map((value) =>
      Number.isFinite(value) ? formatAbout(value, 'distance', units) : 'nothing',
    );
    return starts ? `from ${first} to ${second}` : 'too few runs';
  }
  const { low, high } = gain;
  if (scoring.target === null) {
    const signed = (fraction: number): string => `${fraction > 0 ? '+' : ''}${percent(fraction)}`;
    return `${signed(gain.middle)} (${percentRange(low, high, signed)}, 9 in 10)`;
  }
  const format = (value: number): string => formatKnown(value, (high - low) / 2, 'distance', units);
  return `${format(gain.middle)} ${unitOf('distance', units)} nearer to the mark (${formatRange(format(low), format(high))}, 9 in 10)`;
}

/** How many runs started, where not all did: `2 of 5 runs started before, 5 of 5 after`. */
const startWords = ({ starts }: Comparison): string =>
  starts
    ? ` ${starts.before.started} of ${starts.before.runs} runs started before, ${starts.after.started} of ${starts.after.runs} after.`
    : '';

/** `Better: +12 % (+5 to +19 %, 9 in 10).` */
/** That runs changed from one to the next anyway, where they did. */
const driftWords = ({ drift }: Comparison): string =>
  drift === null
    ? ''
    : ` Apart from the change, the distance ${drift < 0 ? 'fell' : 'rose'} by about ${percent(Math.abs(Math.expm1(drift)))} from run to run.`;

export function describeVerdict(comparison: Comparison, units: UnitSystem): string {
  const { verdict, more, isInTurn } = comparison;
  const verdictLine = `${VERDICTS[verdict]}: ${gainOf(comparison, units)}.${startWords(comparison)}${driftWords(comparison)}`;
  if (verdict !== 'cannot-tell') return verdictLine;
  if (more !== null) return `${verdictLine} About ${more} more runs of each would decide it in two of three cases.`;
  return isInTurn
    ? `${verdictLine} No practical number of runs would decide it.`
    : `${verdictLine} Run both in turn, one after the other, so that the day affects both alike.`;
}

/** In what else than the car two groups differ: it is then no verdict on the car alone; nothing where they are alike. */
export function describeDifferences(
  a: Pick<TunedGroup, 'wind' | 'direction' | 'design'>,
  b: Pick<TunedGroup, 'wind' | 'direction' | 'design'>,
): string {
  const differs = [
    ...(isSameWind(a.wind, b.wind) ? [] : ['winding']),
    ...(isSameContent(a.design.floor, b.design.floor) ? [] : ['floor']),
    ...(a.direction === b.direction ? [] : ['direction']),
  ];
  if (differs.length === 1 && differs[0] === 'floor' && isSameBuild(a.design, b.design))
    return 'The car is the same: this compares the two floors.';
  return differs.length === 0 ? '' : `They also differ in ${differs.join(' and ')}: this is not a verdict on the car alone.`;
}

/** By what runs were compared, where that is not the goal; else nothing. */
export function describeScoring({ scoring }: Comparison, goal: Goal): string {
  const { quantity, isSteered } = goalRecord(goal);
  if (scoring.by === 'goal' || (quantity === 'distance' && !isSteered && goal.kind !== 'closest-to')) return '';
  const missing = isSteered ? 'how far off the line it stopped' : quantity === 'size' ? 'the twig it climbed' : 'a time at the mark';
  return `Compared by distance: too few of these runs have ${missing}.`;
}

/** What to move, and how sure that is. */
export function describeAlignment({ moves, within, drift, distance, ofFloor }: Straightening, units: UnitSystem): string[] {
  const size = (value: number): string => formatQuantity(value, 'size', units);
  const side = drift < 0 ? 'left' : 'right';
  const seen = `It drifts ${formatQuantity(Math.abs(drift), 'distance', units)} to the ${side} in ${formatQuantity(distance, 'distance', units)}.`;
  const floor =
    ofFloor === null
      ? []
      : [
          Math.abs(ofFloor) > 1e-3
            ? `The slope of the floor takes it to the ${ofFloor < 0 ? 'left' : 'right'} on the way out; both directions together cancel that.`
            : 'The floor takes it to neither side.',
        ];
  if (moves.length === 0) return [`${seen} That is within the scatter of these runs: do not move an axle yet.`, ...floor];
  return [
    seen,
    `Move one of these: ${moves
      .map(
        (move) => `the ${move.end} end of the ${move.axle === 'drive' ? 'drive' : 'other'} axle ${size(move.distance)} ${move.direction}`,
      )
      .join(', or ')} (± ${size(within)}).`,
    ...floor,
  ];
}

/** What became of a change, by the car as it is now. */
export function describeDecision({ isKept, comparison }: LogEntry): string {
  if (comparison === null) return isKept ? 'applied, not judged yet' : 'withdrawn, not judged';
  if (comparison.verdict === 'worse') return isKept ? 'applied, though worse' : 'undone';
  return isKept ? 'kept' : 'undone';
}

/** How runs lie to what was said of them without knowing them; `: as expected.` where that is so. */
export const PLAUSIBILITY_SUFFIX: Readonly<Record<Plausibility, string>> = {
  'as-expected': ': as expected.',
  surprising: '. That is surprising: a correct model is so far off in fewer than 1 of 20 cases.',
  impossible:
    '. No correct model is so far off. Check the entries of these runs: turns, motor and floor. Check what was changed between them.',
};

/** That runs lie far outside the prior range: `Far outside the expected range (1 in 45 cars like this).`; nothing where that is not so. */
export const describeImplausible = ({ verdict, chance }: GroupCheck): string =>
  verdict === 'as-expected'
    ? ''
    : `Far outside the expected range (${verdict === 'impossible' ? 'fewer than 1 in 1000' : `1 in ${Math.round(1 / chance)}`} cars like this). Check the entries before anything else.`;

/** `turns wound: 31 entered; 18 would explain it` */
export const describeEntry = ({ label, quantity, entered, would }: EntryToCheck, units: UnitSystem): string =>
  `${label}: ${formatQuantity(entered, quantity, units)} entered; ${formatAbout(would, quantity, units)} would explain it`;

/** What the runs show besides how far they go: one sentence each. */
export function describeSigns({ drift, perRun, odd, growing }: SignsInRuns): readonly string[] {
  if (drift === 'cannot-tell') return ['Three like runs are needed to tell whether the distance falls or one run is an outlier.'];
  return [
    ...(drift === 'seen'
      ? [
          `From run to run the distance ${perRun < 0 ? 'falls' : 'rises'} by about ${percent(Math.abs(perRun))}${perRun < 0 ? ': wipe wheels and floor, and look for what is loose' : ''}.`,
        ]
      : []),
    ...(growing === 'seen' ? ['They scatter more and more: look for what is loose.'] : []),
    ...(odd === 'cannot-tell' ? ['A fourth like run is needed to tell whether one of them is an outlier.'] : []),
  ];
}
