import type { Aim } from '../car/car-design.ts';
import type { Goal } from '../schema/generated/brief.ts';

export type { Goal };

/** A number that a goal may need: m, m, m per m/s. */
export type GoalParameter = 'distance' | 'width' | 'weight';
/** What may be measured of a run at a meet. */
export type GoalReading = 'distance' | 'time' | 'drift' | 'load' | 'height';

/** How one kind of goal is chosen, and what is recorded of a run for it. How a run is measured by it is in `goals.ts`. */
export interface GoalForm {
  /** In a list of goals. */
  readonly title: string;
  readonly parameters: readonly GoalParameter[];
  readonly distanceLabel?: string;
  readonly widthLabel?: string;
  /** A line below its fields. */
  readonly hint?: string;
  /** What an official records of a run, and whether it is needed. */
  readonly recorded: Partial<Readonly<Record<GoalReading, 'needed' | 'optional'>>>;
  /** The load that a car carries is its own choice: it is what counts. */
  readonly choosesLoad?: true;
  /** It is run on a floor with twigs or steps. */
  readonly needsEdges?: true;
  /** Its figure is taken before the car stops, so that a wall does not hide it. */
  readonly isTakenBeforeStop?: true;
}

const MARK = ['distance'] as const;

export const GOAL_FORMS: { readonly [Kind in Goal['kind']]: GoalForm } = {
  furthest: { title: 'go furthest', parameters: [], recorded: { distance: 'needed' } },
  'at-least': { title: 'go at least …', parameters: MARK, recorded: { distance: 'needed' } },
  'quickest-to': {
    title: 'be quickest to …',
    parameters: MARK,
    recorded: { distance: 'optional', time: 'needed' },
    isTakenBeforeStop: true,
  },
  'closest-to': { title: 'stop closest to …', parameters: MARK, recorded: { distance: 'needed' } },
  'stop-within': {
    title: 'stop within a zone …',
    parameters: ['distance', 'width'],
    distanceLabel: 'Middle of the zone at',
    widthLabel: 'Depth of the zone',
    recorded: { distance: 'needed' },
  },
  straightest: { title: 'go furthest, straight', parameters: [], recorded: { distance: 'needed', drift: 'needed' } },
  'within-lane': {
    title: 'go furthest within a lane',
    parameters: ['width'],
    widthLabel: 'Width of the lane',
    recorded: { distance: 'needed', drift: 'optional' },
  },
  'through-gap': {
    title: 'go through a gap',
    parameters: ['distance', 'width'],
    distanceLabel: 'Gap at',
    widthLabel: 'Width of the gap',
    recorded: { distance: 'needed', drift: 'needed' },
    isTakenBeforeStop: true,
  },
  carry: {
    title: 'carry the heaviest load over …',
    parameters: MARK,
    distanceLabel: 'Carried over',
    recorded: { distance: 'needed', load: 'needed' },
    choosesLoad: true,
    isTakenBeforeStop: true,
  },
  'load-distance': {
    title: 'load × distance',
    parameters: [],
    recorded: { distance: 'needed', load: 'needed' },
    choosesLoad: true,
  },
  'highest-edge': {
    title: 'climb the highest twig',
    parameters: [],
    recorded: { distance: 'optional', height: 'needed' },
    needsEdges: true,
    isTakenBeforeStop: true,
  },
  'speed-and-distance': {
    title: 'speed and distance combined',
    parameters: ['distance', 'weight'],
    distanceLabel: 'Timed to',
    hint: 'For a place in each instead, use two rounds of a brief, both with points.',
    recorded: { distance: 'needed', time: 'optional' },
  },
};

/** Parameters of a goal that were not entered yet. m, m, m per m/s. */
const DEFAULTS: Readonly<Record<GoalParameter, number>> = { distance: 5, width: 1, weight: 5 };

/** A goal of a kind, with the parameters that it needs: those of a goal before it, or the defaults. */
export function goalOfKind(kind: Goal['kind'], before: Goal | Partial<Record<GoalParameter, number | null>> = {}): Goal {
  const known = before as Partial<Record<GoalParameter, number | null>>;
  const parameters = GOAL_FORMS[kind].parameters.map((key) => [key, known[key] ?? DEFAULTS[key]]);
  return { kind, ...Object.fromEntries(parameters) } as Goal;
}

/** The goal that a car's aim names. */
export const goalOf = (aim: Aim): Goal => goalOfKind(aim.kind, aim);

/** A goal as the aim of a car. */
export const aimOf = (goal: Goal): Aim => ({ distance: null, ...goal });

/** Whether the load that a car carries is its own choice. */
export const choosesLoad = ({ kind }: Goal): boolean => GOAL_FORMS[kind].choosesLoad === true;
