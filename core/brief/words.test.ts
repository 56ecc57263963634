import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { newCar } from '../car/new-car.ts';
import { formatIn, plainly } from '../units/quantity.ts';
import { limitsOf, sizesToChoose, type Brief, type Round } from './brief.ts';
import { aimWords } from './aim-words.ts';
import { aimOf, type Goal } from './goal.ts';
import { measureOf } from './goals.ts';
import { describeRound, summarizeRound, describeWall, type JudgedRound } from './judge.ts';
import { NO_RULES, newRound, plainFloor, withTwigs } from './new-brief.ts';
import { floorSentence, roundSentences, ruleSentences } from './rule-sheet.ts';
import { judgeRules, describeCompliance } from './rules.ts';

const trophy = JSON.parse(readFileSync('server/demo/skerrow-lull-trophy.brief.json', 'utf8')) as Brief;
const plain = (text: string): string => text.replaceAll('\u00a0', ' ');
const format = plainly(formatIn('metric'));
const round = (goal: Goal, more: Partial<Round> = {}): Round => ({ ...newRound('One', 'the hall', goal), ...more });
const ran = (low: number, middle: number, high: number, chance: number | null = null, atWall = 0): JudgedRound => ({
  name: 'One',
  kind: 'ran',
  bounds: { low, middle, high },
  chance,
  atWall,
});

describe('a judgement in words', () => {
  it.each<[Goal, JudgedRound, string]>([
    [{ kind: 'furthest' }, ran(13, 18, 26), 'about 18 m; cars built like this: 13–26 (8 in 10)'],
    [{ kind: 'at-least', distance: 5 }, ran(8, 9, 10, 0.97), '97 % likely; about 9.0 m; cars built like this: 8.0–10.0 (8 in 10)'],
    [
      { kind: 'quickest-to', distance: 6 },
      ran(2.8, 3.1, 3.6, 1),
      'over 99 % likely; about 3.1 s to 6.00 m; cars built like this: 2.8–3.6 (8 in 10)',
    ],
    [
      { kind: 'carry', distance: 4 },
      ran(0.2, 0.31, 0.4, 0.8),
      '80 % likely; about 310 g carried over 4.00 m; cars built like this: 200–400 (8 in 10)',
    ],
    [{ kind: 'furthest' }, ran(0, 0, 0), 'it does not start'],
    [{ kind: 'closest-to', distance: 3 }, ran(0, 0, 0), 'about 0.00 m from the mark at 3.00 m'],
    [{ kind: 'quickest-to', distance: 6 }, ran(NaN, NaN, NaN, 0), 'under 1 % likely; no run counts'],
    [{ kind: 'furthest' }, { name: 'One', kind: 'unknown', atWall: 0 }, 'cannot tell: nothing is known about how straight a roller runs'],
  ])('%o', (goal, judged, words) => expect(plain(describeRound(round(goal), judged, 'metric'))).toBe(words));
  it('says how many come to the wall, where that is not after what counts', () => {
    const words = (goal: Goal, judged: JudgedRound): string[] => describeWall(goal, judged, 'metric').map(plain);
    expect(words({ kind: 'furthest' }, ran(1, 2, 3, null, 0.5))).toEqual(['5 in 10 reach the wall']);
    expect(words({ kind: 'furthest' }, ran(1, 2, 3, null, 0.01))).toEqual([]);
    expect(words({ kind: 'quickest-to', distance: 6 }, ran(1, 2, 3, null, 1))).toEqual([]);
    expect(
      plain(describeRound(round({ kind: 'furthest' }), { ...ran(16.1, 18.5, 18.5, null, 0.8), wall: 18.5 } as JudgedRound, 'metric')),
    ).toBe('9 in 10 go 16.1 m or further; 8 in 10 reach the wall at 18.50 m');
    expect(words({ kind: 'at-least', distance: 30 }, { ...ran(6, 6, 6, 0, 1), wall: 6 } as JudgedRound)).toEqual([
      'the wall is at 6.00 m: no run there can go further',
    ]);
    expect(plain(describeRound(round({ kind: 'furthest' }), ran(13, 18, 26, null, 0.8), 'metric'))).toMatch(/; 8 in 10 reach the wall$/);
  });
  it.each<[Goal, JudgedRound, string]>([
    [{ kind: 'through-gap', distance: 5, width: 0.8 }, ran(0.1, 0.3, 0.8, 0.5), '50 % likely'],
    [{ kind: 'quickest-to', distance: 6 }, ran(2.8, 3.1, 3.6, 1), 'about 3.1 s'],
    [{ kind: 'quickest-to', distance: 6 }, ran(NaN, NaN, NaN, 0), 'stops short'],
    [{ kind: 'furthest' }, ran(0, 0, 0), 'does not start'],
    [{ kind: 'furthest' }, { name: 'One', kind: 'refused', faults: [] }, 'cannot run'],
    [{ kind: 'furthest' }, { name: 'One', kind: 'unknown', atWall: 0 }, 'cannot tell'],
  ])('%o in short', (goal, judged, words) => expect(plain(summarizeRound(round(goal), judged, 'metric'))).toBe(words));
  it('of a score is the figure it stands for, or that the car does not get there', () => {
    const quick = aimOf({ kind: 'quickest-to', distance: 6 });
    expect(plain(aimWords(quick, 'metric').formatScore(-3.14))).toMatch(/^about 3(\.1)? s to 6\.00 m$/);
    expect(aimWords(quick, 'metric').formatScore(-1001)).toBe('stops short');
    expect(measureOf({ kind: 'furthest' }, 8)).toBe(8);
    expect(plain(describeRound(round({ kind: 'load-distance' }), ran(0.8, 1, 1.2), 'metric'))).toBe(
      'about 1.0 kg·m load times distance; cars built like this: 0.80–1.2 (8 in 10)',
    );
  });
});

