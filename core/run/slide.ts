import { denseValue, makeDense, makeStep, tryStep, type Derivative } from '../numerics/dormand-prince.ts';
import { armLoad, bearingTorque, slideWith } from './forces.ts';
import {
  currentSegment,
  DISTANCE_LIMIT,
  evaluateMotor,
  holdWheel,
  leaveSegment,
  letGo,
  passMarks,
  segmentGoal,
  TIME_LIMIT,
  type Regime,
  type Run,
} from './motion.ts';
import { record } from './trace.ts';

/**
 * Sliding: the tyre passes slidingGrip · N_d whatever the wheel does, so car and wheel move apart, each by its own
 * equation, stepped in time:
 *   car    (m + I_o/R_o²) a = F − rolling − bearing − air − slope
 *   wheel  (I_d + I_m) dω/dt = τ − bearing − Crr_d N_d R − F R − ½ I_m′ ω²
 */

/** Parts of the state. The first four steer the step; the rest add up along the way. */
const X = 0;
const V = 1;
const SPIN = 2;
const U = 3;
const ANGLE = 4;
const SLIP = 5;
const BEARING = 6;
const ROLLING = 7;
const AIR = 8;
const SLID = 9;
const ARM = 10;
const WASHER = 11;
const SIZE = 12;

const TOLERANCE = 1e-6;
const FIRST_STEP = 1e-3;
/** What ends a slide may come and go within a step: it is looked for at every such part of it. */
const LOOK = 0.25;
/** Rows of the trace in one step. */
const TRACE_PARTS = 4;
const LEAST_STEP = 1e-12;

const step = makeStep(SIZE);
const scales = new Float64Array(4);
/** What the last right-hand side found besides rates: torque left to pull the motor's own parts along, N·m. */
const found = { pullLeft: 0 };

/** The right-hand side for the present regime. */
function makeDerivative(run: Run): Derivative {
  const { car, motion, sliding } = run;
  const R = car.radius;
  const direction = motion.slideDirection;
  const { wheelHeld, phase } = motion;
  return (state, rate) => {
    const v = state[V]!;
    const spin = wheelHeld ? 0 : state[SPIN]!;
    const motor = evaluateMotor(run, state[U]!);
    const arm = armLoad(car, motor.torque);
    slideWith(car, sliding, direction, v, arm);
    const bearing = bearingTorque(car, motor.tension, motor.directionCos, motor.directionSin);
    const rollingDrive = car.rollingDrive * sliding.tyreLoad;
    const inertia = car.driveInertia + motor.inertia;
    const spinUp = wheelHeld
      ? 0
      : (motor.torque - bearing - rollingDrive * R - sliding.force * R - 0.5 * motor.inertiaSlope * spin * spin) / inertia;
    found.pullLeft = motor.torque - motor.inertia * spinUp - 0.5 * motor.inertiaSlope * spin * spin;
    const gap = R * spin - v;
    rate[X] = v;
    rate[V] = sliding.acceleration;
    rate[SPIN] = spinUp;
    rate[U] = wheelHeld || phase === 'gone' ? 0 : spin / motor.angleSlope;
    rate[ANGLE] = spin;
    rate[SLIP] = sliding.force * gap;
    rate[BEARING] = bearing * spin;
    rate[ROLLING] = rollingDrive * R * spin + car.rollingOther * (car.weight - sliding.load) * v;
    rate[AIR] = car.airFactor * v * v * v;
    rate[SLID] = direction * gap;
    rate[ARM] = car.armFriction * arm * v;
    rate[WASHER] = motor.washerTorque * spin;
  };
}

/** What can end a slide or change its equations, in the order in which they are looked for. */
const ENDINGS = ['stop', 'limit', 'together', 'held', 'segment', 'slack'] as const;
type Ending = (typeof ENDINGS)[number];

/** Which endings can come now, and what they are measured against. */
interface Watch {
  readonly radius: number;
  readonly direction: 1 | -1;
  readonly turns: boolean;
  readonly hasGoal: boolean;
  readonly goal: number;
  readonly onward: number;
  readonly mayGoSlack: boolean;
  readonly derivative: Derivative;
}

/** A quantity that falls below zero as the ending comes; Infinity where it cannot come now. `part`: of the step, 0 to 1. */
function distanceTo(ending: Ending, watch: Watch, part: number): number {
  switch (ending) {
    case 'stop':
      return stateAt(V, part);
    case 'limit':
      return DISTANCE_LIMIT - stateAt(X, part);
    case 'together':
      return watch.turns ? watch.direction * (watch.radius * stateAt(SPIN, part) - stateAt(V, part)) : Infinity;
    case 'held':
      return watch.turns ? stateAt(SPIN, part) : Infinity;
    case 'segment':
      return watch.hasGoal ? watch.onward * (watch.goal - stateAt(U, part)) : Infinity;
    case 'slack':
      if (!watch.mayGoSlack) return Infinity;
      for (let i = 0; i <= U; i++) scratch[i] = stateAt(i, part);
      watch.derivative(scratch, scratchRate);
      return found.pullLeft;
  }
}

