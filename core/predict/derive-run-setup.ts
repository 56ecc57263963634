import { boundFault, type Fault } from '../fault.ts';
import type { CarDesign, Wind } from '../car/car-design.ts';
import { hasBands, isRoller, recordOf } from '../car/motors/motors.ts';
import type { Numbers } from '../car/value-table.ts';
import { estimatesOn, likelyNumbers } from '../car/values.ts';
import { partsMass, standingWeight, wheelsetOf } from '../car/weights.ts';
import { runFaults, type RunSetup, type SurfaceSetup } from '../run/run-setup.ts';

const FULL: Wind = { kind: 'full' };

/**
 * The plain numbers of one run of a design. All that depends on a size is derived here.
 * @param design a design without faults (`prepareRun`)
 * @param wind the winding; full by default
 * @param numbers the uncertain values, SI units; the most likely by default
 * Crr = (rolling friction length + rub) / wheel radius: what rubs is written as a length like rolling friction (our model).
 */
export function deriveRunSetup(design: CarDesign, wind: Wind = FULL, numbers: Numbers = likelyNumbers(design)): RunSetup {
  const { mass, driveLoadShare } = standingWeight(design, numbers);
  const driveWheels = wheelsetOf(design, 'drive', numbers.driveWheelDensity!)!;
  const otherWheels = wheelsetOf(design, 'other', numbers.otherWheelDensity ?? 0);
  const surface = surfaceOf(numbers, driveWheels.radius, otherWheels?.radius ?? null);
  const stretches = stretchesOf(design, numbers);
  return {
    format: 'nimble-axle/run-setup',
    version: 1,
    car: {
      mass,
      wheelbase: design.wheelbase,
      massHeight: numbers.massHeight!,
      driveAxle: design.layout.driveAxle,
      // One of many like cars may tip where the most likely stands.
      driveLoadShare: Math.min(Math.max(driveLoadShare, 0), 1),
      dragArea: numbers.dragArea!,
      bearingFriction: numbers.bearingFriction!,
      driveWheels,
      otherWheels,
    },
    surface,
    ...(stretches.length > 0
      ? { stretches: stretches.map(({ from, on }) => ({ from, ...surfaceOf(on, driveWheels.radius, otherWheels?.radius ?? null) })) }
      : {}),
    motor: recordOf(design.motor).setup(design, design.motor, numbers, wind),
  };
}

/** A floor under a car's wheels, whose radii are in m. */
function surfaceOf(numbers: Numbers, drive: number, other: number | null): SurfaceSetup {
  const rub = numbers.rub ?? 0;
  return {
    rollingResistanceDrive: (numbers.rollingLengthDrive! + rub) / drive,
    ...(other === null ? {} : { rollingResistanceOther: (numbers.rollingLengthOther! + rub) / other }),
    staticGrip: numbers.staticGrip!,
    slidingGrip: numbers.staticGrip! * Math.min(numbers.slidingRatio!, 1),
    slope: numbers.slope!,
  };
}

/** The numbers on each floor to come: a car whose tyres grip or roll so much better than expected at the line does so there too. */
function stretchesOf(design: CarDesign, numbers: Numbers): { readonly from: number; readonly on: Numbers }[] {
  const { kind, slope, stretches } = design.floor;
  if (stretches.length === 0) return [];
  const here = estimatesOn(design, kind);
  return stretches.map((stretch) => {
    const there = estimatesOn(design, stretch.kind);
    const on = (key: keyof typeof here): number => ((numbers[key] ?? 0) / here[key]) * there[key];
    return {
      from: stretch.from,
      on: {
        ...numbers,
        staticGrip: on('staticGrip'),
        rollingLengthDrive: on('rollingLengthDrive'),
        rollingLengthOther: on('rollingLengthOther'),
        // What the floor leans by unseen, it leans by throughout.
        slope: stretch.slope + numbers.slope! - slope,
      },
    };
  });
}

/** What the keys of a run setup are called in a design, where that is otherwise; those of the motor are in its record. */
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
  'surface.slidingGrip': 'measured.slidingRatio',
  'surface.slope': 'measured.slope',
};

/**
 * A fault of the run setup in the design's own keys. A measured value has a unit of its own: its limit is not told in
 * another.
 */
