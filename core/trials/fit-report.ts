import { designForBrief, type Brief } from '../brief/brief.ts';
import type { CarDesign, RunRecord, Wind } from '../car/car-design.ts';
import { SPREAD_IN_UNITS, type ValueKey } from '../car/value-table.ts';
import { valueKeysOf, valueOf } from '../car/values.ts';
import { explain, observationsIn, weighCauses } from './causes.ts';
import { fitCar, leaveOut } from './fit/fit-car.ts';
import { checkBefore, checkGroup, mostRun, type GroupCheck } from './group-check.ts';
import type { SignsInRuns } from './signs-in-runs.ts';
import { quantileOf } from './fit/mixture.ts';
import { mixtureOf, predictFitted, type Interval } from './fit/predict-fitted.ts';
import { valueRow } from './fitted-values.ts';
import { posteriorChanges, type PosteriorChange } from './posterior-change.ts';
import { nextChanges } from './next-change.ts';
import { selectRuns } from './select-runs.ts';

/** A car, its runs, and what to predict. */
export interface FitRequest {
  readonly design: CarDesign;
  readonly runs: readonly RunRecord[];
  readonly predict?: readonly { readonly winding: Wind; readonly floor?: CarDesign['floor'] }[];
  readonly brief?: Brief;
}

/** What runs tell of a car, as plain figures: SI units; intervals hold 9 in 10. */
export interface FitReport {
  readonly values: Readonly<
    Partial<Record<ValueKey, { readonly prior: number; readonly fitted: number; readonly interval90: readonly [number, number] }>>
  >;
  readonly resistance: PosteriorChange | null;
  readonly energy: PosteriorChange | null;
  readonly scatter: number;
  readonly predictions: readonly (null | {
    readonly mean: Interval;
    readonly nextRun: Interval;
    /** Where its launch is near to wheelspin: how far it goes if its tyres hold, and if they spin. */
    readonly fork: { readonly holds: number; readonly spins: number } | null;
  })[];
  /** Like runs: what the fit to all others says of them, and how they lie to that; null where there are no others. */
  readonly groups: readonly {
    readonly winding: Wind;
    readonly direction: 'out' | 'back' | null;
    readonly runs: number;
    readonly without: Interval | null;
    readonly check: GroupCheck | null;
  }[];
  /** Groups and runs that are older still, and not in the fit. */
  readonly earlier: { readonly groups: number; readonly runs: number };
  /** Runs for which it was not wound: under a hundredth of a turn. */
  readonly unwound: number;
  /** Whether the search for the most likely car came to its end: else what is reported is of the best that it tried. */
  readonly isSettled: boolean;
  /** How the runs lie to what was expected of such a car before any. */
  readonly before: GroupCheck | null;
  readonly signs: SignsInRuns;
  readonly causes: readonly { readonly id: string; readonly probability: number; readonly metres: number }[];
  readonly changes: readonly {
    readonly id: string;
    readonly words: string;
    readonly gain: { readonly middle: number; readonly low: number; readonly high: number };
    readonly chanceBetter: number;
  }[];
}

const TAIL_PROBABILITY = 0.05;
const slug = (words: string): string =>
  words
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '');

/** Fits a car to its runs and tells all of it; null where the car cannot run as it was wound. */
export function fitReport({ design: givenDesign, runs, predict = [{ winding: { kind: 'full' } }], brief }: FitRequest): FitReport | null {
  const design = brief ? designForBrief(givenDesign, brief) : givenDesign;
  const toldOf = selectRuns(runs.map(({ design: ran, ...record }) => ({ record, design: ran })));
  if (!toldOf) return null;
  const { groups, earlier, unwound, ofLatest, signs, said } = toldOf;
  const asked = predict.map(({ winding, floor }) => ({ winding, design: floor ? { ...design, floor } : design }));
  const fitted = fitCar([...groups, ...said], { designs: [design, ...asked.map((one) => one.design)] });
  if (!fitted) return null;
  const values: Record<string, FitReport['values'][ValueKey]> = {};
  for (const key of valueKeysOf(design)) {
    const row = valueRow(fitted, design, key);
    if (!row) continue;
    const back = (x: number): number => (SPREAD_IN_UNITS.has(key) ? x : Math.exp(x));
    const mixture = mixtureOf(fitted, row);
    const at = (fraction: number): number => back(quantileOf(mixture, fraction));
    values[key] = { prior: valueOf(design, key).value, fitted: at(0.5), interval90: [at(TAIL_PROBABILITY), at(1 - TAIL_PROBABILITY)] };
  }
  const learnt = posteriorChanges(fitted, design);
  const weighed = weighCauses(ofLatest, { workspace: fitted.workspace });
  const noted = observationsIn(ofLatest.flatMap(({ of }) => of.map(({ record }) => record)));
  return {
    values,
    resistance: learnt?.resistance ?? null,
    energy: learnt?.energy ?? null,
    scatter: fitted.components.reduce((sum, { weight, scatter }) => sum + weight * scatter, 0),
    predictions: asked.map(({ winding, design: on }) => {
      const prediction = predictFitted(fitted, on, winding);
      return prediction && { mean: prediction.mean, nextRun: prediction.next, fork: prediction.fork };
    }),
    groups: groups.map((group, g) => {
      const heldOut = groups.length > 1 ? predictFitted(leaveOut(fitted, g), group.design, group.wind, group) : null;
      return {
        winding: group.wind,
        direction: group.direction ?? null,
        runs: group.runs.length,
        without: heldOut?.mean ?? null,
        check: heldOut && checkGroup(heldOut, group),
      };
    }),
    earlier,
    unwound,
    isSettled: fitted.isSettled,
    before: checkBefore(mostRun(ofLatest), { workspace: fitted.workspace }),
    signs,
    causes: weighed ? explain(weighed, { noted }).causes : [],
    changes: (nextChanges(fitted, design)?.changes ?? []).map(({ words, gain, low, high, chance }) => ({
      id: slug(words),
      words: words.replaceAll('\u00a0', ' '),
      gain: { middle: gain, low, high },
      chanceBetter: chance,
    })),
  };
}
