import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { readBrief } from '../files/read.ts';
import { MOTOR_KINDS } from '../car/motors/motors.ts';
import { predictRun } from '../predict/predict-run.ts';
import { driftAfter } from '../predict/straightness.ts';
import { type Format, formatIn } from '../units/quantity.ts';
import { designForBrief, limitsOf, type Brief, type Round, type Rules } from './brief.ts';
import { floorChoices } from './floor-choices.ts';
import { aimOf, goalOf, goalOfKind, type Goal } from './goal.ts';
import { measuresOf } from '../geometry/measures.ts';
import { GOALS, goalRecord, goalScore, hasFallenShort, measuredInRoom, distanceWithinLane, type GoalRun } from './goals.ts';
import { judgeCar, judgeRound, describeRound, type JudgedRound } from './judge.ts';
import { measuredOfRecord } from './measured-run.ts';
import { judgeRules } from './rules.ts';
import { briefOfAnswers, firstCar, TEMPLATES } from './new-brief.ts';
import { bestLoad, mostLoad } from './most-load.ts';
import { ruleSheet } from './rule-sheet.ts';

const trophy = JSON.parse(readFileSync('server/demo/skerrow-lull-trophy.brief.json', 'utf8')) as Brief;
const format: Format = formatIn('metric');
const lever = newCar('x');
const band = newCar('x', 'band');
const roller = newCar('x', 'twist');
const round = (goal: Goal, more: Partial<Round> = {}): Round => ({ ...trophy.rounds[0]!, goal, ...more });
const ran = (judged: JudgedRound) => {
  if (judged.kind !== 'ran') throw new Error(judged.kind);
  return judged;
};
const judged = (goal: Goal, car: CarDesign = lever, more: Partial<Round> = {}) => ran(judgeRound(car, trophy, round(goal, more)));

/** What a run comes to by a goal, in its room. */
const measured = (goal: Goal, run: GoalRun): number | null => goalRecord(goal).measure(goal, measuredInRoom(goal, run));