function inDesign({ motor }: CarDesign, fault: Fault): Fault {
  const { path } = fault;
  const names = { ...IN_DESIGN, ...recordOf(motor).keysInDesign };
  const key = /^motor\.spool/.test(path) ? 'sleeve' : path.startsWith('stretches') ? 'floor.stretches' : (names[path] ?? path);
  if (key.startsWith('measured.'))
    return { path: key, code: 'out-of-range', toward: fault.code === 'bound' && fault.limit.is === 'least' ? 'low' : 'high' };
  // A setup has radii where a design has diameters.
  if (fault.code === 'bound')
    return boundFault(key, path.endsWith('.radius') ? { ...fault.limit, value: 2 * fault.limit.value } : fault.limit);
  const named = (other: string): string => names[other] ?? other;
  if (fault.code === 'against') return { ...fault, path: key, other: named(fault.other) };
  if (fault.code === 'lever-in-line') return { ...fault, path: key, others: fault.others.map(named) };
  return { ...fault, path: key };
}

/** A design's run in plain numbers, or what keeps it from running, in the design's own keys. */
export type Prepared =
  { readonly kind: 'ready'; readonly setup: RunSetup } | { readonly kind: 'refused'; readonly faults: readonly Fault[] };

const refused = (...faults: Fault[]): Prepared => ({ kind: 'refused', faults });

/** What sums of moments are off by. */
const ROUNDING = 1e-9;

/** A car lighter than its parts, or one that tips over: refused, for nothing of it could be built. */
function weightFaults(design: CarDesign): Fault[] {
  // A gram: no finer does a kitchen scale weigh.
  if (design.rest.mass < -0.0005)
    return [
      boundFault('mass', {
        is: 'least',
        value: Math.ceil(partsMass(design) * 1000) / 1000,
        because: 'the weight of wheels, axles, body and motor alone',
      }),
    ];
  const { driveLoadShare } = standingWeight(design);
  if (driveLoadShare < -ROUNDING)
    return [boundFault('driveLoadShare', { is: 'least', value: 0, because: 'or it tips over the other axle: the weight is beyond it' })];
  if (driveLoadShare > 1 + ROUNDING)
    return [boundFault('driveLoadShare', { is: 'most', value: 1, because: 'or it tips over the drive axle: the weight is beyond it' })];
  return [];
}

/**
 * Checks whether a design can be wound and run.
 * @returns its run setup; or every reason against it, by keys of the design
 */
export function prepareRun(design: CarDesign, wind: Wind = FULL): Prepared {
  if (!isRoller(design) && !design.otherWheels)
    return refused({ path: 'otherWheels', code: 'missing', because: 'only a spool roller has none' });
  const numbers = likelyNumbers(design);
  const setup = deriveRunSetup(design, FULL, numbers);
  const faults = runFaults(setup).map((fault) => inDesign(design, fault));
  faults.push(...weightFaults(design));
  design.sleeve.forEach(({ diameter }, i) => {
    if (diameter < design.axleDiameter)
      faults.push({
        path: `sleeve[${i}].diameter`,
        code: 'against',
        must: 'reach',
        other: 'axleDiameter',
        because: 'the tape lies on the axle',
      });
  });
  if (faults.length > 0) return refused(...faults);
  if (wind.kind === 'full') return { kind: 'ready', setup };
  const wound = deriveRunSetup(design, wind, numbers);
  const most = fullTurns(design);
  if (wind.turns <= most * (1 + 1e-9)) return { kind: 'ready', setup: wound };
  // A string has an end; a band takes more turns than were planned, until it breaks.
  if (!hasBands(design.motor))
    return refused(boundFault('wind.turns', { is: 'most', value: Math.floor(10 * most) / 10, because: 'a full wind of this car' }));
  const overwound = runFaults(wound).map((fault) => ({ ...inDesign(design, fault), path: 'wind.turns' }));
  return overwound.length > 0 ? refused(...overwound) : { kind: 'ready', setup: wound };
}

/** Turns of the drive axle for a full winding of a design without faults. */
export const fullTurns = (design: CarDesign): number => recordOf(design.motor).fullTurns(design, design.motor, likelyNumbers(design));
