import type { Fault } from '../fault.ts';
import { cockedAngleAfter, leverTurns } from '../motor/lever.ts';
import { runFaults, type LeverSetup, type RunSetup, type Wheelset } from '../run/run-setup.ts';
import type { CarDesign, LeverDesign, Wheels, Wind } from './car-design.ts';
import { BEARINGS, FLOORS, LEVER_MATERIALS, OUT_OF_SQUARE, TRAPS, TYRES, WHEEL_MATERIALS, type Bearing, type Tyre } from './catalogue.ts';

/** Distance between the wheels of one axle and what sticks out, m: how long an axle is cut. */
const AXLE_LENGTH = 0.14;
/** kg of glue and hub on each wheel, and the radius about which it sits, m. Estimates. */
const HUB_MASS = 0.002;
const HUB_RADIUS = 0.008;
/** Cd·A of deck, trap and lever, m²; drag coefficient of a wheel's edge. Estimates. */
const BODY_DRAG_AREA = 0.004;
const WHEEL_DRAG = 1;

/** Both wheels and their axle: discs ½mr² each, with hub and axle. Source: any mechanics handbook. kg, kg·m². */
export function wheelsetOf(wheels: Wheels, axleDiameter: number, bearing: Bearing): Wheelset {
  const radius = wheels.diameter / 2;
  const axleRadius = axleDiameter / 2;
  const disc = WHEEL_MATERIALS[wheels.material].areaDensity * Math.PI * radius ** 2;
  const axle = bearing.axleDensity * Math.PI * axleRadius ** 2 * AXLE_LENGTH;
  return {
    radius,
    mass: 2 * (disc + HUB_MASS) + axle,
    inertia: 2 * (0.5 * disc * radius ** 2 + 0.5 * HUB_MASS * HUB_RADIUS ** 2) + 0.5 * axle * axleRadius ** 2,
    journalRadius: axleRadius,
  };
}

/**
 * Crr of a wheel: rolling friction length over radius, and what a wheel out of square by δ scrubs, (2/π) · sliding grip · δ
 * (our estimate).
 */
const rollingResistance = (design: CarDesign, wheels: Wheels, tyre: Tyre): number => {
  const floor = FLOORS[design.floor.kind];
  const length = tyre.soft ? floor.softRolling : floor.hardRolling;
  return length / (wheels.diameter / 2) + (2 / Math.PI) * gripOn(design, tyre.slidingGrip) * OUT_OF_SQUARE[design.care].angle;
};

const gripOn = (design: CarDesign, grip: number): number => {
  const floor = FLOORS[design.floor.kind];
  return Math.min(grip * floor.gripFactor, Math.max(floor.gripCeiling, grip));
};

function leverSetup(design: CarDesign, motor: LeverDesign, wind: Wind): LeverSetup {
  const trap = TRAPS[motor.trap];
  const full: LeverSetup = {
    kind: 'lever',
    leverLength: motor.leverLength,
    leverMass: LEVER_MATERIALS[motor.leverMaterial].massPerLength * motor.leverLength,
    armInertia: trap.armInertia,
    pivotToAxle: motor.trapPosition,
    pivotAboveAxle: motor.pivotAboveAxle,
    springPreload: trap.preload,
    springRate: trap.rate,
    springEfficiency: trap.efficiency,
    cockedAngle: motor.cockedAngle,
    releaseAngle: motor.releaseAngle,
    spool: [{ radius: design.axleDiameter / 2 }],
    stringDiameter: motor.stringDiameter,
    windingWidth: motor.windingWidth,
    release: motor.release,
  };
  return wind.kind === 'full' ? full : { ...full, cockedAngle: cockedAngleAfter(full, wind.turns) };
}

const FULL: Wind = { kind: 'full' };

function setupOf(design: CarDesign, wind: Wind): RunSetup {
  const bearing = BEARINGS[design.bearing];
  const tyre = TYRES[design.tyre];
  const edge = TYRES[WHEEL_MATERIALS[design.otherWheels.material].edge];
  const driveWheels = wheelsetOf(design.driveWheels, design.axleDiameter, bearing);
  const otherWheels = wheelsetOf(design.otherWheels, design.axleDiameter, bearing);
  const edgeArea = (wheels: Wheels): number => 2 * wheels.diameter * WHEEL_MATERIALS[wheels.material].thickness;
  return {
    format: 'nimble-axle/run-setup',
    version: 1,
    car: {
      mass: design.mass,
      wheelbase: design.wheelbase,
      // Deck and trap sit at about the height of the axles.
      massHeight: design.driveLoadShare * driveWheels.radius + (1 - design.driveLoadShare) * otherWheels.radius,
      driveAxle: 'rear',
      driveLoadShare: design.driveLoadShare,
      dragArea: BODY_DRAG_AREA + WHEEL_DRAG * (edgeArea(design.driveWheels) + edgeArea(design.otherWheels)),
      bearingFriction: bearing.friction,
      driveWheels,
      otherWheels,
    },
    surface: {
      rollingResistanceDrive: rollingResistance(design, design.driveWheels, tyre),
      rollingResistanceOther: rollingResistance(design, design.otherWheels, edge),
      staticGrip: gripOn(design, tyre.staticGrip),
      slidingGrip: gripOn(design, tyre.slidingGrip),
      slope: design.floor.slope,
    },
    motor: leverSetup(design, design.motor, wind),
  };
}

/** What keeps a design from running, in the design's own keys. Empty when it can run. */
export function designFaults(design: CarDesign, wind: Wind = FULL): Fault[] {
  const setup = setupOf(design, FULL);
  const faults = runFaults(setup).map(({ path, message }) => ({ path, message: message.replace('pivotToAxle', 'trapPosition') }));
  const wheelMass = setup.car.driveWheels.mass + (setup.car.otherWheels?.mass ?? 0);
  if (wheelMass > design.mass)
    faults.push({ path: 'mass', message: `must be at least ${Math.ceil(wheelMass * 1000)} g, what the wheels and axles alone weigh` });
  if (faults.length > 0 || wind.kind === 'full') return faults;
  const most = fullTurns(design);
  return wind.turns <= most ? [] : [{ path: 'wind.turns', message: `must be at most ${most.toFixed(1)}, a full wind of this car` }];
}

/** Drive-axle turns of a full wind. The design must have no faults. */
export const fullTurns = (design: CarDesign): number => leverTurns(leverSetup(design, design.motor, FULL));

/** The plain numbers of one run of a design without faults, wound fully or by so many turns of the drive axle. */
export const deriveRunSetup = (design: CarDesign, wind: Wind = FULL): RunSetup => setupOf(design, wind);
