import { axleHookOf } from '../car/axle-hook.ts';
import type { CarDesign } from '../car/car-design.ts';
import { STIFFENERS } from '../car/catalogue.ts';
import { isWoundOnAxle } from '../car/motors/motors.ts';
import { thickestSpool } from '../car/tape.ts';
import { bodyReach } from '../car/body-reach.ts';
import { bodyWidthAt } from '../car/weights.ts';
import { bodySolid } from './body-solid.ts';
import { deckHeights } from './deck-heights.ts';
import { bandSolids } from './motors/band.ts';
import { leverSolids, trapSolids } from './motors/lever.ts';
import { twistSolids } from './motors/twist.ts';
import { circle, rectangle, type Shape } from './shape.ts';
import { GROUND, solid, type Solid } from './solid.ts';
import { wheelsetSolids } from './wheelset-solids.ts';

/** m across the car that the hook takes, and thick. */
const HOOK_WIDE = 0.0015;
/** kg/m³ of ballast: coins or clay. */
const BALLAST_DENSITY = 2500;
/** m of a stick that is glued along the body, by its kind. Common practice. */
const STICKS: Readonly<Record<keyof typeof STIFFENERS, number>> = { 'craft-stick': 0.002, skewer: 0.003, pencil: 0.007, dowel: 0.006 };

/** Edge of the cube that represents so much ballast or load, m. */
export const ballastEdge = (mass: number): number => Math.cbrt(mass / BALLAST_DENSITY);

/** What thickens the drive axle, the hook on it, and the room that hook and winding take. `wound`: radius of what is wound, m. */
function spoolSolids(design: CarDesign, wound: number): Solid[] {
  const { motor, sleeve, driveWheels, axleDiameter } = design;
  if (!isWoundOnAxle(motor)) return [];
  const z = driveWheels.diameter / 2;
  const middle = motor.kind === 'lever' ? (motor.besideMiddle ?? 0) : 0;
  const half = motor.windingWidth / 2;
  const round = (radius: number, from: number, to: number): Shape => ({
    kind: 'rod',
    from: { x: 0, y: from, z },
    to: { x: 0, y: to, z },
    radius,
    inside: axleDiameter / 2,
  });
  const thick = thickestSpool(design) / 2;
  const foot = axleDiameter / 2;
  const { height, label } = axleHookOf(design);
  const hook: Shape = {
    kind: 'across',
    corners: rectangle(-HOOK_WIDE / 2, HOOK_WIDE / 2, z + foot, z + foot + height),
    holes: [],
    from: middle - HOOK_WIDE / 2,
    to: middle + HOOK_WIDE / 2,
  };
  const list: Solid[] = [];
  if (sleeve.length > 0)
    list.push(
      solid('sleeve', 'sleeve on the drive axle', [round(thick, middle - half, middle + half)], [['drive-axle', 'glue']], {
        turnsWith: 'drive-axle',
      }),
    );
  list.push(
    solid('axle-hook', `${label} on the drive axle`, [hook], [['drive-axle', 'glue']], { turnsWith: 'drive-axle' }),
    solid(
      'winding',
      'hook and winding',
      [round(foot + height, middle - HOOK_WIDE, middle + HOOK_WIDE), round(Math.max(wound, thick), middle - half, middle + half)],
      [['drive-axle', 'glue']],
      { turnsWith: 'drive-axle', isRoom: true },
    ),
  );
  return list;
}

/** Ballast and load, as blocks on the deck. */
function blockSolids(design: CarDesign): Solid[] {
  const block = (id: 'ballast' | 'load', { mass, fromDriveAxle: x }: CarDesign['ballast']): Solid[] => {
    if (mass <= 0) return [];
    const half = ballastEdge(mass) / 2;
    const under = Math.max(deckHeights(design, x - half).top, deckHeights(design, x + half).top);
    const shape: Shape = {
      kind: 'across',
      corners: rectangle(x - half, x + half, under, under + 2 * half),
      holes: [],
      from: -half,
      to: half,
    };
    return [solid(id, id, [shape], [[GROUND, 'tape']])];
  };
  return [...block('ballast', design.ballast), ...block('load', design.load)];
}

/** Sticks glued along the body, beside each other on its top. */
function stiffenerSolids(design: CarDesign): Solid[] {
  const { stiffener } = design.body;
  if (!stiffener) return [];
  const thick = STICKS[stiffener.kind];
  const { left, right } = bodyReach(design);
  const reach = Math.max(bodyWidthAt(design, right) / 2 - thick / 2, 0);
  const shapes = Array.from({ length: stiffener.count }, (_, i): Shape => {
    const y = stiffener.count === 1 ? reach : reach * (1 - (2 * i) / (stiffener.count - 1));
    const height = (x: number): number => deckHeights(design, x).top + thick / 2;
    return { kind: 'rod', from: { x: left, y, z: height(left) }, to: { x: right, y, z: height(right) }, radius: thick / 2, inside: 0 };
  });
  return [solid('stiffener', 'stiffener', shapes, [[GROUND, 'glue']])];
}

/**
 * What of the car stays where it is while it runs, or turns in its own place.
 * @param wound radius of what is wound on the drive axle, m; that of the spool by default
 */
export function standingSolids(design: CarDesign, wound = 0): readonly Solid[] {
  const { motor } = design;
  if (motor.kind === 'twist') return [...twistSolids(design, motor), ...rollerBallast(design)];
  return [
    bodySolid(design),
    ...stiffenerSolids(design),
    ...wheelsetSolids(design),
    ...spoolSolids(design, wound),
    ...(motor.kind === 'lever' ? trapSolids(design, motor) : bandSolids(design, motor)),
    ...blockSolids(design),
  ];
}

/** What moves while the car runs: the lever at an angle, rad, with its string; nothing without one. */
export const movingSolids = ({ motor, ...rest }: CarDesign, leverAngle: number): readonly Solid[] =>
  motor.kind === 'lever' ? leverSolids({ ...rest, motor }, motor, leverAngle) : [];

/**
 * The car as solids, cocked, made from its design and nothing else.
 * @returns every part once, each held by another down to the body; m from the floor under the drive axle
 */
export const carSolids = (design: CarDesign): readonly Solid[] => [
  ...standingSolids(design),
  ...(design.motor.kind === 'lever' ? movingSolids(design, design.motor.cockedAngle) : []),
];

/** Ballast of a roller lies round its hole, within it. */
function rollerBallast(design: CarDesign): Solid[] {
  const { mass } = design.ballast;
  if (mass <= 0 || design.motor.kind !== 'twist') return [];
  const radius = design.driveWheels.diameter / 2;
  const half = Math.min(ballastEdge(mass), design.motor.hookToHook) / 2;
  const shape: Shape = {
    kind: 'across',
    corners: circle(0, radius, 0.8 * radius),
    holes: [circle(0, radius, 0.5 * radius)],
    from: -half,
    to: half,
  };
  return [solid('ballast', 'ballast', [shape], [[GROUND, 'tape']], { turnsWith: 'drive-axle' })];
}
