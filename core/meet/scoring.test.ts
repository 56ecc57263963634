import { describe, expect, it } from 'vitest';
import type { Goal } from '../brief/goal.ts';
import type { Round } from '../brief/brief.ts';
import type { SavedResult, Meet, StandingResult } from './meet.ts';
import { newEntry } from './new-meet.ts';
import { furthest, idOf, meetOf, ran, result, round, standing } from './reference/made-meets.ts';
import { medalsOf, placesOfRound, runOffsOf, scoreOfRound, standingsOf, valueOfRun } from './scoring.ts';
import { besidePrediction, describeMedal, describeOutcome, formatPlace, describeTiming } from './describe-results.ts';

const placesWith = (meet: Meet, results: readonly StandingResult[]) =>
  Object.fromEntries(
    placesOfRound(
      meet,
      0,
      meet.entries.map(({ id }) => id),
      results,
    ).map(({ entry, place, points }) => [Number(entry.slice(-3)), [place, points]]),
  );

describe('what a run comes to', () => {
  it.each([
    [furthest, { distance: 9 }, 9],
    [furthest, { distance: 9, second: 9.2 }, 9.1],
    [{ kind: 'at-least', distance: 10 }, { distance: 9 }, null],
    [{ kind: 'at-least', distance: 9 }, { distance: 9 }, 9],
    [{ kind: 'quickest-to', distance: 6 }, { distance: 9, time: 4.2 }, 4.2],
    [{ kind: 'quickest-to', distance: 6 }, { distance: 9 }, null],
    // Seen to cross the mark second and not timed: behind all that were timed.
    [{ kind: 'quickest-to', distance: 6 }, { arrived: 2 }, 100_002],
    [{ kind: 'quickest-to', distance: 6 }, { arrived: 2, time: 4.2 }, 4.2],
    [{ kind: 'closest-to', distance: 10 }, { distance: 8.5 }, 1.5],
    [{ kind: 'straightest' }, { distance: 9, drift: -0.5 }, 8.5],
    [{ kind: 'through-gap', distance: 5, width: 1 }, { distance: 9, drift: 0.4 }, 0.4],
    [{ kind: 'through-gap', distance: 5, width: 1 }, { distance: 9, drift: 0.6 }, null],
    [{ kind: 'carry', distance: 5 }, { distance: 5, load: 0.2 }, 0.2],
    [{ kind: 'within-lane', width: 1 }, { distance: 9, drift: 0 }, 9],
    [{ kind: 'speed-and-distance', distance: 6, weight: 5 }, { distance: 4 }, 4],
    [{ kind: 'furthest' }, { time: 3 }, null],
    [{ kind: 'carry', distance: 5 }, { distance: 4, load: 0.2 }, null],
    [{ kind: 'load-distance' }, { distance: 4, load: 0.2 }, 0.8],
    [{ kind: 'highest-edge' }, { height: 0.006 }, 0.006],
    [{ kind: 'speed-and-distance', distance: 6, weight: 5 }, { distance: 9, time: 3 }, 19],
  ] as const)('%o of %o is %s', (goal, outcome, value) => {
    const made = valueOfRun(goal as Goal, { kind: 'ran', ...outcome });
    if (value === null) return expect(made).toBeNull();
    expect(made!.value).toBeCloseTo(value, 9);
    expect(made!.atLeast).toBe(false);
  });
  it.each(['broke', 'no-start', 'rule'] as const)('nothing where it %s', (kind) => {
    expect(valueOfRun(furthest, { kind, distance: 9 })).toBeNull();
  });
});

