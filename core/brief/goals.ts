import type { CarDesign, Floor } from '../car/car-design.ts';
import { judgeEdges } from '../predict/edges.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { measuresOf } from '../geometry/measures.ts';
import { worstDrift } from '../predict/straightness.ts';
import { simulateValidated, type RunResult } from '../run/simulate.ts';
import type { Numbers } from '../car/value-table.ts';
import type { Goal } from './goal.ts';
import type { Format, Quantity } from '../units/quantity.ts';
import { driftAt, type MeasuredRun } from './measured-run.ts';
import { bestLoad, mostLoad } from './most-load.ts';

/** One of many cars built to a design, its run, and how it curves, 1/m. */
export interface GoalRun {
  readonly design: CarDesign;
  readonly result: RunResult;
  readonly curvature: number;
  /** What of it was not known exactly; the most likely numbers by default. */
  readonly numbers?: Numbers;
}

/** How one kind of goal is reported and measured. */
export interface GoalRecord<G extends Goal> {
  /** The goal, in a few words: `quickest to 6 m`. */
  label(goal: G, format: Format): string;
  /** The goal, as a sentence that can be read out. */
  words(goal: G, format: Format): string;
  /** What a run is measured by; kg·m where there is no quantity of its own. */
  readonly quantity: Quantity | 'kg·m' | 'm + m/s';
  /** What its figure is of: `to 6 m`, `off the line at 5 m`; empty for the distance of the run. */
  of(goal: G, format: Format): string;
  /** What a better run is: `sooner`. */
  readonly gain: string;
  /** The less the better. */
  readonly isLess?: true;
  /** It depends on how straight the car runs, which is not known of a roller. */
  readonly isSteered?: true;
  /** m, distances that have to be timed. */
  marks?(goal: G): readonly number[];
  /** What a run comes to, SI; null where it does not count. */
  measure(goal: G, run: MeasuredRun): number | null;
  /** What else the model has to work out of a run before it is measured. */
  ofModel?(goal: G, run: GoalRun): Partial<MeasuredRun>;
  /** How well a run of the model does, where that is finer than what it is measured by. */
  score?(goal: G, run: GoalRun): number;
  /** Whether a run meets the goal; not given where more or less is all there is. */
  isMet?(goal: G, run: MeasuredRun): boolean;
  /** A run that does not meet it does not count at a meet. */
  readonly isAllOrNothing?: true;
}

const distanceOf = (_goal: Goal, { distance }: MeasuredRun): number => distance;

/** Way along its curve until a car of this curvature is `off` m beside the line: cos κs = 1 − κ·off; Infinity where it never is. Geometry of the circle. */
export const distanceWithinLane = (curvature: number, off: number): number => {
  const kappa = Math.abs(curvature);
  return kappa * off >= 2 || kappa === 0 ? Infinity : Math.acos(1 - kappa * off) / kappa;
};

/** What a run climbs at each twig or step that it meets, m, and how high that is. */
function climbsOf({ design, numbers }: GoalRun): readonly { readonly highest: number; readonly height: number }[] {
  const setup = deriveRunSetup(design, { kind: 'full' }, numbers);
  const { trace } = simulateValidated(setup, { trace: true });
  return judgeEdges(setup, trace!, design.floor.edges).map(({ highest, height }) => ({ highest: highest ?? 0, height }));
}

/** The highest edge of its floor that a run climbs, m; 0 for none. */
const highestClimbed = (run: GoalRun): number =>
  Math.max(0, ...climbsOf(run).flatMap(({ highest, height }) => (highest >= height ? [height] : [])));

