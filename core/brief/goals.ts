import type { CarDesign } from '../car/car-design.ts';
import { AXLE_ENDS } from '../car/catalogue.ts';
import { judgeEdges } from '../predict/edges.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { driftAfter, worstDrift } from '../predict/straightness.ts';
import { simulateSound, type RunResult } from '../run/simulate.ts';
import type { Goal } from '../schema/generated/brief.ts';
import type { Print, Quantity } from '../units/quantity.ts';

export type { Goal };

/** One of many cars built to a design, its run, and how it curves, 1/m. */
export interface GoalRun {
  readonly design: CarDesign;
  readonly result: RunResult;
  readonly curvature: number;
}

/** How one kind of goal is told and measured. */
export interface GoalRecord<G extends Goal> {
  /** What is asked, as a sentence that can be read out. */
  readonly words: (goal: G, print: Print) => string;
  /** What a run is measured by; kg·m where there is no quantity of its own. */
  readonly quantity: Quantity | 'kg·m' | 'm + m/s';
  /** What its figure is of, where that is not the figure itself. */
  readonly of?: string;
  /** It hangs on how straight the car runs, which is not known of a roller. */
  readonly isSteered?: true;
  /** m, distances that have to be timed. */
  readonly marks?: (goal: G) => readonly number[];
  /** What a run comes to, SI; null where it does not count. */
  readonly measure: (goal: G, run: GoalRun) => number | null;
  /** Whether a run meets what is asked; not given where more or less is all there is. */
  readonly isMet?: (goal: G, run: GoalRun) => boolean;
}

const distanceOf = (_goal: Goal, { result }: GoalRun): number => result.distance;
const timeAt = ({ marks }: RunResult, distance: number): number | null => marks.find((mark) => mark.distance === distance)?.time ?? null;

/** Way along its curve until a car of this curvature is `off` m beside the line: cos κs = 1 − κ·off; Infinity where it never is. Geometry of the circle. */
export const wayWithin = (curvature: number, off: number): number => {
  const kappa = Math.abs(curvature);
  return kappa * off >= 2 || kappa === 0 ? Infinity : Math.acos(1 - kappa * off) / kappa;
};

/** The highest edge of its floor that a run climbs, m; 0 for none. */
function highestClimbed({ design }: GoalRun): number {
  const setup = deriveRunSetup(design);
  const { trace } = simulateSound(setup, { trace: true });
  return judgeEdges(setup, trace!, design.floor.edges)
    .filter(({ highest, height }) => highest !== null && highest >= height)
    .reduce((most, { height }) => Math.max(most, height), 0);
}

export const GOALS: { readonly [Kind in Goal['kind']]: GoalRecord<Extract<Goal, { kind: Kind }>> } = {
  furthest: { words: () => 'The longest way counts.', quantity: 'distance', measure: distanceOf },
  'at-least': {
    words: ({ distance }, print) => `It has to come ${print(distance, 'distance')} far, or further.`,
    quantity: 'distance',
    measure: distanceOf,
    isMet: ({ distance }, { result }) => result.distance >= distance,
  },
  'quickest-to': {
    words: ({ distance }, print) => `The shortest time to the mark at ${print(distance, 'distance')} counts.`,
    quantity: 'time',
    marks: ({ distance }) => [distance],
    measure: ({ distance }, { result }) => timeAt(result, distance),
    isMet: ({ distance }, { result }) => timeAt(result, distance) !== null,
  },
  'closest-to': {
    words: ({ distance }, print) => `The stop nearest to the mark at ${print(distance, 'distance')} counts.`,
    quantity: 'distance',
    of: 'off the mark',
    measure: ({ distance }, { result }) => Math.abs(result.distance - distance),
  },
  straightest: {
    words: () => 'The way counts, less the furthest that the car comes off the line.',
    quantity: 'distance',
    isSteered: true,
    measure: (_goal, { result, curvature }) => result.distance - Math.abs(worstDrift(curvature, result.distance)),
  },
  'within-lane': {
    words: ({ width }, print) => `The way counts until the car leaves its lane, ${print(width, 'distance')} wide.`,
    quantity: 'distance',
    isSteered: true,
    measure: ({ width }, { result, curvature }) => Math.min(result.distance, wayWithin(curvature, width / 2)),
    isMet: ({ width }, { result, curvature }) => wayWithin(curvature, width / 2) >= result.distance,
  },
  'through-gap': {
    words: ({ distance, width }, print) =>
      `It has to go through a gap ${print(width, 'distance')} wide, ${print(distance, 'distance')} from the line.`,
    quantity: 'distance',
    of: 'off the line there',
    isSteered: true,
    measure: ({ distance }, { result, curvature }) => (result.distance >= distance ? Math.abs(driftAfter(curvature, distance)) : null),
    isMet: ({ distance, width }, { design, result, curvature }) =>
      result.distance >= distance && Math.abs(driftAfter(curvature, distance)) <= (width - design.trackWidth - AXLE_ENDS) / 2,
  },
  carry: {
    words: ({ distance }, print) => `The most load that is carried ${print(distance, 'distance')} counts.`,
    quantity: 'weight',
    measure: ({ distance }, { design, result }) => (result.distance >= distance ? design.load.mass : null),
    isMet: ({ distance }, { result }) => result.distance >= distance,
  },
  'load-distance': {
    words: () => 'Load times distance counts.',
    quantity: 'kg·m',
    measure: (_goal, { design, result }) => design.load.mass * result.distance,
  },
  'highest-edge': {
    words: () => 'The highest twig of the row that the car climbs counts.',
    quantity: 'size',
    measure: (_goal, run) => highestClimbed(run),
  },
  'speed-and-distance': {
    words: ({ distance, weight }, print) =>
      `The way counts in metres, and ${weight} for each m/s of the mean speed to the mark at ${print(distance, 'distance')}.`,
    quantity: 'm + m/s',
    marks: ({ distance }) => [distance],
    measure: ({ distance, weight }, { result }) => {
      const time = timeAt(result, distance);
      return result.distance + (time === null ? 0 : (weight * distance) / time);
    },
  },
};

/** The record of a goal's kind. */
export const goalRecord = <G extends Goal>(goal: G): GoalRecord<G> => GOALS[goal.kind] as unknown as GoalRecord<G>;
