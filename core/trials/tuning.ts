import { bisectWhole } from '../numerics/bisect.ts';
import { mean } from 'simple-statistics';
import { goalOf } from '../brief/goal.ts';
import type { CarDesign, Measured, Wind } from '../car/car-design.ts';
import { isRoller } from '../car/motors/motors.ts';
import { isSameBuild } from '../car/same-design.ts';
import { fullTurns } from '../predict/derive-run-setup.ts';
import type { Workspace } from '../run/workspace.ts';
import type { OwnPart } from '../schema/generated/own-part.ts';
import type { UnitSystem } from '../units/quantity.ts';
import {
  faultBefore,
  faultOf,
  observationsIn,
  weighCauses,
  type ConfirmedCause,
  type RunObservations,
  type WeighedCauses,
} from './causes.ts';
import { entriesToCheck, type EntryToCheck } from './entries-to-check.ts';
import { checkBefore, checkGroup, mostRun, type GroupCheck } from './group-check.ts';
import { groupSpread, kaplanMeier, type GroupSpread } from './censored.ts';
import { didNotStart } from '../car/did-not-start.ts';
import type { RunOfCar } from './compared-runs.ts';
import { fitCar, leaveOut, windingFraction, type FitOptions, type FittedCar } from './fit/fit-car.ts';
import { predictFitted, type Interval } from './fit/predict-fitted.ts';
import { shareBelow } from './fit/mixture.ts';
import { outputsOf, STALL } from './fit/outputs.ts';
import { likelyCar } from './fit/built-car.ts';
import type { RepairableFault, RunConditions } from './fit/trial.ts';
import { fittedValues } from './fitted-values.ts';
import { furtherRuns, posteriorChanges, type FurtherRun, type PosteriorChange } from './posterior-change.ts';
import { nextChanges, type NextChanges } from './next-change.ts';
import type { SignsInRuns } from './signs-in-runs.ts';
import { straightening, type Straightening } from './straight.ts';
import { selectRuns, type SelectedRuns } from './select-runs.ts';
import type { Repair, LikeRunGroup } from './trial-groups.ts';

/** One run: m, and which it was of all that are reported, counted from 1. */
export interface TunedRun {
  readonly id: string | undefined;
  readonly distance: number;
  readonly isWall: boolean;
  readonly isOdd: boolean;
  readonly hasStarted: boolean;
  readonly order: number;
}

/** Like runs with what was expected of them and what the fit makes of them. m. */
export interface TunedGroup {
  readonly design: CarDesign;
  readonly wind: Wind;
  readonly direction: 'out' | 'back' | undefined;
  /** What was wrong with the car then, and was put right since. */
  readonly faults: readonly RepairableFault[];
  readonly distances: readonly TunedRun[];
  /** Mean and scatter with its interval of those that started, walls as "at least"; null for fewer than two that stopped. */
  readonly spread: GroupSpread | null;
  /** Fraction of runs that go beyond a distance (Kaplan and Meier), where the wall hides how far some would; null where none was hit. */
  readonly beyond: readonly (readonly [distance: number, share: number])[] | null;
  /** The most likely car's, the fitted car's mean and its next run. */
  readonly predicted: number | null;
  readonly fitted: Interval | null;
  readonly next: Interval | null;
  /** Fitted to all other groups, what this one would have been told to be, and how it lies to that; null with no other. */
  readonly heldOut: Interval | null;
  readonly check: GroupCheck | null;
}

/** The distance against the turns: as expected, and as fitted. */
export interface CurvePoint {
  readonly turns: number;
  readonly thought: number | null;
  readonly fitted: Interval | null;
}

/** What a car's room allows of it. */
export interface ShortRoom {
  readonly room: number;
  /** Turns with which 9 in 10 of its next runs stop before the wall, in halves; 0 where not even half a turn is safe. */
  readonly turns: number;
  readonly distance: Interval;
}

/** Parts of it, in the order in which they are worked out: what the runs say of the car, why, and what to change. */
export type TuningStage = 'fit' | 'causes' | 'changes';

