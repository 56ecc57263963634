import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { measuresOf } from '../geometry/measures.ts';
import { TAPE } from '../car/tape.ts';
import { fullTurns } from '../predict/derive-run-setup.ts';
import { neededAt } from '../car/parts.ts';
import type { OwnPart } from '../schema/generated/own-part.ts';
import { predictRun } from '../predict/predict-run.ts';
import { sizesOf } from '../car/sizes.ts';
import { chanceToMeet, runForAim } from './aim.ts';
import { assess } from './assess.ts';
import { exploreCar, isBetter } from './explored-car.ts';
import { findBestCar } from './best-car.ts';
import { bestCell, growingMap, mapRows, type MapRequest } from './map.ts';
import { bestPoint, evenly, sweep } from './sweep.ts';
import { bestWinding } from './winding-profile.ts';

const car = newCar('x');
describe('sweeps and maps', () => {
  it('move all that hangs on the size, and leave out what cannot run', () => {
    const size = sizesOf('lever').find(({ id }) => id === 'leverLength')!;
    const points = sweep(car, size, evenly(0.05, 0.5, 10));
    expect(points[0]!.value).toBe(0.05);
    expect(points.filter(({ distance }) => Number.isNaN(distance)).length).toBeGreaterThan(0);
    const own = points.find(({ distance }) => Number.isFinite(distance))!;
    const alone = predictRun(size.write(car, own.value));
    expect(alone.kind === 'ran' && alone.result.distance).toBe(own.distance);
  });
  it('are the same however they are shared out, and grow to the same map', () => {
    const request: MapRequest = {
      design: newCar('x', 'band'),
      across: { id: 'turns', values: evenly(4, 20, 11) },
      up: { id: 'driveWheels', values: evenly(0.06, 0.14, 9) },
    };
    const whole = mapRows(request, 0, 9);
    const grown = growingMap(99, 11);
    for (const [from, to] of [
      [4, 9],
      [0, 4],
    ] as const)
      grown.add(mapRows(request, from, to));
    for (const key of ['distance', 'time', 'launchGripRatio', 'score'] as const) expect([...grown[key]]).toEqual([...whole[key]]);
    const titles = ({ stop, stops }: Pick<typeof whole, 'stop' | 'stops'>) => Array.from(stop, (place) => stops[place - 1] ?? null);
    expect(titles(grown)).toEqual(titles(whole));
    // Twenty turns over-stretch the band: those cars are told, and none of them is the one to take.
    expect(titles(whole)).toContain('stretch of the band');
    expect(titles(whole)[bestCell(whole)!]).toBeNull();
  });
  it('take the best that nothing stops, by the aim', () => {
    const size = sizesOf('lever').find(({ id }) => id === 'driveWheels')!;
    const limited: CarDesign = { ...car, limits: { ...car.limits, height: 0.28 } };
    const points = sweep(limited, size, evenly(0.06, 0.3, 13));
    const best = bestPoint(points)!;
    expect(best.stoppedBy).toBeNull();
    const stopped = points.filter(({ stoppedBy }) => stoppedBy === 'height allowed');
    expect(stopped.length).toBeGreaterThan(0);
    expect(stopped.some(({ distance }) => distance > best.distance)).toBe(true);
    expect(bestPoint(sweep(car, size, []))).toBeNull();
  });
});

