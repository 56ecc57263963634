import { describe, expect, it } from 'vitest';
import type { CarDesign, Outcome, RunRecord, Wind } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { deriveRunSetup, fullTurns } from '../predict/derive-run-setup.ts';
import { likelyNumbers } from '../car/values.ts';
import { simulateValidated } from '../run/simulate.ts';
import { explain } from './causes.ts';
import type { RunOfCar } from './compared-runs.ts';
import { fitCar } from './fit/fit-car.ts';
import { predictFitted } from './fit/predict-fitted.ts';
import { selectRuns } from './select-runs.ts';
import { tuneCar } from './tuning.ts';

const FULL: Wind = { kind: 'full' };
const design: CarDesign = { ...newCar('Tern'), care: 'ordinary' };
const band: CarDesign = { ...newCar('Tern', 'band'), care: 'ordinary' };
let minute = 0;
/** A run, each a minute after the last. */
function run(car: CarDesign, outcome: number | Outcome, more: Partial<RunRecord> = {}): RunOfCar {
  const ranAt = new Date(Date.UTC(2026, 10, 21, 18, ++minute)).toISOString();
  const told: Outcome = typeof outcome === 'number' ? { kind: 'stopped', distance: outcome } : outcome;
  const record = {
    format: 'nimble-axle/run-record',
    version: 1,
    ranAt,
    wind: FULL,
    outcome: told,
    seen: [] as RunRecord['seen'],
    note: '',
    ...more,
  } as const;
  return { id: `run ${minute}`, design: car, record };
}
const reach = (car: CarDesign, slope = 0): number =>
  simulateValidated(deriveRunSetup(car, FULL, { ...likelyNumbers(car), slope })).distance;

describe('what is said of another floor', () => {
  // Bare discs spin on a smooth floor: whether they get away on carpet is what the builder saw.
  const bare: CarDesign = { ...band, tyre: 'bare-disc', sleeve: [] };
  const onCarpet: CarDesign = { ...bare, floor: { ...bare.floor, kind: 'short-carpet' } };
  const told = (elsewhere?: RunRecord['elsewhere']) => {
    const way = reach(bare);
    const runs = [0.97, 1, 1.03].map((factor) => run(bare, factor * way, elsewhere ? { elsewhere } : {}));
    const { groups, said } = selectRuns(runs)!;
    expect(said).toHaveLength(elsewhere ? 3 : 0);
    const fitted = fitCar([...groups, ...said], { designs: [onCarpet] })!;
    return { there: predictFitted(fitted, onCarpet, FULL)!.mean, tuned: tuneCar(onCarpet, runs)!.full!.mean };
  };
  it('moves what is expected there, in the fit and in what is told of it; what is expected anyway hardly', () => {
    const [alone, further, less] = [
      told(),
      told({ floor: 'short-carpet', goes: 'further' }),
      told({ floor: 'short-carpet', goes: 'less-far' }),
    ];
    expect(alone.there.high).toBeLessThan(0.9 * reach(bare));
    expect(further.there.middle).toBeGreaterThan(1.1 * alone.there.middle);
    expect(further.there.high).toBeGreaterThan(1.3 * alone.there.high);
    expect(less.there.middle / alone.there.middle).toBeCloseTo(1, 2);
    expect(further.tuned).toEqual(further.there);
  });
});

