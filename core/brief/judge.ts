import type { CarDesign } from '../car/car-design.ts';
import { faultWords, keyWords } from '../car/fault-words.ts';
import { isRoller } from '../car/motors/motors.ts';
import type { Fault } from '../fault.ts';
import { lowDiscrepancy, standardNormal } from '../numerics/low-discrepancy.ts';
import { prepareRun } from '../predict/derive-run-setup.ts';
import { sampledRuns } from '../predict/sampled-runs.ts';
import { curvatureOf, likelyCurvature } from '../predict/straightness.ts';
import { boundsOf, type Bounds } from '../predict/uncertainty.ts';
import { printKnown, printNumber, printQuantity, unitOf, type Print, type UnitSystem } from '../units/quantity.ts';
import { inRound, type Brief, type Round } from './brief.ts';
import { goalRecord } from './goals.ts';
import { judgeRules, type JudgedRule } from './rules.ts';

/** What cars built to a design come to in a round; or why the car does not run in it. */
export type JudgedRound = { readonly name: string } & (
  | {
      readonly kind: 'ran';
      /** Of the runs that count; NaN where none does. SI. */
      readonly bounds: Bounds;
      /** Share of such cars whose run meets what is asked; null where more or less is all there is. */
      readonly chance: number | null;
    }
  | { readonly kind: 'refused'; readonly faults: readonly Fault[] }
  /** It hangs on how straight a roller runs. */
  | { readonly kind: 'unknown' }
);

/** Cars in the sample. */
const RUNS = 200;

/** What 8 in 10 cars built to the design come to in a round, and how likely one meets what it asks. The same seed gives the same answer. */
export function judgeRound(design: CarDesign, brief: Brief, round: Round, seed = 1): JudgedRound {
  const { name, goal } = round;
  const car = inRound(design, brief, round);
  const prepared = prepareRun(car);
  if (prepared.kind === 'refused') return { name, kind: 'refused', faults: prepared.faults };
  const { marks, measure, isMet, isSteered } = goalRecord(goal);
  if (isSteered && isRoller(car)) return { name, kind: 'unknown' };
  const drawn = lowDiscrepancy(1, seed);
  const runs = sampledRuns(car, { seed, runs: RUNS, marks: marks?.(goal) ?? [] }).map(({ design: built, result }, n) => ({
    design: { ...built, load: car.load },
    result,
    curvature: curvatureOf(built) + likelyCurvature(built) * standardNormal(drawn(n)[0]!),
  }));
  const ran = runs.flatMap((run) => (run.result === null ? [] : [{ ...run, result: run.result }]));
  return {
    name,
    kind: 'ran',
    bounds: boundsOf(ran.flatMap((run) => measure(goal, run) ?? [])),
    chance: isMet ? ran.filter((run) => isMet(goal, run)).length / runs.length : null,
  };
}

/** A car against a brief: each rule, and each round. */
export interface JudgedCar {
  readonly rules: readonly JudgedRule[];
  readonly rounds: readonly JudgedRound[];
}

/** A car against a brief. `print`: sizes in words. */
export const judgeCar = (design: CarDesign, brief: Brief, print: Print, seed = 1): JudgedCar => ({
  rules: judgeRules(design, brief.rules, print),
  rounds: brief.rounds.map((round) => judgeRound(design, brief, round, seed)),
});

/** A share of the sample, no surer than its size allows: `97 %`, `over 99 %`. */
function chanceWords(chance: number, units: UnitSystem): string {
  if (chance === 1) return `over ${printQuantity(1 - 2 / RUNS, 'share', units)}`;
  return chance === 0 ? `under ${printQuantity(2 / RUNS, 'share', units)}` : printQuantity(chance, 'share', units);
}

/** What a round comes to, in a line: `97 % likely; about 9.2 m, 8 in 10 between 7.1 and 11`. */
export function roundWords(round: Round, judged: JudgedRound, units: UnitSystem): string {
  if (judged.kind === 'unknown') return 'cannot tell: how straight a roller runs is not known';
  if (judged.kind === 'refused')
    return judged.faults
      .map((fault) => `${keyWords(fault.path)} ${faultWords(fault, (value, quantity) => printQuantity(value, quantity, units))}`)
      .join('; ');
  const { quantity, of } = goalRecord(round.goal);
  const { low, middle, high } = judged.bounds;
  const chance = judged.chance === null ? [] : [`${chanceWords(judged.chance, units)} likely`];
  if (!Number.isFinite(middle)) return [...chance, 'no run counts'].join('; ');
  if (quantity === 'distance' && high === 0 && of === undefined) return [...chance, 'it does not move'].join('; ');
  const half = (high - low) / 2;
  const figure = (value: number): string => {
    if (quantity === 'kg·m' || quantity === 'm + m/s') return value.toPrecision(2);
    return half > 0 ? printKnown(value, half, quantity, units) : printNumber(value, quantity, units);
  };
  const unit = quantity === 'kg·m' ? quantity : quantity === 'm + m/s' ? 'points' : unitOf(quantity, units);
  const told = [`about ${figure(middle)} ${unit}`, ...(of ? [of] : [])].join(' ');
  return [...chance, half > 0 ? `${told}, 8 in 10 between ${figure(low)} and ${figure(high)}` : told].join('; ');
}
