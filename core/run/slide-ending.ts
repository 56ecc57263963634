import { bisect } from '../numerics/bisect.ts';
import { denseValue } from '../numerics/dormand-prince.ts';
import { DISTANCE_LIMIT, segmentGoal, type Run } from './motion.ts';
import { pullLeft } from './slide-equations.ts';
import { SPIN, STEERING, U, V, X, type SlideWork } from './slide-state.ts';

/** What can end a slide or change its equations, in the order in which they are looked for. */
const ENDINGS = ['stop', 'limit', 'floor', 'together', 'held', 'segment', 'slack'] as const;
export type SlideEnding = (typeof ENDINGS)[number];

/** Which endings can come while motor, slide and wheel stay as they are, and what they are measured against. */
export interface Watch {
  readonly run: Run;
  readonly endings: readonly SlideEnding[];
  /** Where the motor's segment ends, and to which side that is. */
  readonly goal: number;
  readonly onward: number;
}

/** What to watch for from the run's present state on. */
export function watchOf(run: Run): Watch {
  const { motion, motor } = run;
  const isTurning = !motion.wheelHeld;
  const isWound = motion.phase !== 'gone';
  const canCome: Readonly<Record<SlideEnding, boolean>> = {
    stop: true,
    limit: true,
    floor: run.nextFloor < Infinity,
    together: isTurning,
    held: isTurning,
    segment: isTurning && isWound,
    slack: isTurning && motor.canGoSlack && motion.phase === 'unwinding',
  };
  const goal = isWound ? segmentGoal(run) : 0;
  return { run, endings: ENDINGS.filter((ending) => canCome[ending]), goal, onward: Math.sign(goal - motion.u) };
}

/** Puts what steers at a part of the step into `look`. */
function lookAt({ step, look }: SlideWork, part: number): void {
  for (let i = 0; i < STEERING; i++) look[i] = part === 1 ? step.end[i]! : part === 0 ? step.start[i]! : denseValue(step, i, part);
}

/** A quantity that falls below zero as the ending comes, at the place looked at. */
function distanceTo({ run, goal, onward }: Watch, ending: SlideEnding): number {
  const { look } = run.slideWork;
  switch (ending) {
    case 'stop':
      return look[V]!;
    case 'limit':
      return DISTANCE_LIMIT - look[X]!;
    case 'floor':
      return run.nextFloor - look[X]!;
    case 'together':
      return run.motion.slideDirection * (run.car.radius * look[SPIN]! - look[V]!);
    case 'held':
      return look[SPIN]!;
    case 'segment':
      return onward * (goal - look[U]!);
    case 'slack':
      return pullLeft(run, look[V]!, look[SPIN]!, look[U]!);
  }
}

function distanceAt(watch: Watch, ending: SlideEnding, part: number): number {
  lookAt(watch.run.slideWork, part);
  return distanceTo(watch, ending);
}

/** The part of the step (`after` … `before`) at which an ending that has come by `before` comes. */
function crossingOf(watch: Watch, ending: SlideEnding, after: number, before: number): number {
  // Sliding begins with tyre and floor moving together: look just past the start before calling it ended.
  if (after === 0 && distanceAt(watch, ending, 0) <= 0 && distanceAt(watch, ending, 1e-6 * before) <= 0) return 0;
  return bisect((part) => distanceAt(watch, ending, part) >= 0, after, before, 44).high;
}

/** What ends a slide may come and go within a step: it is looked for at every such part of it. */
const LOOK = 0.25;

/** The first thing that ends the slide within the step just made, and at which part of it; null when it goes on. */
export function slideEndingOf(watch: Watch): { readonly ending: SlideEnding; readonly part: number } | null {
  const { slideWork } = watch.run;
  for (let low = 0; low < 1; low += LOOK) {
    let first: SlideEnding | null = null;
    let part = low + LOOK;
    lookAt(slideWork, part);
    for (const ending of watch.endings) {
      if (distanceTo(watch, ending) >= 0) continue;
      part = crossingOf(watch, ending, low, part);
      first = ending;
      lookAt(slideWork, part);
    }
    if (first !== null) return { ending: first, part };
  }
  return null;
}