const GOALS_ASKED: readonly Goal[] = [
  { kind: 'furthest' },
  { kind: 'at-least', distance: 5 },
  { kind: 'quickest-to', distance: 6 },
  { kind: 'closest-to', distance: 12 },
  { kind: 'stop-within', distance: 12, width: 2 },
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
        expect(goalRecord(goal).words(goal, format)).toMatch(/^[A-Z].*\.$/);
        expect(describeRound(round(goal), one, units)).not.toMatch(/NaN|undefined|Infinity/);
      }
    },
  );
  it('is likelier the less it asks, and never surer than the sample', () => {
    const [near, far, never] = [3, 20, 200].map((distance) => judged({ kind: 'at-least', distance }));
    expect(near!.chance!).toBeGreaterThan(far!.chance!);
    expect(describeRound(round({ kind: 'at-least', distance: 3 }), near!, 'metric')).toContain('over 99');
    expect(describeRound(round({ kind: 'at-least', distance: 200 }), never!, 'metric')).toContain('under 1');
    const [wide, narrow] = [4, 0.2].map((width) => judged({ kind: 'through-gap', distance: 5, width }).chance!);
    expect(wide!).toBeGreaterThan(narrow!);
  });
  it('of a gap is met with what the car leaves of it: 0.8 m of gap and 0.2 m of car are 0.3 m to each side', () => {
    const goal: Goal = { kind: 'through-gap', distance: 5, width: 0.8 };
    const isMet = (aside: number, distance = 6): boolean => goalRecord(goal).isMet!(goal, { distance, asideAtGap: aside, width: 0.2 });
    expect([0.299, -0.299, 0.301, -0.301].map((aside) => isMet(aside))).toEqual([true, true, false, false]);
    expect(isMet(0, 4.9)).toBe(false);
    // The model's own car is as wide as it is drawn: by its curve off the line at the gap.
    const design = { ...lever, floor: { ...lever.floor, roomLength: null } };
    const prediction = predictRun(design);
    const half = (0.8 - measuresOf(lever).width) / 2;
    const run = (curvature: number): GoalRun => ({ design, result: prediction.kind === 'ran' ? prediction.result : null!, curvature });
    const fits = (curvature: number): boolean => goalRecord(goal).isMet!(goal, measuredInRoom(goal, run(curvature)));
    // Small curves: off the line by κ s²/2.
    expect([0.98, 1.02].map((by) => fits((by * 2 * half) / 25))).toEqual([true, false]);
  });
  it('quickest counts only cars that get there', () => {
    const one = judged({ kind: 'quickest-to', distance: 500 });
    expect(one.chance).toBe(0);
    expect(describeRound(round({ kind: 'quickest-to', distance: 500 }), one, 'metric')).toContain('no run counts');
  });
  it('a lane is left where the circle it drives on comes to its edge (geometry)', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 1, noNaN: true }), fc.double({ min: 0.05, max: 1, noNaN: true }), (curvature, off) => {
        const way = distanceWithinLane(curvature, off);
        if (way < Infinity) expect(driftAfter(curvature, way)).toBeCloseTo(off, 9);
        else expect(curvature * off).toBeGreaterThanOrEqual(2);
        expect(distanceWithinLane(-curvature, off)).toBe(way);
      }),
    );
    expect(distanceWithinLane(0, 1)).toBe(Infinity);
  });
  it('of straightness cannot be told of a roller', () => {
    const one = judgeRound(roller, trophy, round({ kind: 'straightest' }));
    expect(one.kind).toBe('unknown');
    expect(describeRound(round({ kind: 'straightest' }), one, 'metric')).toContain('cannot tell');
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
    judgeRules(car, limitsOf(rules(more))).find((rule) => rule.name === name)?.verdict;
  it('are met, close or broken by the car’s own numbers', () => {
    expect(verdictOf('width', lever, { width: 0.2 })).toBe('met');
    expect(verdictOf('width', lever, { width: 0.124 })).toBe('close');
    expect(verdictOf('width', lever, { width: 0.12 })).toBe('broken');
    expect(verdictOf('width', lever, { width: null })).toBeUndefined();
    // Two that drive it, and two on its wheels.
    expect(verdictOf('bands', band, { bands: 4 })).toBe('met');
    expect(verdictOf('bands', band, { bands: 3 })).toBe('broken');
    expect(verdictOf('bands', { ...band, tyre: 'card-edge' }, { bands: 2 })).toBe('met');
    // Body, 4 wheels, 2 axles, 4 bearings, 2 tyres and 4 of the trap.
    expect(verdictOf('parts', lever, { parts: 17 })).toBe('met');
    expect(verdictOf('parts', lever, { parts: 16 })).toBe('broken');
    expect(verdictOf('parts', lever, { parts: null })).toBeUndefined();
    expect(verdictOf('least length', lever, { least: { length: measuresOf(lever).length + 0.001 } })).toBe('broken');
    expect(verdictOf('least length', lever, { least: { length: measuresOf(lever).length - 0.001 } })).toBe('close');
    expect(verdictOf('length', lever, { length: lever.wheelbase, lengthOf: 'wheelbase' })).toBe('close');
    expect(verdictOf('length', lever, { length: lever.wheelbase })).toBe('broken');
    // Cocked it is 380 mm long and as high as its wheels; at rest its lever reaches 39 mm beyond them; upright it is 252 mm high.
    expect(verdictOf('length', lever, { length: 0.4, leverAt: undefined })).toBe('met');
    expect(verdictOf('length', lever, { length: 0.4, leverAt: 'rest' })).toBe('broken');
    expect(verdictOf('height', lever, { height: 0.2, leverAt: 'rest' })).toBe('met');
    expect(verdictOf('height', lever, { height: 0.2, leverAt: 'largest' })).toBe('broken');
    expect(verdictOf('drive', lever, { drives: ['band'] })).toBe('broken');
    expect(verdictOf('drive', band, { drives: ['band'] })).toBe('met');
    expect(verdictOf('size of bands', band, { bandSizes: ['117'] })).toBe('broken');
    expect(verdictOf('size of bands', lever, { bandSizes: ['117'] })).toBeUndefined();
    expect(verdictOf('kind of trap', lever, { traps: ['large'] })).toBe('broken');
    expect(verdictOf('kind of trap', lever, { traps: ['household', 'large'] })).toBe('met');
    expect(verdictOf('wheels', roller, { wheels: { least: 3, most: 4 } })).toBe('broken');
    expect(verdictOf('wheels', { ...band, layout: { ...band.layout, otherWheelCount: 1 } }, { wheels: { least: 3, most: 3 } })).toBe('met');
  });
});

