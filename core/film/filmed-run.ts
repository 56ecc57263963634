import type { MeasuredFilm } from './measured-film.ts';
import { smoothed, type Smoothed } from './smoothing.ts';

/** When a car passed a place: m from where it stood, s from its release, with what that may be off, one standard deviation. */
export interface FilmedPassing {
  readonly at: number;
  readonly time: number;
  readonly deviation: number;
}

/** A run as a film tells it. m, s; deviations are standard deviations. */
export interface FilmedRun {
  /** s of the film at which it began to move. */
  readonly start: number;
  readonly startDeviation: number;
  readonly passings: readonly FilmedPassing[];
  /** Where it stopped, and when; null where the film ends before. `drift`: to the right of straight ahead, null along one line. */
  readonly stop: { readonly time: number; readonly distance: number; readonly deviation: number; readonly drift: number | null } | null;
  /** Where it was fastest: there its pull ended. Null where it was still gaining when the film ends. */
  readonly pullEnded: { readonly at: number; readonly time: number; readonly speed: number; readonly deviation: number } | null;
  /** By time from the release: how far, how fast, and how it gained. */
  readonly curve: readonly (Smoothed & { readonly distance: number })[];
}

/** Why a film tells no run: it was moving already in the first frames, or it never moved. */
export type RunRefusal = 'start-unseen' | 'did-not-move';

/**
 * m from the line at which times are told: the same of every film, so that runs can be compared. Closer at first, where the pull tells most.
 */
export const PASSED_AT: readonly number[] = [0.1, 0.2, 0.3, 0.5, 0.75, 1, 1.5, 2, 2.5, 3, 4, 5, 6, 7, 8, 9, 10, 12, 14, 16, 18, 20, 25, 30];

/** Frames that it has to stand at first, and that its place is a mean of; standard deviations beyond which it moves; m, and metres of a beginning by which the start is found. */
const STANDS_FOR = 3;
const STOOD_FOR = 15;
const MOVES_FROM = 4;
const LEAST_MOVED = 0.004;
const BEGINNING = 0.04;
/** m that places scatter at least; frames that it may have moved unseen; part of the time since then by which its gain may be uneven. Estimates. */
const LEAST_NOISE = 3e-4;
const MOST_BEFORE = 12;
const UNEVEN = 0.02;
/** Part of its top speed below which it stands, within bounds, m/s; and frames for which it has to. */
const SLOW = 0.05;
const STOPPED = [0.005, 0.03] as const;
const STOPPED_FOR = 5;

/**
 * The moment of the release: from standing with an even gain the way is ½ a t², so its root rises along a line; where that meets 0 it began.
 * @returns s, with its standard deviation
 */
function startOf(
  points: MeasuredFilm['points'],
): { readonly start: number; readonly deviation: number; readonly stood: number } | RunRefusal {
  const x = points.map(({ place }) => place[0]!);
  // By what changes from frame to frame: a car that creeps away makes no noise of it.
  const noise = (upTo: number): number =>
    Math.sqrt(x.slice(1, upTo).reduce((sum, value, i) => sum + (value - x[i]!) ** 2, 0) / (2 * Math.max(upTo - 1, 1)));
  const meanOf = (upTo: number): number => {
    const standing = x.slice(0, Math.min(upTo, STOOD_FOR));
    return standing.reduce((sum, value) => sum + value, 0) / standing.length;
  };
  const isMoving = (i: number): boolean => {
    const limit = meanOf(i) + Math.max(MOVES_FROM * noise(i), LEAST_MOVED);
    return x.slice(i, i + STANDS_FOR).every((value) => value > limit) && x.length >= i + STANDS_FOR;
  };
  const steps = x.slice(1, STANDS_FOR + 1).map((value, i) => value - x[i]!);
  if (steps.every((step) => step > LEAST_MOVED / 6) && x[STANDS_FOR]! - x[0]! > LEAST_MOVED) return 'start-unseen';
  let moving = STANDS_FOR;
  while (moving < x.length && !isMoving(moving)) moving++;
  if (moving >= x.length) return 'did-not-move';
  // The frame before the first that moves may have moved a little already.
  const stood = meanOf(Math.max(moving - 2, 1));
  const begun = points
    .slice(moving)
    .map(({ time, place }) => ({ time, root: Math.sqrt(Math.max(place[0]! - stood, 0)) }))
    .filter(({ root }, i) => i < 3 || root * root < BEGINNING)
    .slice(0, 12);
  // What is off of the way is off of its root by half of that over the root: weights by the way.
  const off = Math.max(noise(moving - 1), LEAST_NOISE);
  const weights = begun.map(({ root }) => (2 * root) ** 2 / off ** 2);
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const mean = (read: (one: { readonly time: number; readonly root: number }) => number): number =>
    begun.reduce((sum, one, i) => sum + weights[i]! * read(one), 0) / total;
  const [t, r] = [mean(({ time }) => time), mean(({ root }) => root)];
  const square = mean(({ time }) => (time - t) ** 2);
  const slope = mean(({ time, root }) => (time - t) * (root - r)) / square;
  const start = t - r / slope;
  const frame = points[moving]!.time - points[moving - 1]!.time;
  return {
    // No later than it was seen to move, and not long before.
    start: Math.min(Math.max(start, points[moving]!.time - MOST_BEFORE * frame), points[moving]!.time),
    deviation: Math.hypot(UNEVEN * (t - start), Math.sqrt((1 + (t - start) ** 2 / square) / total) / slope),
    stood,
  };
}

