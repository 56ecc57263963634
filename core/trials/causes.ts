import { fullTurns } from '../predict/derive-run-setup.ts';
import { predictRun } from '../predict/predict-run.ts';
import type { RunRecord } from '../car/car-design.ts';
import { isWoundOnAxle } from '../car/motors/motors.ts';
import { isCured, type CauseId } from './cause-words.ts';

import { didNotStart } from '../car/did-not-start.ts';
import { likelyCar, withEnergy, withResistance, type BuiltCar, type Unknown } from './fit/built-car.ts';
import { fitCar, woundShare, type FitOptions, type FittedCar } from './fit/fit-car.ts';
import { rowOf } from './fit/predict-fitted.ts';
import { linearAt } from './fit/linear.ts';
import { STALL } from './fit/outputs.ts';
import type { Mendable, TrialGroup } from './fit/trial.ts';

export type { CauseId } from './cause-words.ts';

/** Size of a fault about its middle, N(0, 1) to either side. Sizes: what such faults are like, common practice. */
const sized = (middle: number, spread: number, z: number): number => middle + spread * z;

const turnsOf = ({ wind, asDesigned }: BuiltCar): number => (wind.kind === 'turns' ? wind.turns : fullTurns(asDesigned));
const woundBy = (car: BuiltCar, turns: number): BuiltCar => ({ ...car, wind: { kind: 'turns', turns: Math.max(turns, 0.1) } });

/** The car with something wrong with it, by so much. */
const WRONG: Readonly<Record<Exclude<CauseId, 'none'>, (car: BuiltCar, z: number) => BuiltCar>> = {
  rubbing: (car, z) => withResistance(car, 1 + Math.max(0.02, sized(0.35, 0.15, z))),
  'weak-motor': (car, z) => withEnergy(car, 1 - Math.min(0.6, Math.max(0.01, sized(0.2, 0.08, z)))),
  'low-grip': (car, z) => ({
    ...car,
    // A little is common, much is rare: ln-normal, half of what was thought at z = 1, an eighth at 2.
    numbers: { ...car.numbers, staticGrip: (car.numbers.staticGrip ?? 0) * Math.exp(-0.3 * Math.exp(0.95 * z)) },
  }),
  'fewer-turns': (car, z) => woundBy(car, turnsOf(car) - Math.max(0.2, sized(1.5, 0.7, z))),
  tied: (car) =>
    isWoundOnAxle(car.design.motor) ? { ...car, design: { ...car.design, motor: { ...car.design.motor, release: 'tied' } } } : car,
  'loose-wheel': (car, z) => ({ ...car, mostPush: launchPush(car) * Math.min(1, Math.max(0.1, sized(0.5, 0.15, z))) }),
  veering: (car, z) => ({ ...car, curvature: Math.max(0.01, sized(0.1, 0.04, z)) }),
  'leaning-floor': (car, z) => ({ ...car, numbers: { ...car.numbers, slope: (car.numbers.slope ?? 0) + car.uphill * 0.005 * z } }),
  // Nothing comes to the floor that would move it; a trap’s own efficiency could not be told so small.
  backwards: (car) => ({ ...car, mostPush: TWITCH * launchPush(car) }),
  bending: (car, z) => woundBy(car, turnsOf(car) * (1 - Math.min(0.5, Math.max(0.02, sized(0.15, 0.06, z))))),
};

/** Share of its launch that a car wound the wrong way gives. */
const TWITCH = 0.01;

const pushes = new WeakMap<object, number>();
/** N at the tyre as the run of the likeliest car begins. */
function launchPush({ asDesigned }: BuiltCar): number {
  const known = pushes.get(asDesigned);
  if (known !== undefined) return known;
  const prediction = predictRun(asDesigned);
  const push = prediction.kind === 'ran' ? prediction.result.launchThrust : 0;
  pushes.set(asDesigned, push);
  return push;
}