describe('how far a run counts', () => {
  const endless: CarDesign['floor'] = { ...lever.floor, roomLength: null, laneWidth: null };
  const run = (floor: CarDesign['floor'], curvature = 0, limits = lever.limits): GoalRun => {
    const design = { ...lever, floor, limits };
    const prediction = predictRun(design, { kind: 'full' }, { marks: [3, 8] });
    if (prediction.kind === 'refused') throw new Error('refused');
    return { design, result: prediction.result, curvature };
  };
  const whole = run(endless).result;
  it('is up to the wall, and times beyond it are none: 30 m in 6 m of room has no chance', () => {
    const walled = run({ ...endless, roomLength: 6 });
    expect(measuredInRoom({ kind: 'furthest' }, walled)).toMatchObject({ distance: 6, atLeast: true });
    // It stops at the wall's foot of itself: that far and no further.
    expect(measuredInRoom({ kind: 'furthest' }, run({ ...endless, roomLength: whole.distance }))).toMatchObject({ atLeast: false });
    expect(measuredInRoom({ kind: 'quickest-to', distance: 3 }, walled).time).toBeCloseTo(whole.marks[0]!.time, 9);
    expect(measuredInRoom({ kind: 'quickest-to', distance: 8 }, walled).time).toBeUndefined();
    const hall: Brief = { ...trophy, floors: [{ name: 'hall', floor: { ...endless, roomLength: 6 } }] };
    const told = ran(judgeRound(lever, hall, round({ kind: 'at-least', distance: 30 }, { floor: 'hall' })));
    expect(told.chance).toBe(0);
    expect(describeRound(round({ kind: 'at-least', distance: 30 }), told, 'metric').replaceAll('\u00a0', ' ')).toContain(
      'the wall is at 6.00 m',
    );
    // Speed counts as before the wall, distance no further than to it.
    const { time } = measuredInRoom({ kind: 'speed-and-distance', distance: 3, weight: 5 }, walled);
    expect(measured({ kind: 'speed-and-distance', distance: 3, weight: 5 }, walled)).toBeCloseTo(6 + 15 / time!, 9);
  });
  it('is as far as the car stays in a lane that is laid: half of 1 m of a circle of 12.5 m (cos κs = 1 − κ/2)', () => {
    const laned = run({ ...endless, laneWidth: 1 }, 0.08);
    expect(measured({ kind: 'furthest' }, laned)).toBeCloseTo(Math.acos(1 - 0.04) / 0.08, 9);
    const lane: Brief = { ...trophy, floors: [{ name: 'lane', floor: { ...endless, laneWidth: 0.5 } }] };
    const free: Brief = { ...trophy, floors: [{ name: 'lane', floor: endless }] };
    const chances = [lane, free].map(
      (brief) => ran(judgeRound(lever, brief, round({ kind: 'at-least', distance: 10 }, { floor: 'lane' }))).chance!,
    );
    expect(chances[0]!).toBeLessThan(chances[1]! - 0.2);
  });
  it('is measured from the nose, or from what the rules say', () => {
    const { length, lastWheel } = measuresOf(lever);
    expect(lastWheel).toBeGreaterThan(lever.wheelbase);
    expect(lastWheel).toBeLessThan(length);
    for (const [measuredAt, behind] of [
      ['nose', 0],
      ['rear', length],
      ['last-wheel', lastWheel],
    ] as const)
      expect(measured({ kind: 'furthest' }, run(endless, 0, { ...lever.limits, measuredAt }))).toBeCloseTo(whole.distance - behind, 9);
  });
  it('has to stop within a zone: half of 2 m to either side of the mark, and not at the wall', () => {
    const goal = (distance: number): Goal => ({ kind: 'stop-within', distance, width: 2 });
    const isMet = (distance: number, floor: CarDesign['floor'] = endless): boolean =>
      goalRecord(goal(distance)).isMet!(goal(distance), measuredInRoom(goal(distance), run(floor)));
    expect([0.99, 1.01, -0.99, -1.01].map((off) => isMet(whole.distance + off))).toEqual([true, false, true, false]);
    expect(isMet(6, { ...endless, roomLength: 6 })).toBe(false);
  });
  it('with load times distance carries the load that counts most, where it was given none; and this is said', () => {
    const { load, distance } = bestLoad(lever);
    const at = (mass: number): number => {
      const prediction = predictRun({ ...lever, load: { ...lever.load, mass } });
      return prediction.kind === 'ran' ? mass * prediction.result.distance : 0;
    };
    expect(load * distance).toBeCloseTo(at(load), 9);
    for (const by of [0.8, 1.25]) expect(at(by * load)).toBeLessThan(at(load));
    const told = ran(judgeRound(lever, trophy, round({ kind: 'load-distance' })));
    expect(told.bounds.middle).toBeGreaterThan(0.1);
    expect(describeRound(round({ kind: 'load-distance' }), told, 'metric')).toMatch(/with about .* of load/);
    const loaded = { ...lever, load: { ...lever.load, mass: 0.05 } };
    expect(ran(judgeRound(loaded, trophy, round({ kind: 'load-distance' }))).load).toBeUndefined();
  });
  it('has no end where the floor is steeper than what holds it back, and that is what is said', () => {
    const slide: Brief = { ...trophy, floors: [{ name: 'slide', floor: { ...endless, slope: -0.2 } }] };
    const told = ran(judgeRound(lever, slide, round({ kind: 'furthest' }, { floor: 'slide' })));
    expect(describeRound(round({ kind: 'furthest' }), told, 'metric')).toBe(
      'it does not stop: the floor falls by more than its resistance',
    );
  });
});

