import { denseValue, makeDense, makeStep, tryStep } from '../numerics/dormand-prince.ts';
import { bearingTorque, slideWith } from './forces.ts';
import {
  currentStretch,
  DISTANCE_LIMIT,
  evaluateMotor,
  leaveStretch,
  letGo,
  passMarks,
  stretchGoal,
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
const SIZE = 10;

const TOLERANCE = 1e-8;
const FIRST_STEP = 1e-3;
const LEAST_STEP = 1e-12;

const step = makeStep(SIZE);
const scales = new Float64Array(4);
/** What the last right-hand side found besides rates: torque left to pull the motor's own parts along, N·m. */
const found = { pullLeft: 0 };

/** The right-hand side for the present regime. */
function makeDerivative(run: Run): (state: Float64Array, rate: Float64Array) => void {
  const { car, motion, sliding } = run;
  const R = car.radius;
  const direction = motion.slideDirection;
  const { wheelHeld, phase } = motion;
  return (state, rate) => {
    const v = state[V]!;
    const spin = wheelHeld ? 0 : state[SPIN]!;
    const motor = evaluateMotor(run, state[U]!);
    slideWith(car, sliding, direction, v);
    const bearing = bearingTorque(car, motor.tension, motor.directionCos, motor.directionSin);
    const rollingDrive = car.rollingDrive * sliding.load;
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
  };
}

type Ending = 'together' | 'stop' | 'held' | 'stretch' | 'slack' | 'limit';

/** Slides on until tyre and floor move together again or the car stops. */
export function slide(run: Run): Regime {
  const { car, motion, motor } = run;
  const R = car.radius;
  let h = FIRST_STEP;
  for (;;) {
    const derivative = makeDerivative(run);
    const stretch = motion.phase === 'gone' ? null : currentStretch(run);
    const goal = stretch ? stretchGoal(run) : 0;
    const onward = stretch ? Math.sign(goal - motion.u) : 0;
    load(run);
    derivative(step.start, step.rates[0]!);

    const events: { ending: Ending; value: (at: (i: number) => number) => number }[] = [
      { ending: 'stop', value: (at) => at(V) },
      { ending: 'limit', value: (at) => Math.min(DISTANCE_LIMIT - at(X), 1) },
    ];
    if (!motion.wheelHeld) {
      events.push({ ending: 'together', value: (at) => motion.slideDirection * (R * at(SPIN) - at(V)) });
      events.push({ ending: 'held', value: (at) => at(SPIN) });
      if (stretch) events.push({ ending: 'stretch', value: (at) => onward * (goal - at(U)) });
      if (motor.canGoSlack && motion.phase === 'unwinding') events.push({ ending: 'slack', value: pullLeftAt(derivative) });
    }
    h = Math.min(h, TIME_LIMIT - motion.time);
    for (;;) {
      setScales(run, stretch ? Math.abs(stretch.to - stretch.from) : 1);
      const error = tryStep(step, derivative, h, scales);
      if (error <= 1 || h < LEAST_STEP) break;
      h *= Math.min(0.5, Math.max(0.1, 0.9 * error ** -0.2 || 0.1));
    }
    const taken = h;
    makeDense(step, h);
    let first: Ending | null = null;
    let part = 1;
    for (const { ending, value } of events) {
      const at = crossingOf(value, part);
      if (at !== null) {
        first = ending;
        part = at;
      }
    }
    if (first !== null && part < 1) {
      tryStep(step, derivative, part * h, scales);
      makeDense(step, part * h);
      h = Math.max(h * (1 - part), FIRST_STEP);
    } else h = taken * 2;
    unload(run, part * taken, first);
    if (motion.time >= TIME_LIMIT || first === 'limit') return 'limit';
    if (first === 'stop') return 'stopped';
    if (first === 'together') return 'roll';
    if (first === 'held') {
      motion.spin = 0;
      motion.wheelHeld = true;
    }
    if (first === 'slack') letGo(run);
    if (first === 'stretch') {
      if (motion.phase === 'rewinding' && motion.stretch === 0) motion.wheelHeld = true;
      else crossStretch(run, goal);
    }
  }
}

/** The wheel keeps its kinetic energy where the spool's step changes what the motor's parts weigh at the axle. */
function crossStretch(run: Run, goal: number): void {
  const { motion, car } = run;
  motion.u = goal;
  const before = car.driveInertia + evaluateMotor(run, goal).inertia;
  leaveStretch(run);
  if (motion.phase === 'gone') return;
  motion.spin *= Math.sqrt(before / (car.driveInertia + evaluateMotor(run, motion.u).inertia));
}

const scratch = new Float64Array(SIZE);
const scratchRate = new Float64Array(SIZE);
const pullLeftAt =
  (derivative: (state: Float64Array, rate: Float64Array) => void) =>
  (at: (i: number) => number): number => {
    for (let i = 0; i <= U; i++) scratch[i] = at(i);
    derivative(scratch, scratchRate);
    return found.pullLeft;
  };

/** The part of the step (0 … `before`) at which `value` falls below zero, or null. */
function crossingOf(value: (at: (i: number) => number) => number, before: number): number | null {
  const valueAt = (part: number): number =>
    value(part === 1 ? (i) => step.end[i]! : part === 0 ? (i) => step.start[i]! : (i) => denseValue(step, i, part));
  if (valueAt(before) >= 0) return null;
  let low = 0;
  let high = before;
  // Sliding begins with tyre and floor moving together: look just past the start before calling it ended.
  if (valueAt(0) <= 0 && valueAt(1e-6 * before) <= 0) return 0;
  for (let k = 0; k < 50 && high - low > 1e-13; k++) {
    const middle = (low + high) / 2;
    if (valueAt(middle) < 0) high = middle;
    else low = middle;
  }
  return high;
}

function setScales(run: Run, stretchLength: number): void {
  const { motion, car } = run;
  scales[X] = TOLERANCE * Math.max(motion.distance, 0.1);
  scales[V] = TOLERANCE * Math.max(motion.speed, 0.1);
  scales[SPIN] = TOLERANCE * Math.max(motion.spin, 0.1 / car.radius);
  scales[U] = TOLERANCE * stretchLength;
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
  if (run.trace) recordRow(run);
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
  motion.slipTime += duration;
  motion.slipDistance += end[SLID]!;
  slideWith(car, run.sliding, motion.slideDirection, motion.speed);
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

function recordRow(run: Run): void {
  const { motion, car, sliding } = run;
  const motor = evaluateMotor(run, motion.u);
  slideWith(car, sliding, motion.slideDirection, motion.speed);
  const bearing = bearingTorque(car, motor.tension, motor.directionCos, motor.directionSin);
  record(run.trace!, {
    time: motion.time,
    distance: motion.distance,
    speed: motion.speed,
    wheelSpeed: car.radius * motion.spin,
    angle: motion.angle,
    thrust: motor.torque / car.radius,
    gripLimit: car.staticGrip * sliding.load,
    resistance:
      bearing / car.radius +
      car.rollingDrive * sliding.load +
      car.rollingOther * (car.weight - sliding.load) +
      car.otherBearing +
      car.climb +
      car.airFactor * motion.speed ** 2,
    tension: motor.tension,
    phase: motion.slideDirection > 0 ? 'spinning' : 'braking',
  });
}
