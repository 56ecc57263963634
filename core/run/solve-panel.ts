import { crossing, firstFall, integrate, NODES, POINTS, tail } from '../numerics/chebyshev.ts';
import { baseOf, rollWith, slopeOf, tyreForce, type WheelContact } from './forces.ts';
import { evaluateMotor, type Run } from './motion.ts';
import type { Panel } from './panel.ts';

const QUARTER_TURN = Math.PI / 2;
const SINE = NODES.map((s) => Math.sin(QUARTER_TURN * s));
const SINE_SLOPE = NODES.map((s) => QUARTER_TURN * Math.cos(QUARTER_TURN * s));

/** The path's coordinate at s in [−1, 1] of a panel. */
export const placeAt = ({ from, to, isBent }: Panel, s: number): number =>
  s === 1 ? to : (from + to) / 2 + ((to - from) / 2) * (isBent ? Math.sin(QUARTER_TURN * s) : s);

/** Fills the panel with motor and car from coordinate `from` to `to`: all that does not depend on the speed. */
export function layPanel(run: Run, contact: WheelContact, from: number, to: number, isBent: boolean): void {
  const { car, panel, rolling } = run;
  panel.from = from;
  panel.to = to;
  panel.isBent = isBent;
  panel.contact = contact;
  const half = (to - from) / 2;
  const middle = (from + to) / 2;
  for (let j = 0; j < POINTS; j++) {
    const u = j === POINTS - 1 ? to : middle + half * (isBent ? SINE[j]! : NODES[j]!);
    const motor = evaluateMotor(run, u);
    rollWith(car, rolling, motor, contact);
    const turn = motor.angleSlope * half * (isBent ? SINE_SLOPE[j]! : 1);
    const path = car.radius * turn;
    panel.turn[j] = turn;
    panel.path[j] = path;
    panel.torque[j] = motor.torque;
    panel.tension[j] = motor.tension;
    panel.inertia[j] = motor.inertia;
    panel.inertiaSlope[j] = motor.inertiaSlope;
    panel.washer[j] = motor.washerTorque;
    panel.mass[j] = rolling.mass;
    panel.effectiveMass[j] = rolling.effectiveMass;
    panel.push[j] = rolling.push;
    panel.drag[j] = rolling.drag;
    panel.thrust[j] = rolling.thrust;
    panel.bearing[j] = rolling.bearing;
    panel.arm[j] = rolling.arm;
    panel.source[j] = (rolling.mass / rolling.effectiveMass) * rolling.push * path;
    panel.growth[j] = (rolling.massSlope / rolling.mass - (2 * rolling.drag) / rolling.effectiveMass) * path;
  }
}

/** Solves the laid panel for the kinetic energy, beginning at `energy` J, and what follows from it. */
export function solvePanel(run: Run, energy: number): void {
  const { car, panel } = run;
  const { source, growth, factor, work } = panel;
  integrate(growth, factor);
  for (let j = 0; j < POINTS; j++) {
    factor[j] = Math.exp(factor[j]!);
    work[j] = source[j]! / factor[j]!;
  }
  integrate(work, panel.energy);
  const base = baseOf(car, panel.contact);
  const slope = slopeOf(car, panel.contact);
  for (let j = 0; j < POINTS; j++) {
    panel.energy[j] = factor[j]! * (energy + panel.energy[j]!);
    const vSquared = (2 * panel.energy[j]!) / panel.mass[j]!;
    const a = (panel.push[j]! - panel.drag[j]! * vSquared) / panel.effectiveMass[j]!;
    const load = base + slope * a;
    panel.vSquared[j] = vSquared;
    panel.acceleration[j] = a;
    panel.load[j] = load;
    panel.force[j] = tyreForce(car, load, panel.arm[j]!, a, vSquared);
  }
}

function largest(values: Float64Array): number {
  let most = 0;
  for (let j = 0; j < POINTS; j++) most = Math.max(most, Math.abs(values[j]!));
  return most;
}

/** Fraction of what was wound in below which a panel's energy moves nobody: it need not be determined finer. */
const NEXT_TO_NOTHING = 1e-13;