describe('the aim', () => {
  const aimed = (kind: CarDesign['aim']['kind'], distance: number | null): CarDesign => ({ ...car, aim: { kind, distance } });
  it('is met by the share of the sample that meets it', () => {
    const distances = [8, 9, 10, 11, 12];
    expect(chanceToMeet(aimed('at-least', 10), distances)).toBe(0.6);
    expect(chanceToMeet(aimed('closest-to', 10), distances)).toBe(0.2);
    expect(chanceToMeet(aimed('furthest', null), distances)).toBeNull();
  });
  it('ranks cars: by distance, by nearness, by the time at the mark and not at the stop', () => {
    const scoreFor = (design: CarDesign): number => exploreCar(design).score;
    const longLever: CarDesign = { ...car, motor: { ...car.motor, leverLength: 0.26, trapPosition: 0.27 } as CarDesign['motor'] };
    const [short, long] = [runForAim(car)!, runForAim(longLever)!];
    expect(long.distance).toBeGreaterThan(short.distance);
    expect(scoreFor(longLever)).toBeGreaterThan(scoreFor(car));
    const near = short.distance - 0.1;
    expect(scoreFor({ ...car, aim: { kind: 'closest-to', distance: near } })).toBeGreaterThan(
      scoreFor({ ...longLever, aim: { kind: 'closest-to', distance: near } }),
    );
    // A short lever pulls harder: it is first at 2 m, though it stops earlier.
    const quick = aimed('quickest-to', 2);
    expect(-scoreFor(quick)).toBeCloseTo(runForAim(quick)!.marks[0]!.time, 9);
    expect(scoreFor(quick)).toBeGreaterThan(scoreFor({ ...longLever, aim: quick.aim }));
    expect(scoreFor(aimed('quickest-to', 900))).toBeLessThan(scoreFor(aimed('quickest-to', 2)));
    expect(exploreCar({ ...car, mass: 0.01 })).toMatchObject({ score: -Infinity, stoppedBy: 'cannot run' });
    expect(isBetter({ score: 1, isStopped: false }, { score: 9, isStopped: true })).toBe(true);
  });
});

