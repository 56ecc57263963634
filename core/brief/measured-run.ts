import type { RunRecord } from '../car/car-design.ts';
import { curvatureFromDrift, driftAfter } from '../predict/straightness.ts';
import type { Goal } from './goal.ts';

/** What is known of one run, measured or predicted: what every goal is judged by. SI units. */
export interface MeasuredRun {
  /** m from the line, as far as it counts. */
  readonly distance: number;
  /** It hit the wall: it would have come further. */
  readonly atLeast?: boolean;
  /** s to the goal’s mark, where it came there and was timed. */
  readonly time?: number | undefined;
  /** 1/m, of its path, to the right positive; straight where it is not known. */
  readonly curvature?: number | undefined;
  /** m off the line at the gap; worked out from the curvature where it is not measured. */
  readonly asideAtGap?: number | undefined;
  /** kg carried. */
  readonly load?: number | undefined;
  /** m, the highest twig that it climbed. */
  readonly height?: number | undefined;
  /** m, of the car; nothing where it is not known. */
  readonly width?: number | undefined;
}

/** m: a shorter run bends by nothing that a drift would tell. */
const SHORTEST = 0.01;

/** 1/m, of a run that stopped `drift` metres to the right; of one that was not measured, none. */
export const curvatureOfRun = (drift: number | undefined, distance: number): number | undefined =>
  drift === undefined ? undefined : curvatureFromDrift(drift, Math.max(distance, SHORTEST));

/** m off the line to the right, at a distance from it. */
export const driftAt = ({ curvature = 0, asideAtGap }: MeasuredRun, distance: number): number =>
  asideAtGap ?? driftAfter(curvature, distance);

/** m: marks nearer than this are one. */
const SAME_MARK = 0.005;

/** A run of the log as a goal sees it. `load`: kg carried; `width`: m, of the car. */
export function measuredOfRecord(
  goal: Goal,
  { outcome, drift, splits = [] }: Pick<RunRecord, 'outcome' | 'drift' | 'splits'>,
  { load, width }: Pick<MeasuredRun, 'load' | 'width'> = {},
): MeasuredRun {
  const { kind, distance } = outcome;
  const mark = 'distance' in goal ? goal.distance : NaN;
  return {
    distance,
    atLeast: kind === 'hit-wall',
    time: splits.find(({ at }) => Math.abs(at - mark) <= SAME_MARK)?.time,
    curvature: curvatureOfRun(drift, distance),
    load,
    width,
  };
}
