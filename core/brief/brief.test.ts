import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { readBrief } from '../files/read.ts';
import { driftAfter } from '../predict/straightness.ts';
import { printQuantity, type Print } from '../units/quantity.ts';
import type { Brief, Round, Rules } from './brief.ts';
import { GOALS, wayWithin, type Goal } from './goals.ts';
import { judgeCar, judgeRound, roundWords, type JudgedRound } from './judge.ts';
import { judgeRules } from './rules.ts';
import { ruleSheet } from './rule-sheet.ts';

const trophy = JSON.parse(readFileSync('server/demo/skerrow-lull-trophy.brief.json', 'utf8')) as Brief;
const print: Print = (value, quantity) => printQuantity(value, quantity, 'metric');
const lever = newCar('x');
const band = newCar('x', 'band');
const roller = newCar('x', 'twist');
const round = (goal: Goal, more: Partial<Round> = {}): Round => ({ ...trophy.rounds[0]!, goal, ...more });
const ran = (judged: JudgedRound) => {
  if (judged.kind !== 'ran') throw new Error(judged.kind);
  return judged;
};
const judged = (goal: Goal, car: CarDesign = lever, more: Partial<Round> = {}) => ran(judgeRound(car, trophy, round(goal, more)));

const GOALS_ASKED: readonly Goal[] = [
  { kind: 'furthest' },
  { kind: 'at-least', distance: 5 },
  { kind: 'quickest-to', distance: 6 },
  { kind: 'closest-to', distance: 12 },
  { kind: 'straightest' },
  { kind: 'within-lane', width: 2 },
  { kind: 'through-gap', distance: 5, width: 0.8 },
  { kind: 'carry', distance: 4 },
  { kind: 'load-distance' },
  { kind: 'speed-and-distance', distance: 6, weight: 10 },
];

describe('a goal', () => {
  it.each(GOALS_ASKED.map((goal) => [goal.kind, goal] as const))(
    '%s is told, measured and said in a line, in both systems of units',
    (_kind, goal) => {
      const loaded: CarDesign = { ...lever, load: { mass: 0.05, fromDriveAxle: 0.1 } };
      const one = judged(goal, loaded);
      expect(one.bounds.low).toBeLessThanOrEqual(one.bounds.middle);
      expect(one.bounds.middle).toBeLessThanOrEqual(one.bounds.high);
      for (const units of ['metric', 'inch'] as const) {
        expect(GOALS[goal.kind].words(goal as never, print)).toMatch(/^[A-Z].*\.$/);
        expect(roundWords(round(goal), one, units)).not.toMatch(/NaN|undefined|Infinity/);
      }
    },
  );
  it('is likelier the less it asks, and never surer than the sample', () => {
    const [near, far, never] = [3, 20, 200].map((distance) => judged({ kind: 'at-least', distance }));
    expect(near!.chance!).toBeGreaterThan(far!.chance!);
    expect(roundWords(round({ kind: 'at-least', distance: 3 }), near!, 'metric')).toContain('over 99');
    expect(roundWords(round({ kind: 'at-least', distance: 200 }), never!, 'metric')).toContain('under 1');
    const [wide, narrow] = [4, 0.2].map((width) => judged({ kind: 'through-gap', distance: 5, width }).chance!);
    expect(wide!).toBeGreaterThan(narrow!);
  });
  it('quickest counts only cars that get there', () => {
    const one = judged({ kind: 'quickest-to', distance: 500 });
    expect(one.chance).toBe(0);
    expect(roundWords(round({ kind: 'quickest-to', distance: 500 }), one, 'metric')).toContain('no run counts');
  });
  it('a lane is left where the circle it drives on comes to its edge (geometry)', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 1, noNaN: true }), fc.double({ min: 0.05, max: 1, noNaN: true }), (curvature, off) => {
        const way = wayWithin(curvature, off);
        if (way < Infinity) expect(driftAfter(curvature, way)).toBeCloseTo(off, 9);
        else expect(curvature * off).toBeGreaterThanOrEqual(2);
        expect(wayWithin(-curvature, off)).toBe(way);
      }),
    );
    expect(wayWithin(0, 1)).toBe(Infinity);
  });
  it('of straightness cannot be told of a roller', () => {
    const one = judgeRound(roller, trophy, round({ kind: 'straightest' }));
    expect(one.kind).toBe('unknown');
    expect(roundWords(round({ kind: 'straightest' }), one, 'metric')).toContain('cannot tell');
  });
  it('load times distance is the car’s own load, and a round’s load is carried by all', () => {
    const loaded: CarDesign = { ...lever, load: { mass: 0.1, fromDriveAxle: 0.13 } };
    const { bounds } = judged({ kind: 'load-distance' }, loaded);
    const distance = judged({ kind: 'furthest' }, lever, { load: 0.1 }).bounds.middle;
    expect(bounds.middle / distance).toBeCloseTo(0.1, 2);
    expect(distance).toBeLessThan(judged({ kind: 'furthest' }).bounds.middle);
  });
  it('the highest twig is one of the row, or none', () => {
    const edges = [0.002, 0.004, 0.055].map((height, i) => ({ at: 2 + i, height }));
    const rough: Brief = { ...trophy, floors: [{ name: 'twigs', floor: { ...lever.floor, edges } }] };
    const { bounds } = ran(judgeRound(lever, rough, round({ kind: 'highest-edge' }, { floor: 'twigs' })));
    for (const bound of Object.values(bounds))
      expect([0, 0.002, 0.004, 0.055].some((height) => Math.abs(height - bound) < 0.002)).toBe(true);
    expect(bounds.high).toBeLessThan(0.055);
  });
});

