import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { TEMPLATES } from '../brief/new-brief.ts';
import type { Brief } from '../brief/brief.ts';
import { newCar } from '../car/new-car.ts';
import { drawnRun, type PossibleRun } from '../brief/drawn-run.ts';
import { carOutlook, CARS, learnt, type CarOutlook } from './car-outlook.ts';
import { forecast } from './forecast.ts';
import type { SavedResult } from './meet.ts';
import { furthest, idOf, meetOf, ran, result, round, standing } from './reference/made-meets.ts';
import { standingsOf } from './scoring.ts';

/** An entry that may be one of these cars, each with its distance on an endless floor. */
function outlookAt(distances: readonly number[], scatter: number, rounds = 1): CarOutlook {
  const design = newCar('x');
  const possible = distances.map((distance): PossibleRun => ({
    run: {
      design: { ...design, floor: { ...design.floor, roomLength: null, laneWidth: null } },
      result: { time: 5 } as PossibleRun['run']['result'],
      curvature: 0,
    },
    free: { distance, curvature: 0 },
  }));
  return {
    rounds: Array.from({ length: rounds }, () => possible),
    weights: new Float64Array(distances.length).fill(1 / distances.length),
    scatter,
    bendScatter: 0,
    fails: 0,
  };
}
const many = (distance: number): number[] => Array.from({ length: CARS }, () => distance);
const outlooks = (...list: readonly CarOutlook[]): ReadonlyMap<string, CarOutlook> => new Map(list.map((one, i) => [idOf(i), one]));