/** All that the runs of a car tell. */
export interface Tuning {
  /** What is not worked out yet: what it would tell is null or empty. */
  readonly pending: readonly TuningStage[];
  readonly groups: readonly TunedGroup[];
  /** Groups and runs that are older still: they are not in the fit. */
  readonly earlier: { readonly groups: number; readonly runs: number };
  /** Runs for which it was not wound: they are not in the fit either. */
  readonly unwound: number;
  /** Whether the search for the most likely car came to its end: else all is reported of the best that it tried. */
  readonly isSettled: boolean;
  /** How the runs lie to what was expected of such a car before any; and the entries that would explain them, where that is far off. */
  readonly before: (GroupCheck & { readonly entries: readonly EntryToCheck[] }) | null;
  readonly signs: SignsInRuns;
  readonly curve: readonly CurvePoint[];
  readonly turns: number;
  /** Fully wound on a long floor. */
  readonly full: {
    readonly mean: Interval;
    readonly next: Interval;
    /** The way it ran last, where that is reported. */
    readonly direction?: 'out' | 'back' | undefined;
    readonly fork: { readonly holds: number; readonly spins: number } | null;
    /** Chance that its next run comes as far as the brief asks; null where that is not the goal. */
    readonly reaches: number | null;
  } | null;
  readonly scatter: number;
  readonly learnt: { readonly resistance: PosteriorChange; readonly energy: PosteriorChange } | null;
  readonly further: readonly FurtherRun[];
  readonly causes: WeighedCauses | null;
  /** Put right since it last ran: no run shows yet what that brought. */
  readonly putRight: readonly RepairableFault[];
  /** Whether the car has run as it is, on whatever floor. */
  readonly hasRun: boolean;
  readonly noted: RunObservations;
  readonly next: NextChanges | null;
  readonly room: ShortRoom | null;
  readonly straight: Straightening | null;
  /** What the fit says of the car’s values, to be put into it. */
  readonly values: Measured;
}

const CURVE_POINTS = 9;
/** Steps of the shares that go beyond a distance. */
const MOST_STEPS = 8;
const ROOM_PROBABILITY = 0.9;

/** m, of a car built just as it was designed; null where it cannot run so. */
function likelyDistance(design: CarDesign, wind: Wind, conditions: RunConditions, workspace: Workspace): number | null {
  const outputs = outputsOf(likelyCar(design, wind, windingFraction(design, wind), conditions), [], workspace);
  return outputs && Math.exp(outputs.values[0]!) - STALL;
}

/** What the runs of a group are by themselves, without any model. */
function measuredGroup(
  { design, wind, direction, faults, of }: LikeRunGroup,
  runs: readonly Omit<TunedRun, 'isOdd'>[],
  { oddOnes }: SignsInRuns,
): TunedGroup {
  const outcomes = of.map(({ record }) => record.outcome);
  return {
    design,
    wind,
    direction,
    faults,
    distances: runs.map((run) => ({ ...run, isOdd: oddOnes.includes(run.order) })),
    spread: groupSpread(outcomes),
    beyond:
      outcomes.some((outcome) => outcome.kind === 'stopped' && !didNotStart(outcome)) && outcomes.some(({ kind }) => kind === 'hit-wall')
        ? kaplanMeier(outcomes).filter((_, i) => i < MOST_STEPS)
        : null,
    predicted: null,
    fitted: null,
    next: null,
    heldOut: null,
    check: null,
  };
}

/** The same with what was expected of them and what the fit makes of them. */
function tunedGroup(measured: TunedGroup, group: LikeRunGroup, fitted: FittedCar, groups: readonly LikeRunGroup[]): TunedGroup {
  const { design, wind, direction, faults } = group;
  const prediction = predictFitted(fitted, design, wind, { direction, faults });
  // How much a fault took is reported only by runs that were made with it.
  const others = groups.filter((other) => other !== group);
  const isTold = others.length > 0 && faults.every((fault) => others.some((other) => other.faults.includes(fault)));
  const without = isTold ? predictFitted(leaveOut(fitted, groups.indexOf(group)), design, wind, { direction, faults }) : null;
  return {
    ...measured,
    predicted: likelyDistance(design, wind, { direction }, fitted.workspace),
    fitted: prediction?.mean ?? null,
    next: prediction?.next ?? null,
    heldOut: without?.mean ?? null,
    check: without && checkGroup(without, group),
  };
}