describe('the runs of a car', () => {
  it('of one group are held out of nothing; runs that fall by 4 % each are told as that', () => {
    const way = reach(design);
    const runs = [0, 1, 2, 3, 4].map((i) => run(design, way * 0.96 ** i));
    const [only] = tuneCar(design, runs)!.groups;
    expect(only).toMatchObject({ heldOut: null, check: null });
    expect(selectRuns(runs)!.signs).toMatchObject({ drift: 'seen', perRun: expect.closeTo(-0.04, 9) });
  });
  it('are told by the newest groups, also where the last run is of a winding that was run first', () => {
    const turns = fullTurns(design);
    const winds = Array.from({ length: 25 }, (_, i): Wind => ({ kind: 'turns', turns: Math.round(turns * (4 + i)) / 30 }));
    const distances = winds.map((wind) => simulateValidated(deriveRunSetup(design, wind)).distance);
    const runs = [...winds, winds[0]!].map((wind, i) => run(design, distances[i % 25]!, { wind }));
    const notWound = run(design, 0, { wind: { kind: 'turns', turns: 0.004 } });
    const tuning = tuneCar(design, [...runs, notWound])!;
    expect([tuning.unwound, tuning.isSettled]).toEqual([1, true]);
    expect(tuning.groups).toHaveLength(24);
    expect(tuning.earlier).toEqual({ groups: 1, runs: 1 });
    // The second winding is the one that is left out: its run is the oldest.
    expect(tuning.groups.map(({ wind }) => wind)).not.toContainEqual(winds[1]);
    expect(tuning.groups.at(-1)).toMatchObject({ wind: winds[0], distances: [{ order: 1 }, { order: 26 }] });
  });

  it('of two builds are told together, and the latest build by itself', () => {
    const other: CarDesign = { ...design, ballast: { mass: 0.03, fromDriveAxle: 0 } };
    const selected = selectRuns([run(other, 10), run(other, 10.2), run(design, 12), run(design, 12.1)])!;
    expect(selected.groups).toHaveLength(2);
    expect(selected.ofLatest.map(({ design: ran }) => ran.ballast.mass)).toEqual([design.ballast.mass]);
  });
  it('of which some hit the wall tell how many go further, where some stopped', () => {
    const walls = (distances: readonly number[]) => distances.map((distance): Outcome => ({ kind: 'hit-wall', distance }));
    const beyondOf = (outcomes: readonly (number | Outcome)[]) => tuneCar(design, outcomes.map((outcome) => run(design, outcome)))!.groups[0]!.beyond; // prettier-ignore
    expect(beyondOf([10, 11, ...walls([12])])).toEqual([[10, expect.closeTo(2 / 3, 9)], [11, expect.closeTo(1 / 3, 9)], [12, expect.closeTo(1 / 3, 9)]]); // prettier-ignore
    expect(beyondOf(walls([12, 12]))).toBeNull();
  });
  it('out and back on a floor that leans are told for each way, and so is what is left out of the fit', () => {
    const [out, back] = [reach(design, 0.004), reach(design, -0.004)];
    const pairs = [0.98, 1, 1.02].flatMap((by) => [
      run(design, by * out, { direction: 'out' }),
      run(design, by * back, { direction: 'back' }),
    ]);
    const tuning = tuneCar(design, pairs)!;
    const [there, home] = tuning.groups;
    expect(back / out).toBeGreaterThan(1.3);
    for (const [group, distance] of [
      [there!, out],
      [home!, back],
    ] as const) {
      expect(group.fitted!.middle / distance).toBeCloseTo(1, 1);
      expect(group.next!.low).toBeLessThan(distance);
      expect(group.next!.high).toBeGreaterThan(distance);
    }
    // Held out, the way back is expected further than the way out: nobody told it that.
    expect(home!.heldOut!.middle).toBeGreaterThan(out);
    expect(tuning.full).toMatchObject({ direction: 'back' });
    expect(tuning.full!.mean.middle / back).toBeCloseTo(1, 1);
  });

  it('on a floor that is told to lean are expected less far uphill, and further on the way back', () => {
    const leaning: CarDesign = { ...design, floor: { ...design.floor, slope: 0.004 } };
    const [out, back] = [reach(design, 0.004), reach(design, -0.004)];
    const tuning = tuneCar(leaning, [run(leaning, out, { direction: 'out' }), run(leaning, back, { direction: 'back' })])!;
    expect(tuning.groups.map(({ predicted }) => predicted! / reach(design))).toEqual([
      expect.closeTo(out / reach(design), 6),
      expect.closeTo(back / reach(design), 6),
    ]);
  });

  it('that did not start are an outcome of their own: no mean, no scatter, none of them odd', () => {
    const runs = [0, 0, 0, 1, 1.05].map((distance) => run(band, distance));
    const [group] = tuneCar(band, runs)!.groups;
    expect(group!.distances.map(({ hasStarted }) => hasStarted)).toEqual([false, false, false, true, true]);
    expect(group!.spread).toMatchObject({ mean: expect.closeTo(1.025, 9), deviation: expect.closeTo(0.05 / Math.SQRT2, 9) });
    // t(0.975, 1) = 12.706 (tables), times 0.0354/√2, to either side of 1.025.
    expect(group!.spread!.high).toBeCloseTo(1.025 + 12.706 * 0.025, 3);
    expect(group!.spread!.low).toBeCloseTo(1.025 - 12.706 * 0.025, 3);
    expect(tuneCar(band, runs.slice(0, 3))!.groups[0]!.spread).toBeNull();
  });

  it.each([design, band])(
    'that did not start with wheels that spun point to too little grip; without, to a car wound the wrong way',
    (car) => {
      const [spun, still] = [['spun'], []].map((seen) => {
        const { causes, noted } = tuneCar(
          car,
          [0, 0, 0].map(() => run(car, 0, { seen: seen as RunRecord['seen'] })),
        )!;
        return explain(causes!, { noted }).causes;
      });
      expect(spun![0]).toMatchObject({ id: 'low-grip' });
      expect(spun![0]!.probability).toBeGreaterThan(0.5);
      expect(still![0]!.id).toBe('backwards');
    },
  );

  it('before a wall at 5 cm are told no turn at all', () => {
    const boxed: CarDesign = { ...band, floor: { ...band.floor, roomLength: 0.05 } };
    const { room } = tuneCar(
      boxed,
      [1, 1.02, 0.98].map((by) => run(band, by * reach(band))),
    )!;
    expect(room).toEqual({ room: 0.05, turns: 0, distance: { low: 0, middle: 0, high: 0 } });
    // Of 5 m it is the most half turns that still stop inside: one more would not.
    const hall: CarDesign = { ...band, floor: { ...band.floor, roomLength: 5 } };
    const told = tuneCar(
      hall,
      [1, 1.02, 0.98].map((by) => run(band, by * reach(band))),
    )!.room!;
    expect(told.turns).toBeGreaterThan(0.5);
    const at = (turns: number): number => simulateValidated(deriveRunSetup(band, { kind: 'turns', turns })).distance;
    expect(at(told.turns)).toBeLessThan(5);
    expect(at(told.turns + 1)).toBeGreaterThan(4.6);
  });
});
