import { bisect } from '../numerics/bisect.ts';
import {
  driveLoad,
  gripLimit,
  resistanceAt,
  rollingAcceleration,
  rollingWork,
  rollWith,
  settle,
  tyreForce,
  type Car,
  type WheelContact,
} from './forces.ts';
import { crossToNextFloor, DISTANCE_LIMIT, evaluateMotor, passMarks, TIME_LIMIT, type Regime, type Run } from './motion.ts';
import { recordRow } from './trace.ts';

/**
 * Free rolling, dv/dt = −(c0 + c2 v²), in closed form. Source: integration by hand; with c0 > 0 the car coasts
 * x = ln(1 + c2 v²/c0) / (2 c2), or v²/(2 c0) without air.
 */
interface Deceleration {
  /** m/s² */
  readonly c0: number;
  /** 1/m */
  readonly c2: number;
}

/** ln(1 + z)/z and (eᶻ − 1)/z, with their limit 1 where there is next to no air. */
const logRatio = (z: number): number => (Math.abs(z) < 1e-9 ? 1 : Math.log1p(z) / z);
const exponentialRatio = (z: number): number => (Math.abs(z) < 1e-9 ? 1 : Math.expm1(z) / z);

/** Distance over which v² changes from `w0` to `w1`, m. */
export function coastDistance({ c0, c2 }: Deceleration, w0: number, w1: number): number {
  const force = c0 + c2 * w1;
  return ((w0 - w1) / (2 * force)) * logRatio((c2 * (w0 - w1)) / force);
}

/** v² after `x` metres of coasting from v² = `w0`. */
export const coastSpeedSquared = ({ c0, c2 }: Deceleration, w0: number, x: number): number =>
  w0 * Math.exp(-2 * c2 * x) - 2 * c0 * x * exponentialRatio(-2 * c2 * x);

/**
 * Time taken by `x` metres of coasting in which the speed changes from `v0` to `v1`, s. Downhill the speed tends to
 * √(−c0/c2); over a way on which air matters t = x/v∞ + ln((v∞ + v1)/(v∞ + v0))/(c2 v∞) keeps its digits there.
 */
export function coastTime({ c0, c2 }: Deceleration, v0: number, v1: number, x: number): number {
  const force = c0 + c2 * v0 * v0;
  if (c0 < 0 && c2 * x > 1e-3) {
    const terminal = Math.sqrt(-c0 / c2);
    return x / terminal + Math.log((terminal + v1) / (terminal + v0)) / (c2 * terminal);
  }
  if (Math.abs(force) <= 1e-8 * Math.abs(c0)) return (2 * x) / (v0 + v1);
  const lost = 2 * x * exponentialRatio(-2 * c2 * x) * force;
  const withoutAir = lost / ((v0 + v1) * (c0 + c2 * v0 * v1));
  const z = withoutAir * Math.sqrt(Math.abs(c0) * c2);
  if (Math.abs(z) < 1e-9) return withoutAir;
  return withoutAir * ((c0 > 0 ? Math.atan(z) : Math.atanh(z)) / z);
}

/** Rows of the trace along the whole way. */
const SAMPLES = 48;

interface Coasting extends Deceleration {
  readonly contact: WheelContact;
  readonly effectiveMass: number;
  readonly bearing: number;
}

function coastingWith(run: Run): Coasting {
  const { car, rolling, motion } = run;
  const contact = settle(car, rolling, evaluateMotor(run, motion.u), motion.speed);
  rollWith(car, rolling, run.point, contact);
  const { push, drag, effectiveMass, bearing } = rolling;
  return { contact, effectiveMass, bearing, c0: -push / effectiveMass, c2: drag / effectiveMass };
}

/** What changes at a v²: the tyre begins to slide one way, or (0) the load shifts to another contact. */
interface Change {
  readonly at: number;
  readonly slide: 0 | 1 | -1;
}

/** The nearest v² beyond which the tyre slides or the load shifts to another contact; null when nothing happens along the run to `target`. */
function nextChange(car: Car, { c0, c2, contact }: Coasting, w: number, target: number, ignoreGrip: boolean): Change | null {
  const accelerationAt = (at: number): number => -(c0 + c2 * at);
  const loadAt = (at: number): number => driveLoad(car, contact, accelerationAt(at));
  const forceAt = (at: number): number => tyreForce(car, loadAt(at), 0, accelerationAt(at), at);
  const freeAt = (at: number): number => driveLoad(car, 'all', accelerationAt(at));
  const margins: { slide: Change['slide']; margin: (at: number) => number }[] = ignoreGrip
    ? []
    : [
        { slide: 1, margin: (at) => car.staticGrip * loadAt(at) - forceAt(at) },
        { slide: -1, margin: (at) => car.staticGrip * loadAt(at) + forceAt(at) },
      ];
  if (car.loadPerAcceleration !== 0) {
    if (contact !== 'other') margins.push({ slide: 0, margin: (at) => (contact === 'all' ? 1 : -1) * (car.weight - freeAt(at)) });
    if (contact !== 'drive') margins.push({ slide: 0, margin: (at) => (contact === 'all' ? 1 : -1) * freeAt(at) });
  }
  let first: Change | null = null;
  for (const { slide, margin } of margins) {
    // Every margin is linear in v².
    const here = margin(w);
    const slope = margin(w + 1) - here;
    const at = w - here / slope;
    const isAhead = target < w ? slope > 0 && at > target : slope < 0 && at < target;
    if (isAhead && (first === null || Math.abs(at - w) < Math.abs(first.at - w)))
      first = { at: target < w ? Math.min(at, w) : Math.max(at, w), slide };
  }
  return first;
}

