import type { Motor, MotorPoint, Segment } from '../motor/motor.ts';
import type { Car, FloorAhead } from './forces.ts';
import type { Trace } from './trace.ts';
import type { Workspace } from './workspace.ts';

/** A run still rolling after this long or this far is ended there. */
export const TIME_LIMIT = 600;
export const DISTANCE_LIMIT = 1000;

/** How the tyre meets the floor next, or how the run ended. */
export type Regime = 'roll' | 'slide' | 'stopped' | 'stalled' | 'limit';

/** J spent so far on what is added up along the run. */
export interface Spent {
  /** On the stretches left behind: what rises with the distance alone. */
  otherBearing: number;
  climb: number;
  slip: number;
  driveBearing: number;
  rolling: number;
  air: number;
  arm: number;
  washer: number;
}

/** The state of one run, changed in place as it goes. SI units. */
export interface Motion {
  time: number;
  distance: number;
  speed: number;
  /** rad/s of the drive axle. */
  spin: number;
  /** rad the drive axle has turned since release. */
  angle: number;
  /** Where on the motor's path: its phase, the segment, and the coordinate on it. */
  phase: 'unwinding' | 'rewinding' | 'gone';
  segment: number;
  u: number;
  slideDirection: 1 | -1;
  /** The drive wheel has been brought to rest while the car still slides. */
  wheelHeld: boolean;
  topSpeed: number;
  slipTime: number;
  slipDistance: number;
  powerEnd: { readonly time: number; readonly distance: number } | null;
  wheelie: boolean;
  /** J: kinetic energy of the motor's parts when it let go, and what was still wound then. */
  leverEnergy: number;
  keptEnergy: number;
  readonly spent: Spent;
}

/** Everything one run needs: the fixed, the changing, and room to work in. */
export interface Run extends Workspace {
  /** The car on the floor where it is. */
  car: Car;
  /** The car on the floors to come, each from its distance on, m; and where the next begins, Infinity where none does. */
  readonly floors: readonly FloorAhead[];
  floor: number;
  nextFloor: number;
  /** m at which the present floor began. */
  floorFrom: number;
  readonly hasOtherWheels: boolean;
  readonly motor: Motor;
  readonly motion: Motion;
  readonly marks: Mark[];
  readonly trace: Trace | null;
  /** Two last Chebyshev coefficients of a panel must be below this fraction of the energy, and of the time, in it. */
  readonly resolved: number;
}

/** A distance to be timed, m, and the time it was passed, s. */
export interface Mark {
  readonly distance: number;
  time: number | null;
}

/** A run at release: the car at the line, the motor wound, nothing spent. */
export function startRun(
  { point, rolling, sliding, panel, slideWork }: Workspace,
  {
    car,
    floors,
    hasOtherWheels,
    motor,
    marks,
    trace,
    resolved,
  }: Omit<Run, keyof Workspace | 'motion' | 'marks' | 'floor' | 'nextFloor' | 'floorFrom'> & { readonly marks: readonly number[] },
): Run {
  return {
    car,
    floors,
    floor: 0,
    nextFloor: floors[0]?.from ?? Infinity,
    floorFrom: 0,
    hasOtherWheels,
    motor,
    marks: marks.map((distance) => ({ distance, time: null })),
    trace,
    resolved,
    // Named one by one: an object put together from others is slower to read.
    point,
    rolling,
    sliding,
    panel,
    slideWork,
    motion: {
      time: 0,
      distance: 0,
      speed: 0,
      spin: 0,
      angle: 0,
      phase: 'unwinding',
      segment: motor.first,
      u: motor.segments[motor.first]!.from,
      slideDirection: 1,
      wheelHeld: false,
      topSpeed: 0,
      slipTime: 0,
      slipDistance: 0,
      powerEnd: null,
      wheelie: false,
      leverEnergy: 0,
      keptEnergy: 0,
      spent: { otherBearing: 0, climb: 0, slip: 0, driveBearing: 0, rolling: 0, air: 0, arm: 0, washer: 0 },
    },
  };
}

