import { crossing, firstFall, integrate, NODES, POINTS, tail } from '../numerics/chebyshev.ts';
import { rollWith, type Car, type WheelContact } from './forces.ts';
import { evaluateMotor, type Run } from './motion.ts';

const column = (): Float64Array => new Float64Array(POINTS);
/** One panel of rolling under power; scratch, one run at a time. */
export const panel = {
  /** dx/ds and dθ/ds along the panel's own coordinate s. */
  path: column(),
  turn: column(),
  mass: column(),
  effectiveMass: column(),
  push: column(),
  drag: column(),
  thrust: column(),
  tension: column(),
  bearing: column(),
  torque: column(),
  inertia: column(),
  inertiaSlope: column(),
  arm: column(),
  washer: column(),
  source: column(),
  growth: column(),
  exponent: column(),
  work: column(),
  energy: column(),
  vSquared: column(),
  acceleration: column(),
  /** Load on the drive axle, and force the tyre has to pass, N. */
  load: column(),
  force: column(),
  distance: column(),
  timeRate: column(),
  time: column(),
  scratch: column(),
};

/** Where a panel begins or ends at rest, the coordinate bends as a sine, so that time stays smooth in it. */
const SINE = NODES.map((s) => Math.sin((Math.PI / 2) * s));
const SINE_SLOPE = NODES.map((s) => (Math.PI / 2) * Math.cos((Math.PI / 2) * s));

/** The path's coordinate at s in [−1, 1] of a panel. */
export const placeAt = (from: number, to: number, bent: boolean, s: number): number =>
  s === 1 ? to : (from + to) / 2 + ((to - from) / 2) * (bent ? Math.sin((Math.PI / 2) * s) : s);

/** Fills the panel from coordinate `from` to `to` and solves for the kinetic energy, beginning at `energy` J. */
export function solve(run: Run, contact: WheelContact, from: number, to: number, bent: boolean, energy: number): void {
  const { car, rolling } = run;
  const half = (to - from) / 2;
  const middle = (from + to) / 2;
  for (let j = 0; j < POINTS; j++) {
    const u = j === POINTS - 1 ? to : middle + half * (bent ? SINE[j]! : NODES[j]!);
    const motor = evaluateMotor(run, u);
    rollWith(car, rolling, motor, contact);
    const turn = motor.angleSlope * half * (bent ? SINE_SLOPE[j]! : 1);
    const path = car.radius * turn;
    panel.turn[j] = turn;
    panel.path[j] = path;
    panel.mass[j] = rolling.mass;
    panel.effectiveMass[j] = rolling.effectiveMass;
    panel.push[j] = rolling.push;
    panel.drag[j] = rolling.drag;
    panel.thrust[j] = rolling.thrust;
    panel.tension[j] = motor.tension;
    panel.bearing[j] = rolling.bearing;
    panel.torque[j] = motor.torque;
    panel.inertia[j] = motor.inertia;
    panel.inertiaSlope[j] = motor.inertiaSlope;
    panel.arm[j] = rolling.arm;
    panel.washer[j] = motor.washerTorque;
    panel.source[j] = (rolling.mass / rolling.effectiveMass) * rolling.push * path;
    panel.growth[j] = (rolling.massSlope / rolling.mass - (2 * rolling.drag) / rolling.effectiveMass) * path;
  }
  integrate(panel.growth, panel.exponent);
  for (let j = 0; j < POINTS; j++) {
    panel.exponent[j] = Math.exp(panel.exponent[j]!);
    panel.work[j] = panel.source[j]! / panel.exponent[j]!;
  }
  integrate(panel.work, panel.energy);
  for (let j = 0; j < POINTS; j++) {
    panel.energy[j] = panel.exponent[j]! * (energy + panel.energy[j]!);
    const vSquared = (2 * panel.energy[j]!) / panel.mass[j]!;
    panel.vSquared[j] = vSquared;
    panel.acceleration[j] = (panel.push[j]! - panel.drag[j]! * vSquared) / panel.effectiveMass[j]!;
  }
}

