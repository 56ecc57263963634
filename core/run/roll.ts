import { crossing, firstFall, integral, integrate, interpolate, NODES, POINTS } from '../numerics/chebyshev.ts';
import { driveLoad, rollingAcceleration, rollWith, settle, tyreForce, type Stance } from './forces.ts';
import { DISTANCE_LIMIT, TIME_LIMIT, evaluateMotor, leaveStretch, letGo, passMarks, stretchGoal, type Regime, type Run } from './motion.ts';
import { isForceResolved, isTimeResolved, panel, placeAt, reaching, solve, timePanel } from './panel.ts';
import { record } from './trace.ts';

/**
 * Rolling under power. Without slip the motor's pull depends on place alone and only air and the motor's moving parts
 * on speed, so the kinetic energy E = ½Mv² obeys a linear equation in the path's coordinate:
 *   dE/dx = (M/M_e) push + (dM/dx / M − 2 drag / M_e) E.
 * Each panel solves it with an integrating factor and spectral quadrature, then finds the first thing that ends it.
 */

const MOST_HALVINGS = 40;

type Ending = 'goal' | 'stop' | 'slip' | 'stance' | 'slack';

/** The first thing that ends the present panel, and where on it (s in [−1, 1]). */
function firstEnding(run: Run, stance: Stance, ignoreGrip: boolean): { ending: Ending; s: number } {
  const { car } = run;
  let first: { ending: Ending; s: number } = { ending: 'goal', s: 1 };
  const consider = (ending: Ending, slack: number, value: (j: number) => number): void => {
    for (let j = 0; j < POINTS; j++) panel.margin[j] = value(j);
    const s = firstFall(panel.margin, slack);
    if (s < first.s) first = { ending, s };
  };
  consider('stop', 0, (j) => panel.energy[j]!);
  for (let j = 0; j < POINTS; j++) panel.load[j] = driveLoad(car, stance, panel.acceleration[j]!);
  const tiny = 1e-11 * car.weight;
  const force = (j: number): number => tyreForce(car, panel.load[j]!, panel.acceleration[j]!, panel.vSquared[j]!);
  if (!ignoreGrip) {
    consider('slip', tiny, (j) => car.staticGrip * panel.load[j]! - force(j));
    consider('slip', tiny, (j) => car.staticGrip * panel.load[j]! + force(j));
  }
  if (car.loadPerAcceleration !== 0) {
    const free = (j: number): number => driveLoad(car, 'all', panel.acceleration[j]!);
    if (stance !== 'other') consider('stance', tiny, stance === 'all' ? (j) => car.weight - free(j) : (j) => free(j) - car.weight);
    if (stance !== 'drive') consider('stance', tiny, stance === 'all' ? free : (j) => -free(j));
  }
  if (run.motor.canGoSlack && run.motion.phase === 'unwinding')
    consider('slack', 1e-11 * panel.torque[0]!, (j) => {
      const R = car.radius;
      return (
        panel.torque[j]! - (panel.inertia[j]! * panel.acceleration[j]!) / R - (panel.inertiaSlope[j]! * panel.vSquared[j]!) / (2 * R * R)
      );
    });
  return first;
}

/** Takes the panel into the run: state, energies, top speed, marks and trace. */
function accept(run: Run, stance: Stance, to: number, stops: boolean): void {
  const { car, motion } = run;
  const { margin, load, acceleration, vSquared, bearing, distance, time } = panel;
  const x0 = motion.distance;
  const t0 = motion.time;
  for (let j = 0; j < POINTS; j++) load[j] = driveLoad(car, stance, acceleration[j]!);
  for (let j = 0; j < POINTS; j++) margin[j] = (bearing[j]! / car.radius) * panel.path[j]!;
  motion.spent.driveBearing += integral(margin);
  for (let j = 0; j < POINTS; j++) margin[j] = (car.rollingDrive * load[j]! + car.rollingOther * (car.weight - load[j]!)) * panel.path[j]!;
  motion.spent.rolling += integral(margin);
  for (let j = 0; j < POINTS; j++) margin[j] = car.airFactor * vSquared[j]! * panel.path[j]!;
  motion.spent.air += integral(margin);
  motion.wheelie ||= stance === 'drive' && run.hasOtherWheels;

  let top = 0;
  for (let j = 0; j < POINTS; j++) {
    top = Math.max(top, vSquared[j]!);
    if (j > 0 && acceleration[j - 1]! > 0 && acceleration[j]! <= 0)
      top = Math.max(top, interpolate(vSquared, crossing(acceleration, NODES[j - 1]!, NODES[j]!)));
  }
  motion.topSpeed = Math.max(motion.topSpeed, Math.sqrt(top));
  const x1 = x0 + distance[POINTS - 1]!;
  passMarks(run, x0, x1, (mark) => t0 + interpolate(time, reaching(distance, x0, mark)));

  if (run.trace) {
    integrate(panel.turn, margin);
    for (let j = 0; j < POINTS; j++) {
      const speed = Math.sqrt(Math.max(vSquared[j]!, 0));
      record(run.trace, {
        time: t0 + time[j]!,
        distance: x0 + distance[j]!,
        speed,
        wheelSpeed: speed,
        angle: motion.angle + margin[j]!,
        thrust: panel.thrust[j]!,
        gripLimit: car.staticGrip * load[j]!,
        resistance:
          bearing[j]! / car.radius +
          car.rollingDrive * load[j]! +
          car.rollingOther * (car.weight - load[j]!) +
          car.otherBearing +
          car.climb +
          car.airFactor * vSquared[j]!,
        tension: panel.tension[j]!,
        phase: motion.phase === 'rewinding' ? 'rewinding' : 'rolling',
      });
    }
  }
  motion.time = t0 + time[POINTS - 1]!;
  motion.distance = x1;
  motion.angle += integral(panel.turn);
  motion.u = to;
  motion.speed = stops ? 0 : Math.sqrt(Math.max(vSquared[POINTS - 1]!, 0));
  motion.spin = motion.speed / car.radius;
}

