import { crossing, integral, integrate, interpolate, NODES, POINTS, weighed, weightsAt } from '../numerics/chebyshev.ts';
import { baseOf, driveLoad, rollingAcceleration, rollWith, settle, slopeOf, tyreForce, type WheelContact } from './forces.ts';
import {
  DISTANCE_LIMIT,
  TIME_LIMIT,
  evaluateMotor,
  holdWheel,
  leaveSegment,
  letGo,
  passMarks,
  segmentGoal,
  type Regime,
  type Run,
} from './motion.ts';
import {
  firstFallOf,
  firstSlack,
  firstSlip,
  forceCoarseness,
  timeCoarseness,
  loadPanel,
  panel,
  placeAt,
  reaching,
  solve,
  timePanel,
} from './panel.ts';
import { record } from './trace.ts';

/**
 * Rolling under power. Without slip the motor's pull depends on place alone and only air and the motor's moving parts
 * on speed, so the kinetic energy E = ½Mv² obeys a linear equation in the path's coordinate:
 *   dE/dx = (M/M_e) push + (dM/dx / M − 2 drag / M_e) E.
 * Each panel solves it with an integrating factor and spectral quadrature, then finds the first thing that ends it.
 */

const MOST_SHORTENINGS = 40;

/** A panel's error falls with about the tenth power of its length. */
const stepFactor = (coarseness: number, least: number, most: number): number =>
  Math.min(most, Math.max(least, 0.9 * Math.max(coarseness, 1e-12) ** -0.1));
/** A panel that would reach this share of the way to the goal is stretched to it. */
const REACHES = 0.7;
/** Always to less than that: a panel that was tried up to the goal is not stretched to it again. */
const shorter = (length: number, coarseness: number): number =>
  length * (Number.isFinite(coarseness) ? stepFactor(coarseness, 0.1, REACHES - 0.05) : 0.25);

type Ending = 'goal' | 'stop' | 'slip' | 'contact' | 'slack';

/** The first thing that ends the present panel, and where on it (s in [−1, 1]). Reused. */
const first: { ending: Ending; s: number } = { ending: 'goal', s: 1 };
function consider(ending: Ending, s: number): void {
  if (s < first.s) {
    first.ending = ending;
    first.s = s;
  }
}

function findEnding(run: Run, contact: WheelContact, ignoreGrip: boolean): void {
  const { car } = run;
  first.ending = 'goal';
  first.s = 1;
  consider('stop', firstFallOf(panel.energy, 1, 0, 0));
  loadPanel(car, baseOf(car, contact), slopeOf(car, contact));
  const tiny = 1e-11 * car.weight;
  if (!ignoreGrip) {
    consider('slip', firstSlip(car, 1, tiny));
    consider('slip', firstSlip(car, -1, tiny));
  }
  if (car.loadPerAcceleration !== 0) {
    // The load as it would be with all wheels down: linear in the acceleration.
    const perLoad = car.loadPerAcceleration;
    for (let j = 0; j < POINTS; j++) panel.timeRate[j] = car.loadBase + perLoad * panel.acceleration[j]!;
    if (contact === 'all') {
      consider('contact', firstFallOf(panel.timeRate, -1, car.weight, tiny));
      consider('contact', firstFallOf(panel.timeRate, 1, 0, tiny));
    } else if (contact === 'drive') consider('contact', firstFallOf(panel.timeRate, 1, -car.weight, tiny));
    else consider('contact', firstFallOf(panel.timeRate, -1, 0, tiny));
  }
  if (run.motor.canGoSlack && run.motion.phase === 'unwinding') consider('slack', firstSlack(car));
}

