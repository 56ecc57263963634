import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../car/car-design.ts';
import { safeStretch } from '../car/winding-limits.ts';
import { MOTOR_KINDS } from '../car/motors/motors.ts';
import { newCar } from '../car/new-car.ts';
import { fullTurns } from '../predict/derive-run-setup.ts';
import { predictRun } from '../predict/predict-run.ts';
import { sampledRuns } from '../predict/sampled-runs.ts';
import { beforeRun } from './before-run.ts';
import { runDeviation } from './run-deviation.ts';
import { turnsForRoom } from './turns-for-room.ts';
import { safeTurns, windingState } from './winding-state.ts';

const lever = newCar('x');
const band = newCar('x', 'band');
const reach = (design: CarDesign): number => {
  const prediction = predictRun(design);
  return prediction.kind === 'ran' ? prediction.result.distance : NaN;
};

describe('turns for a short room', () => {
  it.each([
    ['lever', lever],
    ['band', band],
  ])('%s: 9 in 10 stop with them, in a sample of another seed too, and fewer with one turn more', (_kind, design) => {
    const room = 0.7 * reach(design);
    const { turns, isFull, stopFully } = turnsForRoom(design, room);
    expect(isFull).toBe(false);
    expect(stopFully).toBeLessThan(0.9);
    const stopping = (wound: number): number =>
      sampledRuns(design, { wind: { kind: 'turns', turns: wound }, seed: 9, runs: 256 }).filter(
        ({ result }) => (result?.distance ?? 0) < room,
      ).length / 256;
    expect(stopping(turns)).toBeGreaterThan(0.84);
    expect(stopping(turns + 1.5)).toBeLessThan(0.93);
  });
  it('are all of them in a long hall, and fewer the shorter it is', () => {
    expect(turnsForRoom(lever, 900)).toMatchObject({ isFull: true, turns: fullTurns(lever), stopFully: 1 });
    const [short, long] = [3, 6].map((room) => turnsForRoom(lever, room).turns);
    expect(short!).toBeLessThan(long!);
    expect(short! % 0.5).toBe(0);
  });
});

describe('a car being wound', () => {
  it('pulls as its run begins, the same fully wound as told in turns, and not at all unwound', () => {
    for (const kind of MOTOR_KINDS) {
      const car = newCar('x', kind);
      const prediction = predictRun(car);
      if (prediction.kind === 'refused') throw new Error('refused');
      expect(windingState(car, fullTurns(car))!.pull).toBeCloseTo(prediction.result.launchThrust, 9);
      expect(windingState(car, 0)).toBeNull();
    }
  });
  it('stretches its band the more the further it is wound, and is safe to where that is still safe', () => {
    const stretches = [2, 4, 6].map((turns) => windingState(band, turns)!.stretch!);
    expect(stretches).toEqual([...stretches].sort((a, b) => a - b));
    expect(safeTurns(lever)).toBe(fullTurns(lever));
    // The furthest that it can be wound at all.
    const wound = (turns: number): CarDesign => ({ ...band, motor: { ...band.motor, turns } as CarDesign['motor'] });
    const overwound = wound(
      [...Array(60).keys()].map((half) => half / 2 + 1).findLast((turns) => predictRun(wound(turns)).kind === 'ran')!,
    );
    const safe = safeTurns(overwound);
    if (overwound.motor.kind !== 'band') throw new Error('no band');
    expect(safe).toBeLessThan(fullTurns(overwound));
    // Of 20 turns planned those on the sleeve come last: on bare axle they stretch it a little less.
    const stretch = windingState(overwound, safe)!.stretch!;
    expect(stretch).toBeLessThanOrEqual(safeStretch(overwound.motor.band));
    expect(stretch).toBeCloseTo(safeStretch(overwound.motor.band), 0);
  });
});

describe('before a run', () => {
  it.each(MOTOR_KINDS)('%s: is asked what matters for such a car, hands and the track always', (kind) => {
    const lines = beforeRun(newCar('x', kind));
    const ids = lines.map(({ id }) => id);
    expect(ids).toContain('clear');
    expect(lines[0]).toMatchObject({ isCaution: true, words: expect.stringMatching(kind === 'lever' ? /fingers/ : /glasses/) });
    expect(ids.includes('side-by-side')).toBe(kind !== 'twist');
    expect(ids.includes('arm')).toBe(kind === 'twist');
    expect(new Set(ids).size).toBe(ids.length);
  });
  it('a tied end is asked for as tied, a free one as free', () => {
    const ids = (release: 'free' | 'tied') =>
      beforeRun({ ...lever, motor: { ...lever.motor, release } as CarDesign['motor'] }).map(({ id }) => id);
    expect(ids('free')).toContain('loop');
    expect(ids('tied')).toContain('tied');
    expect(ids('tied')).not.toContain('loop');
  });
});

describe('luck', () => {
  const none = { stopped: 0, sum: 0, sumOfSquares: 0 };
  const stopped = (distance: number) => ({ kind: 'stopped', distance }) as const;
  // 9.5, 10, 10.5: mean 10, standard deviation 0.5.
  const three = { stopped: 3, sum: 30, sumOfSquares: 9.5 ** 2 + 10 ** 2 + 10.5 ** 2 };
  it('is what the usual scatter of the prediction explains until there are runs', () => {
    expect(runDeviation(stopped(11), 10, none)).toEqual({ apart: 1, of: 'prediction', luck: 'within' });
    expect(runDeviation(stopped(12), 10, none)).toMatchObject({ luck: 'beyond' });
    // A car that never ran may be any that is built like it; once it has run, its own runs tell.
    expect(runDeviation(stopped(12), 10, none, { low: 8, high: 13 })).toMatchObject({ luck: 'cars' });
    expect(runDeviation(stopped(11), 10, none, { low: 8, high: 13 })).toMatchObject({ luck: 'within' });
    expect(runDeviation(stopped(14), 10, none, { low: 8, high: 13 })).toMatchObject({ luck: 'beyond' });
    expect(runDeviation({ kind: 'hit-wall', distance: 9 }, 10, none, { low: 8, high: 13 })).toMatchObject({ luck: 'wall' });
  });
  // s² = (2 · 0.6² + 2 · 0.5²)/4 = 0.305; t(0.975, 4) = 2.7764 (tables); 2.7764 √(0.305 · 4/3) = 1.770.
  it('is this car’s own scatter once three runs are there, weighed with what is usual: 1.77 m about 10', () => {
    expect(runDeviation(stopped(11.76), 20, three)).toMatchObject({ of: 'runs', luck: 'within' });
    expect(runDeviation(stopped(18), 20, three, { low: 8, high: 30 })).toMatchObject({ of: 'runs', luck: 'beyond' });
    expect(runDeviation(stopped(11.78), 20, three)).toMatchObject({ of: 'runs', luck: 'beyond' });
    expect(runDeviation(stopped(8.24), 20, three)).toMatchObject({ luck: 'within', apart: expect.closeTo(-1.76, 9) });
    expect(runDeviation(stopped(5.01), 5, { stopped: 3, sum: 15, sumOfSquares: 75 }).luck).toBe('within');
  });
  it('is never told of a wall that was hit too soon', () => {
    expect(runDeviation({ kind: 'hit-wall', distance: 5 }, 10, none).luck).toBe('wall');
    expect(runDeviation({ kind: 'hit-wall', distance: 12 }, 10, none).luck).toBe('beyond');
  });
});