describe('searches', () => {
  it('find cars that go further, differ, keep the limits and are the same for the same seed', () => {
    const limited: CarDesign = { ...car, limits: { ...car.limits, height: 0.3 } };
    const search = findBestCar(limited, { tries: 400, seed: 3 });
    const before = runForAim(limited)!;
    expect(search.best.length).toBeGreaterThan(0);
    expect(search.best[0]!.distance).toBeGreaterThan(before.distance);
    for (const { design } of search.best) expect(measuresOf(design).height).toBeLessThanOrEqual(0.3);
    expect(findBestCar(limited, { tries: 400, seed: 3 })).toEqual(search);
    // The front: each quicker than all that go further.
    search.front.slice(1).forEach((one, i) => expect(one.time).toBeLessThan(search.front[i]!.time));
  });
  it('find nothing worse than what is there: a car that was found is not beaten by a coarser search', () => {
    const { best } = findBestCar(car, { tries: 1500 });
    const found = best[0]!.design;
    for (const better of findBestCar(found, { tries: 60, seed: 9 }).best) expect(better.score).toBeGreaterThan(exploreCar(found).score);
    for (const candidate of best) expect(exploreCar(candidate.design)).toMatchObject({ score: candidate.score, stoppedBy: null });
  });
  it('use the parts at hand, as many as there are', () => {
    const band = newCar('x', 'band');
    const thin: OwnPart = {
      format: 'nimble-axle/own-part',
      version: 1,
      kind: 'band',
      name: 'thin loops',
      like: '33',
      values: { width: 0.002 },
      evidence: 'measured',
      count: 3,
    };
    const grippy: OwnPart = { ...thin, kind: 'tyre', name: 'moss rubber', like: 'rubber-band', values: { staticGrip: 1.1 }, count: 2 };
    const { best, front } = findBestCar(band, { tries: 500, own: [thin, grippy], onlyOwn: true });
    expect(front.some(({ design }) => design.own !== undefined)).toBe(true);
    for (const { design } of [...best, ...front]) {
      if (design.own?.band) expect(neededAt(design, 'band')).toBeLessThanOrEqual(3);
      expect(['rubber-band']).toContain(design.tyre);
    }
    const none = findBestCar(band, {
      tries: 300,
      own: [
        { ...thin, count: 0 },
        { ...grippy, count: 1 },
      ],
      onlyOwn: true,
    });
    expect(none.front.every(({ design }) => design.own === undefined)).toBe(true);
  });
  it('find cars that can be built: on a builder’s steps, of wheels that are to be had, the trap on the body', () => {
    const isOn = (value: number, step: number): boolean => Math.abs(value / step - Math.round(value / step)) < 1e-6;
    for (const kind of ['lever', 'band', 'twist'] as const) {
      const present = newCar('x', kind);
      const { front } = findBestCar(present, { tries: 250 });
      expect(front.length).toBeGreaterThan(0);
      for (const { design } of front) {
        for (const { id, searchStep, stock, read } of sizesOf(kind)) {
          if (searchStep === undefined || read(design) === read(present)) continue;
          const list = stock?.(design);
          expect(list ? list.includes(read(design)) : isOn(read(design), searchStep), `${id} ${read(design)}`).toBe(true);
        }
        for (const { diameter, turns } of design.sleeve) {
          if (present.sleeve.some((step) => step.diameter === diameter)) continue;
          expect(isOn(diameter - design.axleDiameter, 2 * TAPE)).toBe(true);
          expect(isOn(turns, 0.5)).toBe(true);
        }
        if (design.motor.kind === 'lever') expect(design.motor.trapPosition).toBeLessThanOrEqual(design.wheelbase);
      }
    }
  });
  it('move the trap along with the lever, so that the cocked tip lies over the drive axle', () => {
    for (const { design } of findBestCar(car, { tries: 300 }).front) {
      if (design.motor.kind !== 'lever') throw new Error('no lever');
      const { trapPosition, leverLength, cockedAngle } = design.motor;
      expect(Math.abs(trapPosition + leverLength * Math.cos(cockedAngle))).toBeLessThan(0.12 * leverLength);
    }
  });
  it('stop when they are told', () => expect(findBestCar(car, { onProgress: (share) => share < 0.1 }).passed).toBeLessThan(300));
  it('find tape, turn by turn, that helps under the grip limit and leaves no turns wound, and none for a roller', () => {
    const band: CarDesign = { ...newCar('x', 'band'), tyre: 'card-edge', driveLoadShare: 0.5 };
    const profile = bestWinding(band)!;
    expect(profile.distance).toBeGreaterThan(runForAim({ ...band, sleeve: [] })!.distance);
    expect(profile.slipDistance).toBeLessThan(0.001);
    expect(profile.launchGripRatio).toBeGreaterThan(1);
    expect(profile.turnsLeft).toBe(0);
    // What is told is what is run: the tape of each step, the last wound first.
    const told = profile.steps.map(({ wraps, turns }) => ({ diameter: band.axleDiameter + 2 * wraps * TAPE, turns }));
    expect(profile.design.sleeve).toEqual(told.reverse());
    expect(runForAim(profile.design)!.distance).toBe(profile.distance);
    expect(bestWinding(newCar('x', 'twist'))).toBeNull();
  });
  it('tape a string by its length: the turns of a lever still add up', () => {
    const { design, steps } = bestWinding(car)!;
    const wound = steps.reduce((sum, { turns }) => sum + turns, 0);
    expect(wound).toBeGreaterThan(0.97 * fullTurns(design));
    expect(wound).toBeLessThan(1.03 * fullTurns(design));
  });
  it('assess a design: bounds, checks and remedies that buy something', () => {
    const spinning = assess({ ...car, tyre: 'bare-disc', axleDiameter: 0.016, driveLoadShare: 0.3 }, 'metric')!;
    expect(spinning.checks[0]!.verdict).not.toBe('good');
    expect(spinning.remedies.length).toBeGreaterThan(0);
    for (const { gain } of spinning.remedies) expect(gain).toBeGreaterThan(0);
    expect(assess({ ...car, mass: 0.01 }, 'metric')).toBeNull();
  });
  it('offer for an aim what serves it: a car that goes too far is not told to go further', () => {
    const spinning: CarDesign = { ...car, tyre: 'bare-disc', axleDiameter: 0.016, driveLoadShare: 0.3 };
    const { distance } = runForAim(spinning)!;
    const closest = assess({ ...spinning, aim: { kind: 'closest-to', distance: distance - 1 } }, 'metric')!;
    for (const { better, distance: after } of closest.remedies) {
      expect(better).toBeGreaterThan(0);
      expect(Math.abs(after - (distance - 1))).toBeLessThan(1);
    }
    const quickest = assess({ ...spinning, aim: { kind: 'quickest-to', distance: 0.6 * distance } }, 'metric')!;
    const marks = quickest.remedies.map(({ remedy }) => runForAim(remedy.design)!.marks[0]!.time);
    expect(marks).toEqual([...marks].sort((a, b) => a - b));
    expect(marks[0]).toBeLessThan(runForAim({ ...spinning, aim: { kind: 'quickest-to', distance: 0.6 * distance } })!.marks[0]!.time);
  });
});