/** Where along the run the dot was, smoothed. */
const smoothedWay = ({ points, wayDeviations }: MeasuredFilm): readonly Smoothed[] =>
  smoothed(points.map(({ time, place }, i) => ({ time, value: place[0]!, deviation: wayDeviations[i]! })));

/** What a film tells of a run: when it began, when it passed places, where its pull ended and where it stopped. */
export function filmedRun(film: MeasuredFilm): FilmedRun | RunRefusal {
  const { points } = film;
  if (points.length < STANDS_FOR + 3) return 'did-not-move';
  const begun = startOf(points);
  if (typeof begun === 'string') return begun;
  const { start, deviation: startDeviation, stood } = begun;
  const curve = smoothedWay(film).flatMap((one, i) =>
    one.time < start
      ? []
      : [
          {
            ...one,
            deviation: film.wayDeviations[i]!,
            speedDeviation: film.speed[i]!.deviation,
            time: one.time - start,
            distance: one.value - stood,
          },
        ],
  );
  const top = curve.reduce((best, { speed }, i) => (speed > curve[best]!.speed ? i : best), 0);
  const slow = Math.min(Math.max(SLOW * (curve[top]?.speed ?? 0), STOPPED[0]), STOPPED[1]);
  const stoppedAt = curve.findIndex(
    (_, i) => i > top && i + STOPPED_FOR <= curve.length && curve.slice(i, i + STOPPED_FOR).every(({ speed }) => Math.abs(speed) < slow),
  );
  const moving = stoppedAt < 0 ? curve : curve.slice(0, stoppedAt + 1);
  const passings = PASSED_AT.flatMap((at): FilmedPassing[] => {
    const i = moving.findIndex(({ distance }) => distance >= at);
    const [before, after] = [moving[i - 1], moving[i]];
    if (!before || !after || after.speed < slow) return [];
    const part = (at - before.distance) / (after.distance - before.distance);
    const speed = Math.max(before.speed + part * (after.speed - before.speed), slow);
    return [{ at, time: before.time + part * (after.time - before.time), deviation: after.deviation / speed }];
  });
  const last = moving.at(-1);
  const end = stoppedAt < 0 ? null : curve.slice(stoppedAt);
  const sides = points.filter(({ time }) => time < start).map(({ place }) => place[1]);
  const rest = points.filter(({ time }) => end !== null && time - start >= end[0]!.time);
  const meanOf = (list: readonly (number | undefined)[]): number | null =>
    list.length === 0 || list.includes(undefined) ? null : list.reduce<number>((sum, value) => sum + value!, 0) / list.length;
  const [from, to] = [meanOf(sides), meanOf(rest.map(({ place }) => place[1]))];
  return {
    start,
    startDeviation,
    passings,
    stop:
      end && last
        ? {
            time: last.time,
            distance: meanOf(end.map(({ distance }) => distance))!,
            deviation: last.deviation,
            drift: from === null || to === null ? null : from - to,
          }
        : null,
    pullEnded:
      top >= moving.length - 3 || top === 0
        ? null
        : {
            at: moving[top]!.distance,
            time: moving[top]!.time,
            speed: moving[top]!.speed,
            deviation: moving[top]!.speedDeviation,
          },
    curve,
  };
}

/** Times of a car that coasts, at marks counted from the first of them. m, s. */
export interface FilmedCoasting {
  readonly marks: readonly number[];
  readonly times: readonly number[];
  /** s that a time is off, one standard deviation. */
  readonly deviation: number;
}

/** Marks that a coasting is told at; part of the top speed below which it ends: what stops takes its time over nothing. */
const COAST_MARKS = 10;
const SLOWEST = 0.15;

/** How the car of a film coasts, from where it was fastest to where the film ends or it is nearly at rest; null where it never slows. */
export function filmedCoasting(film: MeasuredFilm): FilmedCoasting | null {
  const { points, speed, wayDeviations } = film;
  if (speed.length < COAST_MARKS) return null;
  const fastest = speed.reduce((best, one, i) => (one.speed > speed[best]!.speed ? i : best), 0);
  const top = speed[fastest]!.speed;
  const slow = speed.findIndex((one, i) => i > fastest && one.speed < SLOWEST * top);
  const last = slow < 0 ? points.length - 1 : slow;
  const curve = smoothedWay(film).slice(fastest, last + 1);
  const [first, end] = [curve[0], curve.at(-1)];
  if (!first || !end || curve.length < COAST_MARKS || end.speed > 0.97 * first.speed) return null;
  const step = (end.value - first.value) / COAST_MARKS;
  const passed = Array.from({ length: COAST_MARKS }, (_, k) => (k + 1) * step).map((mark) => {
    const i = Math.max(
      curve.findIndex(({ value }) => value - first.value >= mark - 1e-9),
      1,
    );
    const [before, after] = [curve[i - 1]!, curve[i]!];
    return {
      mark,
      time: before.time - first.time + ((mark - before.value + first.value) / (after.value - before.value)) * (after.time - before.time),
    };
  });
  const middle = Math.round((fastest + last) / 2);
  return {
    marks: passed.map(({ mark }) => mark),
    times: passed.map(({ time }) => time),
    deviation: wayDeviations[middle]! / Math.max(speed[middle]!.speed, 0.05),
  };
}