/** Changes of contact after which the last is kept: the load then stands on the very limit. */
const MOST_CHANGES = 4;

/**
 * Coasts until the car stops, its tyre slides, the floor changes (it then rolls on), or the run passes its limits. `ignoreGrip` lets a car coast that has this moment stopped
 * sliding and would only chatter on the limit.
 */
export function coast(run: Run, ignoreGrip: boolean): Regime {
  const { car, motion } = run;
  for (let change = 0; ; change++) {
    const coasting = coastingWith(run);
    const { c0, c2 } = coasting;
    const w0 = motion.speed ** 2;
    const target = c0 > 0 ? 0 : c2 === 0 ? (c0 < 0 ? Infinity : w0) : -c0 / c2;
    const next = change > MOST_CHANGES ? null : nextChange(car, coasting, w0, target, ignoreGrip);
    const wLimit = coastSpeedSquared(coasting, w0, DISTANCE_LIMIT - motion.distance);
    const end = next ? next.at : c0 > 0 ? 0 : wLimit;
    const reached = coastTo(run, coasting, end, wLimit);
    if (reached === 'limit') return 'limit';
    if (reached === 'floor') {
      crossToNextFloor(run);
      return 'roll';
    }
    if (!next) return c0 > 0 ? 'stopped' : 'limit';
    if (next.slide !== 0) {
      motion.slideDirection = next.slide;
      return 'slide';
    }
  }
}

/** Coasts from the present speed to v² = `w1`, or to the next floor or the limits of a run if they come first. */
function coastTo(run: Run, coasting: Coasting, w1: number, wLimit: number): 'reached' | 'floor' | 'limit' {
  const { motion, nextFloor } = run;
  const v0 = motion.speed;
  const w0 = v0 * v0;
  const { c0 } = coasting;
  let end = w1;
  let distance = w0 === w1 ? 0 : coastDistance(coasting, w0, w1);
  let reached: 'reached' | 'floor' | 'limit' = 'reached';
  if (c0 <= 0 && w1 === wLimit) distance = DISTANCE_LIMIT - motion.distance;
  if (motion.distance + distance >= DISTANCE_LIMIT) {
    reached = 'limit';
    distance = DISTANCE_LIMIT - motion.distance;
    end = wLimit;
  }
  if (motion.distance + distance > nextFloor) {
    reached = 'floor';
    distance = nextFloor - motion.distance;
    end = Math.max(coastSpeedSquared(coasting, w0, distance), 0);
  }
  const timeTo = (x: number): number => {
    if (x <= 0) return 0;
    const v = x >= distance && end === 0 ? 0 : Math.sqrt(Math.max(coastSpeedSquared(coasting, w0, x), 0));
    return coastTime(coasting, v0, v, x);
  };
  let time = timeTo(distance);
  if (motion.time + time > TIME_LIMIT) {
    reached = 'limit';
    distance = bisect((x) => motion.time + timeTo(x) < TIME_LIMIT, 0, distance, 60).high;
    time = TIME_LIMIT - motion.time;
    end = Math.max(coastSpeedSquared(coasting, w0, distance), 0);
  }
  finish(run, coasting, distance, time, end, timeTo);
  return reached;
}

/** Takes the coasting into the run. Load, and with it rolling resistance, is linear in the acceleration, and ∫ a dx = ½ Δv². */
function finish(run: Run, coasting: Coasting, distance: number, time: number, w1: number, timeTo: (x: number) => number): void {
  const { car, motion } = run;
  const { contact, effectiveMass, bearing, c0 } = coasting;
  const w0 = motion.speed ** 2;
  const [x0, t0] = [motion.distance, motion.time];
  passMarks(run, x0, x0 + distance, (mark) => t0 + timeTo(mark - x0));
  if (run.trace) traceCoast(run, coasting, distance, timeTo);
  const loadPath = driveLoad(car, contact, 0) * distance + (driveLoad(car, contact, 1) - driveLoad(car, contact, 0)) * ((w1 - w0) / 2);
  motion.spent.driveBearing += (bearing / car.radius) * distance;
  motion.spent.rolling += rollingWork(car, loadPath, distance);
  motion.spent.air += effectiveMass * ((w0 - w1) / 2 - c0 * distance);
  motion.distance = x0 + distance;
  motion.time = t0 + time;
  motion.angle += distance / car.radius;
  motion.speed = Math.sqrt(w1);
  motion.spin = motion.speed / car.radius;
  motion.topSpeed = Math.max(motion.topSpeed, motion.speed);
}

function traceCoast(run: Run, coasting: Coasting, distance: number, timeTo: (x: number) => number): void {
  const { car, motion, rolling } = run;
  for (let k = 0; k <= SAMPLES; k++) {
    // Closer together toward the stop, where the speed changes fastest.
    const x = distance * (1 - (1 - k / SAMPLES) ** 2);
    const w = Math.max(coastSpeedSquared(coasting, motion.speed ** 2, x), 0);
    const load = driveLoad(car, coasting.contact, rollingAcceleration(rolling, w));
    recordRow(run.trace!, {
      time: motion.time + timeTo(x),
      distance: motion.distance + x,
      speed: Math.sqrt(w),
      wheelSpeed: Math.sqrt(w),
      angle: motion.angle + x / car.radius,
      thrust: 0,
      gripLimit: gripLimit(car, load, 0),
      resistance: resistanceAt(car, coasting.bearing, load, 0, w),
      tension: 0,
      phase: 'coasting',
    });
  }
}