/** Whether next to no energy is left in the panel: nothing of it is seen in distance or time. */
export const isAllButSpent = ({ panel, motor }: Run): boolean => largest(panel.energy) < NEXT_TO_NOTHING * motor.storedEnergy;

/** How much coarser than wanted the panel is for its forces: at most 1 where it is short enough. Energies are held against the energy in play, J. */
export function forceCoarseness({ panel, resolved }: Run, energyInPlay: number): number {
  // What is left of a run after a hundredth of its energy is not seen in its distance.
  const scale = Math.max(largest(panel.energy), 1e-2 * energyInPlay);
  return Math.max(tail(panel.growth), tail(panel.work) / scale, tail(panel.source) / scale) / resolved;
}

/** The same for its times. */
export const timeCoarseness = ({ panel, resolved, motion }: Run): number =>
  tail(panel.timeRate) / (resolved * (motion.time + panel.time[POINTS - 1]!));

/** Forces count as equal within this fraction of the weight: rounding, many times over. */
const ROUNDING = 1e-11;

/** Where the energy is used up; NaN where the car goes on. */
export const whereItStops = ({ panel }: Run): number => firstFall(panel.energy, 0);

/** N by which the tyre’s grip at the panel’s end is more than it has to hold. */
export const gripLeft = ({ car, panel: { load, arm, force } }: Run): number =>
  car.staticGrip * (load[POINTS - 1]! - arm[POINTS - 1]!) - Math.abs(force[POINTS - 1]!);

/** Where the tyre's force, of this sign, first outgrows its grip; NaN when it holds. */
export function whereItSlips({ car, panel }: Run, sign: 1 | -1): number {
  const { margin, load, arm, force } = panel;
  // Not held above 0 where an arm lifts the roller: it slips before, and a kink beyond would move that place.
  for (let j = 0; j < POINTS; j++) margin[j] = car.staticGrip * (load[j]! - arm[j]!) - sign * force[j]!;
  return firstFall(margin, ROUNDING * car.weight);
}

/** Where wheels lift (`sign` −1: those of the other axle) or come down again, as the load with all wheels down has it; NaN when they stay. */
export function whereWheelsMove({ car, panel }: Run, sign: 1 | -1, offset: number): number {
  const { margin, acceleration } = panel;
  for (let j = 0; j < POINTS; j++) margin[j] = offset + sign * (car.loadBase + car.loadPerAcceleration * acceleration[j]!);
  return firstFall(margin, ROUNDING * car.weight);
}

/** Where a lever first cannot keep up with the axle: τ − Iθ̈ − ½I′θ̇² falls to zero; NaN when it keeps up. */
export function whereStringGoesSlack({ car, panel }: Run): number {
  const { margin, torque, inertia, inertiaSlope, acceleration, vSquared } = panel;
  const R = car.radius;
  for (let j = 0; j < POINTS; j++)
    margin[j] = torque[j]! - (inertia[j]! * acceleration[j]!) / R - (inertiaSlope[j]! * vSquared[j]!) / (2 * R * R);
  return firstFall(margin, ROUNDING * torque[0]!);
}

/** dt/ds at an end at rest: π/(2√2) √(X/|a|), X the panel's path at that end's pace. */
const timeRateAtRest = (run: Run, u: number, acceleration: number): number => {
  const { car, panel } = run;
  const pace = car.radius * evaluateMotor(run, u).angleSlope * (panel.to - panel.from);
  return (Math.PI / (2 * Math.SQRT2)) * Math.sqrt(Math.abs(pace / acceleration));
};

/** Time and distance along the solved panel, which may begin or end at rest. */
export function timePanel(run: Run, startsAtRest: boolean, stops: boolean): void {
  const { panel } = run;
  const { timeRate, path, vSquared, acceleration } = panel;
  for (let j = 0; j < POINTS; j++) timeRate[j] = path[j]! / Math.sqrt(vSquared[j]!);
  if (panel.isBent) {
    timeRate[0] = startsAtRest ? timeRateAtRest(run, panel.from, acceleration[0]!) : 0;
    timeRate[POINTS - 1] = stops ? timeRateAtRest(run, panel.to, acceleration[POINTS - 1]!) : 0;
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