/** Loads and tyre forces of the solved panel; `base` and `slope` give the drive-axle load of its contact. */
export function loadPanel(car: Car, base: number, slope: number): void {
  for (let j = 0; j < POINTS; j++) {
    const a = panel.acceleration[j]!;
    const load = base + slope * a;
    panel.load[j] = load;
    panel.force[j] =
      car.slidingMass * a +
      car.armFriction * panel.arm[j]! +
      car.rollingOther * (car.weight - load) +
      car.otherBearing +
      car.airFactor * panel.vSquared[j]! +
      car.climb;
  }
}

function largest(values: Float64Array): number {
  let most = 0;
  for (let j = 0; j < POINTS; j++) most = Math.max(most, Math.abs(values[j]!));
  return most;
}

/** How much coarser than wanted the panel is for its forces: at most 1 where it is short enough. Energies are held against the energy in play. */
export function forceCoarseness(run: Run, energyInPlay: number): number {
  const scale = Math.max(largest(panel.energy), 1e-2 * energyInPlay);
  return Math.max(tail(panel.growth), tail(panel.work) / scale, tail(panel.source) / scale) / run.resolved;
}

/** The same for its times. */
export const timeCoarseness = (run: Run): number => tail(panel.timeRate) / (run.resolved * (run.motion.time + panel.time[POINTS - 1]!));

/** Where `value`, a straight line `offset + sign · values`, first falls below zero; NaN when it does not. */
export function firstFallOf(values: Float64Array, sign: 1 | -1, offset: number, slack: number): number {
  for (let j = 0; j < POINTS; j++) panel.scratch[j] = offset + sign * values[j]!;
  return firstFall(panel.scratch, slack);
}

/** Where the tyre's force, of this sign, first outgrows its grip; NaN when it holds. */
export function firstSlip(car: Car, sign: 1 | -1, slack: number): number {
  for (let j = 0; j < POINTS; j++) panel.scratch[j] = car.staticGrip * Math.max(0, panel.load[j]! - panel.arm[j]!) - sign * panel.force[j]!;
  return firstFall(panel.scratch, slack);
}

/** Where a lever first cannot keep up with the axle: τ − Iθ̈ − ½I′θ̇² falls to zero; NaN when it keeps up. */
export function firstSlack(car: Car): number {
  const R = car.radius;
  for (let j = 0; j < POINTS; j++)
    panel.scratch[j] =
      panel.torque[j]! - (panel.inertia[j]! * panel.acceleration[j]!) / R - (panel.inertiaSlope[j]! * panel.vSquared[j]!) / (2 * R * R);
  return firstFall(panel.scratch, 1e-11 * panel.torque[0]!);
}

/** dt/ds at an end at rest: π/(2√2) √(X/|a|), X the panel's path at that end's pace. */
const timeRateAtRest = (run: Run, u: number, length: number, acceleration: number): number =>
  (Math.PI / (2 * Math.SQRT2)) * Math.sqrt(Math.abs((run.car.radius * evaluateMotor(run, u).angleSlope * length) / acceleration));

/** Time and distance along the solved panel. */
export function timePanel(run: Run, from: number, to: number, bent: boolean, startsAtRest: boolean, stops: boolean): void {
  const { timeRate, path, vSquared, acceleration } = panel;
  for (let j = 0; j < POINTS; j++) timeRate[j] = path[j]! / Math.sqrt(vSquared[j]!);
  if (bent) {
    timeRate[0] = startsAtRest ? timeRateAtRest(run, from, to - from, acceleration[0]!) : 0;
    timeRate[POINTS - 1] = stops ? timeRateAtRest(run, to, to - from, acceleration[POINTS - 1]!) : 0;
  }
  integrate(timeRate, panel.time);
  integrate(path, panel.distance);
}

/** Where on the panel the running total `values` (from `start`) reaches `level`. */
export function reaching(values: Float64Array, start: number, level: number): number {
  let j = 1;
  while (j < POINTS - 1 && start + values[j]! < level) j++;
  return crossing(values, NODES[j - 1]!, NODES[j]!, level - start);
}
