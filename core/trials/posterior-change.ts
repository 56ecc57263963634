import type { CarDesign } from '../car/car-design.ts';
import { solveLower } from '../numerics/cholesky.ts';
import { likelyCar } from './fit/built-car.ts';
import { windingFraction, type FittedCar } from './fit/fit-car.ts';
import { quantileOf } from './fit/mixture.ts';
import { outputsOf } from './fit/outputs.ts';
import { distanceRow, linearFor, mixtureOf, rowOf, type Row } from './fit/predict-fitted.ts';
import { runVariance, scatterDirections } from './fit/scatter.ts';

/** A quantity against its prior, as a fraction: 0.33 is a third more; and where 9 in 10 lie. */
export interface PosteriorChange {
  readonly more: number;
  readonly low: number;
  readonly high: number;
  /** Fraction of what was not known of it that is still not known. */
  readonly left: number;
}

const TAIL_PROBABILITY = 0.05;

/** What the runs told of a car, fully wound: how much resists it along its run, and how much energy its motor gives back. */
export function posteriorChanges(
  fitted: FittedCar,
  design: CarDesign,
): { readonly resistance: PosteriorChange; readonly energy: PosteriorChange } | null {
  const full = { kind: 'full' } as const;
  const linear = linearFor(fitted, design, full);
  const thought = outputsOf(likelyCar(design, full, 1), [], fitted.workspace);
  if (!linear || !thought) return null;
  const changeOf = (row: Row, before: number): PosteriorChange => {
    const mixture = mixtureOf(fitted, row);
    const [low, middle, high] = [TAIL_PROBABILITY, 0.5, 1 - TAIL_PROBABILITY].map((fraction) =>
      Math.expm1(quantileOf(mixture, fraction) - before),
    );
    const prior = Math.sqrt(row.slope.reduce((sum, by) => sum + by * by, 0));
    const now = Math.sqrt(mixture.reduce((sum, { weight, variance }) => sum + weight * variance, 0));
    return { more: middle!, low: low!, high: high!, left: prior > 0 ? Math.min(1, now / prior) : 1 };
  };
  return {
    resistance: changeOf(
      rowOf(fitted, linear, (outputs) => outputs.resistance),
      thought.resistance,
    ),
    energy: changeOf(
      rowOf(fitted, linear, (outputs) => outputs.energy),
      thought.energy,
    ),
  };
}

/** Something more that could be measured of a car. */
export interface FurtherRun {
  readonly id: 'half' | 'three-quarters' | 'full' | 'stop-time-half' | 'stop-time-full';
  /** Fraction of what is still not known of the full winding that it would take away. */
  readonly fraction: number;
}

/** Each in words. */
export const FURTHER: Readonly<Record<FurtherRun['id'], string>> = {
  half: 'one more run with half the turns',
  'three-quarters': 'one more run with three quarters of a full wind',
  full: 'one more run fully wound',
  'stop-time-half': 'one stop time with half the turns',
  'stop-time-full': 'one stop time fully wound',
};

/** s of a watch. */
const WATCH = 0.25;

/** Which further run would tell most of the full winding, the best first: what is left of its variance after one more row of the fit. */
export function furtherRuns(fitted: FittedCar, design: CarDesign, turns: number): FurtherRun[] {
  const full = { kind: 'full' } as const;
  const target = linearFor(fitted, design, full);
  const best = fitted.components.reduce((a, b) => (b.weight > a.weight ? b : a));
  if (!target) return [];
  const aim = distanceRow(fitted, design, full, target).row.slope;
  const solved = (slope: Float64Array): Float64Array => solveLower(best.choleskyFactor, slope);
  const dot = (a: Float64Array, b: Float64Array): number => a.reduce((sum, x, i) => sum + x * b[i]!, 0);
  const wanted = solved(aim);
  const variance = dot(wanted, wanted);
  const candidates: readonly (readonly [FurtherRun['id'], number, boolean])[] = [
    ['half', 0.5, false],
    ['three-quarters', 0.75, false],
    ['full', 1, false],
    ['stop-time-half', 0.5, true],
    ['stop-time-full', 1, true],
  ];
  return candidates
    .flatMap(([id, part, isTimed]): FurtherRun[] => {
      const wind = part === 1 ? full : ({ kind: 'turns', turns: Math.max(0.5, Math.round(2 * turns * part) / 2) } as const);
      const linear = linearFor(fitted, design, wind);
      if (!linear) return [];
      const car = likelyCar(design, wind, windingFraction(design, wind));
      const directions = scatterDirections(car, likelyCar(design, full, 1), [], fitted.workspace);
      const place = isTimed ? 1 : 0;
      const row = isTimed ? rowOf(fitted, linear, ({ values }) => values[1]!).slope : distanceRow(fitted, design, wind, linear).row.slope;
      const time = Math.exp(linear.outputs.values[1]!);
      const noise = runVariance(directions, best.scatter, place) + (isTimed ? (WATCH / time) ** 2 + 0.015 ** 2 : fitted.misfit ** 2);
      const seen = solved(row);
      return [{ id, fraction: dot(seen, wanted) ** 2 / (noise + dot(seen, seen)) / variance }];
    })
    .sort((a, b) => b.fraction - a.fraction);
}
