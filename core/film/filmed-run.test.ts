import { describe, expect, it } from 'vitest';
import { cameraOf } from './camera.ts';
import { filmedCoasting, filmedRun, PASSED_AT, type FilmedRun } from './filmed-run.ts';
import { homographyOf, type FloorPlace, type Mark } from './homography.ts';
import { measureFilm, pixelsPerMetre, placeOverLine, seenAtPlace, type FloorSeen, type MeasuredFilm } from './measured-film.ts';
import { CHAIR, sceneOfPush, sceneOfRun, TAPED } from '../rig/simulated-phone.ts';
import { seenBy } from './simulated-film.ts';
import { circleThrough, slipOf, type Slip } from './slip.ts';
import { coastTime } from '../bench/coast-down.ts';
import { newCar } from '../car/new-car.ts';
import { predictRun } from '../predict/predict-run.ts';

const RATE = 30;
/** A film in numbers of a car at given places, that are known to a millimetre. */
function filmOf(placeAt: (time: number) => FloorPlace, frames: number): MeasuredFilm {
  const look = seenBy(CHAIR);
  const film = measureFilm({
    format: 'nimble-axle/film',
    version: 1,
    picture: [...CHAIR.picture],
    marks: TAPED.map((place) => ({ floor: [...place], pixels: [...look([...place, 0]).pixels] })),
    height: 0.05,
    points: Array.from({ length: frames }, (_, i) => {
      const [x, y] = placeAt(i / RATE);
      return { time: i / RATE, pixels: [...look([x, y, 0.05]).pixels] };
    }),
  });
  return film as MeasuredFilm;
}
/** 1 m/s² from 0.5 s for two seconds, then −1 m/s² until it stands after 2 m and 2 m more, drifting 1 cm a metre to the right. */
const there = (time: number): FloorPlace => {
  const t = Math.min(Math.max(time - 0.5, 0), 4);
  const x = t < 2 ? t ** 2 / 2 : 2 + 2 * (t - 2) - (t - 2) ** 2 / 2;
  return [0.1 + x, 0.5 - 0.01 * x];
};

describe('a run by its film', () => {
  const run = filmedRun(filmOf(there, 165)) as FilmedRun;
  it('begins where the root of its way leads back to, and passes places after √(2x)', () => {
    expect(run.start).toBeCloseTo(0.5, 2);
    expect(run.startDeviation).toBeLessThan(0.02);
    for (const { at, time } of run.passings.filter(({ at: x }) => x <= 1.5)) expect(Math.abs(time - Math.sqrt(2 * at))).toBeLessThan(0.015);
    expect(run.passings.map(({ at }) => at)).toEqual(PASSED_AT.filter((at) => at < 4));
  });
  it('is fastest where its pull ends, after 2 m at 2 m/s, and that is told as less sure than beside it', () => {
    const { at, time, speed, deviation } = run.pullEnded!;
    expect(at).toBeCloseTo(2, 1);
    expect(time).toBeCloseTo(2, 0);
    // No pull ends as suddenly: the parabola is off by most there.
    expect(Math.abs(speed - 2)).toBeLessThan(3 * deviation);
    expect(deviation).toBeGreaterThan(run.curve.find((one) => one.time > 1)!.speedDeviation);
  });
  it('stops after 4 m and 4 s, 4 cm to the right', () => {
    expect(run.stop!.distance).toBeCloseTo(4, 2);
    expect(Math.abs(run.stop!.time - 4)).toBeLessThan(0.15);
    expect(run.stop!.drift).toBeCloseTo(0.04, 2);
  });
  it('is none where the car moves from the first frame on, or never; without its stop that is not told', () => {
    expect(filmedRun(filmOf((time) => [0.1 + time, 0.5], 60))).toBe('start-unseen');
    expect(filmedRun(filmOf(() => [0.1, 0.5], 60))).toBe('did-not-move');
    expect((filmedRun(filmOf(there, 60)) as FilmedRun).stop).toBeNull();
    expect((filmedRun(filmOf(there, 60)) as FilmedRun).pullEnded).toBeNull();
  });
});

