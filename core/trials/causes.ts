import { gammaln } from 'simple-statistics';
import { fullTurns } from '../predict/derive-run-setup.ts';
import { predictRun } from '../predict/predict-run.ts';
import type { RunRecord } from '../car/car-design.ts';
import { isWoundOnAxle } from '../car/motors/motors.ts';
import { isCured, type CauseId } from './cause-descriptions.ts';
import { likelyCar, withEnergy, withResistance, type BuiltCar, type LatentParameter } from './fit/built-car.ts';
import { fitCar, windingFraction, type FitOptions, type FittedCar } from './fit/fit-car.ts';
import { rowOf } from './fit/predict-fitted.ts';
import { linearAt } from './fit/linear.ts';
import { STALL } from './fit/outputs.ts';
import type { RepairableFault, TrialGroup } from './fit/trial.ts';

export type { CauseId } from './cause-descriptions.ts';

/** Size of a fault: ln-normal about its middle, so that small ones are common and large ones are not ruled out. `spread`: ln. Sizes: what such faults are like, common practice. */
const sized = (middle: number, spread: number, z: number): number => middle * Math.exp(spread * z);

const turnsOf = ({ wind, asDesigned }: BuiltCar): number => (wind.kind === 'turns' ? wind.turns : fullTurns(asDesigned));
const woundBy = (car: BuiltCar, turns: number): BuiltCar => ({ ...car, wind: { kind: 'turns', turns: Math.max(turns, 0.1) } });

/** Something that may be wrong with a car, by itself. */
export type FaultId = Exclude<CauseId, 'none' | 'two' | 'other'>;

/** The car with something wrong with it, by so much. */
const WRONG: Readonly<Record<FaultId, (car: BuiltCar, z: number) => BuiltCar>> = {
  rubbing: (car, z) => withResistance(car, 1 + sized(0.35, 0.6, z)),
  'weak-motor': (car, z) => withEnergy(car, Math.exp(-sized(0.2, 0.6, z))),
  'low-grip': (car, z) => ({
    ...car,
    // A little is common, much is rare: a third of the prior at z = 1, next to nothing (wheels that spin on the spot) at 2.
    numbers: { ...car.numbers, staticGrip: (car.numbers.staticGrip ?? 0) * Math.exp(-sized(0.3, 1.2, z)) },
  }),
  'fewer-turns': (car, z) => woundBy(car, turnsOf(car) - sized(1.3, 0.6, z)),
  tied: (car) =>
    isWoundOnAxle(car.design.motor) ? { ...car, design: { ...car.design, motor: { ...car.design.motor, release: 'tied' } } } : car,
  'loose-wheel': (car, z) => ({ ...car, mostPush: launchPush(car) / (1 + sized(1, 0.7, z)) }),
  veering: (car, z) => ({ ...car, curvature: sized(0.1, 0.5, z) }),
  // Most floors lean by a few millimetres in a metre, some by much more.
  'leaning-floor': (car, z) => ({
    ...car,
    numbers: { ...car.numbers, slope: (car.numbers.slope ?? 0) + car.uphill * 0.005 * z * (1 + 0.1 * z * z) },
  }),
  // Nothing comes to the floor that would move it; a trap’s own efficiency could not be determined so small.
  backwards: (car) => ({ ...car, mostPush: TWITCH * launchPush(car) }),
  bending: (car, z) => woundBy(car, turnsOf(car) * Math.exp(-sized(0.15, 0.6, z))),
};

/** Fraction of its launch that a car wound the wrong way gives. */
const TWITCH = 0.01;

const pushes = new WeakMap<object, number>();
/** N at the tyre as the run of the most likely car begins. */
function launchPush({ asDesigned }: BuiltCar): number {
  const known = pushes.get(asDesigned);
  if (known !== undefined) return known;
  const prediction = predictRun(asDesigned);
  const push = prediction.kind === 'ran' ? prediction.result.launchThrust : 0;
  pushes.set(asDesigned, push);
  return push;
}

/** A fault as an unknown of the fit. */
export const faultOf = (id: FaultId): LatentParameter => ({
  id: `fault ${id}`,
  name: id,
  isThere: true,
  perturb: (car, deviations) => WRONG[id](car, deviations),
});

/** A cause that is a property of parts or floor: once it is confirmed the car is taken with it. */
export type ConfirmedCause = 'weak-motor' | 'low-grip' | 'leaning-floor';
export const CONFIRMED_CAUSES: readonly ConfirmedCause[] = ['weak-motor', 'low-grip', 'leaning-floor'];

/** Whether a cause is put right on the car as it is. */
export const isRepairable = (id: CauseId): id is RepairableFault => isCured(id);

