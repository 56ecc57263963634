import type { CarDesign } from '../car/car-design.ts';
import { describeFault, describeKey } from '../car/fault-words.ts';
import { isRoller } from '../car/motors/motors.ts';
import type { Fault } from '../fault.ts';
import { lowDiscrepancy, standardNormal } from '../numerics/low-discrepancy.ts';
import { prepareRun } from '../predict/derive-run-setup.ts';
import { sampledRuns, type SampledRun } from '../predict/sampled-runs.ts';
import { curvatureOf, likelyCurvature } from '../predict/straightness.ts';
import { boundsOf, type Bounds } from '../predict/uncertainty.ts';
import {
  type Format,
  formatIn,
  formatKnown,
  formatNumber,
  formatQuantity,
  formatRange,
  unitOf,
  type UnitSystem,
} from '../units/quantity.ts';
import { designForRound, limitsOf, type Brief, type Round } from './brief.ts';
import type { RunResult } from '../run/simulate.ts';
import { GOAL_FORMS, type Goal } from './goal.ts';
import { bestLoad } from './most-load.ts';
import { describeFigure, goalRecord, measuredInRoom, type GoalRun } from './goals.ts';
import { judgeRules, type JudgedRule } from './rules.ts';

/** What cars built to a design come to by a goal. */
export type JudgedGoal =
  | {
      readonly kind: 'ran';
      /** Of the runs that count; NaN where none does. SI. */
      readonly bounds: Bounds;
      /** Fraction of such cars whose run meets the goal; null where more or less is all there is. */
      readonly chance: number | null;
      /** kg that the figures are reported with, where the car was given none and load counts. */
      readonly load?: number;
    }
  /** It depends on how straight a roller runs. */
  | { readonly kind: 'unknown' };

/** What is known of a round besides: how many reach the wall or never stop. */
type RanRound = Extract<JudgedRound, { atWall: number }>;

/** The same of a round; or why the car does not run in it. */
export type JudgedRound = { readonly name: string } & (
  | (JudgedGoal & {
      /** Fraction of such cars that come as far as the wall; 0 without one. */
      readonly atWall: number;
      /** m from the line to the wall, and fraction of such cars that never stop. */
      readonly wall?: number;
      readonly endless?: number;
    })
  | { readonly kind: 'refused'; readonly faults: readonly Fault[] }
);

/** Cars in the sample. */
const RUNS = 200;

/** A car as it runs in a round, within the limits of the brief. */
export const askedInRound = (design: CarDesign, brief: Brief, round: Round): CarDesign => ({
  ...designForRound(design, brief, round),
  limits: limitsOf(brief.rules),
});

/** Where load counts and none was given, every car carries the load that counts most for the most likely; `load`: that one, kg, else null. */
export function loadedFor(goal: Goal, asked: CarDesign): { readonly car: CarDesign; readonly load: number | null } {
  const load = goal.kind === 'load-distance' && asked.load.mass === 0 ? bestLoad(asked).load : null;
  return { load, car: load === null ? asked : { ...asked, load: { ...asked.load, mass: load } } };
}

/** The runs of a sample as goals see them, each on a path of its own; null for a car that cannot run. `seed`: of the curvatures. */
export function goalRunsOf(design: CarDesign, sample: readonly SampledRun[], seed: number): readonly (GoalRun | null)[] {
  const drawn = lowDiscrepancy(1, seed);
  return sample.map(({ design: built, numbers, result }, n) =>
    result === null
      ? null
      : {
          design: { ...built, load: design.load },
          numbers,
          result,
          curvature: curvatureOf(built) + likelyCurvature(built) * standardNormal(drawn(n)[0]!),
        },
  );
}

/**
 * Evaluates a sample of cars built to a design by a goal.
 * @param sample their runs (`sampledRuns`)
 * @param seed of the curvatures of their paths, 1 by default
 * @returns quantiles in the unit of the goal, and the fraction that meets it
 */
export function judgeGoal(design: CarDesign, goal: Goal, sample: readonly SampledRun[], seed = 1): JudgedGoal {
  const { measure, isMet, isSteered } = goalRecord(goal);
  if (isSteered && isRoller(design)) return { kind: 'unknown' };
  const ran = goalRunsOf(design, sample, seed).flatMap((run) => (run ? [measuredInRoom(goal, run)] : []));
  return {
    kind: 'ran',
    bounds: boundsOf(ran.flatMap((run) => measure(goal, run) ?? [])),
    chance: isMet ? ran.filter((run) => isMet(goal, run)).length / sample.length : null,
  };
}

/**
 * Evaluates a design by one round of a brief: on its floor, with its load and rules.
 * @param seed the same seed gives the same answer; 1 by default
 */
export function judgeRound(design: CarDesign, brief: Brief, round: Round, seed = 1): JudgedRound {
  const { name, goal } = round;
  const asked = askedInRound(design, brief, round);
  const prepared = prepareRun(asked);
  if (prepared.kind === 'refused') return { name, kind: 'refused', faults: prepared.faults };
  const { car, load } = loadedFor(goal, asked);
  const sample = sampledRuns(car, { seed, runs: RUNS, marks: goalRecord(goal).marks?.(goal) ?? [] });
  const { roomLength: wall } = car.floor;
  const fraction = (is: (result: RunResult) => boolean): number =>
    sample.filter(({ result }) => result !== null && is(result)).length / sample.length;
  return {
    name,
    atWall: fraction(({ distance }) => distance > (wall ?? Infinity)),
    endless: fraction(({ ended }) => ended === 'limit'),
    ...(wall !== null && { wall }),
    ...judgeGoal(car, goal, sample, seed),
    ...(load !== null && { load }),
  };
}

