import { halfLogDeterminant } from '../../numerics/cholesky.ts';
import type { Linear } from './linear.ts';
import { peakAbout, rowsOfGroups, type FitProblem, type ScaleParameters } from './posterior.ts';

/** Prior of the scatter of one car’s runs, at full winding: ln-normal about its most likely value, the upper side this many times as wide. */
export interface ScatterPrior {
  readonly median: number;
  readonly spread: number;
  readonly upwards: number;
}
/** Common practice, until the builder’s own history says otherwise. */
export const USUAL_SCATTER: ScatterPrior = { median: 0.06, spread: 0.5, upwards: 2.5 };

/** One place of the grid of scatter and width: how likely it is, and the normal posterior of the unknowns there. */
export interface Component extends ScaleParameters {
  readonly weight: number;
  readonly mode: Float64Array;
  /** Of the posterior’s precision: L with L Lᵀ. */
  readonly choleskyFactor: Float64Array;
}

/** Scatter is looked at from so far below to so far above the prior, in its ln-spreads, at so many places. */
const GRID = [-1.6, 2.2, 8] as const;
/**
 * How wide what is not known of a car may really be, in prior standard deviations, with the prior of each: a
 * builder may be more careful than most, or less, and the runs say which. Sizes: such that hidden cars lie within what is reported as often as
 * it says (docs/honesty.md).
 */
export const PRIOR_WIDTH_FACTORS = [
  [0.5, 0.55],
  [0.9, 0.3],
  [1.7, 0.15],
] as const;

/**
 * How much the model may lack of a group of runs, in what it usually lacks: of some cars much, which runs show that no sound car would make
 * together; the ranges widen with it. Sizes: see WIDTHS.
 */
export const MISFIT_FACTORS = [
  [1, 0.88],
  [4, 0.12],
] as const;

/** Sizes that something may have, with the fraction of each. */
export type Sizes = readonly (readonly [size: number, share: number])[];

/** The size that is nearest to what is usual. */
export const nominalSize = (sizes: Sizes): number =>
  sizes.map(([size]) => size).reduce((best, size) => (Math.abs(Math.log(size)) < Math.abs(Math.log(best)) ? size : best));

/** ln Σ eˣ without overflow. */
function lnSum(values: readonly number[]): number {
  const most = Math.max(...values);
  return most + Math.log(values.reduce((sum, value) => sum + Math.exp(value - most), 0));
}

/** A place of the grid of scatter, width and lacks with ln of its prior. */
export type GridPoint = ScaleParameters & { readonly lnPrior: number };

/** The grid over scatter, prior width and misfit, with ln of the prior of each of its points. */
export function scaleGrid(prior: ScatterPrior, widths: Sizes, misfitFactors: Sizes): readonly GridPoint[] {
  const [low, high, count] = GRID;
  return Array.from({ length: count }, (_, i) => low + ((high - low) * i) / (count - 1)).flatMap((deviations) =>
    widths.flatMap(([width, ofWidth]) =>
      misfitFactors.map(([misfitFactor, ofMisfit]) => ({
        scatter: prior.median * Math.exp(prior.spread * deviations),
        width,
        misfitFactor,
        lnPrior: -0.5 * deviations * deviations + Math.log(ofWidth * ofMisfit),
      })),
    ),
  );
}

/** The normal posterior at each place of a grid, about one linearisation at `about`, with ln of how likely the place is. */
export function evaluateOverGrid(
  problem: FitProblem,
  linear: readonly Linear[],
  about: Float64Array,
  spreads: readonly GridPoint[],
  { damping = 0, isHeld = false }: { readonly damping?: number; readonly isHeld?: boolean } = {},
) {
  const rows = rowsOfGroups(problem, linear);
  return spreads.map(({ lnPrior, ...spread }) => {
    const { mode, value, choleskyFactor } = peakAbout(problem, rows, about, spread, damping, isHeld);
    return { ...spread, mode, choleskyFactor, lnWeight: value + lnPrior - halfLogDeterminant(choleskyFactor, mode.length) };
  });
}

/** The places of a grid by how likely they are, and ln of the evidence of all: for comparing what may be wrong. */
export function weightedComponents(
  problem: FitProblem,
  linear: readonly Linear[],
  about: Float64Array,
  spreads: readonly GridPoint[],
  isHeld = false,
): { readonly components: readonly Component[]; readonly lnEvidence: number } {
  const grid = evaluateOverGrid(problem, linear, about, spreads, { isHeld });
  const total = lnSum(grid.map(({ lnWeight }) => lnWeight));
  return {
    components: grid.map(({ lnWeight, ...component }) => ({ ...component, weight: Math.exp(lnWeight - total) })),
    lnEvidence: total - lnSum(spreads.map(({ lnPrior }) => lnPrior)),
  };
}