describe('a run of the log', () => {
  const record = (distance: number, drift?: number) => ({ outcome: { kind: 'stopped' as const, distance }, ...(drift && { drift }) });
  it('bends as much as takes it where it drifted to', () => {
    expect(measuredOfRecord({ kind: 'furthest' }, record(5) as never).curvature).toBeUndefined();
    const { curvature } = measuredOfRecord({ kind: 'furthest' }, record(5, 1) as never);
    expect(driftAfter(curvature!, 5)).toBeCloseTo(1, 6);
  });
  it('that stops where the gap is has gone through it', () => {
    const goal: Goal = { kind: 'through-gap', distance: 5, width: 0.8 };
    const isMet = (distance: number): boolean => GOALS['through-gap'].isMet!(goal, measuredOfRecord(goal, record(distance) as never));
    expect([4.99, 5].map(isMet)).toEqual([false, true]);
  });
});

describe('the floor of a day', () => {
  it('is one of the brief’s, or of any kind, as level as the car’s own and the same all the way', () => {
    const own: CarDesign['floor'] = { ...lever.floor, slope: 0.01, edges: [{ at: 1, height: 0.002 }] };
    const kinds = floorChoices(own, null);
    expect(kinds.map(({ key }) => key)).toContain('short-carpet');
    expect(kinds[0]!.floor).toMatchObject({ kind: kinds[0]!.key, slope: 0.01, stretches: [], edges: [] });
    const [first, ...others] = floorChoices(own, trophy);
    expect(first).toEqual({ key: `brief ${trophy.floors[0]!.name}`, label: trophy.floors[0]!.name, floor: trophy.floors[0]!.floor });
    expect(others).toHaveLength(kinds.length + trophy.floors.length - 1);
  });
});

