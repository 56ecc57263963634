import type { Print } from '../units/quantity.ts';
import { RANK, type Check } from '../checks/check-car.ts';
import { checkCar } from '../checks/check-car.ts';
import type { CarDesign } from '../car/car-design.ts';
import type { RemedyKind } from '../checks/remedy.ts';
import { printQuantity, type UnitSystem } from '../units/quantity.ts';
import { chanceToMeet, runForAim } from './aim.ts';
import { failingShares } from './failing-shares.ts';
import { priceRemedies, type PricedRemedy } from './priced-remedies.ts';
import { predict, type Bounds } from '../predict/uncertainty.ts';

/** A check with what each of its remedies buys. */
export interface PricedCheck extends Omit<Check, 'sentence' | 'remedies'> {
  readonly sentence: string;
  /** m that the best of its remedies would win: what the fault costs. 0 where nothing is to be won. */
  readonly cost: number;
  readonly remedies: readonly PricedRemedy[];
  /** Share of cars built so that fail it. */
  readonly failing: number;
}

/** All that is said of a design beside its most likely run. */
export interface Assessment {
  /** The most likely run's distance, m, and the bounds of such cars. */
  readonly likely: number;
  readonly distance: Bounds;
  readonly time: Bounds;
  readonly spinning: number;
  /** Share of the sample that meets the aim; null for an aim without a yes or no. */
  readonly chance: number | null;
  /** The worst first, and of those alike the one that costs most. */
  readonly checks: readonly PricedCheck[];
  /** The remedies on offer, one of each kind, the one that buys most for the aim first; none that buys nothing. */
  readonly remedies: readonly PricedRemedy[];
}

/** A gain below this share of the distance is no difference that a builder would see; s, where it is to be quickest. */
const SEEN = 0.05;

/** A check is good where it is good for 8 in 10 cars built so. */
const FEW = 0.2;

/** `It fails 3 in 10 cars built so.` where the likeliest keeps it. */
const failingWords = (share: number): string => ` It fails ${Math.round(10 * share)} in 10 cars built so.`;

/** Bounds, chance, checks and priced remedies of a design; null where it cannot run. */
export function assess(design: CarDesign, units: UnitSystem, seed = 1): Assessment | null {
  const bounded = predict(design, { seed });
  const likely = runForAim(design);
  if (bounded.kind === 'refused' || !likely) return null;
  const print: Print = (value, quantity) => printQuantity(value, quantity, units);
  const shares = failingShares(design, seed);
  const checks = checkCar(design, likely)
    .map((check): PricedCheck => {
      const remedies = priceRemedies(check, design, likely, print);
      const failing = shares.get(check.id) ?? 0;
      const isUnsure = check.verdict === 'good' && failing > FEW;
      return {
        ...check,
        verdict: isUnsure ? 'warning' : check.verdict,
        sentence: check.sentence(print) + (isUnsure ? failingWords(failing) : ''),
        failing,
        cost: Math.max(0, ...remedies.map(({ gain }) => gain)),
        remedies,
      };
    })
    .sort((a, b) => RANK[a.verdict] - RANK[b.verdict] || b.cost - a.cost);
  const worth = design.aim.kind === 'quickest-to' ? SEEN : SEEN * likely.distance;
  // Of remedies of one kind, such as tyres, the one that buys most.
  const offered = new Map<RemedyKind, PricedRemedy>();
  for (const priced of checks.flatMap(({ remedies }) => remedies)) {
    const { kind } = priced.remedy;
    if (priced.better > (offered.get(kind)?.better ?? worth)) offered.set(kind, priced);
  }
  const { distance, time, spinning, distances } = bounded.prediction;
  return {
    likely: likely.distance,
    distance,
    time,
    spinning,
    chance: chanceToMeet(design, distances),
    checks,
    remedies: [...offered.values()].sort((a, b) => b.better - a.better),
  };
}