describe('a forecast of an evening', () => {
  it('of one round and one rival is the probability of a normal difference', () => {
    const meet = meetOf(2, [round({ runs: 1, points: [10, 6] })]);
    // ln 10.5 − ln 10 = 0.04879 over √2 · 0.06 = 0.08485: Φ(0.5750) = 0.7174.
    const [first, second] = forecast(meet, [], outlooks(outlookAt(many(10.5), 0.06), outlookAt(many(10), 0.06)), { evenings: 40_000 });
    expect(first!.places[0]).toBeCloseTo(0.7174, 1);
    expect(Math.abs(first!.places[0]! - 0.7174)).toBeLessThan(0.015);
    expect(first!.places[0]! + second!.places[0]!).toBeCloseTo(1, 9);
    expect(first!.points).toBeCloseTo(10 * first!.places[0]! + 6 * first!.places[1]!, 9);
  });
  it('of three cars and one run each is what every outcome gives by hand', () => {
    // Each is one of two cars without scatter, half and half: eight evenings, alike.
    const meet = meetOf(3, [round({ runs: 1, points: [9, 6, 3] })]);
    const told = forecast(meet, [], outlooks(outlookAt([5, 9], 0), outlookAt([6, 8], 0), outlookAt([4, 7], 0)), { evenings: 80_000 });
    // The first wins whenever it is 9 (4 of 8), the second else (5 < 6) but against 7 with 6 (1 of 8): 4, 3 and 1 of 8.
    const chances = told.map(({ places }) => places.map((one) => Math.round(8 * one)));
    expect(chances).toEqual([
      [4, 2, 2],
      [3, 4, 1],
      [1, 2, 5],
    ]);
    for (const [i, { places }] of told.entries())
      places.forEach((one, k) => expect(Math.abs(one - chances[i]![k]! / 8)).toBeLessThan(0.01));
  });
  it('draws one car for the whole evening: whoever has the better car has it in every round', () => {
    const rounds = [round({ runs: 1, points: [2, 0] }), round({ name: 'again', runs: 1, points: [2, 0] })];
    const told = forecast(meetOf(2, rounds), [], outlooks(outlookAt([1, 9], 0, 2), outlookAt(many(5), 0, 2)), { evenings: 4000 });
    // All or nothing: never a shared evening.
    expect(told[0]!.points + told[1]!.points).toBeCloseTo(4, 9);
    expect(told[0]!.places[0]! + told[1]!.places[0]!).toBeCloseTo(1, 9);
    expect(told[0]!.places[0]).toBeCloseTo(0.5, 1);
  });
  it('with every run made is the standings, by every way to count, tie, drop and give style', () => {
    const goals = [furthest, { kind: 'closest-to' as const, distance: 8 }, { kind: 'at-least' as const, distance: 6 }];
    const shape = fc.record({
      cars: fc.integer({ min: 2, max: 5 }),
      rounds: fc.array(
        fc.record({
          goal: fc.constantFrom(...goals),
          counts: fc.constantFrom('best' as const, 'mean' as const, 'sum' as const, 'best-two' as const),
          runs: fc.integer({ min: 1, max: 3 }),
          missing: fc.constantFrom('worst' as const, 'all' as const),
        }),
        { minLength: 1, maxLength: 3 },
      ),
      drops: fc.integer({ min: 0, max: 2 }),
      ties: fc.constantFrom('shared' as const, 'next-best' as const),
      hasPoints: fc.boolean(),
      made: fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 45, maxLength: 45 }),
    });
    let ties = 0;
    fc.assert(
      fc.property(shape, ({ cars, rounds, drops, ties: how, hasPoints, made }) => {
        const meet = {
          ...meetOf(
            cars,
            rounds.map((one, i) => round({ ...one, name: `round ${i}`, points: hasPoints ? [10, 7, 5, 3, 1] : [] })),
            { drops, style: 3 },
            how,
          ),
        };
        const styled = { ...meet, entries: meet.entries.map((entry, i) => ({ ...entry, style: i % 3 })) };
        let n = 0;
        const results = styled.entries.flatMap((_, car) =>
          rounds.flatMap(({ runs }, index) =>
            Array.from({ length: runs }, (__, run): SavedResult => {
              const value = made[n++ % made.length]!;
              return result(
                car,
                run,
                value === 0 ? { kind: 'no-start' } : { distance: Math.min(value, 8), ...(value >= 8 && { atLeast: true }) },
                { round: index },
              );
            }),
          ),
        );
        const stood = standing(results);
        const wanted = new Map(standingsOf(styled, stood).map(({ entry, place, total }) => [entry.id, { place, total }]));
        if (new Set([...wanted.values()].map(({ place }) => place)).size < cars) ties++;
        for (const { entry, places, points } of forecast(styled, stood, new Map(), { evenings: 2 })) {
          expect(places.findIndex((one) => one === 1) + 1, entry).toBe(wanted.get(entry)!.place);
          expect(points).toBeCloseTo(wanted.get(entry)!.total, 9);
        }
      }),
      { numRuns: 400, seed: 3 },
    );
    expect(ties).toBeGreaterThan(25);
  });
  it('moves with what was run: cars that would have run so are likelier; a wall says at least; a run that came to nothing counts', () => {
    const outlook = outlookAt([4, 8, 16], 0.06);
    const after = learnt(outlook, [{ round: 0, distance: 8.2, atLeast: false }]);
    expect(after.weights[1]).toBeGreaterThan(0.99);
    const walled = learnt(outlook, [{ round: 0, distance: 8, atLeast: true }]);
    // The nearer car is out; of one that just reaches the wall half do.
    expect(walled.weights[0]).toBeLessThan(0.01);
    expect(walled.weights[1]! / walled.weights[2]!).toBeCloseTo(0.5, 2);
    expect(outlook.fails).toBe(0);
    expect(learnt(outlook, [{ round: 0, distance: null, atLeast: false }]).fails).toBeCloseTo(1 / 21, 9);
    const meet = meetOf(2, [round({ runs: 2 })]);
    const either = outlookAt([...many(4), ...many(16)], 0.06);
    const even = outlooks(either, either);
    const before = forecast(meet, [], even, { evenings: 4000 })[0]!.places[0]!;
    const then = forecast(meet, standing(ran(0, 15)), even, { evenings: 4000 })[0]!.places[0]!;
    expect(before).toBeCloseTo(0.5, 1);
    // Half of its rivals are the nearer car; against the other its 15 m and a run more stand against two runs: 0.37 of these.
    expect(then).toBeCloseTo(0.685, 1);
  });
  it('settles ties by run-offs where the brief says so, made ones as they were made', () => {
    const meet = meetOf(2, [round({ runs: 1, points: [10, 0] })], {}, 'run-off');
    const tied = [...ran(0, 7), ...ran(1, 7)];
    const same = outlooks(outlookAt(many(7), 0.06), outlookAt(many(7), 0.06));
    const open = forecast(meet, standing(tied), same, { evenings: 4000 });
    expect(open[0]!.places[0]! + open[1]!.places[0]!).toBeCloseTo(1, 9);
    expect(open[0]!.places[0]).toBeCloseTo(0.5, 1);
    const made = forecast(meet, standing(tied, [result(0, 1, { distance: 6 }), result(1, 1, { distance: 8 })]), same, { evenings: 100 });
    expect(made.map(({ places }) => places[0])).toEqual([0, 1]);
  });
});

describe('the cars that an entry may be', () => {
  const brief: Brief = TEMPLATES.club.brief();
  it('are one car in every round, and run as far as the model says; a run once more goes further by its scatter and is sooner by half', () => {
    const outlook = carOutlook(newCar('x'), brief);
    expect(outlook.rounds).toHaveLength(brief.rounds.length);
    for (const cars of outlook.rounds) expect(cars).toHaveLength(CARS);
    const [possible] = outlookAt([10], 0.1).rounds[0]!;
    const wider = { scatter: 0.1, bendScatter: 0 };
    expect(drawnRun(furthest, possible!, wider, 1, 0)!.value).toBeCloseTo(10 * Math.exp(0.1), 9);
    const timed: PossibleRun = { ...possible!, free: { ...possible!.free, time: 4 } };
    const quick = { kind: 'quickest-to' as const, distance: 6 };
    expect(drawnRun(quick, timed, wider, 1, 0)!.value).toBeCloseTo(4 * Math.exp(-0.05), 9);
    // One that comes to 5.4 m of 6 is not timed.
    expect(drawnRun(quick, timed, wider, Math.log(0.54) / 0.1, 0)).toBeNull();
    const walled: PossibleRun = {
      ...possible!,
      run: { ...possible!.run, design: { ...possible!.run.design, floor: { ...possible!.run.design.floor, roomLength: 9 } } },
    };
    expect(drawnRun(furthest, walled, wider, 1, 0)).toEqual({ value: 9, atLeast: true });
  });
});
