import type { CarDesign } from '../../car/car-design.ts';
import { bodyPartOf } from '../../car/fitted.ts';
import { rectangle, type Corner, type Shape } from '../../solid/shape.ts';
import { leverSolids, trapSolids } from '../../solid/motors/lever.ts';
import type { SizeFormat } from '../size-format.ts';
import { CLEARANCE, WALL, type Layer, type PrintedPart } from './printed-part.ts';

/** m of the wire of a trap’s arm, of the holder along the lever, and of the grooves that thread lies in. Estimates. */
const ARM_WIRE = 2e-3;
const HOLDER = 30e-3;
const GROOVE = { deep: 0.6e-3, wide: 3e-3, fromEnd: 5e-3 };
/** m that the rim of a mount stands above the underside of the trap. */
const RIM = 3e-3;

type Across = Extract<Shape, { kind: 'across' }>;
const acrossOf = (shapes: readonly Shape[]): Across => shapes.find((shape): shape is Across => shape.kind === 'across')!;

/** What holds the lever on the arm: the lever slides in, the arm lies in the groove below it, thread round both. It prints standing on end. */
function leverHolder(lever: Across, { size }: SizeFormat): PrintedPart {
  const [a, , , d] = lever.corners as readonly [Corner, Corner, Corner, Corner];
  const thick = Math.hypot(d.x - a.x, d.y - a.y) + CLEARANCE.free;
  const half = (lever.to - lever.from + CLEARANCE.free) / 2;
  const wire = (ARM_WIRE + CLEARANCE.free) / 2;
  // From below: the groove for the arm, a wall, the room of the lever, a wall.
  const floor = 2 * wire + WALL;
  const top = floor + thick + WALL;
  const side = Math.max(half, wire) + WALL;
  const section = (cut: number): readonly Corner[] => [
    { x: -side + cut, y: 0 },
    { x: -wire, y: 0 },
    { x: -wire, y: 2 * wire },
    { x: wire, y: 2 * wire },
    { x: wire, y: 0 },
    { x: side - cut, y: 0 },
    { x: side - cut, y: top - cut },
    { x: -side + cut, y: top - cut },
  ];
  const room = [rectangle(-half, half, floor, floor + thick)];
  const layer = (from: number, to: number, cut = 0): Layer => ({ corners: section(cut), holes: room, from, to });
  const grooves = [GROOVE.fromEnd, HOLDER - GROOVE.fromEnd - GROOVE.wide];
  return {
    id: 'lever-holder',
    name: 'lever holder',
    count: 1,
    note: `for a lever ${size(lever.to - lever.from)} wide and an arm of wire up to ${size(ARM_WIRE)}, ${size(CLEARANCE.free)} of clearance. Lash it on the arm with thread in both grooves.`,
    layers: [
      layer(0, grooves[0]!),
      layer(grooves[0]!, grooves[0]! + GROOVE.wide, GROOVE.deep),
      layer(grooves[0]! + GROOVE.wide, grooves[1]!),
      layer(grooves[1]!, grooves[1]! + GROOVE.wide, GROOVE.deep),
      layer(grooves[1]! + GROOVE.wide, HOLDER),
    ],
  };
}

/** m of a mount along the trap: its room, and outside. */
const alongTrap = ({
  corners,
}: Across): { readonly left: number; readonly right: number; readonly outLeft: number; readonly outRight: number } => {
  const xs = corners.map(({ x }) => x);
  const [left, right] = [Math.min(...xs) - CLEARANCE.free / 2, Math.max(...xs) + CLEARANCE.free / 2];
  return { left, right, outLeft: left - WALL, outRight: right + WALL };
};

/** A frame round a trap that stands on the deck. It prints as it lies there. */
function trapFrame(trap: Across): readonly Layer[] {
  const { left, right, outLeft, outRight } = alongTrap(trap);
  const half = (trap.to - trap.from + CLEARANCE.free) / 2;
  return [
    { corners: rectangle(outLeft, outRight, -half - WALL, half + WALL), holes: [rectangle(left, right, -half, half)], from: 0, to: RIM },
  ];
}

/** A tray as high as the gap between deck and trap, with a rim all round. It prints lying on its side, as its foot follows the deck. */
function trapTray(trap: Across, block: Across): readonly Layer[] {
  const { left, right, outLeft, outRight } = alongTrap(trap);
  const under = Math.min(...trap.corners.map(({ y }) => y));
  const [a, b] = block.corners as readonly [Corner, Corner];
  const foot = (x: number): number => a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x);
  const rim = under + RIM;
  const wide = trap.to - trap.from + CLEARANCE.free;
  const [middle, low] = [(outLeft + outRight) / 2, Math.min(foot(outLeft), foot(outRight))];
  const moved = (corners: readonly Corner[]): readonly Corner[] => corners.map(({ x, y }) => ({ x: x - middle, y: y - low }));
  const bottom = [
    { x: outLeft, y: foot(outLeft) },
    { x: outRight, y: foot(outRight) },
    { x: outRight, y: rim },
  ];
  const wall = moved([...bottom, { x: outLeft, y: rim }]);
  const tray = moved([
    ...bottom,
    { x: right, y: rim },
    { x: right, y: under },
    { x: left, y: under },
    { x: left, y: rim },
    { x: outLeft, y: rim },
  ]);
  return [
    { corners: wall, holes: [], from: 0, to: WALL },
    { corners: tray, holes: [], from: WALL, to: WALL + wide },
    { corners: wall, holes: [], from: WALL + wide, to: 2 * WALL + wide },
  ];
}

/** What the trap stands in, instead of its block where it has one. */
const trapMount = (trap: Across, block: Across | null, { size }: SizeFormat): PrintedPart => ({
  id: 'trap-mount',
  name: 'trap mount',
  count: 1,
  note: `${block ? 'instead of the block under the trap' : 'a frame that the trap stands in'}; ${size(CLEARANCE.free)} of clearance, rim ${size(RIM)} high. Glue it on the deck when the car is tuned; the trap lifts out.`,
  layers: block ? trapTray(trap, block) : trapFrame(trap),
});

/** What holds lever and trap of a car that has them; on a bottle or tube the trap has no mount. */
export function trapParts(design: CarDesign, sizes: SizeFormat): PrintedPart[] {
  const { motor } = design;
  if (motor.kind !== 'lever') return [];
  const [lever] = leverSolids(design, motor, 0);
  const solids = trapSolids(design, motor);
  const block = solids.find(({ id }) => id === 'trap-block');
  const holder = leverHolder(acrossOf(lever!.shapes), sizes);
  if (bodyPartOf(design).isTube) return [holder];
  return [holder, trapMount(acrossOf(solids[0]!.shapes), block ? acrossOf(block.shapes) : null, sizes)];
}