describe('rules', () => {
  const rules = (more: Partial<Rules>): Rules => ({ ...trophy.rules, ...more });
  const verdictOf = (name: string, car: CarDesign, more: Partial<Rules>) =>
    judgeRules(car, rules(more), print).find((rule) => rule.name === name)?.verdict;
  it('are met, close or broken by the car’s own numbers', () => {
    expect(verdictOf('width', lever, { width: 0.2 })).toBe('met');
    expect(verdictOf('width', lever, { width: 0.124 })).toBe('close');
    expect(verdictOf('width', lever, { width: 0.12 })).toBe('broken');
    expect(verdictOf('width', lever, { width: null })).toBeUndefined();
    expect(verdictOf('bands', band, { bands: 2 })).toBe('met');
    expect(verdictOf('bands', band, { bands: 1 })).toBe('broken');
    expect(verdictOf('drive', lever, { drives: ['band'] })).toBe('broken');
    expect(verdictOf('drive', band, { drives: ['band'] })).toBe('met');
    expect(verdictOf('wheels', roller, { wheels: { least: 3, most: 4 } })).toBe('broken');
    expect(verdictOf('wheels', { ...band, layout: { ...band.layout, otherWheelCount: 1 } }, { wheels: { least: 3, most: 3 } })).toBe('met');
  });
});

describe('a brief', () => {
  it('of the Skerrow Lull Trophy is read, and its sheet says all that counts', () => {
    expect(readBrief(trophy)).toMatchObject({ kind: 'read' });
    const sheet = ruleSheet(trophy, 'metric');
    for (const { name, floor } of trophy.rounds) expect(sheet).toContain(`${name}, on ${floor}`);
    for (const words of ['600 mm long', '400 g', 'safety rules come first', 'without a push', 'carries 100 g'])
      expect(sheet).toContain(words);
    expect(ruleSheet(trophy, 'inch')).toContain('in long');
  });
  it('judges a car by every rule and round, the same each time', () => {
    const first = judgeCar(band, trophy, print);
    expect(first.rounds.map(({ name }) => name)).toEqual(trophy.rounds.map(({ name }) => name));
    expect(judgeCar(band, trophy, print)).toEqual(first);
  });
  it.each([
    ['rounds[0].floor', { rounds: [{ ...trophy.rounds[0]!, floor: 'nowhere' }] }],
    ['rounds[0].floor', { rounds: [round({ kind: 'highest-edge' })] }],
    [
      'floors[1].name',
      { floors: [trophy.floors[0]!, { ...trophy.floors[1]!, name: trophy.floors[0]!.name }], rounds: [trophy.rounds[0]!] },
    ],
    ['rules.wheels.most', { rules: { ...trophy.rules, wheels: { least: 4, most: 3 } } }],
    ['rounds[0].goal.distance', { rounds: [round({ kind: 'at-least', distance: -1 })] }],
  ])('with a fault at %s is refused by that key', (path, change) => {
    expect(readBrief({ ...trophy, ...change })).toMatchObject({ kind: 'faulty', faults: [{ path }] });
  });
});