/** The speed with which the present kinetic energy goes on when the mass term has changed in a step of the spool. */
const speedOf = (run: Run, energy: number): number => Math.sqrt((2 * energy) / run.rolling.mass);

/**
 * Rolls on under power until the tyre slides, the motor lets go or the car stops. `ignoreGrip` lets a car roll that has
 * this moment stopped sliding and would only tremble on the limit.
 */
export function rollUnderPower(run: Run, ignoreGrip: boolean): Regime {
  const { car, motion, rolling } = run;
  let stance = settle(car, rolling, evaluateMotor(run, motion.u), motion.speed);
  rollWith(car, rolling, run.point, stance);
  let energy = 0.5 * rolling.mass * motion.speed ** 2;
  let length = (stretchGoal(run) - motion.u) / 2;
  let switches = 0;
  let halvings = 0;
  while (motion.phase !== 'gone') {
    const goal = stretchGoal(run);
    const from = motion.u;
    const left = goal - from;
    let to = Math.abs(length) >= 0.7 * Math.abs(left) ? goal : from + length;
    const atRest = energy === 0;
    solve(run, stance, from, to, atRest, energy);
    const mayHalve = halvings < MOST_HALVINGS;
    if (mayHalve && !isForceResolved(run.motor.storedEnergy)) {
      halvings++;
      length = (to - from) / 2;
      continue;
    }
    const { ending, s } = firstEnding(run, stance, ignoreGrip || switches > 4);
    if (s === -1) {
      if (ending === 'slip') return 'slide';
      if (ending === 'slack') return letGoRolling(run);
      if (ending === 'stop') return 'stopped';
      stance = switches++ > 4 ? stance : settle(car, rolling, evaluateMotor(run, from), motion.speed);
      continue;
    }
    const stops = ending === 'stop';
    const bent = atRest || stops;
    if (s < 1) {
      to = placeAt(from, to, atRest, s);
      solve(run, stance, from, to, bent, energy);
    }
    timePanel(run, from, to, bent, atRest, stops);
    if (mayHalve && !isTimeResolved(run)) {
      halvings++;
      length = (to - from) / 2;
      continue;
    }
    const over = overLimit(run);
    if (over !== null) {
      to = placeAt(from, to, bent, over);
      solve(run, stance, from, to, atRest, energy);
      timePanel(run, from, to, atRest, atRest, false);
      accept(run, stance, to, false);
      return 'limit';
    }
    accept(run, stance, to, stops);
    if (stops) return 'stopped';
    energy = panel.energy[POINTS - 1]!;
    halvings = 0;
    switches = 0;
    length = 2 * (to - from);
    if (ending === 'slip') return 'slide';
    if (ending === 'slack') return letGoRolling(run);
    if (ending === 'stance') stance = stance === 'all' ? (panel.load[POINTS - 1]! > car.weight / 2 ? 'drive' : 'other') : 'all';
    if (to !== goal) continue;
    if (motion.phase === 'rewinding' && motion.stretch === 0) return 'stopped';
    leaveStretch(run);
    if (currentPhaseGone(run)) break;
    rollWith(car, rolling, evaluateMotor(run, motion.u), stance);
    motion.speed = speedOf(run, energy);
    motion.spin = motion.speed / car.radius;
    stance = settle(car, rolling, run.point, motion.speed);
    length = (stretchGoal(run) - motion.u) / 2;
  }
  return 'roll';
}

const currentPhaseGone = (run: Run): boolean => run.motion.phase === 'gone';

function letGoRolling(run: Run): Regime {
  letGo(run);
  return 'roll';
}

/** Where on the panel the run passes its limit of time or distance, or null. */
function overLimit(run: Run): number | null {
  const { motion } = run;
  let s: number | null = null;
  if (motion.distance + panel.distance[POINTS - 1]! > DISTANCE_LIMIT) s = reaching(panel.distance, motion.distance, DISTANCE_LIMIT);
  if (motion.time + panel.time[POINTS - 1]! > TIME_LIMIT) s = Math.min(s ?? 1, reaching(panel.time, motion.time, TIME_LIMIT));
  return s;
}

/** Whether the tyre holds while rolling at the present place and speed; else which way it slides. 0: holds. */
export function slideAsked(run: Run): 0 | 1 | -1 {
  const { car, motion, rolling } = run;
  const point = evaluateMotor(run, motion.u);
  const stance = settle(car, rolling, point, motion.speed);
  rollWith(car, rolling, point, stance);
  const a = rollingAcceleration(rolling, motion.speed ** 2);
  const load = Math.min(Math.max(driveLoad(car, stance, a), 0), car.weight);
  const force = tyreForce(car, load, a, motion.speed ** 2);
  if (Math.abs(force) <= car.staticGrip * load) return 0;
  return force > 0 ? 1 : -1;
}