export const GOALS: { readonly [Kind in Goal['kind']]: GoalRecord<Extract<Goal, { kind: Kind }>> } = {
  furthest: {
    gain: 'further',
    label: () => 'furthest',
    words: () => 'The longest distance counts.',
    of: () => '',
    quantity: 'distance',
    measure: distanceOf,
  },
  'at-least': {
    gain: 'further',
    label: ({ distance }, format) => `at least ${format(distance, 'distance')}`,
    of: () => '',
    words: ({ distance }, format) => `It has to go ${format(distance, 'distance')} or further.`,
    quantity: 'distance',
    measure: distanceOf,
    isMet: (goal, { distance }) => distance >= goal.distance,
    isAllOrNothing: true,
  },
  'quickest-to': {
    gain: 'sooner',
    label: ({ distance }, format) => `quickest to ${format(distance, 'distance')}`,
    of: ({ distance }, format) => `to ${format(distance, 'distance')}`,
    words: ({ distance }, format) => `The shortest time to the mark at ${format(distance, 'distance')} counts.`,
    quantity: 'time',
    isLess: true,
    marks: ({ distance }) => [distance],
    measure: (_goal, { time }) => time ?? null,
    isMet: (_goal, { time }) => time !== undefined,
  },
  'closest-to': {
    gain: 'nearer',
    label: ({ distance }, format) => `closest to ${format(distance, 'distance')}`,
    of: ({ distance }, format) => `from the mark at ${format(distance, 'distance')}`,
    words: ({ distance }, format) => `The stop nearest to the mark at ${format(distance, 'distance')} counts.`,
    quantity: 'distance',
    isLess: true,
    measure: (goal, { distance }) => Math.abs(distance - goal.distance),
  },
  'stop-within': {
    gain: 'nearer',
    label: ({ distance, width }, format) => `stop within ${format(width, 'distance')} at ${format(distance, 'distance')}`,
    of: ({ distance }, format) => `from the middle of the zone at ${format(distance, 'distance')}`,
    words: ({ distance, width }, format) =>
      `It has to stop in a zone ${format(width, 'distance')} deep; the middle of the zone is ${format(distance, 'distance')} from the line.`,
    quantity: 'distance',
    isLess: true,
    measure: (goal, { distance }) => Math.abs(distance - goal.distance),
    // At the wall it would have gone on: where it would have stopped is not known.
    isMet: (goal, { distance, atLeast }) => Math.abs(distance - goal.distance) <= goal.width / 2 && atLeast !== true,
    isAllOrNothing: true,
  },
  straightest: {
    gain: 'better',
    label: () => 'furthest straight',
    of: () => 'distance less drift',
    words: () => 'The distance counts, less the furthest that the car drifts off the line.',
    quantity: 'distance',
    isSteered: true,
    measure: (_goal, { distance, curvature = 0 }) => distance - Math.abs(worstDrift(curvature, distance)),
  },
  'within-lane': {
    gain: 'further',
    label: ({ width }, format) => `within a lane of ${format(width, 'distance')}`,
    of: ({ width }, format) => `within the lane of ${format(width, 'distance')}`,
    words: ({ width }, format) => `The distance counts until the car leaves its lane, ${format(width, 'distance')} wide.`,
    quantity: 'distance',
    isSteered: true,
    measure: ({ width }, { distance, curvature = 0 }) => Math.min(distance, distanceWithinLane(curvature, width / 2)),
    isMet: ({ width }, { distance, curvature = 0 }) => distanceWithinLane(curvature, width / 2) >= distance,
  },
  'through-gap': {
    gain: 'straighter',
    label: ({ distance, width }, format) => `through ${format(width, 'distance')} at ${format(distance, 'distance')}`,
    of: ({ distance }, format) => `off the line at ${format(distance, 'distance')}`,
    words: ({ distance, width }, format) =>
      `It has to go through a gap ${format(width, 'distance')} wide, ${format(distance, 'distance')} from the line.`,
    quantity: 'distance',
    isLess: true,
    isSteered: true,
    measure: (goal, run) => (run.distance >= goal.distance ? Math.abs(driftAt(run, goal.distance)) : null),
    ofModel: (_goal, { design }) => ({ width: measuresOf(design).width }),
    // Both wheels have to pass: what is left beside the car is half the gap less half its width.
    isMet: (goal, run) => run.distance >= goal.distance && Math.abs(driftAt(run, goal.distance)) <= (goal.width - (run.width ?? 0)) / 2,
    isAllOrNothing: true,
  },
  carry: {
    gain: 'more',
    label: ({ distance }, format) => `most load over ${format(distance, 'distance')}`,
    of: ({ distance }, format) => `carried over ${format(distance, 'distance')}`,
    words: ({ distance }, format) => `The heaviest load that is carried ${format(distance, 'distance')} counts.`,
    quantity: 'weight',
    measure: (goal, { distance, load }) => (distance >= goal.distance ? (load ?? null) : null),
    ofModel: (goal, { design, numbers }) => {
      const load = mostLoad(design, goal.distance, numbers);
      return load === null ? {} : { load, distance: goal.distance };
    },
    isMet: (goal, { distance }) => distance >= goal.distance,
    isAllOrNothing: true,
  },
  'load-distance': {
    gain: 'more',
    label: () => 'load × distance',
    of: () => 'load times distance',
    words: () => 'Load times distance counts.',
    quantity: 'kg·m',
    measure: (_goal, { distance, load = 0 }) => load * distance,
    // A car that was given no load carries the one that counts most.
    ofModel: (_goal, { design, numbers }) => (design.load.mass > 0 ? {} : bestLoad(design, numbers)),
  },
  'highest-edge': {
    gain: 'higher',
    label: () => 'highest twig',
    of: () => 'climbed',
    words: () => 'The highest twig of the row that the car climbs counts.',
    quantity: 'size',
    measure: (_goal, { height }) => height ?? null,
    ofModel: (_goal, run) => ({ height: highestClimbed(run) }),
    // Cars that stop at one twig are distinguished by how nearly they climb it.
    score: (_goal, run) => Math.max(0, ...climbsOf(run).map(({ highest, height }) => Math.min(highest, height))),
  },
  'speed-and-distance': {
    gain: 'more',
    label: ({ distance }, format) => `speed to ${format(distance, 'distance')} and distance`,
    of: () => 'for speed and distance',
    words: ({ distance, weight }, format) =>
      `The distance in metres counts, plus ${weight} for each m/s of the mean speed to the mark at ${format(distance, 'distance')}.`,
    quantity: 'm + m/s',
    marks: ({ distance }) => [distance],
    measure: (goal, { distance, time }) => distance + (time === undefined ? 0 : (goal.weight * goal.distance) / time),
  },
};

