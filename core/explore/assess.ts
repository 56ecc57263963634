import { type Format, formatIn, type UnitSystem } from '../units/quantity.ts';
import { goalOf } from '../brief/goal.ts';
import { hasFallenShort } from '../brief/goals.ts';
import { judgeGoal, type JudgedGoal } from '../brief/judge.ts';
import { RANK, type Check } from '../checks/check-car.ts';
import { checkCar } from '../checks/check-car.ts';
import type { Aim, CarDesign } from '../car/car-design.ts';
import { upToWall } from '../car/floors.ts';
import { makeWorkspace, type Workspace } from '../run/workspace.ts';
import type { RemedyKind } from '../checks/remedy.ts';
import { marksOf, roundsOf, runForAim, scoreOf } from './aim.ts';
import { meanOutcomes, type RoundOutcome } from './all-rounds.ts';
import { curingRemedies, PRICED_BY, priceRemedy, type ChosenRemedy, type PricedRemedy } from './priced-remedies.ts';
import { builtSample } from './quantile-score.ts';
import type { SampledRun } from '../predict/sampled-runs.ts';
import { boundsOf, predict, type Bounds } from '../predict/uncertainty.ts';

/** A check with the remedies that cure it. */
export interface PricedCheck extends Omit<Check, 'sentence' | 'remedies'> {
  readonly sentence: string;
  /** m, up to the wall, that the most likely car would go further with the best of its remedies: what the fault costs. 0 where nothing is to be won. */
  readonly cost: number;
  readonly remedies: readonly ChosenRemedy[];
  /** Fraction of cars built like this that fail it. */
  readonly failing: number;
}

/** A remedy on offer, with the title of the check that stops the car without it; null where nothing does. */
export interface OfferedRemedy extends PricedRemedy {
  readonly cures: string | null;
}

/** All that is said of a design beside its most likely run. */
export interface Assessment {
  /** The most likely run's distance, m, and the bounds of such cars. */
  readonly likely: number;
  readonly distance: Bounds;
  readonly time: Bounds;
  readonly spinning: number;
  /** What such cars come to by the goal. */
  readonly asked: JudgedGoal;
  /** Points of such cars in all rounds of the brief together, and what they come to in each; null where one goal is the aim. */
  readonly inAllRounds: { readonly points: Bounds; readonly rounds: readonly RoundOutcome[] } | null;
  /** The worst first, and of those alike the one that costs most. */
  readonly checks: readonly PricedCheck[];
  /**
   * The remedies on offer, one of each kind: first those of what stops the car, then the one that buys most for the aim; of these only such as
   * help half of the cars built like this, by what is seen.
   */
  readonly remedies: readonly OfferedRemedy[];
}

/** A gain below this fraction of what is measured is no difference that a builder would see. */
const SEEN = 0.05;

/** The least gain in points. */
const SEEN_POINTS = 0.2;

/** The gain, in the unit of the goal, that a builder would see. */
function seenGain(aim: Aim, score: number, distance: number): number {
  if (aim.contest) return Math.max(SEEN * score, SEEN_POINTS);
  const goal = goalOf(aim);
  // How near a stop is to its mark depends on the whole way.
  return SEEN * (goal.kind === 'closest-to' || hasFallenShort(score) ? distance : Math.abs(score));
}

/** A check is good where it is good for 8 in 10 cars built like this. */
const FEW = 0.2;

/** `It fails 3 in 10 cars built so.` where the most likely keeps it. */
const failingWords = (fraction: number): string => ` It fails in ${Math.round(10 * fraction)} of 10 cars built like this.`;

function inAllRounds(sample: readonly SampledRun[], workspace: Workspace): Assessment['inAllRounds'] {
  const cars = sample.map(({ design: built, numbers, result }) => (result ? roundsOf(built, result, numbers, workspace) : null));
  const rounds = meanOutcomes(cars);
  if (!rounds) return null;
  return { rounds, points: boundsOf(cars.map((car) => (car ?? []).reduce((sum, { points }) => sum + points, 0))) };
}

/** Bounds, chance, checks and priced remedies of a design; null where it cannot run. */
export function assess(design: CarDesign, units: UnitSystem, seed = 1): Assessment | null {
  const bounded = predict(design, { seed, marks: marksOf(design.aim) });
  const likely = runForAim(design);
  if (bounded.kind === 'refused' || !likely) return null;
  const format: Format = formatIn(units);
  const workspace = makeWorkspace();
  const built = builtSample(design, seed, workspace, PRICED_BY);
  const checks = checkCar(design, likely)
    .map((check): PricedCheck => {
      const remedies = curingRemedies(check, design, likely, format);
      const failing = built.troubles.get(check.id) ?? 0;
      const isUnsure = check.verdict === 'good' && failing > FEW;
      return {
        ...check,
        verdict: isUnsure ? 'warning' : check.verdict,
        sentence: check.sentence(format) + (isUnsure ? failingWords(failing) : ''),
        failing,
        cost: Math.max(0, ...remedies.map(({ after }) => upToWall(design.floor, after.distance) - upToWall(design.floor, likely.distance))),
        remedies,
      };
    })
    .sort((a, b) => RANK[a.verdict] - RANK[b.verdict] || b.cost - a.cost);
  const worth = seenGain(design.aim, scoreOf(design, likely), likely.distance);
  // Of remedies of one kind, such as tyres, the one that buys most. What stops the car is cured whatever that buys.
  const offered = new Map<RemedyKind, ChosenRemedy & { readonly cures: string | null }>();
  for (const { verdict, title, remedies } of checks)
    for (const chosen of remedies) {
      const { kind } = chosen.remedy;
      const present = offered.get(kind);
      const cures = verdict === 'stop' ? title : null;
      const isFirst = present === undefined && (cures !== null || chosen.better > worth);
      if (isFirst || (present && present.cures === cures && chosen.better > present.better)) offered.set(kind, { ...chosen, cures });
    }
  const { distance, time, spinning, sample } = bounded.prediction;
  return {
    likely: likely.distance,
    distance,
    time,
    spinning,
    asked: judgeGoal(design, goalOf(design.aim), sample, seed),
    inAllRounds: inAllRounds(sample, workspace),
    checks,
    remedies: [...offered.values()]
      .map(({ cures, ...chosen }) => ({ ...priceRemedy(chosen, likely, built, seed, workspace), cures }))
      .filter(({ cures, better, helps }) => cures !== null || (better > worth && helps >= 0.5))
      .sort((a, b) => Number(b.cures !== null) - Number(a.cures !== null) || b.better - a.better),
  };
}
