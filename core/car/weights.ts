import type { Wheelset } from '../run/run-setup.ts';
import { bodyReach } from './body-reach.ts';
import type { CarDesign } from './car-design.ts';
import { AXLE_ENDS, STIFFENERS, WHEELS } from './catalogue.ts';
import { axleOf, bodyPartOf, driveWheelOf, otherWheelOf, tyreOf } from './fitted.ts';
import type { Numbers } from './value-table.ts';
import { isRoller, recordOf } from './motors/motors.ts';

/** kg of glue and hub on each wheel, and the radius about which it sits, m. Estimates. */
const HUB_MASS = 0.002;
const HUB_RADIUS = 0.008;

/** What a wheelset is made of, kg: each wheel's disc, the tyre on it and the hub with its glue, and the axle. `areaDensity` of the wheels, kg/m². */
export function wheelsetMasses(design: CarDesign, which: 'drive' | 'other', areaDensity: number) {
  const wheels = which === 'drive' ? design.driveWheels : design.otherWheels;
  if (!wheels) return null;
  const isOneBody = isRoller(design);
  const radius = wheels.diameter / 2;
  const { density, solidity } = axleOf(design);
  return {
    count: which === 'drive' ? 2 : design.layout.otherWheelCount,
    disc: areaDensity * Math.PI * radius ** 2,
    tyre: which === 'drive' ? tyreOf(design).massPerLength * 2 * Math.PI * radius : 0,
    hub: isOneBody ? 0 : HUB_MASS,
    axle: isOneBody ? 0 : density * solidity * Math.PI * (design.axleDiameter / 2) ** 2 * (design.trackWidth + AXLE_ENDS),
  };
}

/**
 * `count` wheels and their axle: I = k m R² for the wheels (½ for a disc), m R² for what they run on, with hubs and axle.
 * Source: any mechanics handbook. kg, kg·m². A roller is one body without an axle or hubs. `areaDensity` of the wheels, kg/m².
 */
export function wheelsetOf(design: CarDesign, which: 'drive' | 'other', areaDensity: number): Wheelset | null {
  const wheels = which === 'drive' ? design.driveWheels : design.otherWheels;
  const masses = wheelsetMasses(design, which, areaDensity);
  if (!wheels || !masses) return null;
  const { count, disc, tyre, hub, axle } = masses;
  const radius = wheels.diameter / 2;
  const axleRadius = design.axleDiameter / 2;
  return {
    radius,
    mass: count * (disc + tyre + hub) + axle,
    inertia:
      count * ((WHEELS[wheels.kind].roundness * disc + tyre) * radius * radius + 0.5 * hub * HUB_RADIUS ** 2) +
      0.5 * axle * axleRadius ** 2,
    journalRadius: axleRadius,
  };
}

/** Length of the body, m: from axle to axle and what it overhangs. */
export const bodyLength = ({ wheelbase, body }: CarDesign): number => wheelbase + body.overhang;

/** Width of the body as it is made, m: a tube keeps its own, a deck stays between the wheels. */
export const bodyWidth = (design: CarDesign): number =>
  bodyPartOf(design).isTube ? design.body.width : Math.min(design.body.width, design.trackWidth);

/** How wide a triangle is at its narrow end: a part of its wide one, and m that hold a wheel between two bearings. Our choice. */
const NARROW = { part: 0.4, least: 0.03 };

const isTriangle = (design: CarDesign): boolean => design.body.outline === 'triangle' && !bodyPartOf(design).isTube;

/** Width of the body at a place along it, m; `at`: m from the drive axle toward the other. A triangle narrows from end to end. */
export function bodyWidthAt(design: CarDesign, at: number): number {
  const wide = bodyWidth(design);
  if (!isTriangle(design)) return wide;
  const narrow = Math.min(Math.max(NARROW.part * wide, NARROW.least), wide);
  const along = (at - bodyReach(design).left) / Math.max(bodyLength(design), 1e-9);
  return wide + (narrow - wide) * Math.min(Math.max(along, 0), 1);
}

/** Width of both ends of the body, m: at the drive axle's and at the other. */
function bodyEnds(design: CarDesign): readonly [number, number] {
  const { left, right } = bodyReach(design);
  return [bodyWidthAt(design, left), bodyWidthAt(design, right)];
}

/** Where the body's weight sits, m from the drive axle. Source: centroid of a trapezium, L/3 · (a + 2b)/(a + b). */
function bodyMiddle(design: CarDesign): number {
  const [drive, other] = bodyEnds(design);
  return bodyReach(design).left + (bodyLength(design) / 3) * ((drive + 2 * other) / Math.max(drive + other, 1e-9));
}

/** Something that weighs, kg, and where it sits, m from the drive axle toward the other. */
export interface PlacedMass {
  readonly what: 'drive wheels' | 'other wheels' | 'body' | 'motor' | 'rest' | 'ballast' | 'load';
  readonly mass: number;
  readonly at: number;
}

type Densities = Pick<Numbers, 'driveWheelDensity' | 'otherWheelDensity'>;

/** What wheels weigh over their face: of a weighed car what the catalogue says, for its rest makes up for what that is off. */
const densityOf = (design: CarDesign, key: keyof Densities, estimate: number, numbers: Densities): number =>
  design.weighed ? estimate : (numbers[key] ?? design.measured[key]?.value ?? estimate);

