import { beyond, type Fault } from '../fault.ts';
import type { CarDesign, Wind } from '../car/car-design.ts';
import { TYRES, WHEELS } from '../car/catalogue.ts';
import { isRoller, recordOf } from '../car/motors/motors.ts';
import type { Numbers } from '../car/value-table.ts';
import { gripOn, likelyNumbers } from '../car/values.ts';
import { standingWeight, wheelsetOf } from '../car/weights.ts';
import { runFaults, type RunSetup } from '../run/run-setup.ts';

const FULL: Wind = { kind: 'full' };

/**
 * The plain numbers of one run of a design without faults, wound fully or by so many turns of the drive axle. All that
 * hangs on a size is derived here. `numbers`: the uncertain values, else the most likely.
 * Crr = rolling friction length / wheel radius, and what a wheel out of square by δ scrubs, (2/π) · sliding grip · δ (our estimate).
 */
export function deriveRunSetup(design: CarDesign, wind: Wind = FULL, numbers: Numbers = likelyNumbers(design)): RunSetup {
  const { mass, driveLoadShare } = standingWeight(design);
  const driveWheels = wheelsetOf(design, 'drive', numbers.driveWheelDensity!)!;
  const otherWheels = wheelsetOf(design, 'other', numbers.otherWheelDensity ?? 0);
  const staticGrip = numbers.staticGrip!;
  const slidingGrip = Math.min(numbers.slidingGrip!, staticGrip);
  const scrub = (2 / Math.PI) * numbers.outOfSquare!;
  return {
    format: 'nimble-axle/run-setup',
    version: 1,
    car: {
      mass,
      wheelbase: design.wheelbase,
      massHeight: numbers.massHeight!,
      driveAxle: design.layout.driveAxle,
      driveLoadShare,
      dragArea: numbers.dragArea!,
      bearingFriction: numbers.bearingFriction!,
      driveWheels,
      otherWheels,
    },
    surface: {
      rollingResistanceDrive: numbers.rollingLengthDrive! / driveWheels.radius + scrub * slidingGrip,
      ...(otherWheels
        ? { rollingResistanceOther: numbers.rollingLengthOther! / otherWheels.radius + scrub * otherSlidingGrip(design) }
        : {}),
      staticGrip,
      slidingGrip,
      slope: design.floor.slope,
    },
    motor: recordOf(design.motor).setup(design, design.motor, numbers, wind),
  };
}

/** Sliding grip of the other wheels' own edge, which scrubs: a soft edge as a rubber-band tyre, a hard one as a bare disc or card. */
const otherSlidingGrip = (design: CarDesign): number => {
  const { kind } = design.otherWheels!;
  const edge = WHEELS[kind].soft ? 'rubber-band' : kind === 'optical-disc' || kind === 'bottle-cap' ? 'bare-disc' : 'card-edge';
  return gripOn(design, TYRES[edge].slidingGrip);
};

/** What the keys of a run setup are called in a design, where that is otherwise; those of the motor stand in its record. */
const IN_DESIGN: Readonly<Record<string, string>> = {
  'car.mass': 'mass',
  'car.wheelbase': 'wheelbase',
  'car.driveWheels.radius': 'driveWheels.diameter',
  'car.otherWheels.radius': 'otherWheels.diameter',
  'car.massHeight': 'measured.massHeight',
  'car.dragArea': 'measured.dragArea',
  'car.bearingFriction': 'measured.bearingFriction',
  'car.driveWheels.mass': 'measured.driveWheelDensity',
  'car.driveWheels.inertia': 'measured.driveWheelDensity',
  'car.otherWheels.mass': 'measured.otherWheelDensity',
  'car.otherWheels.inertia': 'measured.otherWheelDensity',
  'surface.rollingResistanceDrive': 'measured.rollingLengthDrive',
  'surface.rollingResistanceOther': 'measured.rollingLengthOther',
  'surface.staticGrip': 'measured.staticGrip',
  'surface.slidingGrip': 'measured.slidingGrip',
};

/**
 * A fault of the run setup in the design's own keys. A measured value has a unit of its own: its limit is not told in
 * another.
 */
function inDesign({ motor }: CarDesign, { path, message, limit }: Fault): Fault {
  const names = { ...IN_DESIGN, ...recordOf(motor).keysInDesign };
  const key = /^motor\.spool/.test(path) ? 'sleeve' : (names[path] ?? path);
  if (key.startsWith('measured.'))
    return { path: key, message: limit?.is === 'least' ? 'is far below what any car has' : 'is far above what any car has' };
  // A setup has radii where a design has diameters.
  if (limit) return beyond(key, path.endsWith('.radius') ? { ...limit, value: 2 * limit.value } : limit);
  return { path: key, message: message.replaceAll(/motor\.\w+/g, (other) => names[other] ?? other) };
}

/** A design's run in plain numbers, or what keeps it from running, in the design's own keys. */
export type Prepared =
  { readonly kind: 'ready'; readonly setup: RunSetup } | { readonly kind: 'refused'; readonly faults: readonly Fault[] };

const refused = (...faults: Fault[]): Prepared => ({ kind: 'refused', faults });

/** Proves that a design can be wound like this and run; what is ready may be simulated as it is. */
export function prepareRun(design: CarDesign, wind: Wind = FULL): Prepared {
  if (!isRoller(design) && !design.otherWheels)
    return refused({ path: 'otherWheels', message: 'are missing: only a spool roller has none' });
  const numbers = likelyNumbers(design);
  const setup = deriveRunSetup(design, FULL, numbers);
  const faults = runFaults(setup).map((fault) => inDesign(design, fault));
  const wheelMass = setup.car.driveWheels.mass + (setup.car.otherWheels?.mass ?? 0);
  if (wheelMass > design.mass)
    faults.push(
      beyond('mass', { is: 'least', value: Math.ceil(wheelMass * 1000) / 1000, because: 'what the wheels and axles alone weigh' }),
    );
  design.sleeve.forEach(({ diameter }, i) => {
    if (diameter < design.axleDiameter)
      faults.push({ path: `sleeve[${i}].diameter`, message: 'must not be below axleDiameter: the tape lies on the axle' });
  });
  if (faults.length > 0) return refused(...faults);
  if (wind.kind === 'full') return { kind: 'ready', setup };
  const most = fullTurns(design);
  if (wind.turns > most * (1 + 1e-9))
    return refused(beyond('wind.turns', { is: 'most', value: Math.floor(10 * most) / 10, because: 'a full wind of this car' }));
  return { kind: 'ready', setup: deriveRunSetup(design, wind, numbers) };
}

/** Drive-axle turns of a full wind. The design must have no faults. */
export const fullTurns = (design: CarDesign): number => recordOf(design.motor).fullTurns(design, design.motor, likelyNumbers(design));
