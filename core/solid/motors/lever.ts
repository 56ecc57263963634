import type { CarDesign, LeverDesign } from '../../car/car-design.ts';
import { bodyPartOf, leverOf, trapOf } from '../../car/fitted.ts';
import { TRAP_LENGTH, TRAP_THICKNESS } from '../../car/motors/lever.ts';
import { deckHeights } from '../deck-heights.ts';
import { leverTip, pivotOf } from '../pull-places.ts';
import { rectangle, type Corner, type Shape } from '../shape.ts';
import { GROUND, solid, type Solid } from '../solid.ts';

/** m of a lever beyond the hole or notch that its string hangs in. Common practice. */
export const PAST_NOTCH = 0.006;
/** m: a flat lever's thickness; a round one is as thick as it is wide. */
const FLAT = { from: 0.01, thickness: 0.003 };
/** m of a trap's coil, across the car and round. Estimates. */
const COIL = { half: 0.012, radius: 0.004 };
/** m: a trap that stands this little over the deck, or is let into it, stands on it: card gives. */
export const LET_IN = 0.001;

/** What fills the gap under a trap; none where it stands on the deck. */
function trapBlock(
  design: CarDesign,
  under: number,
  [left, right]: readonly [number, number],
  [from, to]: readonly [number, number],
): Shape[] {
  if (bodyPartOf(design).isTube) return [];
  const top = (x: number): number => deckHeights(design, x).top;
  if (under - Math.max(top(left), top(right)) <= LET_IN) return [];
  const corners: readonly Corner[] = [
    { x: left, y: top(left) },
    { x: right, y: top(right) },
    { x: right, y: under },
    { x: left, y: under },
  ];
  return [{ kind: 'across', corners, holes: [], from, to }];
}

/** The trap, and what it stands on. */
export function trapSolids(design: CarDesign, motor: LeverDesign): Solid[] {
  const { x, y: z } = pivotOf(motor, design.driveWheels.diameter / 2);
  const middle = motor.besideMiddle ?? 0;
  const half = trapOf(design, motor).width / 2;
  const [left, right] = [x - TRAP_LENGTH / 2, x + TRAP_LENGTH / 2];
  const under = z - TRAP_THICKNESS;
  const block = trapBlock(design, under, [left, right], [middle - half, middle + half]);
  const board: Shape = { kind: 'across', corners: rectangle(left, right, under, z), holes: [], from: middle - half, to: middle + half };
  const coil: Shape = {
    kind: 'rod',
    from: { x, y: middle - COIL.half, z: z + COIL.radius },
    to: { x, y: middle + COIL.half, z: z + COIL.radius },
    radius: COIL.radius,
    inside: 0,
  };
  return [
    solid('trap', 'trap', [board, coil], [[block.length > 0 ? 'trap-block' : GROUND, 'tape']]),
    ...(block.length > 0 ? [solid('trap-block', 'block under the trap', block, [[GROUND, 'glue']])] : []),
  ];
}

/** The lever at an angle, and the string from its tip down to the axle. */
export function leverSolids(design: CarDesign, motor: LeverDesign, angle: number): Solid[] {
  const axleHeight = design.driveWheels.diameter / 2;
  const { x, y: z } = pivotOf(motor, axleHeight);
  const middle = motor.besideMiddle ?? 0;
  const { width } = leverOf(design, motor);
  const thick = width > FLAT.from ? FLAT.thickness : width;
  const along = { x: Math.cos(angle), z: Math.sin(angle) };
  const end = motor.leverLength + PAST_NOTCH;
  // The lever lies on the trap's arm: over the line from the pivot when it is cocked.
  const side = (far: number, up: number): Corner => ({ x: x + far * along.x - up * along.z, y: z + far * along.z + up * along.x });
  const arm: Shape = {
    kind: 'across',
    corners: [side(0, -thick / 2), side(end, -thick / 2), side(end, thick / 2), side(0, thick / 2)],
    holes: [],
    from: middle - width / 2,
    to: middle + width / 2,
  };
  const tip = leverTip(motor, axleHeight, angle);
  const string: Shape = {
    kind: 'rod',
    from: { x: tip.x, y: middle, z: tip.y },
    to: { x: 0, y: middle, z: axleHeight },
    radius: motor.stringDiameter / 2,
    inside: 0,
  };
  return [
    solid('lever', 'lever', [arm], [['trap', 'lashing']], { turnsWith: 'lever' }),
    solid('string', 'string', [string], [['lever', 'knot']], { turnsWith: 'lever' }),
  ];
}