/** The same fault where it was put right since: only the runs before that were made with it. */
export const faultBefore = (id: RepairableFault): LatentParameter => ({
  ...faultOf(id),
  id: `fault ${id}, repaired`,
  perturb: (car, deviations) => (car.faults.includes(id) ? WRONG[id](car, deviations) : car),
});

type Noted = RunRecord['seen'][number];

/** In how many of how many runs something was observed. */
export interface RunObservations {
  readonly runs: number;
  readonly counts: Readonly<Partial<Record<Noted, number>>>;
}

/** What was observed of runs that count. Drifts to opposite sides cancel: a car that curves does so to one. */
export function observationsIn(records: readonly Pick<RunRecord, 'seen' | 'leftOut' | 'inOnePiece'>[]): RunObservations {
  const counted = records.filter(({ leftOut }) => !leftOut);
  const counts: Partial<Record<Noted, number>> = {};
  // What comes apart broke.
  for (const { seen, inOnePiece } of counted)
    for (const thing of new Set(inOnePiece === false ? [...seen, 'broke' as const] : seen)) counts[thing] = (counts[thing] ?? 0) + 1;
  const [left, right] = [counts['drifted-left'] ?? 0, counts['drifted-right'] ?? 0];
  return {
    runs: counted.length,
    counts: { ...counts, 'drifted-left': Math.max(0, left - right), 'drifted-right': Math.max(0, right - left) },
  };
}

/** What was observed of the runs, and found at the table. */
export interface Evidence {
  readonly noted?: RunObservations;
  readonly checks?: Readonly<Partial<Record<CauseId, 'confirmed' | 'ruled-out'>>>;
}

/** In what fraction of its runs a thing is observed where a cause is at work, and where it is not. Our estimates. */
export const OBSERVATION_RATES: readonly {
  readonly seen: Noted;
  readonly of: readonly FaultId[];
  readonly with: number;
  readonly without: number;
}[] = [
  { seen: 'rubbed', of: ['rubbing'], with: 0.6, without: 0.05 },
  { seen: 'string-stayed', of: ['tied'], with: 0.8, without: 0.03 },
  { seen: 'caught', of: ['tied', 'rubbing'], with: 0.3, without: 0.03 },
  { seen: 'drifted-left', of: ['veering'], with: 0.5, without: 0.12 },
  { seen: 'drifted-right', of: ['veering'], with: 0.5, without: 0.12 },
  { seen: 'backwards', of: ['backwards'], with: 0.8, without: 0.01 },
  { seen: 'hopped', of: ['loose-wheel'], with: 0.3, without: 0.04 },
  { seen: 'broke', of: ['bending', 'loose-wheel', 'weak-motor'], with: 0.1, without: 0.03 },
];
/**
 * How alike the runs of one car are in what is observed: who notes a thing once mostly notes it again. As many runs as this were seen of each
 * before (the two numbers of a beta add up to it). Our estimates.
 */
const ALIKE_WITH = 2;
const ALIKE_WITHOUT = 5;
/** A check at the table is wrong so often. */
const MISREAD = 0.05;
/** Prior: that nothing is wrong, something that is no cause of the list, two causes at once; one of them is shared evenly. */
const NOTHING = 0.4;
const OTHER = 0.05;
const TWO = 0.04;
/** From here on it is named. */
export const CERTAIN_FROM = 0.8;
/** From here on it is called the only one. */
const ALONE = 0.95;

/** A cause with how likely it is, and how many metres it explains at the winding that ran furthest. */
export interface RankedCause {
  readonly id: CauseId;
  readonly probability: number;
  readonly metres: number;
  /** Which two, where it is two at once. */
  readonly pair?: readonly [FaultId, FaultId];
}

/** Chance that a cause is at work, alone or as one of two. `chanceOf([{ id: 'tied', … 0.5 }, { id: 'two', pair: ['tied', 'rubbing'], … 0.3 }], 'tied') // 0.8` */
export const chanceOf = (causes: readonly RankedCause[], id: CauseId): number =>
  causes.reduce(
    (sum, cause) => sum + (cause.id === id || (cause.pair as readonly CauseId[] | undefined)?.includes(id) ? cause.probability : 0),
    0,
  );

/** What may explain the runs of a car, the most likely first. */
export interface Explanation {
  readonly causes: readonly RankedCause[];
  /** The one it is, where that is sure enough; null where it cannot be determined. One of the list is named where it is at work alone or with another. */
  readonly named: CauseId | null;
  /** How sure that is; 0 where it cannot be determined. */
  readonly sureness: number;
  /** Whether it is surely the only one: else something may come on top of it. */
  readonly isAlone: boolean;
  /** The cause whose own evidence would tell the first two apart, where none is named. */
  readonly wouldTell: CauseId | null;
}

