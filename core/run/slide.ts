import { bisect } from '../numerics/bisect.ts';
import { denseValue, makeDense, tryStep, type Derivative, type Step } from '../numerics/dormand-prince.ts';
import { armLoad, bearingTorque, gripLimit, resistanceAt, slideWith } from './forces.ts';
import {
  crossToNextFloor,
  currentSegment,
  evaluateMotor,
  holdWheel,
  leaveSegment,
  letGo,
  passMarks,
  TIME_LIMIT,
  type Regime,
  type Run,
} from './motion.ts';
import { slideEndingOf, watchOf, type SlideEnding, type Watch } from './slide-ending.ts';
import { loadState, nextStep, slideEquations, takeState } from './slide-equations.ts';
import { ANGLE, DENSE, SPIN, U, V, X, type SlideWork } from './slide-state.ts';
import { recordRow } from './trace.ts';

/** Error of a step against what it is in: distances then come to about seven digits. */
const TOLERANCE = 1e-6;
/** s */
const FIRST_STEP = 1e-3;
const LEAST_STEP = 1e-12;
/** A step's error falls with the fifth power of its length; a tenth less, to be on the safe side. */
const stepFactor = (error: number): number => 0.9 * error ** -0.2;
/** A step is made longer and shorter by no more than this at once: what comes may be sharper than what was. */
const MOST_GROWTH = 4;
const MOST_SHRINKING = 0.1;
/** Errors below this say no more of the next step. */
const LEAST_ERROR = 1e-6;
/** Rows of the trace in one step. */
const TRACE_PARTS = 4;

/** Sizes below which distance (m), speed (m/s) and the motor's coordinate need not be determined apart. */
function setScales({ scales }: SlideWork, { motion, car }: Run, segmentLength: number): void {
  scales[X] = TOLERANCE * Math.max(motion.distance, 0.1);
  scales[V] = TOLERANCE * Math.max(motion.speed, 0.1);
  scales[SPIN] = TOLERANCE * Math.max(motion.spin, 0.1 / car.radius);
  // A lever close to its string's line feels a small part of its distance.
  scales[U] = 0.1 * TOLERANCE * Math.min(segmentLength, 1);
}

/** Makes a step whose error is within bounds, `h` s or less; gives its length and its error. */
function makeSoundStep({ step, scales }: SlideWork, equations: Derivative, h: number): { readonly length: number; readonly error: number } {
  let length = h;
  let error = tryStep(step, equations, length, scales);
  while (!(error <= 1) && length > LEAST_STEP) {
    length *= error > 1 ? Math.max(MOST_SHRINKING, stepFactor(error)) : MOST_SHRINKING;
    error = tryStep(step, equations, length, scales);
  }
  makeDense(step, length, DENSE);
  return { length, error };
}

/** Slides on while the equations hold; gives what ended that, and the length of the next step, s. */
function slideOn(run: Run, watch: Watch, firstStep: number): { readonly ending: SlideEnding | 'time'; readonly next: number } {
  const { slideWork: work, motion } = run;
  const { step, scales } = work;
  const equations = slideEquations(run);
  loadState(work, motion);
  equations(step.start, step.rates[0]);
  const { from, to } = currentSegment(run);
  const segmentLength = motion.phase === 'gone' ? 1 : Math.abs(to - from);
  let next = firstStep;
  for (;;) {
    setScales(work, run, segmentLength);
    const wanted = Math.min(next, TIME_LIMIT - motion.time);
    const { length, error } = makeSoundStep(work, equations, wanted);
    const found = slideEndingOf(watch);
    const taken = found ? found.part * length : length;
    if (taken < length) {
      tryStep(step, equations, taken, scales);
      makeDense(step, taken, DENSE);
      next = Math.max(length - taken, FIRST_STEP);
    } else next = length * Math.min(MOST_GROWTH, stepFactor(Math.max(error, LEAST_ERROR)));
    takeStep(run, taken, found?.ending ?? null);
    if (motion.time >= TIME_LIMIT) return { ending: 'time', next };
    if (found) return { ending: found.ending, next };
    nextStep(work);
  }
}

