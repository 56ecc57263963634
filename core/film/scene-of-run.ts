import type { Trace } from '../run/trace.ts';
import type { FilmScene, SimulatedCamera } from './simulated-film.ts';

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

/**
 * A film of a run of the model: the car between four marks of tape, with a dot on its side and one near the rim of its drive wheel.
 * @param trace of the run, with its rows
 * @param wheelRadius m
 * @param seconds of the film
 */
export function sceneOfRun(trace: Trace, wheelRadius: number, seconds: number, more: Partial<FilmScene> = {}): FilmScene {
  const turning = trace.wheelSpeed.map((speed) => speed / wheelRadius);
  return {
    camera: CHAIR,
    seed: 1,
    rate: RATE,
    frames: Math.round(seconds * RATE),
    distanceAt: (time) => STANDS + valueAt(trace, trace.distance, trace.speed, time - RELEASE),
    aside: ASIDE,
    height: DOT_HEIGHT,
    radius: DOT_RADIUS,
    marks: TAPED,
    wheel: {
      radius: wheelRadius,
      toDot: Math.max(wheelRadius - FROM_RIM, 0.4 * wheelRadius),
      behind: BEHIND,
      turnedAt: (time) => valueAt(trace, trace.angle, turning, time - RELEASE),
    },
    exposure: 1 / 120,
    ...more,
  };
}
