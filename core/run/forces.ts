import { AIR_DENSITY, GRAVITY } from '../constants.ts';
import type { Motor, MotorPoint } from '../motor/motor.ts';
import type { RunSetup, SurfaceSetup } from './run-setup.ts';

/**
 * The forces on a car that do not depend on where it is on its floor. N, kg, m.
 *
 * The load on the drive wheels follows the acceleration a: N_d = loadBase + loadPerAcceleration · a, held within 0 … weight
 * (moments about the contact of the other wheels).
 */
export interface Car {
  /** m */
  readonly radius: number;
  readonly weight: number;
  readonly climb: number;
  /** ½ρ·Cd·A, kg/m: air drag is this times v². */
  readonly airFactor: number;
  readonly otherBearing: number;
  /** Coefficient times journal radius, m: drive bearing torque is this times the load on the bearing. */
  readonly bearingLever: number;
  /** Load the drive axle's bearings carry at rest from the car's weight, N. */
  readonly bearingLoad: number;
  readonly rollingDrive: number;
  readonly rollingOther: number;
  readonly staticGrip: number;
  readonly slidingGrip: number;
  readonly loadBase: number;
  readonly loadPerAcceleration: number;
  /** kg·m² of the drive wheelset. */
  readonly driveInertia: number;
  /** m + I_o/R_o²: what the tyre force has to accelerate, kg. */
  readonly slidingMass: number;
  /** m + I_d/R² + I_o/R_o²: what the motor has to accelerate, without its own moving parts, kg. */
  readonly rollingMass: number;
  /** Trailing arm: torque over this is the weight it takes off the roller, m; 0 without one. And its coefficient of friction. */
  readonly armLever: number;
  readonly armFriction: number;
}

/** A floor that the car comes to, from m on. */
export interface FloorAhead {
  readonly from: number;
  readonly car: Car;
}

const within = (value: number, low: number, high: number): number => Math.min(Math.max(value, low), high);

/** The forces and masses of a car that stay the same on one floor, from its setup. N, kg, m. */
export function carForces({ car }: RunSetup, surface: SurfaceSetup, { arm }: Motor): Car {
  const { driveWheels, otherWheels } = car;
  const weight = car.mass * GRAVITY * Math.cos(surface.slope);
  const climb = car.mass * GRAVITY * Math.sin(surface.slope);
  const lean = otherWheels === null ? 0 : ((car.driveAxle === 'rear' ? 1 : -1) * car.massHeight) / car.wheelbase;
  const loadBase = otherWheels === null ? weight : car.driveLoadShare * weight + lean * climb;
  const restLoad = within(loadBase, 0, weight);
  const hanging = (load: number, wheelMass: number): number => Math.max(0, load - wheelMass * GRAVITY * Math.cos(surface.slope));
  const slidingMass = car.mass + (otherWheels ? otherWheels.inertia / otherWheels.radius ** 2 : 0);
  return {
    radius: driveWheels.radius,
    weight,
    climb,
    airFactor: 0.5 * AIR_DENSITY * car.dragArea,
    otherBearing: otherWheels
      ? (car.bearingFriction * otherWheels.journalRadius * hanging(weight - restLoad, otherWheels.mass)) / otherWheels.radius
      : 0,
    // A roller on a twisted band turns on its washer alone.
    bearingLever: arm ? 0 : car.bearingFriction * driveWheels.journalRadius,
    bearingLoad: hanging(restLoad, driveWheels.mass),
    rollingDrive: surface.rollingResistanceDrive,
    rollingOther: otherWheels ? (surface.rollingResistanceOther ?? 0) : 0,
    staticGrip: surface.staticGrip,
    slidingGrip: surface.slidingGrip,
    loadBase,
    loadPerAcceleration: lean * car.mass,
    driveInertia: driveWheels.inertia,
    slidingMass,
    rollingMass: slidingMass + driveWheels.inertia / driveWheels.radius ** 2,
    armLever: arm ? arm.length + arm.friction * driveWheels.radius : 0,
    armFriction: arm ? arm.friction : 0,
  };
}