/** The body: wall × circumference × length × density of a bottle or tube, else density over its area × length × width, kg. */
function bodyMass(design: CarDesign): number {
  const { areaDensity, isTube } = bodyPartOf(design);
  const { width } = design.body;
  const [drive, other] = bodyEnds(design);
  const across = isTube ? Math.PI * width : isTriangle(design) ? (drive + other) / 2 : width;
  return areaDensity * across * Math.max(bodyLength(design), 0) + stiffenerMass(design);
}

/** kg of the sticks that are glued along the body, from end to end. */
export function stiffenerMass(design: CarDesign): number {
  const { stiffener } = design.body;
  return stiffener ? stiffener.count * STIFFENERS[stiffener.kind].massPerLength * Math.max(bodyLength(design), 0) : 0;
}

/** What a wheelset is made of, with what its wheels most likely weigh, kg; null without one. */
export function likelyWheelset(design: CarDesign, which: 'drive' | 'other', numbers: Densities = {}) {
  if (which === 'other' && !design.otherWheels) return null;
  const { areaDensity } = which === 'drive' ? driveWheelOf(design) : otherWheelOf(design);
  return wheelsetMasses(design, which, densityOf(design, `${which}WheelDensity`, areaDensity, numbers));
}

/** Everything a car weighs, part by part. A roller's parts all sit on its axle. `numbers`: the wheels' densities where they are not the most likely. */
export function placedMasses(design: CarDesign, numbers: Densities = {}): readonly PlacedMass[] {
  const { rest, ballast, load, motor, wheelbase } = design;
  const drive = wheelsetOf(design, 'drive', densityOf(design, 'driveWheelDensity', driveWheelOf(design).areaDensity, numbers))!;
  const own: PlacedMass[] = [
    { what: 'drive wheels', mass: drive.mass, at: 0 },
    { what: 'motor', ...recordOf(motor).weight(design, motor) },
    { what: 'rest', mass: rest.mass, at: rest.fromDriveAxle },
    { what: 'ballast', mass: ballast.mass, at: ballast.fromDriveAxle },
    { what: 'load', mass: load.mass, at: load.fromDriveAxle },
  ];
  if (isRoller(design) || !design.otherWheels) return own;
  const other = wheelsetOf(design, 'other', densityOf(design, 'otherWheelDensity', otherWheelOf(design).areaDensity, numbers))!;
  return [
    ...own,
    { what: 'other wheels', mass: other.mass, at: wheelbase },
    { what: 'body', mass: bodyMass(design), at: bodyMiddle(design) },
  ];
}

/** A car's weight, kg, and the fraction of it on the drive wheels: below 0 or above 1 it tips over. */
export interface StandingWeight {
  readonly mass: number;
  readonly driveLoadShare: number;
}

/** Sums of masses and of their moments about the drive axle: share = 1 − Σ m x / (M L). Source: statics. */
function balanced(masses: readonly PlacedMass[], { wheelbase, otherWheels }: CarDesign): StandingWeight {
  let mass = 0;
  let moment = 0;
  for (const placed of masses) {
    mass += placed.mass;
    moment += placed.mass * placed.at;
  }
  return { mass, driveLoadShare: otherWheels ? 1 - moment / (mass * wheelbase) : 1 };
}

/** Mass of a car that is ready to run, kg, and the fraction of it on the drive wheels. */
export const standingWeight = (design: CarDesign, numbers: Densities = {}): StandingWeight =>
  balanced(placedMasses(design, numbers), design);

/** What the parts weigh that are known by themselves: the least such a car can weigh, kg. */
export const partsMass = (design: CarDesign): number => standingWeight(design).mass - design.rest.mass;

/** How far from the drive axle the whole weight sits, m toward the other. */
export const centreOfWeight = (design: CarDesign): number => (1 - standingWeight(design).driveLoadShare) * design.wheelbase;

/**
 * The design as it comes out on the scale, ready to run: what its parts do not explain is the rest, and sits where the axles
 * say. `{ mass: 0.165, driveLoadShare: 0.52 }` in kg.
 */
export function weighedAt(design: CarDesign, weighed: StandingWeight): CarDesign {
  const parts = placedMasses({ ...design, weighed }).filter(({ what }) => what !== 'rest');
  const rest = parts.reduce((left, { mass }) => left - mass, weighed.mass);
  const moment = parts.reduce((left, { mass, at }) => left - mass * at, weighed.mass * (1 - weighed.driveLoadShare) * design.wheelbase);
  // Where nothing is left to place, it may lie anywhere.
  const fromDriveAxle = Math.abs(rest) < 1e-9 || !design.otherWheels ? 0 : moment / rest;
  return { ...design, rest: { mass: rest, fromDriveAxle }, weighed };
}

/** What a scale would show apart from what is reported, kg: no finer does it weigh. */
const SEEN = 0.0005;

/** Where the weight of a car is known from: `165 g weighed; 201 g with what was changed since`. */
export function describeWeight(design: CarDesign, format: (mass: number) => string): string {
  const { weighed } = design;
  if (!weighed) return 'Added up from its parts. Type the weight ready to run if you have weighed it.';
  const { mass } = standingWeight(design);
  return Math.abs(mass - weighed.mass) < SEEN ? 'As weighed.' : `${format(weighed.mass)} weighed; ${format(mass)} with the changes since.`;
}
