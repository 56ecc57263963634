import { exactEstimate, type Estimate } from './estimate.ts';
import { fitCurve, spreadOfFit, type Curve, type Sought } from './least-squares.ts';

/** A car passing marks without pull. */
export interface CoastReadings {
  /** m beyond the first mark, ascending, and when each was passed, s after it. */
  readonly marks: readonly number[];
  readonly times: readonly number[];
  /** s, one division of the clock. */
  readonly resolution: number;
}

/** How a car slows: dv/dt = −(a0 + k v²). */
export interface CoastDown {
  /** m/s at the first mark. */
  readonly v0: Estimate;
  /** m/s², rolling. */
  readonly a0: Estimate;
  /** 1/m, air. */
  readonly k: Estimate;
  /** Whether k was held at what was given, for these readings do not tell it from rolling. */
  readonly isAirHeld: boolean;
  /** s, what the fit leaves of each reading, and the standard deviation of one. */
  readonly residuals: readonly number[];
  readonly scatter: number;
  /** When a mark is passed as it is fitted, s, with the spread of all that was fitted together. */
  readonly timeAt: (mark: number) => Estimate;
}

/** Readings that are needed: one more than what is sought. */
export const FEWEST_COAST_READINGS = 3;

/** Speed at x: v² = v0² e^(−2kx) − (a0/k)(1 − e^(−2kx)); not a number beyond the stop. Needs k above 0. m/s. Source: integration by hand. */
export const coastSpeed = (v0: number, a0: number, k: number, x: number): number =>
  Math.sqrt(v0 * v0 * Math.exp(-2 * k * x) + (a0 / k) * Math.expm1(-2 * k * x));

/** When x is passed: t = (atan √(k/a0) v0 − atan √(k/a0) v)/√(a0 k); not a number beyond the stop. Needs k above 0. s. Source: integration by hand. */
export function coastTime(v0: number, a0: number, k: number, x: number): number {
  const v = coastSpeed(v0, a0, k, x);
  const fraction = Math.sqrt(k / a0);
  return (Math.atan(fraction * v0) - Math.atan(fraction * v)) / Math.sqrt(a0 * k);
}

/**
 * The search is made in numbers that always reach the last mark at X: 1/v0; ω, the speed there as a fraction of what air alone would leave;
 * κ = kX. Then a0/v0² = k (1 − ω²)/(e^(2κ) − 1).
 */
const slowing = (omega: number, kappa: number, reach: number): number => ((kappa / reach) * (1 - omega * omega)) / Math.expm1(2 * kappa);

/** Where the search begins: a car that has lost a third, and nearly all, of its speed; little air and much. */
const OMEGAS = [0.7, 0.2];
const KAPPAS = [0.02, 0.4];
const OMEGA: Omit<Sought, 'start'> = { min: 1e-4, max: 0.9999 };
/** κ of a way that is nearly all air; and of one without: it changes no time by as much as a hundred thousandth. */
const MOST_AIR = 3;
const NO_AIR = 1e-5;

/**
 * Fits a coast-down to times at marks, by least squares in time.
 * @param air expected effect of air drag, 1/m: k is held at it where the readings do not determine k; without it both are fitted
 * @returns null for too few readings, or for a car that does not slow down
 */
export function coastDown({ marks, times, resolution }: CoastReadings, air?: number): CoastDown | null {
  if (marks.length < FEWEST_COAST_READINGS) return null;
  const reach = marks.at(-1)!;
  const pace = times.at(-1)! / reach;
  const readings = { x: marks, y: times };
  const curve: Curve =
    ([slowness, omega, kappa]) =>
    (x) =>
      slowness! * coastTime(1, slowing(omega!, kappa!, reach), kappa! / reach, x);
  const begun = (omega: number): Sought[] => [
    { start: pace * Math.sqrt(omega), min: 0.01 * pace, max: 2 * pace },
    { start: omega, ...OMEGA },
  ];
  const heldAt = (kappa: number): readonly number[] => {
    const found = fitCurve(([slowness, omega]) => curve([slowness!, omega!, kappa]), readings, OMEGAS.map(begun));
    return [...found, kappa];
  };
  const resultOf = ([slowness, omega, kappa]: readonly number[], isAirHeld: boolean): CoastDown | null => {
    const v0 = 1 / slowness!;
    const k = kappa! / reach;
    const values = [v0, v0 * v0 * slowing(omega!, kappa!, reach), ...(isAirHeld ? [] : [k])];
    if (marks.length <= values.length) return null;
    const spread = spreadOfFit(
      ([v, a, air = k]) =>
        (x) =>
          coastTime(v!, a!, air, x),
      readings,
      values,
      resolution,
    );
    if (!spread.estimates.every(({ deviation }) => Number.isFinite(deviation))) return null;
    const [ofSpeed, ofRolling, ofAir = exactEstimate(k)] = spread.estimates;
    return { v0: ofSpeed!, a0: ofRolling!, k: ofAir, isAirHeld, residuals: spread.residuals, scatter: spread.scatter, timeAt: spread.at };
  };
  const withoutAir = heldAt(NO_AIR);
  const starts = [
    ...OMEGAS.flatMap((omega) => KAPPAS.map((kappa) => [...begun(omega), { start: kappa, min: NO_AIR, max: MOST_AIR }])),
    withoutAir.map((start, i) => ({ start, min: [0, OMEGA.min, NO_AIR][i]!, max: [Infinity, OMEGA.max, MOST_AIR][i]! })),
  ];
  const free = resultOf(fitCurve(curve, readings, starts), false);
  return air !== undefined && (free === null || free.k.interval95[0] <= 0) ? resultOf(heldAt(Math.max(air * reach, NO_AIR)), true) : free;
}