/** The record of a goal's kind. */
export const goalRecord = ({ kind }: Goal): GoalRecord<Goal> => GOALS[kind];

/**
 * A figure with what it is of, where a goal says so.
 * @example describeFigure({ kind: 'quickest-to', distance: 6 }, '3.1 s', format) // '3.1 s to 6.00 m'
 */
export function describeFigure(goal: Goal, figure: string, format: Format): string {
  const of = goalRecord(goal).of(goal, format);
  return of === '' ? figure : `${figure} ${of}`;
}

/** m that what a distance is measured to stands behind the nose, which stood at the line. */
export function behindNose(design: CarDesign): number {
  const { measuredAt = 'nose' } = design.limits;
  if (measuredAt === 'nose') return 0;
  const { length, lastWheel } = measuresOf(design);
  return measuredAt === 'rear' ? length : lastWheel;
}

/** A run of the model on an endless floor, as a goal sees it. */
export function measuredOfModel(goal: Goal, run: GoalRun): MeasuredRun {
  const { design, result, curvature } = run;
  const mark = 'distance' in goal ? goal.distance : NaN;
  return {
    distance: Math.max(0, result.distance - behindNose(design)),
    time: result.marks.find(({ distance }) => distance === mark)?.time,
    curvature,
    load: design.load.mass,
    ...goalRecord(goal).ofModel?.(goal, run),
  };
}

/** The same as far as its floor lets it count: up to the wall, and up to where it leaves a lane that is laid. */
export const measuredInRoom = (goal: Goal, run: GoalRun, free: MeasuredRun = measuredOfModel(goal, run)): MeasuredRun =>
  withinRoom(goal, run.design.floor, run.curvature, free);

/** The same of a run of this curvature, 1/m, on a floor. */
export function withinRoom(goal: Goal, { roomLength, laneWidth }: Floor, curvature: number, free: MeasuredRun): MeasuredRun {
  const wall = roomLength ?? Infinity;
  const leaves = laneWidth === null ? Infinity : distanceWithinLane(curvature, laneWidth / 2);
  const distance = Math.min(free.distance, wall, leaves);
  const isTimed = !('distance' in goal) || goal.distance <= Math.min(wall, leaves);
  return { ...free, distance, atLeast: distance === wall && free.distance > wall, time: isTimed ? free.time : undefined };
}

/** Below any score of a car that gets there: those that fall short are distinguished by how far they came. */
const FALLEN_SHORT = -1e3;

/** Whether a score is that of a car that does not get where it is asked to. */
export const hasFallenShort = (score: number): boolean => score < FALLEN_SHORT / 2;

/**
 * What each metre that a car would go beyond the wall counts: nothing by itself, but the more of them the surer it gets there; beyond twice the
 * way it is sure, and more counts nothing.
 */
const BEYOND_WALL = 1e-3;
const SURELY = 2;

/** How well a run meets a goal: higher is better, in the unit the goal is measured in. On a floor with a wall the way counts up to it. */
export function goalScore(goal: Goal, run: GoalRun): number {
  const { measure, isLess, score } = goalRecord(goal);
  if (score) return score(goal, run);
  const free = measuredOfModel(goal, run);
  const counted = measuredInRoom(goal, run, free);
  const value = measure(goal, counted);
  const beyond = counted.atLeast ? Math.min(free.distance, SURELY * counted.distance) - counted.distance : 0;
  if (value !== null) return isLess ? -value : value + BEYOND_WALL * beyond;
  return FALLEN_SHORT + run.result.distance - ('distance' in goal ? goal.distance : 0);
}

/** What a score represents, in the unit the goal is measured in; NaN of a car that does not get there, or cannot run. */
export function measureOf(goal: Goal, score: number): number {
  if (hasFallenShort(score)) return NaN;
  return goalRecord(goal).isLess ? -score : score;
}
