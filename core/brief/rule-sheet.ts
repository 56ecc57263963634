import { describeFloor } from '../car/floors.ts';
import { MOTORS } from '../car/motors/motors.ts';
import { type Format, formatIn, plainly, type UnitSystem } from '../units/quantity.ts';
import type { Brief, Round, Rules } from './brief.ts';
import { goalRecord } from './goals.ts';
import { NAMED_PARTS } from './rules.ts';

/** What may be changed between runs. */
export const CHANGES: Readonly<Record<Rules['change'], string>> = {
  nothing: 'Nothing may be changed between runs.',
  winding: 'Between runs only the winding may be changed.',
  'one-thing': 'One thing may be changed between runs.',
  anything: 'Anything may be changed between runs.',
};

/** What settles a tie. */
export const TIES: Readonly<Record<NonNullable<Rules['ties']>, string>> = {
  shared: 'Cars that tie share the place.',
  'next-best': 'Cars that tie are ranked by their next best runs.',
  'run-off': 'A tie is settled by one more run each.',
};

/** Which of its runs count for a car. */
const COUNTS: Readonly<Record<Round['counts'], string>> = {
  best: 'the best',
  'best-two': 'the mean of the two best',
  mean: 'the mean',
  sum: 'the sum',
};

/** What a run that is missing does, or one that does not count. */
const MISSING_RUN: Readonly<Record<NonNullable<Round['missing']>, string>> = {
  worst: 'A run that is missing or does not count is given the worst result: no distance, or the longest time of the round.',
  all: 'A car with a run that is missing or does not count has no score.',
};

/** What is the same under every brief. */
const ALWAYS = [
  'A run begins with the nose at the line. The car is released without a push.',
  'School, club and local safety rules come first. Keep fingers out of a trap’s path. Wear glasses near stretched bands. Keep faces and pets off the track.',
] as const;

/** What counts in a round, as sentences to be read out. */
export function roundSentences({ goal, load, runs, counts, missing = 'worst', points, inOnePiece }: Round, format: Format): string {
  return [
    goalRecord(goal).words(goal, format),
    ...(load > 0 ? [`Each car carries ${format(load, 'weight')}.`] : []),
    runs === 1 ? 'One run each.' : `${runs} runs each; ${COUNTS[counts]} counts.`,
    ...(runs === 1 || counts === 'best' ? [] : [MISSING_RUN[missing]]),
    ...(points.length === 0 ? [] : [`Points by place: ${points.join(', ')}.`]),
    ...(inOnePiece ? ['A car that comes apart does not count.'] : []),
  ].join(' ');
}

/** A floor of a brief, in a line. */
export const floorSentence = ({ floor }: Brief['floors'][number], format: Format): string =>
  [
    describeFloor(floor, format),
    ...(floor.roomLength === null ? [] : [`${format(floor.roomLength, 'distance')} to the wall`]),
    ...(floor.laneWidth === null ? [] : [`lane ${format(floor.laneWidth, 'distance')} wide`]),
  ].join('; ');

const namesOf = (keys: readonly string[] | undefined, table: Readonly<Record<string, { readonly label: string }>>): string[] =>
  (keys ?? []).map((key) => table[key]?.label ?? key);

/** A rule of the brief by its key, as a sentence. */
export interface RuleSentence {
  /** A key of the rules, with the number of it where there are several: `least.length`, `more.0`. */
  readonly key: string;
  readonly words: string;
}

/** What is measured as the length. */
export const LENGTHS: Readonly<Record<NonNullable<Rules['lengthOf']>, string>> = {
  all: 'The length is measured over the whole car.',
  body: 'The length is measured over the body.',
  wheelbase: 'The length is measured from axle to axle.',
};

/** How a lever stands when a car is measured. */
export const LEVER_AT: Readonly<Record<NonNullable<Rules['leverAt']>, string>> = {
  cocked: 'A car is measured wound, with its lever cocked as at the line.',
  rest: 'A car is measured unwound, with its lever at rest.',
  largest: 'A car is measured where its moving lever makes it largest.',
};

/** Up to what of the car a distance is measured. */
export const MEASURED_AT: Readonly<Record<NonNullable<Rules['measuredAt']>, string>> = {
  nose: 'Distances are measured from the line to the nose of the car.',
  rear: 'Distances are measured from the line to the rear of the car.',
  'last-wheel': 'Distances are measured from the line to the last wheel of the car.',
};