describe('coasting by a film', () => {
  it('is told from the fastest place on, at times that the equation of coasting has', () => {
    const [a0, k] = [0.3, 0.02];
    const scene = sceneOfPush(a0, k, 0.05, 4);
    const found = filmedCoasting(filmOf((time) => [scene.distanceAt(time), 0.45], 120))!;
    // 1.2 m/s where the push ends, found within some frames of it.
    const v0 = found.marks[0]! / found.times[0]!;
    expect(v0).toBeCloseTo(1.17, 1);
    // Its marks are counted from some centimetres after the push.
    const middle = coastTime(1.2, a0, k, found.marks[5]! + 0.03) - coastTime(1.2, a0, k, 0.03);
    expect(Math.abs(found.times[5]! - middle)).toBeLessThan(0.05);
    expect(filmedCoasting(filmOf((time) => [0.1 + time ** 2 / 4, 0.5], 90))).toBeNull();
  });
});

describe('the slip of a drive wheel', () => {
  it('finds the circle through points', () => {
    const { middle, radius } = circleThrough([
      [4, 2],
      [3, 3],
      [2, 2],
      [3, 1],
    ])!;
    expect([...middle, radius].map((value) => Number(value.toFixed(9)))).toEqual([3, 2, 1]);
  });
  const trace = (() => {
    const prediction = predictRun(newCar('car', 'lever'), { kind: 'full' }, { trace: true });
    if (prediction.kind === 'refused') throw new Error('It does not run.');
    return prediction.result.trace!;
  })();
  /** The dot of the wheel turns `times` as fast as the wheel of the run rolls. */
  const slipping = (times: number) => {
    const radius = 0.06;
    const scene = sceneOfRun(trace, radius, 4);
    const { toDot, behind } = scene.wheel!;
    const look = seenBy(CHAIR);
    const rolled = (time: number): number => (times * (scene.distanceAt(time) - scene.distanceAt(0))) / radius;
    const film = filmOf((time) => [scene.distanceAt(time), 0.45], 110);
    const wheel = film.points.map(({ time, place }) => {
      const angle = 1 - rolled(time);
      const { pixels } = look([place[0]! - behind + toDot * Math.cos(angle), 0.45, radius + toDot * Math.sin(angle)]);
      return { time, pixels };
    });
    return slipOf(film, wheel, radius, 0.5);
  };
  it('is nothing of a wheel that rolls, and a half of one that turns twice as far', () => {
    const [rolls, spins] = [slipping(1) as Slip, slipping(2) as Slip];
    expect(Math.abs(rolls.ratio)).toBeLessThan(0.02);
    expect(Math.abs(rolls.ratio)).toBeLessThan(2 * rolls.deviation);
    expect(spins.ratio).toBeCloseTo(0.5, 1);
    // Over the first half metre the rim goes as much further.
    expect(spins.distance).toBeCloseTo(0.5, 1);
  });
  it('is not told of a wheel that hardly turned, or turns by half from frame to frame', () => {
    expect(slipping(0.02)).toBe('turned-too-little');
    expect(slipping(40)).toBe('too-fast');
  });
});

describe('places of the floor in a picture', () => {
  const look = seenBy(CHAIR);
  const marks = TAPED.map((place): Mark => ({ floor: place, pixels: look([...place, 0]).pixels }));
  const homography = homographyOf(marks)!;
  const floor: FloorSeen = { homography, camera: cameraOf(homography, [1280, 720])!.place, residuals: [] };
  it('are seen where the camera sees them, also at a height, and the other way round over a line', () => {
    const seen = look([1.3, 0.4, 0.2]).pixels;
    seenAtPlace(floor, [1.3, 0.4], 0.2).forEach((value, i) => expect(value).toBeCloseTo(seen[i]!, 6));
    const [x, z] = placeOverLine(floor, seen, 0.4);
    expect([x, z].map((value) => Number(value.toFixed(6)))).toEqual([1.3, 0.2]);
    // At 3.4 m of floor and 1.15 m up the camera is 3.75 m from the middle of its near line… a metre there takes f over its depth.
    expect(pixelsPerMetre(floor, look([2, 0.5, 0]).pixels)).toBeCloseTo(look([2, 0.5, 0]).perMetre, 0);
  });
});
