import type { CarDesign, MotorKind } from './car-design.ts';
import { hasBands, isRoller, MOTORS } from './motors/motors.ts';

/** m an axle slides from side to side in a car that runs well: half a millimetre on each side. Common practice. */
export const USUAL_END_PLAY = 0.001;

const common = (name: string) =>
  ({
    format: 'nimble-axle/car-design',
    version: 2,
    name,
    weighed: null,
    ballast: { mass: 0, fromDriveAxle: 0 },
    endPlay: USUAL_END_PLAY,
    layout: { driveAxle: 'rear', otherWheelCount: 2 },
    trackWidth: 0.11,
    axle: 'skewer',
    axleDiameter: 0.0032,
    sleeve: [],
    tyre: 'rubber-band',
    bearing: 'wood-plastic-straw',
    care: 'not-known',
    body: { kind: 'card', width: 0.06, axleGap: 0.012, overhang: 0.03, notched: false },
    alignment: { driveToe: 0, otherToe: 0, wheelMismatch: 0 },
    floor: { kind: 'smooth', slope: 0, stretches: [], edges: [], roomLength: null, laneWidth: null },
    aim: { kind: 'furthest', distance: null },
    limits: { length: null, width: null, height: null, mass: null, bands: null },
    measured: {},
  }) satisfies Partial<CarDesign>;

/** A car of each kind that already runs, the turns of its bands counted. */
export const newCar = (name: string, kind: MotorKind = 'lever'): CarDesign => ({
  ...common(name),
  load: { mass: 0, fromDriveAxle: MOTORS[kind].newCar.wheelbase / 2 },
  ...MOTORS[kind].newCar,
});

/** The car with its bands wound until they are tight, as builders wind before they count. */
export const woundByFeel = (design: CarDesign): CarDesign =>
  hasBands(design.motor) ? { ...design, motor: { ...design.motor, fullWinding: 'tight' } } : design;

/** What a car is asked, and where it is to run: no part of the car itself. */
const askedOf = ({ floor, aim, limits, brief }: CarDesign) => ({ floor, aim, limits, ...(brief && { brief }) });

/** The same car driven otherwise: its wheels, body and floor stay, the motor begins as in a new car of that kind. */
export function withMotor(design: CarDesign, kind: MotorKind): CarDesign {
  if (design.motor.kind === kind) return design;
  const fresh = woundByFeel(newCar(design.name, kind));
  // A roller is another thing altogether, and a car made from one needs axles and wheels.
  if (isRoller(fresh) || isRoller(design)) return { ...fresh, ...askedOf(design) };
  return { ...design, motor: fresh.motor, sleeve: [], measured: {} };
}