/** Slides on until tyre and floor move together again or the car stops. */
export function slide(run: Run): Regime {
  const { motion } = run;
  let next = FIRST_STEP;
  for (;;) {
    const watch = watchOf(run);
    const slid = slideOn(run, watch, next);
    next = slid.next;
    switch (slid.ending) {
      case 'time':
      case 'limit':
        return 'limit';
      case 'stop':
        return 'stopped';
      case 'together':
        return 'roll';
      case 'held':
        motion.wheelHeld = true;
        break;
      case 'floor':
        crossToNextFloor(run);
        break;
      case 'slack':
        letGo(run);
        break;
      case 'segment':
        if (motion.phase === 'rewinding' && motion.segment === 0) holdWheel(run);
        else crossSegment(run, watch.goal);
    }
    if (motion.wheelHeld) motion.spin = 0;
  }
}

/** The wheel keeps its kinetic energy where the spool's step changes what the motor's parts weigh at the axle. */
function crossSegment(run: Run, goal: number): void {
  const { motion, car } = run;
  motion.u = goal;
  const before = car.driveInertia + evaluateMotor(run, goal).inertia;
  if (!leaveSegment(run)) return;
  motion.spin *= Math.sqrt(before / (car.driveInertia + evaluateMotor(run, motion.u).inertia));
}

/** The part of the step at which `mark` metres are passed. */
function partAt(step: Step, mark: number): number {
  return bisect((part) => denseValue(step, X, part) < mark, 0, 1, 44).high;
}

/** Takes the step just made into the run: energies, top speed, marks, trace, and where it is now. */
function takeStep(run: Run, duration: number, ending: SlideEnding | null): void {
  const { motion, car, slideWork } = run;
  const { step } = slideWork;
  if (run.trace) traceStep(run, duration);
  motion.topSpeed = Math.max(motion.topSpeed, topSpeedOf(step));
  const t0 = motion.time;
  if (run.marks.length > 0) passMarks(run, motion.distance, step.end[X]!, (mark) => t0 + duration * partAt(step, mark));
  takeState(slideWork, motion, duration);
  if (ending === 'stop') motion.speed = 0;
  if (ending === 'together') motion.spin = motion.speed / car.radius;
  slideWith(car, run.sliding, motion.slideDirection, motion.speed, 0);
  motion.wheelie ||= run.hasOtherWheels && motion.phase !== 'gone' && run.sliding.load >= car.weight;
  if (run.trace) recordSlideRow(run);
}

/** The greatest car speed within the step: at an end, or where the acceleration changes sign between. */
function topSpeedOf(step: Step): number {
  const ends = Math.max(step.start[V]!, step.end[V]!);
  if (!(step.rates[0][V]! > 0 && step.rates[6][V]! < 0)) return ends;
  let low = 0;
  let high = 1;
  while (high - low > 1e-9) {
    const third = (high - low) / 3;
    if (denseValue(step, V, low + third) < denseValue(step, V, high - third)) low += third;
    else high -= third;
  }
  return Math.max(ends, denseValue(step, V, (low + high) / 2));
}

/** Rows from the step's beginning to before its end, for a smooth curve; the run itself stays at the beginning. */
function traceStep(run: Run, duration: number): void {
  const { motion } = run;
  const { step } = run.slideWork;
  const { time, distance, speed, spin, u, angle } = motion;
  recordSlideRow(run);
  for (let k = 1; k < TRACE_PARTS; k++) {
    const part = k / TRACE_PARTS;
    motion.time = time + part * duration;
    motion.distance = denseValue(step, X, part);
    motion.speed = denseValue(step, V, part);
    motion.spin = denseValue(step, SPIN, part);
    motion.u = denseValue(step, U, part);
    motion.angle = denseValue(step, ANGLE, part);
    recordSlideRow(run);
  }
  Object.assign(motion, { time, distance, speed, spin, u, angle });
}

function recordSlideRow(run: Run): void {
  const { motion, car, sliding } = run;
  const motor = evaluateMotor(run, motion.u);
  const arm = armLoad(car, motor.torque);
  slideWith(car, sliding, motion.slideDirection, motion.speed, arm);
  const bearing = bearingTorque(car, motor);
  recordRow(run.trace!, {
    time: motion.time,
    distance: motion.distance,
    speed: motion.speed,
    wheelSpeed: car.radius * motion.spin,
    angle: motion.angle,
    thrust: motor.torque / car.radius,
    gripLimit: gripLimit(car, sliding.load, arm),
    resistance: resistanceAt(car, bearing, sliding.load, arm, motion.speed ** 2),
    tension: motor.tension,
    phase: motion.slideDirection > 0 ? 'spinning' : 'braking',
  });
}