/** Takes the panel into the run: state, energies, top speed, marks and trace. */
function accept(run: Run, contact: WheelContact, to: number, stops: boolean): void {
  const { car, motion } = run;
  const { scratch, load, acceleration, vSquared, bearing, distance, time, path, arm } = panel;
  const x0 = motion.distance;
  const t0 = motion.time;
  loadPanel(car, baseOf(car, contact), slopeOf(car, contact));
  for (let j = 0; j < POINTS; j++) scratch[j] = (bearing[j]! / car.radius) * path[j]!;
  motion.spent.driveBearing += integral(scratch);
  for (let j = 0; j < POINTS; j++)
    scratch[j] = (car.rollingDrive * Math.max(0, load[j]! - arm[j]!) + car.rollingOther * (car.weight - load[j]!)) * path[j]!;
  motion.spent.rolling += integral(scratch);
  for (let j = 0; j < POINTS; j++) scratch[j] = car.airFactor * vSquared[j]! * path[j]!;
  motion.spent.air += integral(scratch);
  if (car.armLever > 0) {
    for (let j = 0; j < POINTS; j++) scratch[j] = car.armFriction * arm[j]! * path[j]!;
    motion.spent.arm += integral(scratch);
    for (let j = 0; j < POINTS; j++) scratch[j] = panel.washer[j]! * panel.turn[j]!;
    motion.spent.washer += integral(scratch);
  }
  motion.wheelie ||= contact === 'drive' && run.hasOtherWheels;

  let top = 0;
  for (let j = 0; j < POINTS; j++) {
    top = Math.max(top, vSquared[j]!);
    if (j > 0 && acceleration[j - 1]! > 0 && acceleration[j]! <= 0)
      top = Math.max(top, interpolate(vSquared, crossing(acceleration, NODES[j - 1]!, NODES[j]!)));
  }
  motion.topSpeed = Math.max(motion.topSpeed, Math.sqrt(top));
  const x1 = x0 + distance[POINTS - 1]!;
  passMarks(run, x0, x1, (mark) => t0 + interpolate(time, reaching(distance, x0, mark)));
  if (run.trace) tracePanel(run);
  motion.time = t0 + time[POINTS - 1]!;
  motion.distance = x1;
  motion.angle += integral(panel.turn);
  motion.u = to;
  motion.speed = stops ? 0 : Math.sqrt(Math.max(vSquared[POINTS - 1]!, 0));
  motion.spin = motion.speed / car.radius;
}

/** Rows of the trace between two points of a panel. */
const BETWEEN = 2;

const TRACED = Array.from(NODES, (node, j) =>
  Array.from({ length: j === 0 ? 1 : BETWEEN }, (_, k) =>
    weightsAt(j === 0 ? node : NODES[j - 1]! + ((node - NODES[j - 1]!) * (k + 1)) / BETWEEN),
  ),
).flat();

function tracePanel(run: Run): void {
  const { car, motion } = run;
  integrate(panel.turn, panel.scratch);
  for (const weights of TRACED) {
    const at = (values: Float64Array): number => weighed(values, weights);
    const vSquared = Math.max(at(panel.vSquared), 0);
    const speed = Math.sqrt(vSquared);
    const load = at(panel.load);
    const arm = at(panel.arm);
    const tyreLoad = Math.max(0, load - arm);
    record(run.trace!, {
      time: motion.time + at(panel.time),
      distance: motion.distance + at(panel.distance),
      speed,
      wheelSpeed: speed,
      angle: motion.angle + at(panel.scratch),
      thrust: at(panel.thrust),
      gripLimit: car.staticGrip * tyreLoad,
      resistance:
        at(panel.bearing) / car.radius +
        car.rollingDrive * tyreLoad +
        car.armFriction * arm +
        car.rollingOther * (car.weight - load) +
        car.otherBearing +
        car.climb +
        car.airFactor * vSquared,
      tension: at(panel.tension),
      phase: motion.phase === 'rewinding' ? 'rewinding' : 'rolling',
    });
  }
}

/** The tyre slides toward the side the needed force asks for. */
function slideFrom({ motion }: Run, force: number): Regime {
  motion.slideDirection = force > 0 ? 1 : -1;
  return 'slide';
}

/** Where on the panel the run passes its limit of time or distance, or null. */
function overLimit(run: Run): number | null {
  const { motion } = run;
  let s: number | null = null;
  if (motion.distance + panel.distance[POINTS - 1]! > DISTANCE_LIMIT) s = reaching(panel.distance, motion.distance, DISTANCE_LIMIT);
  if (motion.time + panel.time[POINTS - 1]! > TIME_LIMIT) s = Math.min(s ?? 1, reaching(panel.time, motion.time, TIME_LIMIT));
  return s;
}

/**
 * Rolls on under power until the tyre slides, the motor lets go or the car stops. `ignoreGrip` lets a car roll that has
 * this moment stopped sliding and would only chatter on the limit.
 */