/** How like runs compare with the prior, with the entries that would explain them where that is far off. */
function beforeRuns(group: LikeRunGroup, options: Pick<FitOptions, 'more' | 'workspace'>): Tuning['before'] {
  const check = checkBefore(group, options);
  if (!check) return null;
  const started = group.runs.filter(({ outcome }) => !didNotStart(outcome));
  const isFar = check.verdict !== 'as-expected' && started.length > 0;
  return {
    ...check,
    entries: isFar ? entriesToCheck(group.design, group.wind, mean(started.map(({ outcome }) => outcome.distance))) : [],
  };
}

/** The most half turns with which 9 in 10 of the fitted car's next runs stop within the room; null where even fully wound they do. */
function shortRoom(fitted: FittedCar, design: CarDesign, turns: number, conditions: RunConditions): ShortRoom | null {
  const room = design.floor.roomLength;
  if (room === null) return null;
  const stops = (wind: Wind): number => {
    const prediction = predictFitted(fitted, design, wind, conditions);
    return prediction ? shareBelow(prediction.lnNext, Math.log(room + STALL)) : 1;
  };
  if (stops({ kind: 'full' }) >= ROOM_PROBABILITY) return null;
  const halves = bisectWhole((n) => stops({ kind: 'turns', turns: n / 2 }) >= ROOM_PROBABILITY, 0, Math.floor(2 * turns));
  if (halves === 0) return { room, turns: 0, distance: { low: 0, middle: 0, high: 0 } };
  const prediction = predictFitted(fitted, design, { kind: 'turns', turns: halves / 2 }, conditions);
  return prediction && { room, turns: halves / 2, distance: prediction.mean };
}

export interface TuningOptions {
  readonly own?: readonly OwnPart[];
  readonly units?: UnitSystem;
  readonly putRight?: readonly Repair[];
  /** What was confirmed at the table and stays so: the car is taken with it. */
  readonly given?: readonly ConfirmedCause[];
  readonly onProgress?: (fraction: number) => void;
  /** Told of what is known so far, each time another stage is worked out. */
  readonly onPart?: (part: Tuning) => void;
}

/** Runs of a group with their place among all, as they are drawn. */
const runsOf = ({ of }: LikeRunGroup, inOrder: readonly RunOfCar[]): Omit<TunedRun, 'isOdd'>[] =>
  of.map((run) => {
    const { outcome } = run.record;
    return {
      id: run.id,
      order: 1 + inOrder.indexOf(run),
      distance: outcome.distance,
      isWall: outcome.kind === 'hit-wall',
      hasStarted: !didNotStart(outcome),
    };
  });

/** Expected and fitted distance over the turns, up to the full winding. */
const tunedCurve = (fitted: FittedCar, design: CarDesign, turns: number, conditions: RunConditions): CurvePoint[] =>
  Array.from({ length: CURVE_POINTS }, (_, i) => {
    const at = (turns * (i + 1)) / CURVE_POINTS;
    const wind: Wind = i === CURVE_POINTS - 1 ? { kind: 'full' } : { kind: 'turns', turns: at };
    return {
      turns: at,
      thought: likelyDistance(design, wind, conditions, fitted.workspace),
      fitted: predictFitted(fitted, design, wind, conditions)?.mean ?? null,
    };
  });

/** What the fit says of a full winding, and the chance that it reaches its goal. */
function fullWinding(fitted: FittedCar, design: CarDesign, conditions: RunConditions): Tuning['full'] {
  const full = predictFitted(fitted, design, { kind: 'full' }, conditions);
  if (!full) return null;
  const { mean: ofMean, next, fork, lnNext } = full;
  const goal = goalOf(design.aim);
  return {
    mean: ofMean,
    next,
    fork,
    direction: conditions.direction,
    reaches: goal.kind === 'at-least' ? 1 - shareBelow(lnNext, Math.log(goal.distance + STALL)) : null,
  };
}

/** How the drift of runs is made straight; null for a roller. */
const straighteningOf = (design: CarDesign, runs: readonly RunOfCar[]): Straightening | null =>
  isRoller(design)
    ? null
    : straightening(
        design,
        runs.flatMap(({ record: { outcome, drift, direction } }) =>
          drift === undefined ? [] : [{ distance: outcome.distance, drift, direction }],
        ),
      );

