import { MOTORS } from '../car/motors/motors.ts';
import { floorWords } from '../car/floors.ts';
import { printQuantity, type Print, type UnitSystem } from '../units/quantity.ts';
import type { Brief, Round, Rules } from './brief.ts';
import { goalRecord } from './goals.ts';

const CHANGE: Readonly<Record<Rules['change'], string>> = {
  nothing: 'Nothing may be changed between runs.',
  winding: 'Between runs only the winding may be changed.',
  'one-thing': 'One thing may be changed between runs.',
  anything: 'Anything may be changed between runs.',
};

/** Points by place: `10, 7, 5 points`. */
const pointsWords = (points: readonly number[]): string => (points.length === 0 ? '' : ` Points by place: ${points.join(', ')}.`);

function roundLines({ name, floor, goal, load, runs, counts, points, inOnePiece }: Round, number: number, print: Print): string[] {
  const turns = runs === 1 ? 'One run each.' : `${runs} runs each; the ${counts} counts.`;
  return [
    `${number}. ${name}, on ${floor}`,
    `   ${goalRecord(goal).words(goal, print)}${load > 0 ? ` Each car carries ${print(load, 'weight')}.` : ''} ${turns}${pointsWords(points)}${inOnePiece ? ' A car that comes apart does not count.' : ''}`,
  ];
}

function ruleLines(rules: Rules, print: Print): string[] {
  const limit = (words: string, value: number | null, quantity: 'size' | 'weight' | 'count'): string[] =>
    value === null ? [] : [`At most ${print(value, quantity)} ${words}.`];
  return [
    ...(rules.drives.length > 0 ? [`Driven by ${rules.drives.map((kind) => MOTORS[kind].name).join(', or ')}.`] : []),
    ...(rules.bands === null ? [] : [`At most ${rules.bands} band${rules.bands === 1 ? '' : 's'}.`]),
    ...limit('long', rules.length, 'size'),
    ...limit('wide', rules.width, 'size'),
    ...limit('high', rules.height, 'size'),
    ...limit('ready to run, without a load', rules.mass, 'weight'),
    ...(rules.wheels ? [`From ${rules.wheels.least} to ${rules.wheels.most} wheels.`] : []),
    ...(rules.kit.length > 0 ? [`Made of: ${rules.kit.map(({ name, count }) => `${count} ${name}`).join(', ')}.`] : []),
    ...(rules.budget === '' ? [] : [`It may cost ${rules.budget}.`]),
    ...(rules.minutes === null ? [] : [`Built in ${rules.minutes} minutes.`]),
    CHANGE[rules.change],
    'A run begins with the nose at the line, let go without a push.',
    'School, club and local safety rules come first: fingers out of a trap’s path, glasses by stretched bands, faces and pets off the track.',
  ];
}

/** A brief as one page that can be read out: what counts, the floors, the rules. */
export function ruleSheet(brief: Brief, units: UnitSystem): string {
  const print: Print = (value, quantity) => printQuantity(value, quantity, units).replaceAll('\u00a0', ' ');
  const { name, setBy, rounds, floors, rules } = brief;
  return [
    setBy === '' ? name : `${name}, set by ${setBy}`,
    '',
    'What counts',
    ...rounds.flatMap((round, i) => roundLines(round, i + 1, print)),
    '',
    'Floors',
    ...floors.map(
      ({ name: floor, floor: laid }) =>
        `- ${floor}: ${floorWords(laid, print)}${laid.roomLength === null ? '' : `; ${print(laid.roomLength, 'distance')} to the wall`}${laid.laneWidth === null ? '' : `; lane ${print(laid.laneWidth, 'distance')} wide`}`,
    ),
    '',
    'Rules',
    ...ruleLines(rules, print).map((line) => `- ${line}`),
    '',
  ].join('\n');
}