const stateAt = (i: number, part: number): number => (part === 1 ? step.end[i]! : part === 0 ? step.start[i]! : denseValue(step, i, part));

function watchOf(run: Run, derivative: Derivative): Watch {
  const { motion, motor, car } = run;
  const isGone = motion.phase === 'gone';
  const goal = isGone ? 0 : segmentGoal(run);
  return {
    radius: car.radius,
    direction: motion.slideDirection,
    turns: !motion.wheelHeld,
    hasGoal: !isGone && !motion.wheelHeld,
    goal,
    onward: Math.sign(goal - motion.u),
    mayGoSlack: !motion.wheelHeld && motor.canGoSlack && motion.phase === 'unwinding',
    derivative,
  };
}

/** Slides on until tyre and floor move together again or the car stops. */
export function slide(run: Run): Regime {
  const { motion } = run;
  let h = FIRST_STEP;
  for (;;) {
    // One set of equations: until the motor's segment or what moves changes.
    const derivative = makeDerivative(run);
    const watch = watchOf(run, derivative);
    const segmentLength = motion.phase === 'gone' ? 1 : Math.abs(currentSegment(run).to - currentSegment(run).from);
    load(run);
    derivative(step.start, step.rates[0]!);
    let first: Ending | null = null;
    while (first === null) {
      h = Math.min(h, TIME_LIMIT - motion.time);
      setScales(run, segmentLength);
      let error = tryStep(step, derivative, h, scales);
      while (!(error <= 1) && h > LEAST_STEP) {
        h *= error > 1 ? Math.max(0.1, 0.9 * error ** -0.2) : 0.1;
        error = tryStep(step, derivative, h, scales);
      }
      let taken = h;
      makeDense(step, h);
      let part = 1;
      for (let low = 0; low < 1 && first === null; low += LOOK) {
        part = low + LOOK;
        for (const ending of ENDINGS) {
          if (distanceTo(ending, watch, part) >= 0) continue;
          part = crossingOf(ending, watch, low, part);
          first = ending;
        }
      }
      if (first !== null && part < 1) {
        taken = part * h;
        tryStep(step, derivative, taken, scales);
        makeDense(step, taken);
        h = Math.max(h - taken, FIRST_STEP);
      } else h *= Math.min(4, 0.9 * Math.max(error, 1e-6) ** -0.2);
      unload(run, taken, first);
      if (motion.time >= TIME_LIMIT) return 'limit';
      if (first === null) nextStep();
    }
    if (first === 'limit') return 'limit';
    if (first === 'stop') return 'stopped';
    if (first === 'together') return 'roll';
    if (first === 'held') motion.wheelHeld = true;
    if (first === 'slack') letGo(run);
    if (first === 'segment') {
      if (motion.phase === 'rewinding' && motion.segment === 0) holdWheel(run);
      else crossSegment(run, watch.goal);
    }
    if (motion.wheelHeld) motion.spin = 0;
  }
}

/** Goes on from the end of the step; what adds up begins again at zero. The last rates are the next step's first. */
function nextStep(): void {
  step.start.set(step.end);
  step.start.fill(0, SLIP);
  step.rates[0]!.set(step.rates[6]!);
}

/** The wheel keeps its kinetic energy where the spool's step changes what the motor's parts weigh at the axle. */
function crossSegment(run: Run, goal: number): void {
  const { motion, car } = run;
  motion.u = goal;
  const before = car.driveInertia + evaluateMotor(run, goal).inertia;
  if (!leaveSegment(run)) return;
  motion.spin *= Math.sqrt(before / (car.driveInertia + evaluateMotor(run, motion.u).inertia));
}

const scratch = new Float64Array(SIZE);
const scratchRate = new Float64Array(SIZE);

/** The part of the step (`after` … `before`) at which an ending that has come by `before` comes. */
function crossingOf(ending: Ending, watch: Watch, after: number, before: number): number {
  // Sliding begins with tyre and floor moving together: look just past the start before calling it ended.
  if (after === 0 && distanceTo(ending, watch, 0) <= 0 && distanceTo(ending, watch, 1e-6 * before) <= 0) return 0;
  let low = after;
  let high = before;
  for (let k = 0; k < 50 && high - low > 1e-13; k++) {
    const middle = (low + high) / 2;
    if (distanceTo(ending, watch, middle) < 0) high = middle;
    else low = middle;
  }
  return high;
}

