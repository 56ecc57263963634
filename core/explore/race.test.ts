import { describe, expect, it } from 'vitest';
import { newCar } from '../car/new-car.ts';
import { predictRun } from '../predict/predict-run.ts';
import { driftAfter } from '../predict/straightness.ts';
import { MOST_RACERS } from './most-racers.ts';
import { raceEnd, raceLength, raceLine, racerAt, racersOf, timedRun } from './race.ts';

const lever = newCar('Kelp Runner');
const band = newCar('Tern', 'band');
const run = (car: typeof lever) => {
  const prediction = predictRun(car, { kind: 'full' }, { trace: true });
  if (prediction.kind !== 'ran') throw new Error('it does not run');
  return prediction.result;
};

describe('a race', () => {
  const racers = racersOf(
    [
      { id: 'a', design: lever },
      { id: 'b', design: band },
    ],
    null,
  );
  it('lasts until the last stands, and is as long as the farthest comes', () => {
    expect(raceEnd(racers)).toBe(Math.max(run(lever).time, run(band).time));
    expect(raceLength(racers)).toBeCloseTo(Math.max(run(lever).distance, run(band).distance), 9);
    const [a] = racers;
    expect(racerAt(a!, 0)).toMatchObject({ distance: 0, drift: 0 });
    expect(racerAt(a!, 1000)).toMatchObject({ speed: 0, phase: 'stopped' });
    expect(racerAt(a!, 1000).distance).toBeCloseTo(run(lever).distance, 9);
    // In between it is where its own trace has it.
    const half = run(lever).time / 2;
    const { trace } = run(lever);
    const row = trace!.time.findIndex((time) => time >= half);
    expect(racerAt(a!, half).distance).toBeGreaterThanOrEqual(trace!.distance[row - 1]!);
    expect(racerAt(a!, half).distance).toBeLessThanOrEqual(trace!.distance[row]!);
  });
  it('is on one floor for all where it is given, and ends at its wall', () => {
    const floor = { ...lever.floor, roomLength: 3 };
    const walled = racersOf(
      [
        { id: 'a', design: lever },
        { id: 'b', design: band },
      ],
      floor,
    );
    expect(walled.map(({ design }) => design.floor)).toEqual([floor, floor]);
    expect(racerAt(walled[0]!, 1000)).toMatchObject({ distance: 3, speed: 0, phase: 'at-wall' });
    expect(raceLength(walled)).toBe(3);
    expect(Math.max(...raceLine(walled[0]!, 10).map(({ distance }) => distance))).toBe(3);
  });
  it('has a car that bends off its line, one that cannot run at the line, and no more than six', () => {
    const bent = racersOf([{ id: 'a', design: { ...lever, alignment: { ...lever.alignment, otherToe: 0.01 } } }], null);
    const { drift, distance } = racerAt(bent[0]!, 1000);
    const curvature = -0.01 / lever.wheelbase;
    expect(Math.abs(drift)).toBeCloseTo(Math.abs(driftAfter(curvature, distance)), 6);
    const heavy = racersOf([{ id: 'a', design: { ...band, rest: { ...band.rest, mass: 4000 } } }], null);
    expect(racerAt(heavy[0]!, 1)).toMatchObject({ distance: 0, phase: 'cannot-run', pose: null });
    expect(raceLine(heavy[0]!, 5)).toEqual([]);
    expect(
      racersOf(
        Array.from({ length: 9 }, (_, i) => ({ id: String(i), design: lever })),
        null,
      ),
    ).toHaveLength(MOST_RACERS);
  });
  it('has a run as it was timed beside its model: through every time, to where it stopped', () => {
    const timed = timedRun(9.5, 12, [
      { at: 5, time: 4 },
      { at: 2, time: 2.2 },
    ])!;
    expect(timed).toEqual({
      points: [
        { time: 2.2, distance: 2 },
        { time: 4, distance: 5 },
        { time: 12, distance: 9.5 },
      ],
      isToStop: true,
    });
    const [measured, model] = racersOf(
      [
        { id: 'a', design: lever, timed },
        { id: 'b', design: lever, wind: { kind: 'turns', turns: 5 } },
      ],
      null,
    );
    expect(racerAt(measured!, 4)).toMatchObject({ phase: 'timed', drift: 0 });
    expect(racerAt(measured!, 4).distance).toBeCloseTo(5, 9);
    expect(racerAt(measured!, 4).speed).toBeGreaterThan(0.5);
    expect(racerAt(measured!, 99)).toMatchObject({ distance: 9.5, speed: 0, phase: 'stopped' });
    expect(raceEnd([measured!])).toBe(12);
    expect(raceLength([measured!])).toBe(9.5);
    const less = predictRun(lever, { kind: 'turns', turns: 5 });
    expect(racerAt(model!, 1000).distance).toBeCloseTo(less.kind === 'ran' ? less.result.distance : NaN, 9);
    // Without a time to the stop it is shown as far as it was timed.
    const seen = timedRun(9.5, undefined, [{ at: 5, time: 4 }])!;
    const [line] = racersOf([{ id: 'a', design: lever, timed: seen }], null).map((racer) => raceLine(racer, 8, 8));
    expect(line!.map(({ time }) => time)).toEqual([0, 1, 2, 3, 4]);
    expect(timedRun(9.5, undefined)).toBeNull();
  });
});