/** A fault as an unknown of the fit. */
export const faultOf = (id: Exclude<CauseId, 'none'>): Unknown => ({
  id: `fault ${id}`,
  name: id,
  isThere: true,
  off: (car, deviations) => WRONG[id](car, deviations),
});

/** A cause that is a property of parts or floor: once it is confirmed the car is taken with it. */
export type Given = 'weak-motor' | 'low-grip' | 'leaning-floor';
export const GIVENS: readonly Given[] = ['weak-motor', 'low-grip', 'leaning-floor'];

/** Whether a cause is put right on the car as it is. */
export const isMendable = (id: CauseId): id is Mendable => isCured(id);

/** The same fault where it was put right since: only the runs before that were made with it. */
export const faultBefore = (id: Mendable): Unknown => ({
  ...faultOf(id),
  id: `fault ${id}, put right`,
  off: (car, deviations) => (car.faults.includes(id) ? WRONG[id](car, deviations) : car),
});

/** What somebody saw of the runs, and found at the table. */
export interface Evidence {
  readonly seen?: readonly RunRecord['seen'][number][];
  readonly checks?: Readonly<Partial<Record<CauseId, 'confirmed' | 'ruled-out'>>>;
}

/** How often a thing is noted where a cause is at work, and where it is not. Our estimates. */
export const NOTED: readonly {
  readonly seen: RunRecord['seen'][number];
  readonly of: readonly CauseId[];
  readonly with: number;
  readonly without: number;
}[] = [
  { seen: 'rubbed', of: ['rubbing'], with: 0.6, without: 0.05 },
  { seen: 'string-stayed', of: ['tied'], with: 0.8, without: 0.03 },
  { seen: 'caught', of: ['tied', 'rubbing'], with: 0.3, without: 0.03 },
  { seen: 'drifted-left', of: ['veering'], with: 0.5, without: 0.12 },
  { seen: 'drifted-right', of: ['veering'], with: 0.5, without: 0.12 },
  { seen: 'broke', of: ['bending', 'loose-wheel', 'weak-motor'], with: 0.1, without: 0.03 },
];
/** A check at the table is wrong so often. */
const MISREAD = 0.05;
/** How likely it is that nothing is wrong; the rest is shared evenly. */
const NOTHING = 0.4;
/** From here on it is named. */
export const SURE = 0.8;

/** A cause with how likely it is, and how many metres it explains at the winding that ran furthest. */
export interface RankedCause {
  readonly id: CauseId;
  readonly probability: number;
  readonly metres: number;
}

/** What may explain the runs of a car, the likeliest first. */
export interface Explanation {
  readonly causes: readonly RankedCause[];
  /** The one it is, where that is sure enough; null where it cannot be told. */
  readonly named: CauseId | null;
  /** The cause whose own evidence would tell the first two apart, where none is named. */
  readonly wouldTell: CauseId | null;
}

const lnNoted = (id: CauseId, { seen = [], checks = {} }: Evidence): number => {
  let sum = 0;
  for (const { seen: thing, of, with: likely, without } of NOTED)
    if (seen.includes(thing)) sum += Math.log(of.includes(id) ? likely : without);
  for (const [checked, found] of Object.entries(checks) as [CauseId, 'confirmed' | 'ruled-out'][]) {
    const isIt = checked === id;
    sum += Math.log(isIt === (found === 'confirmed') ? 1 - MISREAD : MISREAD);
  }
  return sum;
};

/** What the fits say, whatever was seen: one evidence for each cause. It is made once; what is seen and checked ranks it again at once. */
export interface WeighedCauses {
  readonly evidence: readonly { readonly id: CauseId; readonly lnEvidence: number; readonly metres: number }[];
}