const NO_FLOORS: readonly FloorAhead[] = [];

/** The car on each floor to come. */
export const floorsAhead = (setup: RunSetup, motor: Motor): readonly FloorAhead[] =>
  setup.stretches?.map((stretch) => ({ from: stretch.from, car: carForces(setup, stretch, motor) })) ?? NO_FLOORS;

/** Drive bearing torque, N·m: the tension presses the axle into its bearing along with the weight. */
export function bearingTorque(car: Car, { tension, directionCos, directionSin }: MotorPoint): number {
  const along = tension * directionCos;
  const down = car.bearingLoad + tension * directionSin;
  // Not Math.hypot: no overflow to guard against, and it is several times slower.
  return car.bearingLever * Math.sqrt(along * along + down * down);
}

/** What holds the car back besides its drive wheels, N: arm, other wheels, slope and air. `load` on the drive axle, N. */
export const bodyResistance = (car: Car, load: number, arm: number, vSquared: number): number =>
  car.armFriction * arm + otherRolling(car, load) + car.otherBearing + car.climb + car.airFactor * vSquared;

/** Rolling resistance of the drive wheels, N, of whose load a trailing arm carries `arm`. */
export const driveRolling = (car: Car, load: number, arm: number): number => car.rollingDrive * Math.max(0, load - arm);

/** Rolling resistance of the other wheels, N, with `load` on the drive axle. */
export const otherRolling = (car: Car, load: number): number => car.rollingOther * (car.weight - load);

/** Work of rolling over a distance, J: `loadPath` is the load on the drive axle integrated along it, N·m. No arm carries any of it. */
export const rollingWork = (car: Car, loadPath: number, distance: number): number =>
  car.rollingDrive * loadPath + car.rollingOther * (car.weight * distance - loadPath);

/** All that holds the car back, N at the tyre: `bearing` is the drive bearing's torque, N·m. */
export const resistanceAt = (car: Car, bearing: number, load: number, arm: number, vSquared: number): number =>
  bearing / car.radius + driveRolling(car, load, arm) + bodyResistance(car, load, arm, vSquared);

/** Weight that an arm takes off the roller while the motor pulls, or pulls back, with `torque`, N: moments about the axle. */
export const armLoad = (car: Car, torque: number): number => (car.armLever > 0 ? Math.abs(torque) / car.armLever : 0);

/** How the weight stands: on all wheels, on the drive wheels alone (the others lifted), or off the drive wheels. */
export type WheelContact = 'all' | 'drive' | 'other';

/**
 * Rolling without slip, at a place and speed: M a = push − drag v². Which contact holds is decided by `settle`.
 * Reused scratch: copy what must last.
 */
export interface Rolling {
  contact: WheelContact;
  /** Mass term with the motor's moving parts, kg. */
  mass: number;
  /** Mass term that also carries what shifting load does to rolling resistance, kg. */
  effectiveMass: number;
  /** Force that does not depend on speed, N; and the factor of v², kg/m. */
  push: number;
  drag: number;
  /** dM/dx, kg/m. */
  massSlope: number;
  /** Drive bearing torque, N·m. */
  bearing: number;
  thrust: number;
  /** Load a trailing arm takes off the tyre, N. */
  arm: number;
}

/** Room for what `rollWith` finds. */
export const makeRolling = (): Rolling => ({
  contact: 'all',
  mass: 0,
  effectiveMass: 0,
  push: 0,
  drag: 0,
  massSlope: 0,
  bearing: 0,
  thrust: 0,
  arm: 0,
});

/** Drive-axle load of a contact at rest, N, and what it gains for each m/s². */
export const baseOf = (car: Car, contact: WheelContact): number =>
  contact === 'all' ? car.loadBase : contact === 'drive' ? car.weight : 0;
/** N of drive-wheel load for each m/s² of acceleration, with the wheels in contact that are; 0 on one axle alone. */
export const slopeOf = (car: Car, contact: WheelContact): number => (contact === 'all' ? car.loadPerAcceleration : 0);

