import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shuffled } from '../numerics/shuffled.ts';
import type { SavedResult } from './meet.ts';
import { newEntry, withRunning } from './new-meet.ts';
import { heatsLeft, nextOf, orderOf, runningOrder } from './order.ts';
import { idOf, meetOf, ran, result, round, standing } from './reference/made-meets.ts';
import { runOffsDue } from './run-offs.ts';

describe('the order of running', () => {
  it('gives each of 60 cars each lane alike within one over 5 rounds, every run once, and none twice in a row', () => {
    for (const lanes of [1, 2, 3, 4, 6]) {
      const meet = meetOf(
        60,
        Array.from({ length: 5 }, () => round({ runs: 2 })),
        { lanes },
      );
      const heats = orderOf(meet);
      const counts = new Map<string, number[]>();
      const made = new Set<string>();
      heats.forEach(({ cars, round: index, run }, i) => {
        expect(cars.length).toBeGreaterThan(0);
        const taken = cars.map(({ lane }) => lane);
        expect([...new Set(taken)].toSorted((a, b) => a - b)).toEqual(taken);
        for (const { entry, lane } of cars) {
          counts.set(entry, (counts.get(entry) ?? Array.from({ length: lanes }, () => 0)).with(lane, (counts.get(entry)?.[lane] ?? 0) + 1));
          made.add(`${entry} ${index} ${run}`);
          if (i > 0) expect(heats[i - 1]!.cars.some((before) => before.entry === entry)).toBe(false);
        }
      });
      expect(made.size).toBe(60 * 5 * 2);
      for (const lane of counts.values()) expect(Math.max(...lane) - Math.min(...lane)).toBeLessThanOrEqual(1);
    }
  });
  it('stands once it was drawn: who comes late runs last, and the lanes of who withdraws stay empty', () => {
    const meet = meetOf(5, [round({ runs: 2 })], { lanes: 2 });
    const before = orderOf(meet);
    const late = withRunning(newEntry({ id: idOf(9), crew: 'late', car: 'late', isOut: true }), true, true);
    expect(late).toMatchObject({ late: true, isOut: false });
    const after = orderOf({ ...meet, entries: [late, ...meet.entries] });
    const first = after.filter(({ run }) => run === 0).flatMap(({ cars }) => cars.map(({ entry }) => entry));
    const ofBefore = before.filter(({ run }) => run === 0).flatMap(({ cars }) => cars.map(({ entry }) => entry));
    expect(first.filter((entry) => entry !== late.id).toSorted()).toEqual(ofBefore.toSorted());
    expect(after[0]).toEqual(before[0]);
    expect(
      after
        .filter(({ run }) => run === 0)
        .at(-1)!
        .cars.map(({ entry }) => entry),
    ).toContain(late.id);
    const [gone] = before[0]!.cars;
    const without = orderOf({
      ...meet,
      entries: meet.entries.map((entry) => (entry.id === gone!.entry ? withRunning(entry, false, true) : entry)),
    });
    const left = before.map((heat) => ({ ...heat, cars: heat.cars.filter(({ entry }) => entry !== gone!.entry) }));
    expect(without).toEqual(left.filter(({ cars }) => cars.length > 0));
    // Heats are counted from 0, and lanes follow each other from one car of a heat to the next.
    expect(before.filter(({ run }) => run === 0).map(({ heat }) => heat)).toEqual([0, 1, 2]);
    const order = runningOrder(meet).map(({ id }) => id);
    const lanes = [0, 1, 2, 3, 4].map(
      (i) => before.flatMap(({ run, cars }) => (run === 0 ? cars : [])).find(({ entry }) => entry === order[i])!.lane,
    );
    expect(lanes).toEqual([0, 1, 0, 1, 0]);
    // Before the meet has begun it is drawn without it.
    const early = orderOf({ ...meet, entries: meet.entries.map((entry, i) => (i === 0 ? withRunning(entry, false, false) : entry)) });
    expect(early.filter(({ run }) => run === 0)).toHaveLength(2);
  });
  it.each([
    // As it is, whether it shall run, whether the meet has begun; then.
    [{}, false, false, { isOut: true }],
    [{}, false, true, { isOut: true, withdrawn: true }],
    [{ late: true }, false, true, { isOut: true, late: true, withdrawn: true }],
    [{ isOut: true }, true, false, { isOut: false }],
    [{ isOut: true }, true, true, { isOut: false, late: true }],
    [{ isOut: true, withdrawn: true }, true, true, { isOut: false }],
    [{}, true, true, { isOut: false }],
  ] as const)('of %o, running %s, begun %s, is %o', (was, isRunning, hasBegun, is) => {
    const entry = newEntry({ id: idOf(1), crew: 'c', car: 'x' });
    expect(withRunning({ ...entry, ...was }, isRunning, hasBegun)).toEqual({ ...entry, ...is });
    expect(entry.showsPrediction).toBe(false);
  });
  it('is drawn: the same seed draws the same, another another, and nobody is lost', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), fc.nat(), (count, seed) => {
        const list = Array.from({ length: count }, (_, i) => i);
        expect(shuffled(list, seed)).toEqual(shuffled(list, seed));
        expect([...shuffled(list, seed)].toSorted((a, b) => a - b)).toEqual(list);
      }),
    );
    expect(shuffled([1, 2, 3, 4, 5, 6, 7, 8], 1)).not.toEqual(shuffled([1, 2, 3, 4, 5, 6, 7, 8], 2));
  });
  it('knows what is next', () => {
    const meet = meetOf(4, [round({ runs: 1 })], { lanes: 2 });
    const heats = orderOf(meet);
    expect(nextOf(heats, heats[1]!.cars[0]!.entry)).toEqual({ heat: heats[1], before: 1 });
    expect(nextOf([], idOf(0))).toBeNull();
    expect(heatsLeft(heats, [])).toHaveLength(2);
    const [first] = heats;
    expect(heatsLeft(heats, [{ entry: first!.cars[0]!.entry, round: 0, run: 0 }])[0]).toEqual(first);
    expect(
      heatsLeft(
        heats,
        first!.cars.map(({ entry }) => ({ entry, round: 0, run: 0 })),
      ),
    ).toEqual([heats[1]]);
  });
});

