import { modelOf } from '../../motor/motors.ts';
import type { Band, CarDesign, MotorDesign, MotorKind } from '../car-design.ts';
import { BAND_CAR } from './band.ts';
import { LEVER_CAR } from './lever.ts';
import type { MotorRecord } from './motor-record.ts';
import { TWIST_CAR } from './twist.ts';

/** The record of each kind of motor. */
export const MOTORS: { readonly [Kind in MotorKind]: MotorRecord<Extract<MotorDesign, { kind: Kind }>> } = {
  lever: LEVER_CAR,
  band: BAND_CAR,
  twist: TWIST_CAR,
};

/** The kinds there are, in the order they are offered. */
export const MOTOR_KINDS = Object.keys(MOTORS) as readonly MotorKind[];

/** The record of what drives a car. */
export const recordOf = ({ kind }: MotorDesign): MotorRecord<MotorDesign> => MOTORS[kind] as MotorRecord<MotorDesign>;

/** Whether all of a car is one turning body with its motor inside. */
export const isRoller = ({ motor }: CarDesign): boolean => modelOf(motor).isRoller;

/** Whether rubber drives it: such a motor has bands, side by side and end to end, and is wound by turns. */
export const hasBands = (motor: MotorDesign): motor is Extract<MotorDesign, { band: Band }> => 'band' in motor;

/** Whether bands are wound until they are tight, and nobody counts. */
export const isWoundByFeel = ({ motor }: CarDesign): boolean => hasBands(motor) && motor.fullWinding === 'tight';

/** Whether string or band is wound on the drive axle: such a motor has a width of axle to wind on, and an end that lets go. */
export const isWoundOnAxle = (motor: MotorDesign): motor is Extract<MotorDesign, { windingWidth: number }> => 'windingWidth' in motor;