/** On from one floor to the next, at the place where that begins: speed and what is wound stay as they are. */
export function crossToNextFloor(run: Run): void {
  const { car, motion, floors } = run;
  motion.spent.otherBearing += car.otherBearing * (run.nextFloor - run.floorFrom);
  motion.spent.climb += car.climb * (run.nextFloor - run.floorFrom);
  // A mark may stand where the floors meet.
  passMarks(run, motion.distance, run.nextFloor, () => motion.time);
  motion.distance = run.floorFrom = run.nextFloor;
  run.car = floors[run.floor]!.car;
  run.floor += 1;
  run.nextFloor = floors[run.floor]?.from ?? Infinity;
}

/** The tyre slides toward the side that a needed force, N, asks for. */
export function slideToward({ motion }: Run, force: number): Regime {
  motion.slideDirection = force > 0 ? 1 : -1;
  return 'slide';
}

/** The segment of the motor's path on which the run is. */
export const currentSegment = (run: Run): Segment => run.motor.segments[run.motion.segment]!;

/** The coordinate at which the present segment will be left. Wound up the other way, a motor is wound past where it began. */
export function segmentGoal(run: Run): number {
  const segment = currentSegment(run);
  if (run.motion.phase === 'unwinding') return segment.to;
  return run.motion.segment === 0 ? segment.overwound : segment.from;
}

/**
 * What the motor does at `u` in the run's present phase, into `run.point`. Wound up again the other way it pulls back
 * with all it held: same radius and direction, no hysteresis, θ counted onward, a washer's friction on top. Gone, it does nothing.
 */
export function evaluateMotor(run: Run, u: number): MotorPoint {
  const { point, motion } = run;
  if (motion.phase === 'gone') {
    point.angleSlope = point.heldTorque = point.torque = point.tension = point.directionSin = 0;
    point.inertia = point.inertiaSlope = point.washerTorque = point.heldWasher = 0;
    point.directionCos = 1;
    return point;
  }
  currentSegment(run).evaluate(u, point);
  if (motion.phase === 'rewinding') {
    point.angleSlope = -point.angleSlope;
    point.tension /= run.motor.efficiency;
    point.torque = -(point.heldTorque + point.heldWasher);
    point.washerTorque = point.heldWasher;
    point.inertiaSlope = -point.inertiaSlope;
  }
  return point;
}

/** Leaves the present segment at its goal: on to the next, or the motor begins to wind up again or lets go. False: it is gone. */
export function leaveSegment(run: Run): boolean {
  const { motion, motor } = run;
  if (motion.phase === 'rewinding') {
    motion.segment -= 1;
    motion.u = currentSegment(run).to;
  } else if (motion.segment < motor.segments.length - 1) {
    motion.segment += 1;
    motion.u = currentSegment(run).from;
  } else {
    motion.powerEnd = { time: motion.time, distance: motion.distance };
    if (motor.release === 'tied') motion.phase = 'rewinding';
    else letGo(run);
  }
  return motion.phase !== 'gone';
}

/** The motor lets go for good where it stands: its moving parts keep what they have, and what is wound stays wound. */
export function letGo(run: Run): void {
  const { motion } = run;
  const { inertia } = evaluateMotor(run, motion.u);
  motion.leverEnergy = 0.5 * inertia * motion.spin ** 2;
  const isSpent = motion.segment === run.motor.segments.length - 1 && motion.u === currentSegment(run).to;
  motion.keptEnergy = isSpent ? 0 : currentSegment(run).storedAt(motion.u);
  motion.powerEnd ??= { time: motion.time, distance: motion.distance };
  motion.phase = 'gone';
}

/** A tied motor that can be wound no further stops its wheel dead: what turned is lost in the jolt. */
export function holdWheel(run: Run): void {
  const { motion, car } = run;
  motion.leverEnergy += 0.5 * (car.driveInertia + evaluateMotor(run, motion.u).inertia) * motion.spin ** 2;
  motion.wheelHeld = true;
  motion.spin = 0;
}

/** Notes the time of every mark passed between `from` and `to` metres; `timeAt` gives the time at a distance. */
export function passMarks(run: Run, from: number, to: number, timeAt: (distance: number) => number): void {
  for (const mark of run.marks) if (mark.time === null && mark.distance > from && mark.distance <= to) mark.time = timeAt(mark.distance);
}
