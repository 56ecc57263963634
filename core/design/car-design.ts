import type { CarDesign, MotorDesign } from '../files/generated/car-design.ts';

export type {
  Aim,
  Alignment,
  Ballast,
  Band,
  BandDesign,
  Body,
  CarDesign,
  FittedPart,
  Floor,
  Layout,
  LeverDesign,
  Limits,
  Measured,
  MeasuredValue,
  MotorDesign,
  SleeveStep,
  TwistDesign,
  Wheels,
} from '../files/generated/car-design.ts';
export type { CarVersion } from '../files/generated/car-version.ts';
export type { Outcome, RunRecord, Wind } from '../files/generated/run-record.ts';

export type MotorKind = MotorDesign['kind'];

/** What each kind of car is called. */
export const MOTOR_NAMES: Readonly<Record<MotorKind, string>> = {
  lever: 'a snap trap and a lever',
  band: 'bands on the axle',
  twist: 'a twisted band, as a roller',
};

const common = (name: string) =>
  ({
    format: 'nimble-axle/car-design',
    version: 1,
    name,
    ballast: { mass: 0, fromDriveAxle: 0 },
    layout: { driveAxle: 'rear', otherWheelCount: 2 },
    trackWidth: 0.11,
    axle: 'skewer',
    axleDiameter: 0.0032,
    sleeve: [],
    tyre: 'rubber-band',
    bearing: 'wood-plastic-straw',
    care: 'ordinary',
    body: { kind: 'card', width: 0.06, axleGap: 0.012 },
    alignment: { driveToe: 0, otherToe: 0, wheelMismatch: 0 },
    floor: { kind: 'smooth', slope: 0, roomLength: null, laneWidth: null },
    aim: { kind: 'furthest', distance: null },
    limits: { length: null, width: null, height: null, mass: null, bands: null },
    measured: {},
  }) satisfies Partial<CarDesign>;

const OPTICAL_DISC = { kind: 'optical-disc', diameter: 0.12 } as const;

/** A car of each kind that already runs: what "New car" gives. */
export function newCar(name: string, kind: MotorKind = 'lever'): CarDesign {
  switch (kind) {
    case 'lever':
      return {
        ...common(name),
        mass: 0.15,
        driveLoadShare: 0.58,
        wheelbase: 0.26,
        driveWheels: OPTICAL_DISC,
        otherWheels: OPTICAL_DISC,
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
      };
    case 'band':
      return {
        ...common(name),
        mass: 0.095,
        driveLoadShare: 0.6,
        wheelbase: 0.21,
        driveWheels: OPTICAL_DISC,
        otherWheels: OPTICAL_DISC,
        sleeve: [{ diameter: 0.008, turns: 1.5 }],
        motor: {
          kind: 'band',
          band: { kind: 'size', size: '33' },
          parallel: 1,
          series: 2,
          turns: 9,
          anchorToAxle: 0.185,
          anchorAboveAxle: 0.004,
          windingWidth: 0.02,
          windingStretch: 1,
          release: 'free',
        },
      };
    case 'twist':
      return {
        ...common(name),
        mass: 0.024,
        driveLoadShare: 1,
        wheelbase: 0.08,
        trackWidth: 0.03,
        driveWheels: { kind: 'spool', diameter: 0.034 },
        otherWheels: null,
        motor: {
          kind: 'twist',
          band: { kind: 'size', size: '32' },
          parallel: 1,
          series: 1,
          turns: 35,
          hookToHook: 0.05,
          washer: 'bead',
          washerRadius: 0.002,
          armLength: 0.07,
        },
      };
  }
}