/** What the rules ask of a car, a sentence each; what is not asked is left out. */
export function carRules(rules: Rules, format: Format): RuleSentence[] {
  const rule = (key: RuleSentence['key'], words: string | false): RuleSentence[] => (words === false ? [] : [{ key, words }]);
  const most = (key: 'length' | 'width' | 'height' | 'mass', words: string): RuleSentence[] =>
    rule(key, rules[key] !== null && `At most ${format(rules[key], key === 'mass' ? 'weight' : 'size')} ${words}.`);
  const named = (key: RuleSentence['key'], what: string, names: readonly string[]): RuleSentence[] =>
    rule(key, names.length > 0 && `${what}: ${names.join(', or ')}.`);
  const { drives, bands, parts, wheels, kit, budget, minutes, least = {}, forbidden = [], more = [] } = rules;
  const atLeast = (key: 'length' | 'width' | 'height' | 'mass', words: string): RuleSentence[] => {
    const value = least[key];
    return value === undefined ? [] : rule(`least.${key}`, `At least ${format(value, key === 'mass' ? 'weight' : 'size')} ${words}.`);
  };
  return [
    ...rule('drives', drives.length > 0 && `Driven by ${drives.map((kind) => MOTORS[kind].name).join(', or ')}.`),
    ...rule('bands', bands !== null && `At most ${bands} band${bands === 1 ? '' : 's'}, counting bands used as tyres.`),
    ...rule('parts', parts != null && `At most ${parts} parts: body, wheels, axles, bearings, tyres, motor and what is added.`),
    ...named('bandSizes', 'Bands', namesOf(rules.bandSizes, NAMED_PARTS.bandSizes)),
    ...named('traps', 'Traps', namesOf(rules.traps, NAMED_PARTS.traps)),
    ...most('length', 'long'),
    ...atLeast('length', 'long'),
    ...most('width', 'wide'),
    ...atLeast('width', 'wide'),
    ...most('height', 'high'),
    ...atLeast('height', 'high'),
    ...most('mass', 'ready to run, without a load'),
    ...atLeast('mass', 'ready to run, without a load'),
    ...rule(
      'wheels',
      wheels !== null && (wheels.least === wheels.most ? `${wheels.least} wheels.` : `From ${wheels.least} to ${wheels.most} wheels.`),
    ),
    ...rule('kit', kit.length > 0 && `Made of: ${kit.map(({ name, count }) => `${count} ${name}`).join(', ')}.`),
    ...rule('budget', budget !== '' && `It may cost ${budget}.`),
    ...rule('minutes', minutes !== null && `Built in ${minutes} minutes.`),
    ...rule('forbidden', forbidden.length > 0 && `Not allowed: ${forbidden.join(', ')}.`),
    ...more.map((words, i): RuleSentence => ({ key: `more.${i}`, words: /[.!?]$/.test(words.trim()) ? words.trim() : `${words.trim()}.` })),
  ];
}

/** What a wall, a lane and a line do to a run, on the floors of a brief. */
function runRules({ floors, rules }: Pick<Brief, 'floors' | 'rules'>, format: Format): string[] {
  const { measuredAt = 'nose', penalty } = rules;
  return [
    MEASURED_AT[measuredAt],
    ...(floors.some(({ floor }) => floor.roomLength !== null)
      ? ['A car that hits the wall is credited with that distance. No run counts beyond the wall.']
      : []),
    ...(floors.some(({ floor }) => floor.laneWidth !== null) ? ['In a lane, a run counts while the middle of the car stays inside.'] : []),
    ...(penalty === undefined ? [] : [`Each line that a wheel crosses costs ${format(penalty, 'distance')} of the distance.`]),
  ];
}

/** The rules, a sentence each: what a car must be, then how a run counts. */
export const ruleSentences = ({ floors, rules }: Pick<Brief, 'floors' | 'rules'>, format: Format): string[] => [
  ...carRules(rules, format).map(({ words }) => words),
  ...(rules.length !== null || rules.least?.length !== undefined ? [LENGTHS[rules.lengthOf ?? 'all']] : []),
  ...((['length', 'height'] as const).some((key) => rules[key] !== null || rules.least?.[key] !== undefined)
    ? [LEVER_AT[rules.leverAt ?? 'cocked']]
    : []),
  CHANGES[rules.change],
  ...runRules({ floors, rules }, format),
  TIES[rules.ties ?? 'shared'],
  ...ALWAYS,
];

/** A brief as one page that can be read out: what counts, the floors, the rules. */
export function ruleSheet(brief: Brief, units: UnitSystem): string {
  const format: Format = plainly(formatIn(units));
  const { name, setBy, rounds, floors } = brief;
  return [
    setBy === '' ? name : `${name}, set by ${setBy}`,
    '',
    'What counts',
    ...rounds.flatMap((round, i) => [`${i + 1}. ${round.name}, on ${round.floor}`, `   ${roundSentences(round, format)}`]),
    '',
    'Floors',
    ...floors.map((floor) => `- ${floor.name}: ${floorSentence(floor, format)}`),
    '',
    'Rules',
    ...ruleSentences(brief, format).map((line) => `- ${line}`),
    '',
  ].join('\n');
}
