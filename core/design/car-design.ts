export type { CarDesign, Floor, LeverDesign, MotorDesign, Wheels } from '../files/generated/car-design.ts';
export type { Outcome, RunRecord, Wind } from '../files/generated/run-record.ts';
import type { CarDesign } from '../files/generated/car-design.ts';

/** A lever car that already runs: what "New car" gives. */
export const newCar = (name: string): CarDesign => ({
  format: 'nimble-axle/car-design',
  version: 1,
  name,
  mass: 0.15,
  driveLoadShare: 0.58,
  wheelbase: 0.26,
  driveWheels: { material: 'disc-plastic', diameter: 0.12 },
  otherWheels: { material: 'disc-plastic', diameter: 0.12 },
  axleDiameter: 0.0032,
  tyre: 'rubber-band',
  bearing: 'wood-plastic-straw',
  care: 'ordinary',
  floor: { kind: 'smooth', slope: 0 },
  motor: {
    kind: 'lever',
    trap: 'household',
    leverMaterial: 'dowel',
    leverLength: 0.18,
    trapPosition: 0.19,
    pivotAboveAxle: 0.012,
    cockedAngle: 3,
    releaseAngle: 0.35,
    stringDiameter: 0.0006,
    windingWidth: 0.012,
    release: 'free',
  },
});