/** A car against a brief: each rule, and each round. */
export interface JudgedCar {
  readonly rules: readonly JudgedRule[];
  readonly rounds: readonly JudgedRound[];
}

/** A car against a brief. */
export const judgeCar = (design: CarDesign, brief: Brief, seed = 1): JudgedCar => ({
  rules: judgeRules(design, limitsOf(brief.rules)),
  rounds: brief.rounds.map((round) => judgeRound(design, brief, round, seed)),
});

/** A fraction of a sample, no surer than its size allows: `97 %`, `over 99 %`. */
export function formatChance(chance: number, units: UnitSystem, runs = RUNS): string {
  if (chance === 1) return `over ${formatQuantity(1 - 2 / runs, 'share', units)}`;
  return chance === 0 ? `under ${formatQuantity(2 / runs, 'share', units)}` : formatQuantity(chance, 'share', units);
}

/** Figures of a goal in its unit, no finer than `half`, half of what 8 in 10 lie within; and the unit. */
export function goalFigures(
  goal: Goal,
  half: number,
  units: UnitSystem,
): { readonly figure: (value: number) => string; readonly unit: string } {
  const { quantity } = goalRecord(goal);
  if (quantity === 'kg·m' || quantity === 'm + m/s')
    return { figure: (value) => value.toPrecision(2), unit: quantity === 'kg·m' ? quantity : 'points' };
  return {
    figure: (value) => (half > 0 ? formatKnown(value, half, quantity, units) : formatNumber(value, quantity, units)),
    unit: unitOf(quantity, units),
  };
}

/** What a goal's judgement comes to, in a line: `97 % likely; about 9.2 m; cars built like this: 7.1–11 (8 in 10)`. */
function judgedWords(goal: Goal, judged: JudgedGoal & Partial<Pick<RanRound, 'endless' | 'wall' | 'atWall'>>, units: UnitSystem): string {
  if (judged.kind === 'unknown') return 'cannot tell: nothing is known about how straight a roller runs';
  const format: Format = formatIn(units);
  const { quantity, isLess } = goalRecord(goal);
  const { low, middle, high } = judged.bounds;
  const chance = judged.chance === null ? [] : [`${formatChance(judged.chance, units)} likely`];
  if (!Number.isFinite(middle)) return [...chance, 'no run counts'].join('; ');
  if ('endless' in judged && judged.endless! > MOST_STOP && 'wall' in judged === false && dependsOnStop(goal))
    return [...chance, 'it does not stop: the floor falls by more than its resistance'].join('; ');
  if (quantity === 'distance' && high === 0 && !isLess) return [...chance, 'it does not start'].join('; ');
  const half = (high - low) / 2;
  const { figure, unit } = goalFigures(goal, half, units);
  // Where most reach the wall it is no figure of how far, but of how surely.
  if (quantity === 'distance' && !isLess && judged.wall !== undefined && middle >= judged.wall - 1e-9)
    return [...chance, `9 in 10 go ${figure(low)} ${unit} or further`].join('; ');
  const carried = judged.load === undefined ? '' : `, with about ${format(Number(judged.load.toPrecision(2)), 'weight')} of load`;
  const figures = `${describeFigure(goal, `about ${figure(middle)} ${unit}`, format)}${carried}`;
  return [...chance, half > 0 ? `${figures}; cars built like this: ${formatRange(figure(low), figure(high))} (8 in 10)` : figures].join(
    '; ',
  );
}

/** Beyond this fraction of cars that never stop a figure for the distance says nothing. */
const MOST_STOP = 0.5;
/** Whether the figure of a goal depends on where the car stops. */
const dependsOnStop = ({ kind }: Goal): boolean => !GOAL_FORMS[kind].isTakenBeforeStop;

/** Below this share nobody need mind. */
const SOME = 0.05;

/** That the wall stands before the goal; else how many come to it, where that is not after what counts; nothing where few do. */
export function describeWall(goal: Goal, judged: JudgedRound, units: UnitSystem): string[] {
  if (!('atWall' in judged)) return [];
  const { atWall, wall } = judged;
  if ('distance' in goal && wall !== undefined && wall < goal.distance)
    return [`the wall is at ${formatQuantity(wall, 'distance', units)}: no run there can go further`];
  return atWall >= SOME && (!('distance' in goal) || goal.kind === 'speed-and-distance')
    ? [`${Math.round(10 * atWall)} in 10 reach the wall${wall === undefined ? '' : ` at ${formatQuantity(wall, 'distance', units)}`}`]
    : [];
}

/** The same of a round. */
export const describeRound = ({ goal }: Round, judged: JudgedRound, units: UnitSystem): string =>
  judged.kind === 'refused'
    ? judged.faults.map((fault) => `${describeKey(fault.path)} ${describeFault(fault, formatIn(units))}`).join('; ')
    : [judgedWords(goal, judged, units), ...describeWall(goal, judged, units)].join('; ');

/** A round in a few words: how likely it is met or, where more or less is all there is, what it comes to. */
export function summarizeRound(round: Round, judged: JudgedRound, units: UnitSystem): string {
  if (judged.kind === 'unknown') return 'cannot tell';
  if (judged.kind === 'refused') return 'cannot run';
  const { bounds, chance } = judged;
  if (chance !== null && goalRecord(round.goal).quantity !== 'time') return `${formatChance(chance, units)} likely`;
  if (!Number.isFinite(bounds.middle)) return 'stops short';
  if (bounds.high === 0 && !goalRecord(round.goal).isLess) return 'does not start';
  const { figure, unit } = goalFigures(round.goal, (bounds.high - bounds.low) / 2, units);
  return `about ${figure(bounds.middle)} ${unit}`;
}
