import type { Derivative } from '../numerics/dormand-prince.ts';
import type { MotorPoint } from '../motor/motor.ts';
import { armLoad, bearingTorque, driveRolling, otherRolling, slideWith } from './forces.ts';
import { evaluateMotor, type Motion, type Run } from './motion.ts';
import { AIR, ANGLE, ARM, BEARING, ROLLING, SIZE, SLID, SLIP, SPIN, U, V, WASHER, X, type SlideWork } from './slide-state.ts';

/**
 * Sliding: the tyre passes slidingGrip · N_d whatever the wheel does, so car and wheel move apart, each by its own
 * equation, stepped in time:
 *   car    (m + I_o/R_o²) a = F − rolling − bearing − air − slope
 *   wheel  (I_d + I_m) dω/dt = τ − bearing − Crr_d N_d R − F R − ½ I_m′ ω²
 */

/** rad/s² of the drive wheel while its tyre slides, as `run.sliding` has it; `bearing` in N·m. */
function spinUp({ car, sliding }: Run, motor: MotorPoint, bearing: number, spin: number): number {
  const against = bearing + (driveRolling(car, sliding.tyreLoad, 0) + sliding.force) * car.radius;
  return (motor.torque - against - 0.5 * motor.inertiaSlope * spin * spin) / (car.driveInertia + motor.inertia);
}

/** Torque left to pull the motor's own parts along, N·m: its string is slack below 0. */
export function pullLeft(run: Run, v: number, spin: number, u: number): number {
  const motor = evaluateMotor(run, u);
  slideWith(run.car, run.sliding, run.motion.slideDirection, v, armLoad(run.car, motor.torque));
  return motor.torque - motor.inertia * spinUp(run, motor, bearingTorque(run.car, motor), spin) - 0.5 * motor.inertiaSlope * spin * spin;
}

/** The right-hand side while motor, slide and wheel stay as they are now. */
export function slideEquations(run: Run): Derivative {
  const { car, motion, sliding } = run;
  const { wheelHeld, slideDirection: direction } = motion;
  const isUnwinding = !wheelHeld && motion.phase !== 'gone';
  return (state, rate) => {
    const v = state[V]!;
    const spin = wheelHeld ? 0 : state[SPIN]!;
    const motor = evaluateMotor(run, state[U]!);
    const arm = armLoad(car, motor.torque);
    slideWith(car, sliding, direction, v, arm);
    const bearing = bearingTorque(run.car, motor);
    const gap = car.radius * spin - v;
    rate[X] = v;
    rate[V] = sliding.acceleration;
    rate[SPIN] = wheelHeld ? 0 : spinUp(run, motor, bearing, spin);
    rate[U] = isUnwinding ? spin / motor.angleSlope : 0;
    rate[ANGLE] = spin;
    rate[SLIP] = sliding.force * gap;
    rate[BEARING] = bearing * spin;
    rate[ROLLING] = driveRolling(car, sliding.load, arm) * car.radius * spin + otherRolling(car, sliding.load) * v;
    rate[AIR] = car.airFactor * v * v * v;
    rate[SLID] = direction * gap;
    rate[ARM] = car.armFriction * arm * v;
    rate[WASHER] = motor.washerTorque * spin;
  };
}

/** Puts the run's present state at the step's beginning; what adds up begins at zero. */
export function loadState({ step }: SlideWork, motion: Motion): void {
  step.start.fill(0);
  step.start[X] = motion.distance;
  step.start[V] = motion.speed;
  step.start[SPIN] = motion.spin;
  step.start[U] = motion.u;
  step.start[ANGLE] = motion.angle;
}

/** Goes on from the end of the step: the last rates are the next step's first. */
export function nextStep({ step }: SlideWork): void {
  const [first, , , , , , last] = step.rates;
  for (let i = 0; i < SIZE; i++) {
    step.start[i] = i < SLIP ? step.end[i]! : 0;
    first[i] = last[i]!;
  }
}

/** Takes the end of the step into the run: where it is, and what was spent. */
export function takeState({ step: { end } }: SlideWork, motion: Motion, duration: number): void {
  motion.time += duration;
  motion.distance = end[X]!;
  motion.speed = end[V]!;
  motion.spin = motion.wheelHeld ? 0 : end[SPIN]!;
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
}
