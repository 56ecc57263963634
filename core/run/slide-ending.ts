import { denseValue, type Step } from '../numerics/dormand-prince.ts';
import { DISTANCE_LIMIT, segmentGoal, type Run } from './motion.ts';
import { pullLeft } from './slide-equations.ts';
import { SPIN, U, V, X } from './slide-state.ts';

/** What can end a slide or change its equations, in the order in which they are looked for. */
const ENDINGS = ['stop', 'limit', 'together', 'held', 'segment', 'slack'] as const;
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
    together: isTurning,
    held: isTurning,
    segment: isTurning && isWound,
    slack: isTurning && motor.canGoSlack && motion.phase === 'unwinding',
  };
  const goal = isWound ? segmentGoal(run) : 0;
  return { run, endings: ENDINGS.filter((ending) => canCome[ending]), goal, onward: Math.sign(goal - motion.u) };
}

const stateAt = (step: Step, i: number, part: number): number =>
  part === 1 ? step.end[i]! : part === 0 ? step.start[i]! : denseValue(step, i, part);

/** A quantity that falls below zero as the ending comes; `part` of the step, 0 to 1. */
function distanceTo({ run, goal, onward }: Watch, step: Step, ending: SlideEnding, part: number): number {
  switch (ending) {
    case 'stop':
      return stateAt(step, V, part);
    case 'limit':
      return DISTANCE_LIMIT - stateAt(step, X, part);
    case 'together':
      return run.motion.slideDirection * (run.car.radius * stateAt(step, SPIN, part) - stateAt(step, V, part));
    case 'held':
      return stateAt(step, SPIN, part);
    case 'segment':
      return onward * (goal - stateAt(step, U, part));
    case 'slack':
      return pullLeft(run, stateAt(step, V, part), stateAt(step, SPIN, part), stateAt(step, U, part));
  }
}

/** The part of the step (`after` … `before`) at which an ending that has come by `before` comes. */
function crossingOf(watch: Watch, step: Step, ending: SlideEnding, after: number, before: number): number {
  // Sliding begins with tyre and floor moving together: look just past the start before calling it ended.
  if (after === 0 && distanceTo(watch, step, ending, 0) <= 0 && distanceTo(watch, step, ending, 1e-6 * before) <= 0) return 0;
  let low = after;
  let high = before;
  for (let k = 0; k < 50 && high - low > 1e-13; k++) {
    const middle = (low + high) / 2;
    if (distanceTo(watch, step, ending, middle) < 0) high = middle;
    else low = middle;
  }
  return high;
}

/** What ends a slide may come and go within a step: it is looked for at every such part of it. */
const LOOK = 0.25;

/** The first thing that ends the slide within the step just made, and at which part of it; null when it goes on. */
export function slideEndingOf(watch: Watch, step: Step): { readonly ending: SlideEnding; readonly part: number } | null {
  for (let low = 0; low < 1; low += LOOK) {
    let first: SlideEnding | null = null;
    let part = low + LOOK;
    for (const ending of watch.endings) {
      if (distanceTo(watch, step, ending, part) >= 0) continue;
      part = crossingOf(watch, step, ending, low, part);
      first = ending;
    }
    if (first !== null) return { ending: first, part };
  }
  return null;
}
