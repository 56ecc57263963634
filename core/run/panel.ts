import { integrate, crossing, NODES, POINTS, tail } from '../numerics/chebyshev.ts';
import { rollWith, type Stance } from './forces.ts';
import { evaluateMotor, type Run } from './motion.ts';

/** Two last Chebyshev coefficients must be below this share of the energy, and of the time, in a panel. */
const RESOLVED = 1e-6;

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
  source: column(),
  growth: column(),
  exponent: column(),
  work: column(),
  energy: column(),
  vSquared: column(),
  acceleration: column(),
  load: column(),
  resistance: column(),
  distance: column(),
  timeRate: column(),
  time: column(),
  margin: column(),
};

/** Where a panel begins or ends at rest, the coordinate bends as a sine, so that time stays smooth in it. */
const SINE_SLOPE = NODES.map((s) => (Math.PI / 2) * Math.cos((Math.PI / 2) * s));
export const placeAt = (from: number, to: number, bent: boolean, s: number): number =>
  s === 1 ? to : (from + to) / 2 + ((to - from) / 2) * (bent ? Math.sin((Math.PI / 2) * s) : s);

/** Fills the panel from coordinate `from` to `to` and solves for the kinetic energy, beginning at `energy` J. */

export function solve(run: Run, stance: Stance, from: number, to: number, bent: boolean, energy: number): void {
  const { car, rolling } = run;
  const half = (to - from) / 2;
  for (let j = 0; j < POINTS; j++) {
    const motor = evaluateMotor(run, placeAt(from, to, bent, NODES[j]!));
    rollWith(car, rolling, motor, stance);
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
    panel.source[j] = (rolling.mass / rolling.effectiveMass) * rolling.push * path;
    panel.growth[j] = (rolling.massSlope / rolling.mass - (2 * rolling.drag) / rolling.effectiveMass) * path;
  }
  integrate(panel.growth, panel.exponent);
  for (let j = 0; j < POINTS; j++) panel.work[j] = Math.exp(-panel.exponent[j]!) * panel.source[j]!;
  integrate(panel.work, panel.energy);
  for (let j = 0; j < POINTS; j++) {
    panel.energy[j] = Math.exp(panel.exponent[j]!) * (energy + panel.energy[j]!);
    const vSquared = (2 * panel.energy[j]!) / panel.mass[j]!;
    panel.vSquared[j] = vSquared;
    panel.acceleration[j] = (panel.push[j]! - panel.drag[j]! * vSquared) / panel.effectiveMass[j]!;
  }
}

const largest = (values: Float64Array): number => {
  let most = 0;
  for (let j = 0; j < POINTS; j++) most = Math.max(most, Math.abs(values[j]!));
  return most;
};

/** Whether the panel is short enough for its forces; energies are held against the energy in play. */
export const isForceResolved = (energyScale: number): boolean => {
  const scale = RESOLVED * Math.max(largest(panel.energy), 1e-2 * energyScale);
  return tail(panel.growth) <= RESOLVED && tail(panel.work) <= scale && tail(panel.source) <= scale;
};

/** Time and distance along the solved panel. At an end at rest, dt/ds has the limit π/(2√2) √(X/|a|), X the panel's path at that end's pace. */
export function timePanel(run: Run, from: number, to: number, bent: boolean, startsAtRest: boolean, stops: boolean): void {
  const { timeRate, path, vSquared, acceleration } = panel;
  for (let j = 0; j < POINTS; j++) timeRate[j] = path[j]! / Math.sqrt(vSquared[j]!);
  const atRest = (j: number, u: number): void => {
    const pace = Math.abs(run.car.radius * evaluateMotor(run, u).angleSlope * (to - from));
    timeRate[j] = (Math.PI / (2 * Math.SQRT2)) * Math.sqrt(pace / Math.abs(acceleration[j]!));
  };
  if (bent) {
    if (startsAtRest) atRest(0, from);
    else timeRate[0] = 0;
    if (stops) atRest(POINTS - 1, to);
    else timeRate[POINTS - 1] = 0;
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

/** Whether it is short enough for its times too. */
export const isTimeResolved = (run: Run): boolean => tail(panel.timeRate) <= RESOLVED * (run.motion.time + panel.time[POINTS - 1]!);