const lnBeta = (a: number, b: number): number => gammaln(a) + gammaln(b) - gammaln(a + b);
/** ln of the chance of `count` in `runs` (without how many ways there are), where the fraction is a beta about `share`. Source: the beta-binomial distribution. */
const lnCounted = (count: number, runs: number, fraction: number, alike: number): number =>
  lnBeta(count + alike * fraction, runs - count + alike * (1 - fraction)) - lnBeta(alike * fraction, alike * (1 - fraction));

function lnNoted({ id, pair }: Pick<RankedCause, 'id' | 'pair'>, { noted, checks = {} }: Evidence): number {
  const faults: readonly CauseId[] = pair ?? [id];
  let sum = 0;
  if (noted)
    for (const { seen, of, with: likely, without } of OBSERVATION_RATES) {
      const count = noted.counts[seen] ?? 0;
      const by = lnCounted(count, noted.runs, likely, ALIKE_WITH);
      const not = lnCounted(count, noted.runs, without, ALIKE_WITHOUT);
      // What is not of the list may show itself by anything.
      sum += id === 'other' ? (by + not) / 2 : faults.some((fault) => (of as readonly CauseId[]).includes(fault)) ? by : not;
    }
  for (const [checked, found] of Object.entries(checks) as [CauseId, 'confirmed' | 'ruled-out'][])
    sum += Math.log(faults.includes(checked) === (found === 'confirmed') ? 1 - MISREAD : MISREAD);
  return sum;
}

/** One cause against the runs, whatever was observed: ln of how well it explains them, and the metres that it takes. */
interface WeighedCause extends Omit<RankedCause, 'probability'> {
  readonly lnEvidence: number;
}

/** What the fits say, whatever was observed: one evidence for each cause. It is made once; what is observed and checked ranks it again at once. */
export interface WeighedCauses {
  readonly evidence: readonly WeighedCause[];
}

/** m that a fault takes from the group that went furthest, at what the fit says of both. */
function metresTaken(fitted: FittedCar, trials: readonly TrialGroup[], faults: number): number {
  const furthest = trials.reduce((best, group) => (reach(group) > reach(best) ? group : best));
  const car = likelyCar(furthest.design, furthest.wind, windingFraction(furthest.design, furthest.wind));
  const mode = fitted.mapEstimate.slice(0, fitted.unknowns.length);
  const at = (unknowns: readonly LatentParameter[]): number => {
    const linear = linearAt(car, unknowns, mode.slice(0, unknowns.length), [], fitted.workspace);
    return linear ? Math.exp(rowOf({ ...fitted, unknowns }, linear, ({ values }) => values[0]!).value) - STALL : 0;
  };
  return at(fitted.unknowns.slice(0, -faults)) - at(fitted.unknowns);
}
const reach = ({ runs }: TrialGroup): number => Math.max(0, ...runs.map(({ outcome }) => outcome.distance));

/** Sizes at which the search for a fault may begin, in its standard deviations: no slope leads from a car that holds to one that spins, nor from a level floor to one that leans far. */
const STARTS = [-4, -2.5, -1.2, 0, 0.8, 1.6, 2.5, 4];
/** Faults that may be so far off that no slope leads there. */
const FAR_OFF: readonly FaultId[] = ['low-grip', 'leaning-floor', 'loose-wheel'];
/** The list's best, of which each two are tried together; what the model would lack where it is none of them, as a fraction of the distance. */
const TRIED_IN_PAIRS = 3;
const LACKS_MUCH = 0.25;

/** Groups by which a cause is looked for, the newest: more would be waited for. */
export const MOST_WEIGHED = 8;

/** A car that is taken to be built with any care explains every fault away. */
const AS_THOUGHT = [[1, 1]] as const;

/**
 * Weighs every cause by how well a car with it explains the runs.
 * @param progress gets the fraction done
 * @param given causes that were confirmed: every car has them
 * @returns ln evidence of each cause; null where the car cannot run as it was wound
 */
