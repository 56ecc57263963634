import { beyond, type Fault } from '../fault.ts';
import { cockedAngleAfter, freeString, leverTurns } from '../motor/lever.ts';
import { windingAngle, windingLength } from '../motor/winding.ts';
import {
  runFaults,
  type BandSetup,
  type LeverSetup,
  type MotorSetup,
  type RunSetup,
  type SpoolStep,
  type TwistSetup,
  type Wheelset,
} from '../run/run-setup.ts';
import type { BandDesign, CarDesign, LeverDesign, TwistDesign, Wind } from './car-design.ts';
import { AXLE_ENDS, bandSizes, TYRES, WHEELS } from './catalogue.ts';
import { axleOf, leverOf, trapOf } from './parts.ts';
import { gripOn, likelyNumbers, type Numbers } from './values.ts';

/** kg of glue and hub on each wheel, and the radius about which it sits, m. Estimates. */
const HUB_MASS = 0.002;
const HUB_RADIUS = 0.008;

/**
 * `count` wheels and their axle: I = k m R² for the wheels (½ for a disc), with hubs and axle. Source: any mechanics
 * handbook. kg, kg·m². A roller is one body without an axle or hubs.
 */
export function wheelsetOf(design: CarDesign, which: 'drive' | 'other', areaDensity: number): Wheelset | null {
  const wheels = which === 'drive' ? design.driveWheels : design.otherWheels;
  if (!wheels) return null;
  const isRoller = design.motor.kind === 'twist';
  const count = which === 'drive' ? 2 : design.layout.otherWheelCount;
  const radius = wheels.diameter / 2;
  const axleRadius = design.axleDiameter / 2;
  const disc = areaDensity * Math.PI * radius * radius;
  const { density, solidity } = axleOf(design);
  const axle = isRoller ? 0 : density * solidity * Math.PI * axleRadius * axleRadius * (design.trackWidth + AXLE_ENDS);
  const hub = isRoller ? 0 : HUB_MASS;
  return {
    radius,
    mass: count * (disc + hub) + axle,
    inertia: count * (WHEELS[wheels.kind].roundness * disc * radius * radius + 0.5 * hub * HUB_RADIUS ** 2) + 0.5 * axle * axleRadius ** 2,
    journalRadius: axleRadius,
  };
}

/** Share of the weight on the drive wheels, ballast included, and the whole weight, kg. Moments about the other wheels. */
export function standingWeight(design: CarDesign): { readonly mass: number; readonly driveLoadShare: number } {
  const { mass, ballast, driveLoadShare, wheelbase } = design;
  if (!design.otherWheels) return { mass: mass + ballast.mass, driveLoadShare: 1 };
  const whole = mass + ballast.mass;
  const moment = mass * driveLoadShare + ballast.mass * (1 - ballast.fromDriveAxle / wheelbase);
  return { mass: whole, driveLoadShare: Math.min(Math.max(moment / whole, 0), 1) };
}

/** The spool of bare axle and sleeve: the axle takes what turns the sleeve leaves. */
function spoolOf(design: CarDesign, bareTurns: number): [SpoolStep, ...SpoolStep[]] {
  const steps: SpoolStep[] = bareTurns > 0 ? [{ radius: design.axleDiameter / 2, turns: bareTurns }] : [];
  for (const { diameter, turns } of design.sleeve) steps.push({ radius: diameter / 2, turns });
  return steps as [SpoolStep, ...SpoolStep[]];
}

function leverSetup(design: CarDesign, motor: LeverDesign, numbers: Numbers, wind: Wind): LeverSetup {
  const bare: LeverSetup = {
    kind: 'lever',
    leverLength: motor.leverLength,
    leverMass: leverOf(design, motor).massPerLength * motor.leverLength,
    armInertia: trapOf(design, motor).armInertia,
    pivotToAxle: motor.trapPosition,
    pivotAboveAxle: motor.pivotAboveAxle,
    springPreload: numbers.springPreload!,
    springRate: numbers.springRate!,
    springEfficiency: Math.min(numbers.springEfficiency!, 1),
    cockedAngle: motor.cockedAngle,
    releaseAngle: motor.releaseAngle,
    spool: [{ radius: design.axleDiameter / 2 }],
    stringDiameter: motor.stringDiameter,
    windingWidth: motor.windingWidth,
    release: motor.release,
  };
  if (design.sleeve.length > 0) {
    const growth = motor.stringDiameter ** 2 / (Math.PI * motor.windingWidth);
    const layerOf = (radius: number) => ({ bareRadius: radius, stringDiameter: motor.stringDiameter, growth });
    let left = freeString(bare, motor.releaseAngle) - freeString(bare, motor.cockedAngle);
    for (const { diameter, turns } of design.sleeve) left -= windingLength(layerOf(diameter / 2), 2 * Math.PI * turns);
    const bareTurns = left > 0 ? windingAngle(layerOf(design.axleDiameter / 2), left) / (2 * Math.PI) : 0;
    bare.spool = spoolOf(design, bareTurns);
  }
  if (wind.kind === 'turns') bare.cockedAngle = cockedAngleAfter(bare, wind.turns);
  return bare;
}

