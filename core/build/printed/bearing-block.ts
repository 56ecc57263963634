import type { CarDesign } from '../../car/car-design.ts';
import { isRoller } from '../../car/motors/motors.ts';
import type { Corner, Shape } from '../../solid/shape.ts';
import type { Solid } from '../../solid/solid.ts';
import { wheelsetSolids } from '../../solid/wheelset-solids.ts';
import type { SizeFormat } from '../size-format.ts';
import { CLEARANCE, round, WALL, type PrintedPart } from './printed-part.ts';

/** m, to a tenth of a millimetre: blocks alike to that are one part. */
const tenth = (metres: number): number => Math.round(1e4 * metres) / 1e4;

const isRod = (shape: Shape): shape is Extract<Shape, { kind: 'rod' }> => shape.kind === 'rod';

/** A block with the hole for its bearing’s tube, seen from the side; it prints lying on that side. */
function blockOf(
  tube: Extract<Shape, { kind: 'rod' }>,
  block: Extract<Shape, { kind: 'across' }>,
): { readonly corners: readonly Corner[]; readonly hole: number; readonly wide: number } {
  const { x, z } = tube.from;
  const hole = tube.radius + CLEARANCE.glued / 2;
  const half = Math.max(...block.corners.map((corner) => Math.abs(corner.x - x)), hole + WALL);
  // Its top follows the deck.
  const [, , right, left] = block.corners as readonly [Corner, Corner, Corner, Corner];
  const slope = (right.y - left.y) / (right.x - left.x);
  const top = (along: number): number => tenth((left.y + right.y) / 2 + slope * along - z);
  const low = -(hole + WALL);
  const corners = [
    { x: -half, y: low },
    { x: half, y: low },
    { x: half, y: top(half) },
    { x: -half, y: top(-half) },
  ];
  return { corners, hole, wide: tenth(block.to - block.from) };
}

/** Blocks that hold the bearings’ tubes under the deck, as long as the room there; alike ones together. */
export function bearingBlockParts(design: CarDesign, { size }: SizeFormat): PrintedPart[] {
  if (isRoller(design)) return [];
  const solids = wheelsetSolids(design);
  const parts: PrintedPart[] = [];
  for (const which of ['drive', 'other'] as const) {
    const blocks = solids.filter(({ id }) => id.startsWith(`${which}-bearing`) && id.endsWith('-block'));
    for (const block of blocks) {
      const bearing: Solid = solids.find(({ id }) => `${id}-block` === block.id)!;
      const tube = bearing.shapes.find(isRod)!;
      for (const shape of block.shapes) {
        if (shape.kind !== 'across') continue;
        const { corners, hole, wide } = blockOf(tube, shape);
        const layers = [{ corners, holes: [round(hole)], from: 0, to: wide }];
        const alike = parts.findIndex((part) => JSON.stringify(part.layers) === JSON.stringify(layers));
        if (alike >= 0) parts[alike] = { ...parts[alike]!, count: parts[alike]!.count + 1 };
        else
          parts.push({
            id: `${block.id}-${parts.length + 1}`,
            name: `bearing block of the ${which} axle`,
            count: 1,
            note: `instead of the blocks of card; hole ⌀ ${size(2 * hole)} for the bearing’s tube, ${size(CLEARANCE.glued)} of it clearance. Glue it under the body on the axle line.`,
            layers,
          });
      }
    }
  }
  return parts;
}
