import { POINTS } from '../numerics/chebyshev.ts';
import type { WheelContact } from './forces.ts';

/**
 * One panel of rolling under power: every quantity at the points of the panel's own coordinate s in [−1, 1]. SI units; what
 * is per unit of s says so.
 */
export interface Panel {
  /** Where it begins and ends on the motor's path; whether the path bends as a sine in s, so that time stays smooth at rest. */
  from: number;
  to: number;
  isBent: boolean;
  contact: WheelContact;
  /** dx/ds and dθ/ds. */
  readonly path: Float64Array;
  readonly turn: Float64Array;
  /** The motor: N·m, N, kg·m². */
  readonly torque: Float64Array;
  readonly tension: Float64Array;
  readonly inertia: Float64Array;
  readonly inertiaSlope: Float64Array;
  readonly washer: Float64Array;
  /** The car, see `Rolling`. */
  readonly mass: Float64Array;
  readonly effectiveMass: Float64Array;
  readonly push: Float64Array;
  readonly drag: Float64Array;
  readonly thrust: Float64Array;
  readonly bearing: Float64Array;
  readonly arm: Float64Array;
  /** dE/ds = source + growth · E, its integrating factor, and the source over that. */
  readonly source: Float64Array;
  readonly growth: Float64Array;
  readonly factor: Float64Array;
  readonly work: Float64Array;
  /** What comes of it: J, m²/s², m/s². */
  readonly energy: Float64Array;
  readonly vSquared: Float64Array;
  readonly acceleration: Float64Array;
  /** Load on the drive axle and force the tyre has to pass, N. */
  readonly load: Float64Array;
  readonly force: Float64Array;
  /** dt/ds; time and distance from the panel's beginning. */
  readonly timeRate: Float64Array;
  readonly time: Float64Array;
  readonly distance: Float64Array;
  /** What is watched for its fall below zero. */
  readonly margin: Float64Array;
  /** A loss per unit of s, to be integrated. */
  readonly loss: Float64Array;
}

const COLUMNS = 28;

/** An empty panel, to be filled again and again. */
export function makePanel(): Panel {
  // One buffer for all: they are read together.
  const buffer = new ArrayBuffer(COLUMNS * POINTS * Float64Array.BYTES_PER_ELEMENT);
  let filled = 0;
  const column = (): Float64Array => new Float64Array(buffer, filled++ * POINTS * Float64Array.BYTES_PER_ELEMENT, POINTS);
  return {
    from: 0,
    to: 0,
    isBent: false,
    contact: 'all',
    path: column(),
    turn: column(),
    torque: column(),
    tension: column(),
    inertia: column(),
    inertiaSlope: column(),
    washer: column(),
    mass: column(),
    effectiveMass: column(),
    push: column(),
    drag: column(),
    thrust: column(),
    bearing: column(),
    arm: column(),
    source: column(),
    growth: column(),
    factor: column(),
    work: column(),
    energy: column(),
    vSquared: column(),
    acceleration: column(),
    load: column(),
    force: column(),
    timeRate: column(),
    time: column(),
    distance: column(),
    margin: column(),
    loss: column(),
  };
}