export function rollUnderPower(run: Run, ignoreGrip: boolean): Regime {
  const { car, motion, rolling } = run;
  let contact = settle(car, rolling, evaluateMotor(run, motion.u), motion.speed);
  rollWith(car, rolling, run.point, contact);
  let energy = 0.5 * rolling.mass * motion.speed ** 2;
  let length = (segmentGoal(run) - motion.u) / 2;
  let switches = 0;
  let shortenings = 0;
  for (;;) {
    const goal = segmentGoal(run);
    const from = motion.u;
    let to = Math.abs(length) >= REACHES * Math.abs(goal - from) ? goal : from + length;
    const atRest = energy === 0;
    solve(run, contact, from, to, atRest, energy);
    const mayShorten = shortenings < MOST_SHORTENINGS;
    const coarseness = forceCoarseness(run, run.motor.storedEnergy);
    if (mayShorten && !(coarseness <= 1)) {
      shortenings++;
      length = shorter(to - from, coarseness);
      continue;
    }
    findEnding(run, contact, ignoreGrip || switches > 4);
    const { ending, s } = first;
    if (s === -1) {
      if (ending === 'slip') return slideFrom(run, panel.force[0]!);
      if (ending === 'stop') return 'stopped';
      if (ending === 'slack') {
        letGo(run);
        return 'roll';
      }
      contact = switches++ > 4 ? contact : settle(car, rolling, evaluateMotor(run, from), motion.speed);
      continue;
    }
    const stops = ending === 'stop';
    const bent = atRest || stops;
    if (s < 1) {
      to = placeAt(from, to, atRest, s);
      solve(run, contact, from, to, bent, energy);
      // Time is sharp on what little energy is left before a stop: come up to it in ever shorter panels.
      const leftover = stops ? forceCoarseness(run, 0) : 0;
      if (mayShorten && leftover > 1) {
        shortenings++;
        length = shorter(to - from, leftover);
        continue;
      }
    }
    timePanel(run, from, to, bent, atRest, stops);
    const timing = timeCoarseness(run);
    if (mayShorten && !(timing <= 1)) {
      shortenings++;
      length = shorter(to - from, timing);
      continue;
    }
    const over = overLimit(run);
    if (over !== null) {
      to = placeAt(from, to, bent, over);
      solve(run, contact, from, to, atRest, energy);
      timePanel(run, from, to, atRest, atRest, false);
      accept(run, contact, to, false);
      return 'limit';
    }
    accept(run, contact, to, stops);
    if (stops) return 'stopped';
    energy = panel.energy[POINTS - 1]!;
    shortenings = 0;
    switches = 0;
    length = (to - from) * stepFactor(Math.max(coarseness, timing), 1, 5);
    if (ending === 'slip') return slideFrom(run, panel.force[POINTS - 1]!);
    if (ending === 'slack') {
      letGo(run);
      return 'roll';
    }
    if (ending === 'contact') contact = contact === 'all' ? (panel.load[POINTS - 1]! > car.weight / 2 ? 'drive' : 'other') : 'all';
    if (to !== goal) continue;
    if (motion.phase === 'rewinding' && motion.segment === 0) {
      holdWheel(run);
      return slideFrom(run, -1);
    }
    if (!leaveSegment(run)) return 'roll';
    rollWith(car, rolling, evaluateMotor(run, motion.u), contact);
    // The kinetic energy goes on; a step of the spool changes the mass it is in.
    motion.speed = Math.sqrt((2 * energy) / rolling.mass);
    motion.spin = motion.speed / car.radius;
    motion.topSpeed = Math.max(motion.topSpeed, motion.speed);
    const asked = slideAsked(run);
    if (asked !== 0 && !ignoreGrip) return slideFrom(run, asked);
    contact = settle(car, rolling, run.point, motion.speed);
    length = (segmentGoal(run) - motion.u) / 2;
  }
}

/** Whether the tyre holds while rolling at the present place and speed (0); else which way it slides. */
export function slideAsked(run: Run): 0 | 1 | -1 {
  const { car, motion, rolling } = run;
  const point = evaluateMotor(run, motion.u);
  const contact = settle(car, rolling, point, motion.speed);
  rollWith(car, rolling, point, contact);
  const vSquared = motion.speed ** 2;
  const a = rollingAcceleration(rolling, vSquared);
  const load = Math.min(Math.max(driveLoad(car, contact, a), 0), car.weight);
  const force = tyreForce(car, load, rolling.arm, a, vSquared);
  if (Math.abs(force) <= car.staticGrip * Math.max(0, load - rolling.arm)) return 0;
  return force > 0 ? 1 : -1;
}
