import type { CarDesign } from './car-design.ts';
import { AXLE_HOOKS } from './catalogue.ts';
import { isWoundOnAxle } from './motors/motors.ts';

/** What catches string or band on the drive axle, by its word of the catalogue. */
export const axleHookKey = ({ motor }: CarDesign): keyof typeof AXLE_HOOKS => (isWoundOnAxle(motor) ? motor.axleHook : undefined) ?? 'wire';

/** What catches string or band on the drive axle. */
export const axleHookOf = (design: CarDesign): (typeof AXLE_HOOKS)[keyof typeof AXLE_HOOKS] => AXLE_HOOKS[axleHookKey(design)];