/** The contact with which rolling at the speed `v` agrees with the load it causes. Where the load cannot be solved, all weight is on the drive wheels. */
export function settle(car: Car, rolling: Rolling, motor: MotorPoint, v: number): WheelContact {
  if (car.loadPerAcceleration === 0) return car.loadBase >= car.weight ? 'drive' : car.loadBase <= 0 ? 'other' : 'all';
  rollWith(car, rolling, motor, 'all');
  if (rolling.effectiveMass <= 0) return 'drive';
  const load = driveLoad(car, 'all', rollingAcceleration(rolling, v * v));
  return load > car.weight ? 'drive' : load < 0 ? 'other' : 'all';
}

/** Fills `rolling` for one contact. */
export function rollWith(car: Car, rolling: Rolling, motor: MotorPoint, contact: WheelContact): void {
  const base = baseOf(car, contact);
  const R = car.radius;
  rolling.contact = contact;
  rolling.bearing = bearingTorque(car, motor);
  rolling.mass = car.rollingMass + motor.inertia / (R * R);
  rolling.effectiveMass = rolling.mass + (car.rollingDrive - car.rollingOther) * slopeOf(car, contact);
  rolling.massSlope = motor.inertiaSlope / (R * R * R);
  rolling.thrust = motor.torque / R;
  rolling.arm = armLoad(car, motor.torque);
  rolling.push = rolling.thrust - resistanceAt(car, rolling.bearing, base, rolling.arm, 0);
  rolling.drag = car.airFactor + rolling.massSlope / 2;
}

/** m/s² of a rolling car at a squared speed, m²/s². */
export const rollingAcceleration = (rolling: Rolling, vSquared: number): number =>
  (rolling.push - rolling.drag * vSquared) / rolling.effectiveMass;

/** Load on the drive wheels in a contact at the acceleration `a`, N, before it is held within 0 … weight for 'all'. */
export const driveLoad = (car: Car, contact: WheelContact, a: number): number => baseOf(car, contact) + slopeOf(car, contact) * a;

/** Force the tyre has to pass to the floor for rolling with the acceleration `a`, N, forward positive. */
export const tyreForce = (car: Car, load: number, arm: number, a: number, vSquared: number): number =>
  car.slidingMass * a + bodyResistance(car, load, arm, vSquared);

/** Most the tyre can pass before it slides, N. */
export const gripLimit = (car: Car, load: number, arm: number): number => car.staticGrip * Math.max(0, load - arm);

/** Sliding: what the floor gives and what the car does with it. Reused scratch. */
export interface Sliding {
  /** Load on the drive axle, and what of it a trailing arm leaves to the tyre, N. */
  load: number;
  tyreLoad: number;
  /** Force of the floor on the tyre, N, forward positive. */
  force: number;
  acceleration: number;
}

/** Room for what `slideWith` finds. */
export const makeSliding = (): Sliding => ({ load: 0, tyreLoad: 0, force: 0, acceleration: 0 });

/** A tyre sliding at the car speed `v`, pushing the car forward (`direction` 1) or holding it back (−1). */
export function slideWith(car: Car, sliding: Sliding, direction: 1 | -1, v: number, arm: number): void {
  const grip = direction * car.slidingGrip;
  const vSquared = v * v;
  // Moments about the other wheels' contact: m a = grip (load − arm) − resistance, and the load follows a.
  const coupling = car.slidingMass - (grip + car.rollingOther) * car.loadPerAcceleration;
  let load = car.weight;
  if (coupling > 0) {
    const free = (grip * (car.loadBase - arm) - bodyResistance(car, car.loadBase, arm, vSquared)) / coupling;
    load = within(car.loadBase + car.loadPerAcceleration * free, 0, car.weight);
  }
  sliding.load = load;
  sliding.tyreLoad = Math.max(0, load - arm);
  sliding.force = grip * sliding.tyreLoad;
  sliding.acceleration = (sliding.force - bodyResistance(car, load, arm, vSquared)) / car.slidingMass;
}