describe('a round', () => {
  it('counts the best, the mean or the sum; one with a wall in it is at least that', () => {
    const runs = standing([result(0, 0, { distance: 8 }), result(0, 1, { distance: 10, atLeast: true }), result(0, 2, { kind: 'broke' })]);
    const of = (counts: Round['counts']) => scoreOfRound(round({ counts }), idOf(0), runs).score;
    expect(of('best')).toEqual({ value: 10, atLeast: true });
    // The one that broke counts as nothing: (10 + 8 + 0)/3.
    expect(of('mean')).toEqual({ value: 6, atLeast: true });
    expect(of('sum')).toEqual({ value: 18, atLeast: true });
    expect(of('best-two')).toEqual({ value: 9, atLeast: true });
    expect(scoreOfRound(round({ counts: 'mean', missing: 'all' }), idOf(0), runs).score).toBeNull();
    expect(scoreOfRound(round(), idOf(1), runs).score).toBeNull();
  });
  it('shares places and their points where values are alike: 10 and 7 are 8.5 each, and the next is third', () => {
    const results = standing(ran(0, 9), ran(1, 9), ran(2, 8), ran(3, 7));
    expect(placesWith(meetOf(5, [round()]), results)).toEqual({ 0: [1, 8.5], 1: [1, 8.5], 2: [3, 5], 3: [4, 3], 4: [null, 0] });
  });
  it('looks at the next best run where the brief says so', () => {
    const results = standing(ran(0, 9, 5, 4), ran(1, 9, 6, 1), ran(2, 9, 6));
    expect(placesWith(meetOf(3, [round()], {}, 'next-best'), results)).toEqual({ 1: [1, 10], 2: [2, 7], 0: [3, 5] });
  });
  it('asks for a run-off where the brief says so, and goes by it', () => {
    const meet = meetOf(3, [round({ runs: 1 })], {}, 'run-off');
    const tied = standing(ran(0, 9), ran(1, 9), ran(2, 8));
    const places = placesOfRound(
      meet,
      0,
      meet.entries.map(({ id }) => id),
      tied,
    );
    expect(runOffsOf(meet, 0, places)).toEqual([[idOf(0), idOf(1)]]);
    const after = standing(ran(0, 9), ran(1, 9), ran(2, 8), [result(0, 1, { distance: 5 }), result(1, 1, { distance: 6 })]);
    expect(placesWith(meet, after)).toEqual({ 1: [1, 10], 0: [2, 7], 2: [3, 5] });
  });
  it('gives a tie to whoever has a next best run at all', () => {
    const results = standing(ran(0, 9), ran(1, 9, 4));
    expect(placesWith(meetOf(2, [round()], {}, 'next-best'), results)).toEqual({ 1: [1, 10], 0: [2, 7] });
    expect(placesWith(meetOf(2, [round()], {}, 'next-best'), standing(ran(0, 9, 4), ran(1, 9)))).toEqual({ 0: [1, 10], 1: [2, 7] });
  });
  it('asks for no run-off while runs are still to be made, nor where the brief asks for none', () => {
    const meet = meetOf(2, [round({ runs: 2 })], {}, 'run-off');
    const ids = meet.entries.map(({ id }) => id);
    const tied = standing(ran(0, 9), ran(1, 9));
    expect(runOffsOf(meet, 0, placesOfRound(meet, 0, ids, tied))).toEqual([]);
    const shared = meetOf(2, [round({ runs: 1 })]);
    expect(runOffsOf(shared, 0, placesOfRound(shared, 0, ids, tied))).toEqual([]);
    // Whoever breaks in the run-off has lost it; where it ties, the next one tells.
    const off = meetOf(2, [round({ runs: 1 })], {}, 'run-off');
    const twice = [
      result(0, 1, { distance: 5 }),
      result(1, 1, { distance: 5 }),
      result(0, 2, { distance: 4 }),
      result(1, 2, { distance: 6 }),
    ];
    expect(placesWith(off, standing(ran(0, 9), ran(1, 9), twice))).toEqual({ 1: [1, 10], 0: [2, 7] });
    expect(placesWith(off, standing(ran(0, 9), ran(1, 9), twice.toReversed()))).toEqual({ 1: [1, 10], 0: [2, 7] });
    expect(placesWith(off, standing(ran(0, 9), ran(1, 9), [result(0, 1, { kind: 'broke' }), result(1, 1, { distance: 2 })]))).toEqual({
      1: [1, 10],
      0: [2, 7],
    });
  });
  it('settles second place by a run-off of its own, that moves no first: 6, then 5 and 5, then 9 and 4', () => {
    const off = meetOf(3, [round({ runs: 1 })], {}, 'run-off');
    const three = [result(0, 1, { distance: 6 }), result(1, 1, { distance: 5 }), result(2, 1, { distance: 5 })];
    const tied = [ran(0, 9), ran(1, 9), ran(2, 9), three];
    expect(placesWith(off, standing(...tied))).toEqual({ 0: [1, 10], 1: [2, 6], 2: [2, 6] });
    expect(placesWith(off, standing(...tied, [result(1, 2, { distance: 4 }), result(2, 2, { distance: 9 })]))).toEqual({
      0: [1, 10],
      2: [2, 7],
      1: [3, 5],
    });
    // Half a run-off settles nothing; who withdraws has lost it.
    const half = standing(...tied, [result(1, 2, { distance: 4 })]);
    expect(placesWith(off, half)).toEqual({ 0: [1, 10], 1: [2, 6], 2: [2, 6] });
    const gone = { ...off, entries: off.entries.map((entry, i) => ({ ...entry, isOut: i === 2 })) };
    expect(placesWith(gone, half)).toEqual({ 0: [1, 10], 1: [2, 7], 2: [3, 5] });
  });
  it('does not let missing runs win a sum of times: each counts as the slowest of the round, 3 + 5 + 5 after 4 + 4 + 5 and 4 + 4 + 4', () => {
    const times = (entry: number, ...seconds: readonly number[]) => seconds.map((time, run) => result(entry, run, { distance: 9, time }));
    const meet = meetOf(3, [round({ goal: { kind: 'quickest-to', distance: 6 }, counts: 'sum' })]);
    const results = standing(times(0, 3), times(1, 4, 4, 5), times(2, 4, 4, 4));
    expect(placesWith(meet, results)).toEqual({ 2: [1, 10], 0: [2, 6], 1: [2, 6] });
    const all = { ...meet, brief: { ...meet.brief, rounds: [{ ...meet.brief.rounds[0]!, missing: 'all' as const }] } };
    expect(placesWith(all, results)).toEqual({ 2: [1, 10], 1: [2, 7], 0: [null, 0] });
  });
  it('keeps “at least” apart from the same figure: further than it, and further off a mark', () => {
    const far = standing([result(0, 0, { distance: 18.5 }), result(1, 0, { distance: 18.5, atLeast: true })]);
    expect(placesWith(meetOf(2, [round()]), far)).toEqual({ 1: [1, 10], 0: [2, 7] });
    const near = standing([result(0, 0, { distance: 9.5 }), result(1, 0, { distance: 10.5, atLeast: true })]);
    expect(placesWith(meetOf(2, [round({ goal: { kind: 'closest-to', distance: 10 } })]), near)).toEqual({ 0: [1, 10], 1: [2, 7] });
  });
  it('of a gap takes the measured width of the car into account: 0.4 m off passes 1.0 m with 0.20 m of car, not with 0.21', () => {
    const goal = { kind: 'through-gap', distance: 5, width: 1 } as const;
    const meet = meetOf(2, [round({ goal })]);
    const measured = meet.entries.map((entry, i) => ({ ...entry, measured: { ...entry.measured, width: [0.2, 0.21][i]! } }));
    const results = standing([result(0, 0, { distance: 9, drift: 0.4 }), result(1, 0, { distance: 9, drift: -0.4 })]);
    expect(placesWith({ ...meet, entries: measured }, results)).toEqual({ 0: [1, 10], 1: [null, 0] });
  });
  it('gives no place to those without a run that counts, however many', () => {
    const results = standing([result(0, 0, { kind: 'broke' }), result(1, 0, { kind: 'no-start' })], ran(2, 3));
    expect(placesWith(meetOf(3, [round()]), results)).toEqual({ 2: [1, 10], 0: [null, 0], 1: [null, 0] });
  });
  it('goes by the order of arrival where nobody had a watch: who was timed comes first, then who was first across the mark', () => {
    const goal = { kind: 'quickest-to', distance: 6 } as const;
    const meet = meetOf(3, [round({ goal })]);
    const results = standing([result(0, 0, { arrived: 2 }), result(1, 0, { arrived: 1 }), result(2, 0, { time: 9 })]);
    expect(placesWith(meet, results)).toMatchObject({ 2: [1, 10], 1: [2, 7], 0: [3, expect.any(Number)] });
    expect([1, 2, 3].map((arrived) => describeOutcome(goal, { kind: 'ran', arrived }, 'metric'))).toEqual([
      '1st across the mark, not timed',
      '2nd across the mark, not timed',
      '3rd across the mark, not timed',
    ]);
  });
  it('is the other way round where less is better', () => {
    const meet = meetOf(2, [round({ goal: { kind: 'quickest-to', distance: 6 } })]);
    expect(placesWith(meet, standing([result(0, 0, { distance: 9, time: 4 }), result(1, 0, { distance: 7, time: 3 })]))).toEqual({
      1: [1, 10],
      0: [2, 7],
    });
  });
});

