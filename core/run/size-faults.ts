import { boundFault, type Fault } from '../fault.ts';
import { modelOf } from '../motor/motors.ts';
import type { MotorSetup, RunSetup } from '../schema/generated/run-setup.ts';

/**
 * Below the least a part is nothing anyone could build and the equations of motion lose their digits; above the most nothing
 * moves, or the equations have no end. A file or a field that asks for it has most likely the wrong unit. SI units.
 */
const LEAST_CAR = { mass: 1e-3, wheelbase: 0.01 };
const LEAST_WHEELSET = { radius: 1e-3, inertia: 1e-10 };
const LEAST_OTHER_WHEELSET = { radius: LEAST_WHEELSET.radius };
const LEAST_SURFACE = { staticGrip: 1e-3 };
const LEAST_SPOOL_STEP = { radius: 2e-4, turns: 1e-3 };

/** The bounds of the file format (schemas/run-setup.schema.json), for setups derived from a design. */
const MOST_CAR = { mass: 50, wheelbase: 5, massHeight: 2, driveLoadShare: 1, dragArea: 2, bearingFriction: 2 };
const MOST_WHEELSET = { radius: 1, mass: 50, inertia: 10, journalRadius: 0.5 };
const MOST_SURFACE = { rollingResistanceDrive: 2, rollingResistanceOther: 2, staticGrip: 5, slidingGrip: 5, slope: 1.2 };
const MOST_SPOOL_STEP = { radius: 0.5, turns: 10000 };

type Bounds = Readonly<Record<string, number>>;

/** What of one object lies beyond its bounds; what is left out is neither below nor above anything. */
function compare(faults: Fault[], path: string, values: object, least: Bounds, most: Bounds): void {
  const given = values as Bounds;
  for (const key in least) if (given[key]! < least[key]!) faults.push(boundFault(`${path}.${key}`, { is: 'least', value: least[key]! }));
  for (const key in most) if (given[key]! > most[key]!) faults.push(boundFault(`${path}.${key}`, { is: 'most', value: most[key]! }));
}

/** The sizes of a motor too small or too large to be meant. */
export function motorSizeFaults(motor: MotorSetup): Fault[] {
  const faults: Fault[] = [];
  const { least, most } = modelOf(motor);
  compare(faults, 'motor', motor, least, most);
  if ('spool' in motor) motor.spool.forEach((step, i) => compare(faults, `motor.spool[${i}]`, step, LEAST_SPOOL_STEP, MOST_SPOOL_STEP));
  return faults;
}

/** Every size too small or too large to be meant. Asked of each car of a map: it makes nothing where nothing is wrong. */
export function sizeFaults({ car, surface, motor }: RunSetup): Fault[] {
  const faults: Fault[] = [];
  compare(faults, 'car', car, LEAST_CAR, MOST_CAR);
  compare(faults, 'car.driveWheels', car.driveWheels, LEAST_WHEELSET, MOST_WHEELSET);
  if (car.otherWheels) compare(faults, 'car.otherWheels', car.otherWheels, LEAST_OTHER_WHEELSET, MOST_WHEELSET);
  compare(faults, 'surface', surface, LEAST_SURFACE, MOST_SURFACE);
  faults.push(...motorSizeFaults(motor));
  return faults;
}