describe('run-offs', () => {
  const meet = meetOf(3, [round({ runs: 1 })], {}, 'run-off');
  const tied = [...ran(0, 9), ...ran(1, 9), ...ran(2, 8)];
  const due = (...more: readonly SavedResult[]) => runOffsDue(meet, standing(tied, more));
  it('are due while a tie is not settled: one that some have made goes on, one that ties again is followed by another', () => {
    const both = [idOf(0), idOf(1)];
    expect(due()).toEqual([{ round: 0, entries: both, run: 1 }]);
    expect(due(result(0, 1, { distance: 5 }))).toEqual([{ round: 0, entries: both, run: 1 }]);
    expect(due(result(0, 1, { distance: 5 }), result(1, 1, { distance: 5 }))).toEqual([{ round: 0, entries: both, run: 2 }]);
    expect(due(result(0, 1, { distance: 5 }), result(1, 1, { distance: 6 }))).toEqual([]);
    expect(due(result(0, 1, { kind: 'broke' }), result(1, 1, { distance: 1 }))).toEqual([]);
    // Runs of another round are none of this one's.
    expect(due(result(0, 4, { distance: 5 }, { round: 1 }))).toEqual([{ round: 0, entries: both, run: 1 }]);
  });
  it('are none where the brief asks for none, or before all have run', () => {
    expect(runOffsDue(meetOf(3, [round({ runs: 1 })]), standing(tied))).toEqual([]);
    expect(runOffsDue(meetOf(3, [round({ runs: 2 })], {}, 'run-off'), standing(tied))).toEqual([]);
  });
});