describe('a brief', () => {
  it('of the Skerrow Lull Trophy is read, and its sheet says all that counts', () => {
    expect(readBrief(trophy)).toMatchObject({ kind: 'read' });
    const sheet = ruleSheet(trophy, 'metric');
    for (const { name, floor } of trophy.rounds) expect(sheet).toContain(`${name}, on ${floor}`);
    for (const words of ['580 mm long', '400 g', 'safety rules come first', 'without a push', 'carries 100 g'])
      expect(sheet).toContain(words);
    expect(ruleSheet(trophy, 'inch')).toContain('in long');
  });
  it('judges a car by every rule and round, the same each time', () => {
    const first = judgeCar(band, trophy);
    const told = (judged: typeof first) => JSON.stringify(judged);
    expect(first.rounds.map(({ name }) => name)).toEqual(trophy.rounds.map(({ name }) => name));
    expect(told(judgeCar(band, trophy))).toEqual(told(first));
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

describe('the most load', () => {
  it.each([
    ['lever', lever],
    ['band', band],
  ])('%s: carries it as far as it has to, and a tenth more not', (_kind, car) => {
    const unladen = predictRun(car);
    if (unladen.kind === 'refused') throw new Error('refused');
    const distance = 0.6 * unladen.result.distance;
    const most = mostLoad(car, distance)!;
    const reach = (mass: number): number => {
      const prediction = predictRun({ ...car, load: { ...car.load, mass } });
      return prediction.kind === 'ran' ? prediction.result.distance : 0;
    };
    expect(most).toBeGreaterThan(0.01);
    expect(reach(most)).toBeGreaterThanOrEqual(distance);
    expect(reach(1.1 * most)).toBeLessThan(distance);
    expect(mostLoad(car, 1.01 * unladen.result.distance)).toBeNull();
  });
});

describe('a car that works to a brief', () => {
  const asked = (round: number): CarDesign => designForBrief({ ...lever, brief: { id: crypto.randomUUID(), round } }, trophy);
  it('has the floor, load, aim and rules of the round it is seen in, and stays the car it is', () => {
    expect(asked(1)).toMatchObject({ aim: { kind: 'quickest-to', distance: 6 }, floor: trophy.floors[0]!.floor, load: { mass: 0 } });
    expect(asked(2)).toMatchObject({ floor: { slope: 0.0349, roomLength: 6 }, load: { mass: 0.1 }, limits: { length: 0.58, bands: 6 } });
    expect(asked(19).aim).toEqual(asked(3).aim);
    expect({ ...asked(2), floor: lever.floor, load: lever.load, aim: lever.aim, limits: lever.limits, brief: undefined }).toEqual({
      ...lever,
      brief: undefined,
    });
  });
  it('keeps its own load where the load is what counts', () => {
    const carried: CarDesign = { ...lever, load: { mass: 0.2, fromDriveAxle: 0.1 }, brief: { id: crypto.randomUUID(), round: 0 } };
    expect(designForBrief(carried, { ...trophy, rounds: [round({ kind: 'load-distance' })] }).load.mass).toBe(0.2);
    expect(designForBrief(carried, trophy).load.mass).toBe(0);
  });
  it('is asked as an aim says, whichever way it is told', () => {
    for (const goal of [...GOALS_ASKED, { kind: 'highest-edge' } as const]) expect(goalOf(aimOf(goal))).toEqual(goal);
    expect(goalOfKind('through-gap', { kind: 'carry', distance: 3 })).toEqual({ kind: 'through-gap', distance: 3, width: 1 });
  });
  it('scores higher the better it runs, and lowest where it does not get there', () => {
    const [near, far] = [3, 6].map((distance) => {
      const prediction = predictRun(lever, { kind: 'full' }, { marks: [distance] });
      if (prediction.kind === 'refused') throw new Error('refused');
      return { distance, run: { design: lever, result: prediction.result, curvature: 0.01 } };
    });
    const score = (goal: Goal): number => goalScore(goal, near!.run);
    expect(score({ kind: 'quickest-to', distance: 3 })).toBeLessThan(0);
    expect(goalScore({ kind: 'quickest-to', distance: 6 }, far!.run)).toBeLessThan(score({ kind: 'quickest-to', distance: 3 }));
    expect(hasFallenShort(score({ kind: 'quickest-to', distance: 500 }))).toBe(true);
    expect(score({ kind: 'carry', distance: 500 })).toBeGreaterThan(score({ kind: 'carry', distance: 501 }));
    expect(score({ kind: 'through-gap', distance: 5, width: 1 })).toBeCloseTo(-driftAfter(0.01, 5), 12);
    expect(score({ kind: 'straightest' })).toBeLessThan(score({ kind: 'furthest' }));
  });
});

describe('a first brief', () => {
  const kinds = [...GOALS_ASKED.map(({ kind }) => kind), 'highest-edge'] as const;
  it.each(MOTOR_KINDS.flatMap((drive) => kinds.map((kind) => [drive, kind] as const)))(
    '%s, %s: is a sound file, and comes with a car that runs and breaks none of its rules',
    (drive, kind) => {
      const brief = briefOfAnswers({ name: 'First', setBy: '', goal: goalOfKind(kind), room: 6, drive });
      expect(readBrief(brief)).toEqual({ kind: 'read', value: brief });
      const car = firstCar('Whimbrel', drive, { id: crypto.randomUUID(), brief });
      expect(car.motor.kind).toBe(drive);
      const prediction = predictRun(designForBrief(car, brief));
      expect(prediction.kind === 'ran' && prediction.result.distance).toBeGreaterThan(2);
      expect(judgeRules(car, limitsOf(brief.rules)).filter(({ verdict }) => verdict === 'broken')).toEqual([]);
    },
  );
  it.each(Object.entries(TEMPLATES))(
    'from the template %s is sound, and a first car keeps its rules whatever is to drive it',
    (_key, { brief: made }) => {
      const brief = made();
      expect(readBrief(brief)).toEqual({ kind: 'read', value: brief });
      for (const drive of MOTOR_KINDS) {
        const car = firstCar('Whimbrel', drive, { id: crypto.randomUUID(), brief });
        expect(judgeRules(car, limitsOf(brief.rules)).filter(({ verdict }) => verdict === 'broken')).toEqual([]);
      }
    },
  );
  it('gives a drive that its rules allow', () => {
    const brief = briefOfAnswers({ name: 'Bands', setBy: '', goal: { kind: 'furthest' }, room: null, drive: 'band' });
    expect(firstCar('Whimbrel', 'lever', { id: crypto.randomUUID(), brief }).motor.kind).toBe('band');
  });
});