/** Fractions of the work after which progress is reported. */
const PROGRESS = { fitted: 0.1, grouped: 0.4, curve: 0.45, causes: 0.8, changes: 0.95 } as const;

/** Runs as they were measured: before anything is fitted to them. */
function measuredPart(design: CarDesign, { inOrder, groups, earlier, unwound, latest, ofLatest, signs }: SelectedRuns): Tuning {
  const latestRuns = ofLatest.flatMap(({ of }) => of);
  return {
    pending: ['fit', 'causes', 'changes'],
    groups: groups.map((group) => measuredGroup(group, runsOf(group, inOrder), signs)),
    earlier,
    unwound,
    isSettled: true,
    before: null,
    signs,
    curve: [],
    turns: fullTurns(design),
    full: null,
    scatter: 0,
    learnt: null,
    further: [],
    causes: null,
    putRight: latest.faults,
    hasRun: groups.some(({ design: ran, faults }) => faults.length === 0 && isSameBuild(ran, design)),
    noted: observationsIn(latestRuns.map(({ record }) => record)),
    next: null,
    values: {},
    room: null,
    straight: straighteningOf(design, latestRuns),
  };
}

/**
 * The runs of a car as they were measured, in the groups of like runs that a fit works with: there at once.
 * @returns null where there is no run
 */
export function measuredRuns(design: CarDesign, runs: readonly RunOfCar[], putRight: readonly Repair[] = []): Tuning | null {
  const selected = selectRuns(runs, putRight);
  return selected && measuredPart(design, selected);
}

/**
 * What the runs of a car tell of the car as it is, those left out aside.
 * @param runs in any order
 * @returns null where there is no run, or the car cannot run
 */
export function tuneCar(
  design: CarDesign,
  runs: readonly RunOfCar[],
  { own = [], units = 'metric', putRight = [], given = [], onProgress = () => {}, onPart = () => {} }: TuningOptions = {},
): Tuning | null {
  const selected = selectRuns(runs, putRight);
  if (!selected) return null;
  const { groups, latest, ofLatest, said } = selected;
  const faults = new Set(groups.flatMap((group) => group.faults));
  const confirmed = given.map(faultOf);
  const fitted = fitCar([...groups, ...said], { more: [...[...faults].map(faultBefore), ...confirmed], designs: [design] });
  if (!fitted) return null;
  const { workspace } = fitted;
  onProgress(PROGRESS.fitted);
  const measured = measuredPart(design, selected);
  const { turns } = measured;
  const tuned = groups.map((group, i) => {
    onProgress(PROGRESS.fitted + ((PROGRESS.grouped - PROGRESS.fitted) * i) / groups.length);
    return tunedGroup(measured.groups[i]!, group, fitted, groups);
  });
  // Where its runs tell their direction, the newest counts: a sloping floor makes two cars of one.
  const conditions = { direction: latest.direction };
  const curve = tunedCurve(fitted, design, turns, conditions);
  onProgress(PROGRESS.curve);
  const hasRepair = latest.faults.length > 0;
  const fit: Tuning = {
    ...measured,
    pending: ['causes', 'changes'],
    groups: tuned,
    isSettled: fitted.isSettled,
    before: hasRepair ? null : beforeRuns(mostRun(ofLatest), { more: confirmed, workspace }),
    curve,
    full: fullWinding(fitted, design, conditions),
    scatter: fitted.components.reduce((sum, { weight, scatter }) => sum + weight * scatter, 0),
    learnt: posteriorChanges(fitted, design),
    further: furtherRuns(fitted, design, turns),
    values: fittedValues(fitted, design),
    room: shortRoom(fitted, design, turns, conditions),
  };
  onPart(fit);
  const causes = hasRepair
    ? null
    : weighCauses(ofLatest, { workspace }, (fraction) => onProgress(PROGRESS.curve + (PROGRESS.causes - PROGRESS.curve) * fraction), given);
  onPart({ ...fit, pending: ['changes'], causes });
  const next = nextChanges(fitted, design, { own, units });
  onProgress(PROGRESS.changes);
  return { ...fit, pending: [], causes, next };
}