/** What band and twist motors share. */
function rubberSetup({ band, parallel, series }: BandDesign | TwistDesign, numbers: Numbers) {
  const { length, width, thickness } = bandSizes(band);
  return {
    c1: numbers.c1!,
    c2: numbers.c2!,
    bandEfficiency: Math.min(numbers.bandEfficiency!, 1),
    bandWidth: width,
    bandThickness: thickness,
    bandLength: length,
    parallel,
    series,
  };
}

function bandSetup(design: CarDesign, motor: BandDesign, numbers: Numbers, wind: Wind): BandSetup {
  const sleeveTurns = design.sleeve.reduce((sum, { turns }) => sum + turns, 0);
  return {
    kind: 'band',
    ...rubberSetup(motor, numbers),
    anchorToAxle: motor.anchorToAxle,
    anchorAboveAxle: motor.anchorAboveAxle,
    windingWidth: motor.windingWidth,
    windingStretch: motor.windingStretch,
    spool: spoolOf(design, motor.turns - sleeveTurns),
    turns: wind.kind === 'turns' ? wind.turns : motor.turns,
    release: motor.release,
  };
}

function twistSetup(motor: TwistDesign, numbers: Numbers, wind: Wind): TwistSetup {
  return {
    kind: 'twist',
    ...rubberSetup(motor, numbers),
    hookToHook: motor.hookToHook,
    turns: wind.kind === 'turns' ? wind.turns : motor.turns,
    washerFriction: numbers.washerFriction!,
    washerRadius: motor.washerRadius,
    armLength: motor.armLength,
    armFriction: numbers.armFriction!,
  };
}

function motorSetup(design: CarDesign, numbers: Numbers, wind: Wind): MotorSetup {
  switch (design.motor.kind) {
    case 'lever':
      return leverSetup(design, design.motor, numbers, wind);
    case 'band':
      return bandSetup(design, design.motor, numbers, wind);
    case 'twist':
      return twistSetup(design.motor, numbers, wind);
  }
}

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
    motor: motorSetup(design, numbers, wind),
  };
}

/** Sliding grip of the other wheels' own edge, which scrubs: a soft edge as a rubber-band tyre, a hard one as a bare disc or card. */
const otherSlidingGrip = (design: CarDesign): number => {
  const { kind } = design.otherWheels!;
  const edge = WHEELS[kind].soft ? 'rubber-band' : kind === 'optical-disc' || kind === 'bottle-cap' ? 'bare-disc' : 'card-edge';
  return gripOn(design, TYRES[edge].slidingGrip);
};

/** What the keys of a run setup are called in a design, where that is otherwise. */
const IN_DESIGN: Readonly<Record<string, string>> = {
  'car.mass': 'mass',
  'car.wheelbase': 'wheelbase',
  'car.driveWheels.radius': 'driveWheels.diameter',
  'car.otherWheels.radius': 'otherWheels.diameter',
  'motor.pivotToAxle': 'motor.trapPosition',
  'motor.bandLength': 'motor.band',
  'motor.bandWidth': 'motor.band',
  'motor.bandThickness': 'motor.band',
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
  'motor.springPreload': 'measured.springPreload',
  'motor.springRate': 'measured.springRate',
  'motor.springEfficiency': 'measured.springEfficiency',
  'motor.c1': 'measured.c1',
  'motor.c2': 'measured.c2',
  'motor.bandEfficiency': 'measured.bandEfficiency',
  'motor.washerFriction': 'measured.washerFriction',
  'motor.armFriction': 'measured.armFriction',
};

/** A fault of the run setup in the design's own keys. A measured value has a unit of its own: its limit is not told in another. */
const inDesign = ({ path, message, limit }: Fault): Fault => {
  const key = /^motor\.spool/.test(path) ? 'sleeve' : (IN_DESIGN[path] ?? path);
  if (key.startsWith('measured.'))
    return { path: key, message: limit?.is === 'least' ? 'is far below what any car has' : 'is far above what any car has' };
  // A setup has radii where a design has diameters.
  if (limit) return beyond(key, path.endsWith('.radius') ? { ...limit, value: 2 * limit.value } : limit);
  return { path: key, message: message.replaceAll('motor.pivotToAxle', 'motor.trapPosition') };
};

/** A design's run in plain numbers, or what keeps it from running, in the design's own keys. */
export type Prepared =
  { readonly kind: 'ready'; readonly setup: RunSetup } | { readonly kind: 'refused'; readonly faults: readonly Fault[] };

const refused = (...faults: Fault[]): Prepared => ({ kind: 'refused', faults });

/** Proves that a design can be wound like this and run; what is ready may be simulated as it is. */
export function prepareRun(design: CarDesign, wind: Wind = FULL): Prepared {
  if (design.motor.kind !== 'twist' && !design.otherWheels)
    return refused({ path: 'otherWheels', message: 'are missing: only a spool roller has none' });
  const numbers = likelyNumbers(design);
  const setup = deriveRunSetup(design, FULL, numbers);
  const faults = runFaults(setup).map(inDesign);
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
    return refused({ path: 'wind.turns', message: `must be at most ${most.toFixed(1)}, a full wind of this car` });
  return { kind: 'ready', setup: deriveRunSetup(design, wind, numbers) };
}

/** Drive-axle turns of a full wind. The design must have no faults. */
export function fullTurns(design: CarDesign): number {
  const { motor } = design;
  return motor.kind === 'lever' ? leverTurns(leverSetup(design, motor, likelyNumbers(design), FULL)) : motor.turns;
}