export function weighCauses(
  trials: readonly TrialGroup[],
  options: FitOptions = {},
  progress?: (fraction: number) => void,
  given: readonly ConfirmedCause[] = [],
): WeighedCauses | null {
  const more = [...(options.more ?? []), ...given.map(faultOf)];
  const plain: FitOptions = { ...options, more, widths: AS_THOUGHT, misfitFactors: AS_THOUGHT };
  const sound = fitCar(trials, plain);
  if (!sound) return null;
  const ids = (Object.keys(WRONG) as FaultId[]).filter(
    (id) =>
      !(given as readonly CauseId[]).includes(id) &&
      (id !== 'tied' || trials.some(({ design: { motor } }) => isWoundOnAxle(motor) && motor.release === 'free')),
  );
  const steps = ids.length + 1 + (TRIED_IN_PAIRS * (TRIED_IN_PAIRS - 1)) / 2;
  let done = 0;
  const weighed = (cause: Pick<RankedCause, 'id' | 'pair'>, faults: readonly FaultId[], from: FittedCar, also: FitOptions = {}) => {
    const begun = (at: FittedCar | undefined): FittedCar | null =>
      fitCar(trials, {
        ...plain,
        ...also,
        more: [...more, ...faults.map(faultOf)],
        from: at,
        starts: faults.length > 0 ? STARTS : [0],
      });
    // What a sound car was bent to is a bad place to begin for one that only a fault explains: the better of two searches.
    const fitted = [begun(from), ...(faults.length === 1 && FAR_OFF.includes(faults[0]!) ? [begun(undefined)] : [])].reduce((best, one) =>
      !best || (one && one.lnEvidence > best.lnEvidence) ? one : best,
    );
    progress?.(++done / steps);
    if (!fitted) return [];
    const metres = faults.length > 0 ? metresTaken(fitted, trials, faults.length) : 0;
    return [{ cause: { ...cause, lnEvidence: fitted.lnEvidence, metres }, fitted, faults }];
  };
  const single = ids.flatMap((id) => weighed({ id }, [id], sound));
  const other = weighed({ id: 'other' }, [], sound, { misfit: LACKS_MUCH });
  // Where nothing explains the runs better than a sound car, no two of them are looked for.
  const best = single
    .filter(({ cause }) => cause.lnEvidence > sound.lnEvidence)
    .toSorted((a, b) => b.cause.lnEvidence - a.cause.lnEvidence)
    .slice(0, TRIED_IN_PAIRS);
  const pairs = best.flatMap((one, i) =>
    best.slice(i + 1).flatMap(({ faults: [second] }) => {
      const [first] = one.faults;
      return weighed({ id: 'two', pair: [first!, second!] }, [first!, second!], one.fitted);
    }),
  );
  return {
    evidence: [{ id: 'none', lnEvidence: sound.lnEvidence, metres: 0 }, ...[...single, ...other, ...pairs].map(({ cause }) => cause)],
  };
}

/**
 * Ranks weighed causes by Bayes’ rule, with what was observed of runs and checked at the table.
 * @returns probabilities that add up to 1, the most likely first
 */
export function explain({ evidence }: WeighedCauses, also: Evidence = {}): Explanation {
  const most = Math.max(...evidence.map(({ lnEvidence }) => lnEvidence));
  const shareOf = (id: CauseId): number => {
    const alike = evidence.filter((one) => (id === 'two' ? one.id === 'two' : !['none', 'other', 'two'].includes(one.id))).length;
    const before = { none: NOTHING, other: OTHER, two: TWO / alike } as Readonly<Partial<Record<CauseId, number>>>;
    return before[id] ?? (1 - NOTHING - OTHER - TWO) / alike;
  };
  const weights = evidence.map((cause) => shareOf(cause.id) * Math.exp(cause.lnEvidence - most + lnNoted(cause, also)));
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const causes = evidence
    .map(({ lnEvidence: _weighed, ...cause }, i) => ({ ...cause, probability: weights[i]! / total }))
    .sort((a, b) => b.probability - a.probability);
  const [first, second] = causes;
  const chanceOf = (is: (cause: RankedCause) => boolean): number =>
    causes.reduce((sum, cause) => sum + (is(cause) ? cause.probability : 0), 0);
  const isTwo = ({ id }: RankedCause): boolean => id === 'two';
  // Two at once are two once they are likelier together than the most likely alone.
  const named = first!.id === 'two' || chanceOf(isTwo) > first!.probability ? 'two' : first!.id;
  const sureness = chanceOf(
    named === 'two' ? isTwo : ({ id, pair }) => id === named || (pair as readonly CauseId[] | undefined)?.includes(named) === true,
  );
  const isNamed = sureness >= CERTAIN_FROM;
  return {
    causes,
    named: isNamed ? named : null,
    sureness: isNamed ? sureness : 0,
    isAlone: isNamed && causes.some(({ id, probability }) => id === named && probability >= ALONE),
    wouldTell: isNamed ? null : first!.id === 'none' ? second!.id : first!.id,
  };
}
