import type { MeasurementKind, MeasurementResult, InsufficientReadings } from './measured.ts';

/** What a value of a measurement can be at all, and what it usually is. SI. */
interface Bounds {
  readonly name: string;
  readonly can: readonly [least: number, most: number];
  readonly usual: readonly [low: number, high: number];
  /** What may have happened where it is not. */
  readonly look: string;
}

const NEWTON_METRES = 'check that the torque is in N·m, not in N·mm';
const METRES = 'check that lengths are in metres';
const PASCALS = 'check that the cross-section is in m² and the force in N';
const READ_AGAIN = 'repeat the reading';

/** By the key of the value. What can be: physics. What is usual of such cars: common practice, from memory. */
const BOUNDS: Readonly<Record<string, Bounds>> = {
  staticGrip: { name: 'grip', can: [0, 5], usual: [0.15, 1.5], look: 'check that the angle is in radians' },
  slidingGrip: { name: 'grip of sliding tyres', can: [0, 5], usual: [0.1, 1.4], look: 'check that the force is in N' },
  springPreload: { name: 'torque at rest', can: [0, 50], usual: [0.01, 1.5], look: NEWTON_METRES },
  springRate: { name: 'spring rate', can: [0, 50], usual: [0.01, 1.5], look: NEWTON_METRES },
  springEfficiency: {
    name: 'fraction of the energy returned',
    can: [0, 1],
    usual: [0.4, 0.98],
    look: 'check that loading and unloading are not mixed up',
  },
  bandLoss: {
    name: 'fraction kept for each length of stretch',
    can: [0, 1],
    usual: [0.005, 0.25],
    look: 'check that loading and unloading are not mixed up',
  },
  c1: { name: 'first coefficient of the rubber', can: [-1e8, 1e8], usual: [1e4, 1e6], look: PASCALS },
  c2: { name: 'second coefficient of the rubber', can: [-1e8, 1e8], usual: [-2e5, 1e6], look: PASCALS },
  given: { name: 'fraction of the energy returned', can: [0, 3], usual: [0.4, 1.3], look: READ_AGAIN },
  strength: { name: 'strength of the motor, compared with the expected value', can: [0, 20], usual: [0.5, 1.7], look: READ_AGAIN },
  bearingFriction: {
    name: 'friction of the axle',
    can: [0, 3],
    usual: [0.02, 0.6],
    look: 'check that mass, journal and moment of inertia are in SI units',
  },
  rolling: { name: 'rolling resistance, as a fraction of the weight', can: [0, 2], usual: [0.002, 0.12], look: METRES },
  v0: { name: 'speed at the first mark', can: [0, 50], usual: [0.1, 8], look: METRES },
  a0: { name: 'deceleration by rolling', can: [0, 20], usual: [0.01, 1.5], look: METRES },
  radius: { name: 'rolling radius', can: [0, 1], usual: [0.004, 0.2], look: METRES },
  outOfTrue: { name: 'out of true', can: [0, 1], usual: [0, 0.1], look: METRES },
  offCentre: { name: 'off centre', can: [0, 0.5], usual: [0, 0.01], look: METRES },
  mass: { name: 'mass', can: [0, 20], usual: [0.01, 1.5], look: 'check that weights are in kg' },
  massHeight: { name: 'height of the centre of mass', can: [0, 1], usual: [0.003, 0.2], look: READ_AGAIN },
  axleDiameter: { name: 'axle diameter', can: [0, 0.2], usual: [0.001, 0.03], look: 'check that the thread is thinner than entered' },
  tapeThickness: {
    name: 'thickness of the tape',
    can: [0, 0.02],
    usual: [2e-5, 0.002],
    look: 'check that before and after are not mixed up',
  },
  curvature: { name: 'curvature', can: [-20, 20], usual: [-1, 1], look: METRES },
  slope: { name: 'slope', can: [-0.5, 0.5], usual: [-0.03, 0.03], look: METRES },
};

/** Digits that such a figure is told with. */
const DIGITS = 3;
const figure = (value: number): string => String(Number(value.toPrecision(DIGITS)));

/** The column whose readings a kind is worked out from. */
const READ: Readonly<Record<MeasurementKind, string>> = {
  'lever-pull': 'torque',
  'band-pull': 'force',
  'rim-pull': 'force',
  tilt: 'angle',
  drag: 'force',
  ramp: 'distance',
  coast: 'times',
  'free-spin': 'time',
  'roll-out': 'length',
  wobble: 'inOut',
  weights: 'drive',
  thread: 'length',
  tape: 'after',
  push: 'drift',
  level: 'out',
};

/** A result as it can be told: what no thing can be is refused, what hardly any is gets a remark. A value whose spread reaches what can be is told with a remark. */
export function plausible(kind: MeasurementKind, result: MeasurementResult): MeasurementResult | InsufficientReadings {
  const remarks: string[] = [];
  for (const [key, { value, interval95 }] of Object.entries(result.values)) {
    const bounds = BOUNDS[key];
    if (!bounds) continue;
    const { name, can, usual, look } = bounds;
    const isNumber = Number.isFinite(value);
    if (!isNumber || interval95[1] < can[0] || interval95[0] > can[1])
      return {
        column: READ[kind],
        needs: isNumber
          ? `readings with the ${name} between ${figure(can[0])} and ${figure(can[1])}: these give ${figure(value)}; ${look}`
          : `readings that give a number for the ${name}; ${look}`,
      };
    if (value < can[0] || value > can[1])
      remarks.push(`The ${name} is ${figure(value)}, which is impossible; within its uncertainty it is possible. Repeat the reading.`);
    else if (value < usual[0] || value > usual[1])
      remarks.push(`The ${name} of ${figure(value)} is far from the usual values (${figure(usual[0])} to ${figure(usual[1])}): ${look}.`);
  }
  return remarks.length === 0 ? result : { ...result, remarks: [...result.remarks, ...remarks] };
}
