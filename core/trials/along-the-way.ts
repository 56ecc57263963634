import { coastDown, coastSpeed, FEWEST_COAST_READINGS, type CoastDown } from '../bench/coast-down.ts';
import type { Trace } from '../run/trace.ts';

/** When a car passed a place: m from the line, s from the release. */
export interface Passing {
  readonly at: number;
  readonly time: number;
}

/** How a run went between its marks. m, s, m/s, m/s². */
export interface AlongTheWay {
  /** Mean speed from each mark to the next, the first from the line, told at the middle between them. */
  readonly speeds: readonly { readonly from: number; readonly to: number; readonly at: number; readonly speed: number }[];
  /** How the speed changed from each such piece to the next. */
  readonly accelerations: readonly { readonly at: number; readonly acceleration: number }[];
  /** Between which places it was fastest: there its pull ended. Null where it was still gaining at the last mark. */
  readonly pullEnded: { readonly from: number; readonly to: number } | null;
  /** Its coasting beyond that, counted from `coastsFrom`; null for too few marks. */
  readonly coast: CoastDown | null;
  readonly coastsFrom: number | null;
}

/** Pieces a run is reported in at most: closer marks tell more of the clock than of the car. */
const MOST_PIECES = 24;

/** Passings in their order, each place and time once, thinned to `most` of them, the last always kept. */
function inPieces(passings: readonly Passing[], most: number): readonly Passing[] {
  const forward: Passing[] = [];
  for (const passing of passings.toSorted((a, b) => a.time - b.time)) {
    const last = forward.at(-1) ?? { at: 0, time: 0 };
    if (passing.at > last.at && passing.time > last.time) forward.push(passing);
  }
  const every = Math.ceil(forward.length / most);
  return forward.filter((_, i) => (forward.length - 1 - i) % every === 0);
}

/**
 * What times at marks tell of a run: finite differences from mark to mark, and a coast-down fitted to what lies beyond the fastest piece.
 * `resolution`: s, one division of the clock. `air`: 1/m, ½ ρ Cd A over the mass with what turns in it, which is held where the
 * times do not tell it. Null for fewer than two marks.
 */
export function alongTheWay(passings: readonly Passing[], resolution: number, air?: number): AlongTheWay | null {
  const marks = inPieces(passings, MOST_PIECES);
  if (marks.length < 2) return null;
  const speeds = marks.map(({ at, time }, i) => {
    const before = marks[i - 1] ?? { at: 0, time: 0 };
    return { from: before.at, to: at, at: (before.at + at) / 2, speed: (at - before.at) / (time - before.time) };
  });
  const middleTime = (i: number): number => ((marks[i - 1]?.time ?? 0) + marks[i]!.time) / 2;
  const accelerations = speeds.slice(1).map(({ from, speed }, i) => ({
    at: from,
    acceleration: (speed - speeds[i]!.speed) / (middleTime(i + 1) - middleTime(i)),
  }));
  const fastest = speeds.reduce((best, { speed }, i) => (speed > speeds[best]!.speed ? i : best), 0);
  const isStillGaining = fastest === speeds.length - 1;
  const coasting = marks.slice(fastest);
  const begun = coasting[0];
  const isTold = begun !== undefined && coasting.length > FEWEST_COAST_READINGS;
  return {
    speeds,
    accelerations,
    pullEnded: isStillGaining ? null : { from: speeds[Math.max(0, fastest - 1)]!.at, to: speeds[fastest + 1]!.at },
    coast: isTold
      ? coastDown(
          {
            marks: coasting.slice(1).map(({ at }) => at - begun.at),
            times: coasting.slice(1).map(({ time }) => time - begun.time),
            resolution,
          },
          air,
        )
      : null,
    coastsFrom: isTold ? begun.at : null,
  };
}

/** A value at a place of the distance, m from the line. */
export type AtPlace = readonly [at: number, value: number];

/** What is reported along a run: m/s, m/s². */
export type WayQuantity = 'speed' | 'acceleration';

/** What was measured, piece by piece. */
export const measuredAlong = ({ speeds, accelerations }: AlongTheWay, quantity: WayQuantity): AtPlace[] =>
  quantity === 'speed' ? speeds.map(({ at, speed }) => [at, speed]) : accelerations.map(({ at, acceleration }) => [at, acceleration]);

/** s between two rows of a trace below which their difference is rounding. */
const LEAST_LAPSE = 2e-3;

/** What the model says: its speed, or the difference of it from row to row. */
export function modelledAlong({ time, distance, speed }: Trace, quantity: WayQuantity): AtPlace[] {
  if (quantity === 'speed') return distance.map((x, i) => [x, speed[i]!]);
  return distance.slice(1).flatMap((x, i): AtPlace[] => {
    const lapse = time[i + 1]! - time[i]!;
    return lapse < LEAST_LAPSE ? [] : [[(x + distance[i]!) / 2, (speed[i + 1]! - speed[i]!) / lapse]];
  });
}

/** Places of the fitted coasting. */
const FITTED = 40;

/** The coasting that was fitted, up to `end` m from the line or its stop: its speed, or dv/dt = −(a0 + k v²). */
export function coastingAlong({ coast, coastsFrom }: AlongTheWay, end: number, quantity: WayQuantity): AtPlace[] {
  if (!coast || coastsFrom === null) return [];
  const [v0, a0, k] = [coast.v0.value, coast.a0.value, coast.k.value];
  return Array.from({ length: FITTED + 1 }, (_, i) => ((end - coastsFrom) * i) / FITTED).flatMap((x): AtPlace[] => {
    const v = coastSpeed(v0, a0, k, x);
    return Number.isNaN(v) ? [] : [[coastsFrom + x, quantity === 'speed' ? v : -(a0 + k * v * v)]];
  });
}