function setScales(run: Run, segmentLength: number): void {
  const { motion, car } = run;
  scales[X] = TOLERANCE * Math.max(motion.distance, 0.1);
  scales[V] = TOLERANCE * Math.max(motion.speed, 0.1);
  scales[SPIN] = TOLERANCE * Math.max(motion.spin, 0.1 / car.radius);
  // A lever close to its string's line feels a small part of its way.
  scales[U] = 0.1 * TOLERANCE * Math.min(segmentLength, 1);
}

function load({ motion }: Run): void {
  step.start.fill(0);
  step.start[X] = motion.distance;
  step.start[V] = motion.speed;
  step.start[SPIN] = motion.spin;
  step.start[U] = motion.u;
  step.start[ANGLE] = motion.angle;
}

/** Takes the step just made into the run. */
function unload(run: Run, duration: number, ending: Ending | null): void {
  const { motion, car } = run;
  const { end } = step;
  const t0 = motion.time;
  if (run.trace) {
    recordRow(run);
    recordWithin(run, duration);
  }
  motion.topSpeed = Math.max(motion.topSpeed, topSpeedOf());
  passMarks(run, motion.distance, end[X]!, (mark) => {
    let low = 0;
    let high = 1;
    while (high - low > 1e-13) {
      const middle = (low + high) / 2;
      if (denseValue(step, X, middle) < mark) low = middle;
      else high = middle;
    }
    return t0 + duration * high;
  });
  motion.time += duration;
  motion.distance = end[X]!;
  motion.speed = ending === 'stop' ? 0 : end[V]!;
  motion.spin = ending === 'together' ? motion.speed / car.radius : motion.wheelHeld ? 0 : end[SPIN]!;
  motion.u = end[U]!;
  motion.angle = end[ANGLE]!;
  motion.spent.slip += end[SLIP]!;
  motion.spent.driveBearing += end[BEARING]!;
  motion.spent.rolling += end[ROLLING]!;
  motion.spent.air += end[AIR]!;
  motion.spent.arm += end[ARM]!;
  motion.spent.washer += end[WASHER]!;
  motion.slipTime += duration;
  motion.slipDistance += end[SLID]!;
  slideWith(car, run.sliding, motion.slideDirection, motion.speed, 0);
  motion.wheelie ||= run.hasOtherWheels && motion.phase !== 'gone' && run.sliding.load >= car.weight;
  if (run.trace) recordRow(run);
}

/** The greatest car speed within the step: at an end, or where the acceleration changes sign between. */
function topSpeedOf(): number {
  const ends = Math.max(step.start[V]!, step.end[V]!);
  if (!(step.rates[0]![V]! > 0 && step.rates[6]![V]! < 0)) return ends;
  let low = 0;
  let high = 1;
  while (high - low > 1e-9) {
    const third = (high - low) / 3;
    if (denseValue(step, V, low + third) < denseValue(step, V, high - third)) low += third;
    else high -= third;
  }
  return Math.max(ends, denseValue(step, V, (low + high) / 2));
}

/** Rows between the ends of a step, for a smooth curve; the run itself stays at the step's beginning. */
function recordWithin(run: Run, duration: number): void {
  const { motion } = run;
  const { time, distance, speed, spin, u, angle } = motion;
  for (let k = 1; k < TRACE_PARTS; k++) {
    const part = k / TRACE_PARTS;
    motion.time = time + part * duration;
    motion.distance = denseValue(step, X, part);
    motion.speed = denseValue(step, V, part);
    motion.spin = denseValue(step, SPIN, part);
    motion.u = denseValue(step, U, part);
    motion.angle = denseValue(step, ANGLE, part);
    recordRow(run);
  }
  Object.assign(motion, { time, distance, speed, spin, u, angle });
}

function recordRow(run: Run): void {
  const { motion, car, sliding } = run;
  const motor = evaluateMotor(run, motion.u);
  const arm = armLoad(car, motor.torque);
  slideWith(car, sliding, motion.slideDirection, motion.speed, arm);
  const bearing = bearingTorque(car, motor.tension, motor.directionCos, motor.directionSin);
  record(run.trace!, {
    time: motion.time,
    distance: motion.distance,
    speed: motion.speed,
    wheelSpeed: car.radius * motion.spin,
    angle: motion.angle,
    thrust: motor.torque / car.radius,
    gripLimit: car.staticGrip * sliding.tyreLoad,
    resistance:
      bearing / car.radius +
      car.armFriction * arm +
      car.rollingDrive * sliding.tyreLoad +
      car.rollingOther * (car.weight - sliding.load) +
      car.otherBearing +
      car.climb +
      car.airFactor * motion.speed ** 2,
    tension: motor.tension,
    phase: motion.slideDirection > 0 ? 'spinning' : 'braking',
  });
}