describe('a sheet', () => {
  it('says of a round what counts, what is carried, how often, for what, and in how many pieces', () =>
    expect(roundSentences(round({ kind: 'furthest' }, { load: 0.1, runs: 1, points: [5, 3], inOnePiece: true }), format)).toBe(
      'The longest distance counts. Each car carries 100 g. One run each. Points by place: 5, 3. A car that comes apart does not count.',
    ));
  it('says what a missing run does, where more than one counts', () => {
    expect(roundSentences(round({ kind: 'furthest' }, { runs: 3, counts: 'best-two' }), format)).toContain(
      '3 runs each; the mean of the two best counts. A run that is missing or does not count is given the worst result',
    );
    expect(roundSentences(round({ kind: 'furthest' }, { runs: 1, counts: 'best-two' }), format)).toBe(
      'The longest distance counts. One run each.',
    );
    expect(roundSentences(round({ kind: 'furthest' }, { runs: 3 }), format)).toBe(
      'The longest distance counts. 3 runs each; the best counts.',
    );
  });
  it('says every rule that is set, and what is the same under all', () => {
    const rules = ruleSentences(
      {
        floors: [{ name: 'x', floor: { ...plainFloor(4), laneWidth: 0.8 } }],
        rules: {
          ...NO_RULES,
          drives: ['band'],
          bands: 1,
          bandSizes: ['64'],
          traps: ['household'],
          wheels: { least: 3, most: 3 },
          kit: [{ name: 'straws', count: 2 }],
          budget: 'two coins',
          minutes: 90,
          change: 'nothing',
          ties: 'run-off',
          least: { length: 0.2 },
          measuredAt: 'rear',
          lengthOf: 'body',
          forbidden: ['ready-made wheels'],
          penalty: 0.5,
          more: ['Crews wear their colours', ' No lead. ', 'Use 1.5 mm card'],
        },
      },
      format,
    );
    for (const words of [
      'Driven by bands on the axle.',
      'At most 1 band, counting bands used as tyres.',
      'At least 200 mm long.',
      'The length is measured over the body.',
      'Distances are measured from the line to the rear of the car.',
      /^A car that hits the wall/,
      /^In a lane, a run counts/,
      'Each line that a wheel crosses costs 0.50 m of the distance.',
      'Not allowed: ready-made wheels.',
      'Crews wear their colours.',
      'No lead.',
      'Use 1.5 mm card.',
      /^Bands: size 64/,
      /^Traps: household/,
      '3 wheels.',
      'Made of: 2 straws.',
      'It may cost two coins.',
      'Built in 90 minutes.',
      'Nothing may be changed between runs.',
      'A tie is settled by one more run each.',
      /without a push/,
    ])
      expect(rules).toContainEqual(expect.stringMatching(words instanceof RegExp ? words : new RegExp(`^${words}$`)));
    // What may be changed, how a distance is measured, ties, the start, and safety: the same under all.
    expect(ruleSentences({ floors: [{ name: 'x', floor: plainFloor(null) }], rules: NO_RULES }, format)).toHaveLength(5);
  });
  it('lays a floor in a line', () => {
    expect(floorSentence({ name: 'x', floor: { ...plainFloor(4), laneWidth: 0.8 } }, format)).toBe(
      'smooth floor or linoleum; 4.00 m to the wall; lane 0.80 m wide',
    );
    expect(floorSentence({ name: 'x', floor: plainFloor(null) }, format)).toBe('smooth floor or linoleum');
  });
});

describe('how a car stands to its rules', () => {
  const car = newCar('x');
  const standing = (more: Partial<Brief['rules']>) => describeCompliance(judgeRules(car, limitsOf({ ...NO_RULES, ...more })), format);
  it('tells what is broken before what is close, and else that all are kept', () => {
    expect(standing({})).toEqual({ verdict: 'met', words: '✓ follows every rule' });
    expect(standing({ width: 0.124 })).toMatchObject({ verdict: 'close', words: expect.stringMatching(/^! close to a limit: width/) });
    expect(standing({ width: 0.124, length: 0.2 })).toMatchObject({
      verdict: 'broken',
      words: expect.stringMatching(/^✕ breaks: length .* of 200 mm allowed$/),
    });
  });
});

describe('what is the brief’s own', () => {
  const worksTo = { id: crypto.randomUUID(), round: 0 };
  const ids = (car: Parameters<typeof sizesToChoose>[0]): string[] => sizesToChoose(car).map(({ id }) => id);
  it('is no size to choose: the floor, and the load unless it is what counts', () => {
    const car = newCar('x');
    expect(ids(car)).toEqual(expect.arrayContaining(['load', 'slope']));
    const asked = ids({ ...car, brief: worksTo });
    expect(asked).not.toContain('load');
    expect(asked).not.toContain('slope');
    expect(asked).toContain('leverLength');
    expect(ids({ ...car, brief: worksTo, aim: aimOf({ kind: 'load-distance' }) })).toContain('load');
  });
  it('has twigs on a floor where they are to be climbed, and leaves the others', () => {
    const climbed = withTwigs({ ...trophy, rounds: [{ ...trophy.rounds[0]!, goal: { kind: 'highest-edge' } }] });
    expect(climbed.floors[0]!.floor.edges.length).toBeGreaterThan(1);
    expect(climbed.floors[1]!.floor.edges).toEqual([]);
    expect(withTwigs(climbed)).toEqual(climbed);
  });
});
