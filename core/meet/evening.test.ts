import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { designForRound, type Brief } from '../brief/brief.ts';
import type { CarDesign, RunRecord } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { predictRun } from '../predict/predict-run.ts';
import { CARS, type CarOutlook } from './car-outlook.ts';
import { chancesOverEvening, forecastEvening, outlookOfEntry, outlooksOf, type KeptOutlooks, type KnownCar } from './evening.ts';
import type { StandingResult } from './meet.ts';
import { newEntry, newMeet, newResult } from './new-meet.ts';
import { idOf } from './reference/made-meets.ts';

const brief = JSON.parse(readFileSync(new URL('../../server/demo/skerrow-lull-trophy.brief.json', import.meta.url), 'utf8')) as Brief;
const design: CarDesign = designForRound(newCar('Kelp Runner'), brief, brief.rounds[0]!);
const likely = ((run) => (run.kind === 'ran' ? run.result.distance : NaN))(predictRun(design));

/** Distances of the first round below which such fractions of the weight lie. */
function quantiles({ rounds, weights }: CarOutlook, ...fractions: readonly number[]): number[] {
  const cars = rounds[0]!.map((possible, i) => ({ at: possible!.free.distance, weight: weights[i]! })).sort((a, b) => a.at - b.at);
  return fractions.map((fraction) => {
    let sum = 0;
    return cars.find(({ weight }) => (sum += weight) >= fraction)!.at;
  });
}
const runAt = (distance: number, n: number): RunRecord =>
  ({
    format: 'nimble-axle/run',
    version: 1,
    ranAt: `2026-11-2${n}T18:00:00.000Z`,
    wind: { kind: 'full' },
    outcome: { kind: 'stopped', distance },
    seen: [],
    note: '',
    leftOut: false,
    design,
  }) as unknown as RunRecord;
const known = (distances: readonly number[]): KnownCar => ({
  design,
  runs: distances.map((distance, n) => {
    const { design: ran, ...record } = runAt(distance, n);
    return { record, design: ran };
  }),
});

describe('what is known of an entry', () => {
  it('is its design until it ran: about the likely run, and wide', () => {
    const { outlook, by } = outlookOfEntry({ car: 'x' }, brief, known([]), 1);
    expect(by).toBe('design');
    const [low, middle, high] = quantiles(outlook, 0.1, 0.5, 0.9);
    expect(middle! / likely).toBeGreaterThan(0.8);
    expect(middle! / likely).toBeLessThan(1.2);
    expect(high! / low!).toBeGreaterThan(1.5);
  });
  it('is its own runs where it has some: near them, and narrow', () => {
    const far = 1.2 * likely;
    const { outlook, by } = outlookOfEntry({ car: 'x' }, brief, known([far, 1.03 * far, 0.98 * far, 1.01 * far]), 1);
    expect(by).toBe('fitted');
    const [low, middle, high] = quantiles(outlook, 0.1, 0.5, 0.9);
    expect(Math.abs(middle! / far - 1)).toBeLessThan(0.05);
    expect(high! / low!).toBeLessThan(1.25);
  });
  it('is what its crew expects without a design, else a typical car of the brief', () => {
    const expected = outlookOfEntry({ car: 'x', predicted: 12 }, brief, null, 1);
    expect(expected.by).toBe('expected');
    expect(quantiles(expected.outlook, 0.5)[0]! / 12).toBeGreaterThan(0.85);
    expect(quantiles(expected.outlook, 0.5)[0]! / 12).toBeLessThan(1.15);
    const typical = outlookOfEntry({ car: 'x' }, brief, null, 1);
    expect(typical.by).toBe('typical');
    const spread = ({ outlook }: typeof typical): number => Math.log(quantiles(outlook, 0.9)[0]! / quantiles(outlook, 0.1)[0]!);
    expect(spread(typical)).toBeGreaterThan(spread(expected));
    expect(typical.outlook.rounds[0]).toHaveLength(CARS);
  });
  it('comes to one evening for all, the same for the same seed', () => {
    const entries = [0, 1, 2].map((n) => newEntry({ id: idOf(n), crew: `crew ${n}`, car: `car ${n}`, ...(n === 1 && { predicted: 12 }) }));
    const meet = newMeet({ name: 'x', date: '2026-11-21', brief, seed: 1, lanes: 3, entries });
    const cars = new Map([[idOf(0), known([])]]);
    const told = forecastEvening(meet, [], cars, { evenings: 500 });
    expect(told.entries.map(({ by }) => by)).toEqual(['design', 'expected', 'typical']);
    expect(told.entries.reduce((sum, { places }) => sum + places[0]!, 0)).toBeGreaterThanOrEqual(1 - 1e-9);
    expect(forecastEvening(meet, [], cars, { evenings: 500 })).toEqual(told);
    expect(forecastEvening(meet, [], cars, { evenings: 500, seed: 2 })).not.toEqual(told);
  });
  it('keeps what is known of a car, whatever results come in', () => {
    const entries = [0, 1].map((n) => newEntry({ id: idOf(n), crew: `crew ${n}`, car: `car ${n}` }));
    const meet = newMeet({ name: 'x', date: '2026-11-21', brief, seed: 1, entries });
    const cars = new Map([[idOf(0), known([])]]);
    const kept: KeptOutlooks = new Map();
    const first = outlooksOf(meet, cars, 1, kept);
    expect(outlooksOf(meet, new Map([[idOf(0), known([])]]), 1, kept).get(idOf(0))).toBe(first.get(idOf(0)));
    expect(outlooksOf(meet, new Map([[idOf(0), known([12])]]), 1, kept).get(idOf(0))).not.toBe(first.get(idOf(0)));
  });
  it('moves as results come in: whoever alone ran all its rounds is first in the end', () => {
    const entries = [0, 1].map((n) => newEntry({ id: idOf(n), crew: `crew ${n}`, car: `car ${n}` }));
    const one = { ...brief, rounds: [{ ...brief.rounds[0]!, runs: 1 }] };
    const meet = newMeet({ name: 'x', date: '2026-11-21', brief: one, seed: 1, entries });
    const result = (n: number, distance: number): StandingResult => ({
      id: idOf(10 + n),
      number: 2 - n,
      before: [],
      result: newResult({
        meet: idOf(9),
        entry: idOf(n),
        round: 0,
        run: 0,
        at: '2026-11-21T18:00:00.000Z',
        by: 'x',
        outcome: { kind: 'ran', distance },
      }),
    });
    const { after, first } = chancesOverEvening(meet, [result(1, 3), result(0, 4)], new Map());
    expect(after).toEqual([0, 1, 2]);
    expect(first.map(({ entry }) => entry)).toEqual([idOf(0), idOf(1)]);
    expect(first.map(({ chances }) => chances.at(-1))).toEqual([1, 0]);
    // Both are typical cars: as likely, and both first where both reach the wall.
    expect(Math.abs(first[0]!.chances[0]! - first[1]!.chances[0]!)).toBeLessThan(0.05);
    expect(first[0]!.chances[1]! + first[1]!.chances[1]!).toBeGreaterThanOrEqual(1);
  });
});
