import { describe, expect, it } from 'vitest';
import { newCar } from '../car/new-car.ts';
import { predictRun } from '../predict/predict-run.ts';
import { driftAfter } from '../predict/straightness.ts';
import { MOST_RACERS, raceEnd, raceLength, raceLine, racerAt, racersOf } from './race.ts';

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
});
