import type { Trace } from '../run/trace.ts';
import type { FilmedWheel, FilmScene, SimulatedCamera } from '../film/simulated-film.ts';

/** s of a film before the release, and frames in a second. */
export const RELEASE = 0.5;
const RATE = 30;
/** m: how far the car’s dot stands before the line of the first marks, and how far to their left; its height and radius; of the wheel’s dot, from its rim. */
export const STANDS = 0.15;
const ASIDE = 0.45;
const DOT_HEIGHT = 0.075;
const DOT_RADIUS = 0.022;
const FROM_RIM = 0.022;
const BEHIND = 0.17;

/** Corners of the rectangle of tape, m. */
export const TAPED = [
  [0, 0],
  [4, 0],
  [4, 1],
  [0, 1],
] as const;

/** A phone on a chair, beside the run. */
export const CHAIR: SimulatedCamera = { place: [2, -3.4, 1.15], looksAt: [2, 0.5], focal: 980, picture: [1280, 720] };

/** The same phone with a smaller picture, for a browser that draws and records at once. */
export const SMALL_CHAIR: SimulatedCamera = { ...CHAIR, focal: 0.75 * CHAIR.focal, picture: [960, 540] };

/** A value of a trace at a time, by its rates: a cubic from row to row. */
function valueAt({ time }: Trace, values: readonly number[], rates: readonly number[], when: number): number {
  if (when <= time[0]!) return values[0]!;
  let [low, high] = [0, time.length - 1];
  if (when >= time[high]!) return values[high]!;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (time[middle]! <= when) low = middle;
    else high = middle;
  }
  const width = Math.max(time[high]! - time[low]!, 1e-9);
  const u = (when - time[low]!) / width;
  const v = 1 - u;
  return values[low]! * v * v * (1 + 2 * u) + values[high]! * u * u * (3 - 2 * u) + width * u * v * (rates[low]! * v - rates[high]! * u);
}

/** What is the same of every film: the car between its marks, with a dot on its side and one near the rim of its drive wheel. */
const sceneOf = (
  wheelRadius: number,
  seconds: number,
  distanceAt: FilmScene['distanceAt'],
  turnedAt: FilmedWheel['turnedAt'],
  more: Partial<FilmScene>,
): FilmScene => ({
  camera: CHAIR,
  seed: 1,
  rate: RATE,
  frames: Math.round(seconds * RATE),
  distanceAt,
  aside: ASIDE,
  height: DOT_HEIGHT,
  radius: DOT_RADIUS,
  marks: TAPED,
  wheel: { radius: wheelRadius, toDot: Math.max(wheelRadius - FROM_RIM, 0.4 * wheelRadius), behind: BEHIND, turnedAt },
  exposure: 1 / 120,
  ...more,
});

/**
 * A film of a run of the model: the car between four marks of tape, with a dot on its side and one near the rim of its drive wheel.
 * @param trace of the run, with its rows
 * @param wheelRadius m
 * @param seconds of the film
 */
export function sceneOfRun(trace: Trace, wheelRadius: number, seconds: number, more: Partial<FilmScene> = {}): FilmScene {
  const turning = trace.wheelSpeed.map((speed) => speed / wheelRadius);
  return sceneOf(
    wheelRadius,
    seconds,
    (time) => STANDS + valueAt(trace, trace.distance, trace.speed, time - RELEASE),
    (time) => valueAt(trace, trace.angle, turning, time - RELEASE),
    more,
  );
}

/** s that a push takes, and m/s that it gives. */
const PUSH = 0.25;
const PUSHED = 1.2;

/**
 * A film of a car that is pushed, and coasts by dv/dt = −(a0 + k v²): x = ln(cos(c − ωt)/cos c)/k with ω = √(a0 k) and tan c = v √(k/a0).
 * Source: integration by hand.
 * @param a0 m/s²
 * @param k 1/m
 */
export function sceneOfPush(a0: number, k: number, wheelRadius: number, seconds: number, more: Partial<FilmScene> = {}): FilmScene {
  const [air, omega] = [Math.max(k, 1e-6), Math.sqrt(a0 * Math.max(k, 1e-6))];
  const c = Math.atan(PUSHED * Math.sqrt(air / a0));
  const wayAt = (time: number): number => {
    const pushed = Math.min(Math.max(time - RELEASE, 0), PUSH);
    const coasted = Math.min(Math.max(time - RELEASE - PUSH, 0), c / omega);
    return (PUSHED * pushed ** 2) / (2 * PUSH) + Math.log(Math.cos(c - omega * coasted) / Math.cos(c)) / air;
  };
  return sceneOf(
    wheelRadius,
    seconds,
    (time) => STANDS + wayAt(time),
    (time) => wayAt(time) / wheelRadius,
    more,
  );
}
