import { quantileSorted } from 'simple-statistics';
import type { CarDesign } from '../car/car-design.ts';
import { checkById, stoppedBy } from '../checks/check-car.ts';
import type { Check } from '../checks/check.ts';
import type { Format } from '../units/quantity.ts';
import { remedyOf, type Remedy } from '../checks/remedy.ts';
import type { RunResult } from '../run/simulate.ts';
import type { Workspace } from '../run/workspace.ts';
import { runForAim, scoreOf } from './aim.ts';
import { builtSample, shareBetter, type BuiltSample } from './quantile-score.ts';

/** A remedy that cures, with the most likely run after it and how much better that meets the aim: m, or s where it is to be quickest. */
export interface ChosenRemedy {
  readonly remedy: Remedy;
  readonly after: RunResult;
  readonly better: number;
}

/** What a remedy buys many cars built like this; lengths up to the wall, where there is one. */
export interface PricedRemedy {
  readonly remedy: Remedy;
  /** m that half of them exceed after it. */
  readonly distance: number;
  /** How much better they meet the aim, m or s: half of them by more; 8 in 10 lie from `low` to `high`. */
  readonly better: number;
  readonly low: number;
  readonly high: number;
  /** Fraction of them that it helps. */
  readonly helps: number;
  /** s and m of the most likely run, and how much more than before. */
  readonly time: number;
  readonly timeGain: number;
  readonly slipDistance: number;
  readonly slipGain: number;
}

/** Whether a design keeps a check's limit. */
function isCured(check: Check, design: CarDesign, run: RunResult): boolean {
  const again = checkById(check.id, design, run);
  return again === undefined || again.verdict === 'good';
}

/** A remedy with the most likely run that it makes. */
type TriedRemedy = Pick<ChosenRemedy, 'remedy' | 'after'>;

/** Remedies that were tried first where it takes two to cure. */
const FIRST_OF_TWO = 2;

/** Remedies with the runs they make, of those that can run and that no other check stops again. */
const tried = (remedies: readonly Remedy[], wasStopped: boolean): TriedRemedy[] =>
  remedies.flatMap((remedy) => {
    const after = runForAim(remedy.design);
    return after && (wasStopped || stoppedBy(remedy.design, after) === null) ? [{ remedy, after }] : [];
  });

/**
 * The remedies of a check that cure it, the best for the aim first: of one that comes in steps the least that does. Where no single one
 * cures, two after each other. Left out are those that could not run, or that another check would stop. `before`: the run of the design
 * for its aim.
 */
export function curingRemedies(check: Check, design: CarDesign, before: RunResult, format: Format): ChosenRemedy[] {
  const remedies = check.remedies(format);
  if (remedies.length === 0) return [];
  const score = scoreOf(design, before);
  const wasStopped = stoppedBy(design, before) !== null;
  const leastThatCure = (runs: readonly TriedRemedy[]): TriedRemedy[] =>
    [...new Set(runs.map(({ remedy }) => remedy.id))].flatMap(
      (id) => runs.find(({ remedy, after }) => remedy.id === id && isCured(check, remedy.design, after)) ?? [],
    );
  const runs = tried(remedies, wasStopped);
  const betterBy = (remedy: Remedy, after: RunResult): number => scoreOf(remedy.design, after) - score;
  let cures = leastThatCure(runs);
  if (cures.length === 0) {
    // The furthest that the best of them lead, and from there on.
    const best = new Map<string, { readonly remedy: Remedy; readonly better: number }>();
    for (const { remedy, after } of runs) {
      const better = betterBy(remedy, after);
      if (better > (best.get(remedy.id)?.better ?? 0)) best.set(remedy.id, { remedy, better });
    }
    cures = [...best.values()]
      .sort((a, b) => b.better - a.better)
      .slice(0, FIRST_OF_TWO)
      .flatMap(({ remedy: first }) => {
        const half = runForAim(first.design);
        const again = half && checkById(check.id, first.design, half);
        return leastThatCure(
          tried(
            (again?.remedies(format) ?? [])
              .filter(({ kind }) => kind !== first.kind)
              .map((then) =>
                remedyOf(
                  then.kind,
                  `${first.id}+${then.id}`,
                  `${first.label}, and ${then.label[0]!.toLowerCase()}${then.label.slice(1)}`,
                  then.design,
                ),
              ),
            wasStopped,
          ),
        );
      });
  }
  return cures.map(({ remedy, after }) => ({ remedy, after, better: betterBy(remedy, after) })).sort((a, b) => b.better - a.better);
}

/** Cars that a remedy is priced by. */
export const PRICED_BY = 64;

/** What a remedy buys: of the same cars with it and without. `built`: those without, of this seed. */
export function priceRemedy(
  { remedy, after }: ChosenRemedy,
  before: RunResult,
  built: BuiltSample,
  seed: number,
  workspace: Workspace,
): PricedRemedy {
  const cured = builtSample(remedy.design, seed, workspace, built.scores.length);
  const gains = cured.scores.map((score, n) => score - built.scores[n]!).sort((a, b) => a - b);
  const at = (fraction: number): number => quantileSorted(gains, fraction);
  return {
    remedy,
    distance: cured.distance,
    better: at(0.5),
    low: at(0.1),
    high: at(0.9),
    helps: shareBetter(cured, built),
    time: after.time,
    timeGain: after.time - before.time,
    slipDistance: after.slipDistance,
    slipGain: after.slipDistance - before.slipDistance,
  };
}