describe('the standings', () => {
  it('add up the rounds, drop the worst, give points for style, and go by first places where alike', () => {
    const rounds = [round({ points: [10, 6, 2] }), round({ points: [10, 6, 2] }), round({ points: [10, 6, 2] })];
    const of = (entry: number, index: number, distance: number) => result(entry, 0, { distance }, { round: index });
    const results = standing([
      of(0, 0, 9),
      of(1, 0, 8),
      of(2, 0, 7),
      of(0, 1, 7),
      of(1, 1, 9),
      of(2, 1, 8),
      of(0, 2, 7),
      of(1, 2, 8),
      of(2, 2, 9),
    ]);
    const told = (meet: Meet) => standingsOf(meet, results).map(({ entry, place, total }) => [Number(entry.id.slice(-1)), place, total]);
    // 10 + 2 + 2, 6 + 10 + 6, 2 + 6 + 10.
    expect(told(meetOf(3, rounds))).toEqual([
      [1, 1, 22],
      [2, 2, 18],
      [0, 3, 14],
    ]);
    // Without the worst round: 10 + 2, 10 + 6, 6 + 10; alike, the second and third have one first place and one second each.
    expect(told(meetOf(3, rounds, { drops: 1 }))).toEqual([
      [1, 1, 16],
      [2, 1, 16],
      [0, 3, 12],
    ]);
    const styled = meetOf(3, rounds, { style: 5 });
    expect(
      standingsOf({ ...styled, entries: styled.entries.map((entry, i) => ({ ...entry, style: i === 0 ? 9 : 0 })) }, results)[1],
    ).toMatchObject({ total: 19, style: 5 });
  });
  it('take as the worst what was run in the round, not in a run-off after it', () => {
    const times = (entry: number, ...seconds: readonly number[]) => seconds.map((time, run) => result(entry, run, { distance: 9, time }));
    const meet = meetOf(2, [round({ goal: { kind: 'quickest-to', distance: 6 }, counts: 'sum', runs: 2 })]);
    // Car 1 has one run of 4 s; its missing one counts as the 5 s of car 0, and not as the 9 s of a run-off.
    const results = standing(times(0, 5, 5, 9), times(1, 4));
    expect(standingsOf(meet, results).map(({ entry, rounds }) => [entry.car, rounds[0]!.place!.score!.value])).toEqual([
      ['car 1', 9],
      ['car 0', 10],
    ]);
  });
  it('ask nobody who withdrew for a run-off, and go by nothing that is not measured', () => {
    const off = meetOf(3, [round({ runs: 1 })], {}, 'run-off');
    const gone = { ...off, entries: off.entries.map((entry, i) => ({ ...entry, isOut: i === 2 })) };
    const tied = standing(ran(0, 9), ran(1, 9), ran(2, 9));
    const ids = off.entries.map(({ id }) => id);
    expect(runOffsOf(gone, 0, placesOfRound(gone, 0, ids, tied))).toEqual([[idOf(0), idOf(1)]]);
    expect(medalsOf(off, standing([result(0, 0, { time: 5 }), result(1, 0, { time: 4 })])).map(({ what, entry }) => [what, entry])).toEqual(
      [['quickest', idOf(1)]],
    );
  });
  it('never drop a sole round, however many are to be dropped', () => {
    const [first] = standingsOf(meetOf(2, [round()], { drops: 1 }), standing(ran(0, 9), ran(1, 8)));
    expect(first).toMatchObject({ total: 10, rounds: [{ points: 10, isDropped: false }] });
  });
  it('take off what the rules say for each line that is crossed: 9 m less two lines of 0.5 m are 8', () => {
    const meet = meetOf(2, [round()]);
    const strict = { ...meet, brief: { ...meet.brief, rules: { ...meet.brief.rules, penalty: 0.5 } } };
    const results = standing([result(0, 0, { distance: 9, crossed: 2 }), result(1, 0, { distance: 8.5 })]);
    expect(standingsOf(strict, results).map(({ entry, rounds }) => [entry.car, rounds[0]!.place!.score!.value])).toEqual([
      ['car 1', 8.5],
      ['car 0', 8],
    ]);
    const goal = strict.brief.rounds[0]!.goal;
    expect(describeOutcome(goal, { kind: 'ran', distance: 9, crossed: 2 }, 'metric', { penalty: 0.5 }).replace('\u00a0', ' ')).toBe(
      '8.00 m (2 lines crossed)',
    );
  });
  it('leave out who is out before a run was made; who withdraws after it keeps place and medals', () => {
    const meet = meetOf(2, [round()]);
    const without = { ...meet, entries: meet.entries.map((entry, i) => ({ ...entry, isOut: i === 0 })) };
    const told = (results: readonly StandingResult[]) => standingsOf(without, results).map(({ entry, place }) => [entry.car, place]);
    expect(told(standing(ran(1, 8)))).toEqual([['car 1', 1]]);
    const results = standing(ran(0, 9), ran(1, 8));
    expect(told(results)).toEqual([
      ['car 0', 1],
      ['car 1', 2],
    ]);
    expect(medalsOf(without, results)[0]).toMatchObject({ what: 'furthest', entry: idOf(0) });
  });
  it('share the mean where firsts tie and no points are given: of three, 3 and 2 are 2.5 each', () => {
    const totals = standingsOf(meetOf(3, [round({ points: [] })]), standing(ran(0, 9), ran(1, 9), ran(2, 8)));
    expect(totals.map(({ total }) => total)).toEqual([2.5, 2.5, 1]);
  });
  it('have medals', () => {
    const meet = meetOf(2, [round()]);
    const expected = { ...meet, entries: meet.entries.map((entry, i) => ({ ...entry, predicted: i === 0 ? 20 : 8.2 })) };
    const medals = medalsOf(
      expected,
      standing([
        result(0, 0, { distance: 9, drift: 1, time: 5 }),
        result(1, 0, { distance: 4, drift: 0.1 }),
        result(1, 1, { distance: 8 }),
      ]),
    );
    expect(Object.fromEntries(medals.map(({ what, entry }) => [what, Number(entry.slice(-1))]))).toEqual({
      furthest: 0,
      quickest: 0,
      straightest: 1,
      'best-predicted': 1,
      'most-improved': 1,
    });
  });
  it('give a medal only for what was done: the nearest guess, the largest gain, nothing where nobody measured it', () => {
    const meet = meetOf(3, [round()]);
    const expected = { ...meet, entries: meet.entries.map((entry, i) => ({ ...entry, ...(i < 2 && { predicted: [10, 9][i]! }) })) };
    const medals = (...lists: readonly SavedResult[][]) =>
      Object.fromEntries(medalsOf(expected, standing(...lists)).map(({ what, entry, value }) => [what, [Number(entry.slice(-1)), value]]));
    expect(medals()).toEqual({});
    // Car 0 gains a half, car 1 a tenth, car 2 gets worse; the guesses are off by a fifth and a ninth.
    const told = medals(ran(0, 8, 12), ran(1, 7.2727, 8), ran(2, 9, 4));
    expect(Object.keys(told).toSorted()).toEqual(['best-predicted', 'furthest', 'most-improved']);
    expect(told['most-improved']![0]).toBe(0);
    expect(told['most-improved']![1]).toBeCloseTo(0.5, 9);
    expect(told['best-predicted']![0]).toBe(1);
    expect(told['best-predicted']![1]).toBeCloseTo(1 / 9, 9);
    expect(describeMedal({ what: 'most-improved', entry: '', value: 0.5 }, 'metric')).toBe('50 % further than its first run');
    expect(medals(ran(0, 8, 8))['most-improved']).toBeUndefined();
    // By the order in which they were saved: the first run is the one that counts as the first.
    expect(medals(ran(0, 12, 8))['most-improved']).toBeUndefined();
    expect(describeMedal({ what: 'best-predicted', entry: '', value: 0.04 }, 'metric')).toBe('within 4 % of its own prediction');
    expect(describeMedal({ what: 'straightest', entry: '', value: 0.053 }, 'metric')).toBe('5.3 cm off the line for each metre');
    // The least drift over its way.
    const straight = medals([
      result(0, 0, { distance: 10, drift: -1 }),
      result(1, 0, { distance: 10, drift: 0.5 }),
      result(2, 0, { distance: 10 }),
    ]);
    expect(straight['straightest']).toEqual([1, 0.05]);
    // A wall says nothing of a guess.
    expect(medals([result(0, 0, { distance: 10, atLeast: true })])['best-predicted']).toBeUndefined();
  });
  it('go by more places of the same rank where points are alike', () => {
    const rounds = [round({ points: [4, 2] }), round({ points: [4, 2] }), round({ points: [] })];
    const of = (entry: number, index: number, distance: number) => result(entry, 0, { distance }, { round: index });
    // One first and one second each; car 1 has a place in the round without points too.
    const results = standing([of(0, 0, 9), of(1, 0, 8), of(1, 1, 9), of(0, 1, 8), of(1, 2, 3)]);
    expect(standingsOf(meetOf(2, rounds), results).map(({ entry, place }) => [entry.car, place])).toEqual([
      ['car 1', 1],
      ['car 0', 2],
    ]);
  });
  it('have a furthest that is told as at least, where it hit the wall', () => {
    const [furthestOf] = medalsOf(
      meetOf(2, [round()]),
      standing([result(0, 0, { distance: 18.5, atLeast: true }), result(1, 0, { distance: 9 })]),
    );
    expect(describeMedal(furthestOf!, 'metric').replace('\u00a0', ' ')).toBe('at least 18.50 m');
  });
  it('tell what was expected beside what came, where the crew lets it be shown', () => {
    const entry = newEntry({ id: idOf(1), crew: 'c', car: 'x', predicted: 16, showsPrediction: true });
    expect(besidePrediction(entry, { kind: 'ran', distance: 15.3, time: 7.9 })).toEqual({ distance: 15.3, predicted: 16 });
    expect(besidePrediction({ ...entry, showsPrediction: false }, { kind: 'ran', distance: 15.3 })).toBeNull();
    expect(besidePrediction(entry, { kind: 'ran', time: 7.9 })).toBeNull();
    const { predicted: _none, ...silent } = entry;
    expect(besidePrediction(silent, { kind: 'ran', distance: 3 })).toBeNull();
    expect([1, 2, 3, 4, 11, 22].map(formatPlace)).toEqual(['1st', '2nd', '3rd', '4th', '11th', '22nd']);
    expect(describeTiming({ timedBy: 'gates', splits: [{ at: 6, time: 2.31 }] }, 'metric').replaceAll('\u00a0', ' ')).toBe(
      'timed by gates: 6.00 m in 2.31 s',
    );
  });
});