/** m that a fault takes from the group that went furthest, at what the fit says of both. */
function metresTaken(fitted: FittedCar, trials: readonly TrialGroup[]): number {
  const furthest = trials.reduce((best, group) => (reach(group) > reach(best) ? group : best));
  const car = likelyCar(furthest.design, furthest.wind, woundShare(furthest.design, furthest.wind));
  const place = fitted.place.slice(0, fitted.unknowns.length);
  const at = (unknowns: readonly Unknown[]): number => {
    const linear = linearAt(car, unknowns, place.slice(0, unknowns.length), [], fitted.workspace);
    return linear ? Math.exp(rowOf({ ...fitted, unknowns }, linear, ({ values }) => values[0]!).value) - STALL : 0;
  };
  return at(fitted.unknowns.slice(0, -1)) - at(fitted.unknowns);
}
const reach = ({ runs }: TrialGroup): number => Math.max(0, ...runs.map(({ outcome }) => outcome.distance));

/** Standard deviations of too little grip at which most cars spin, and spin on the spot: no slope leads there from one that holds. */
const SPINNING = [2, 3];
/** Whether wheels were seen to spin, or the car did not start. */
const isLowGripLikely = ({ runs }: TrialGroup): boolean => runs.some(({ spun, outcome }) => spun || didNotStart(outcome));

/** A car that is taken to be built with any care explains every fault away. */
const AS_THOUGHT = [[1, 1]] as const;

/** Weighs every cause against the runs, besides what is `given`. Null where the car cannot run as it was wound. `progress`: from 0 to 1. */
export function weighCauses(
  trials: readonly TrialGroup[],
  options: FitOptions = {},
  progress?: (share: number) => void,
  given: readonly Given[] = [],
): WeighedCauses | null {
  const more = [...(options.more ?? []), ...given.map(faultOf)];
  const plain: FitOptions = { ...options, more, widths: AS_THOUGHT };
  const sound = fitCar(trials, plain);
  if (!sound) return null;
  const ids = (Object.keys(WRONG) as Exclude<CauseId, 'none'>[]).filter(
    (id) =>
      !(given as readonly CauseId[]).includes(id) &&
      (id !== 'tied' || trials.some(({ design: { motor } }) => isWoundOnAxle(motor) && motor.release === 'free')),
  );
  const evidence = ids.flatMap((id, i) => {
    const starts = id === 'low-grip' && trials.some(isLowGripLikely) ? [undefined, ...SPINNING] : [undefined];
    const fitted = starts
      .flatMap((lastAt) => fitCar(trials, { ...plain, more: [...more, faultOf(id)], from: sound, ...(lastAt && { lastAt }) }) ?? [])
      .reduce<FittedCar | null>((best, one) => (best === null || one.lnEvidence > best.lnEvidence ? one : best), null);
    progress?.((i + 1) / ids.length);
    return fitted ? [{ id, lnEvidence: fitted.lnEvidence, metres: metresTaken(fitted, trials) }] : [];
  });
  return { evidence: [{ id: 'none', lnEvidence: sound.lnEvidence, metres: 0 }, ...evidence] };
}

/** Ranks weighed causes by what was seen and checked besides: Bayes, 0.4 on none of them, the others alike. */
export function explain({ evidence }: WeighedCauses, also: Evidence = {}): Explanation {
  const most = Math.max(...evidence.map(({ lnEvidence }) => lnEvidence));
  const weights = evidence.map(
    ({ id, lnEvidence }) =>
      (id === 'none' ? NOTHING : (1 - NOTHING) / (evidence.length - 1)) * Math.exp(lnEvidence - most + lnNoted(id, also)),
  );
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const causes = evidence
    .map(({ id, metres }, i) => ({ id, metres, probability: weights[i]! / total }))
    .sort((a, b) => b.probability - a.probability);
  const [first, second] = causes;
  const isNamed = first!.probability >= SURE;
  return {
    causes,
    named: isNamed ? first!.id : null,
    wouldTell: isNamed ? null : first!.id === 'none' ? second!.id : first!.id,
  };
}
