import type { BandDesign, CarDesign } from '../../car/car-design.ts';
import { bodyPartOf } from '../../car/fitted.ts';
import { equivalentBand } from '../../car/band-chain.ts';
import { deckHeights } from '../deck-heights.ts';
import { anchorOf } from '../pull-places.ts';
import type { Shape, Vector } from '../shape.ts';
import { GROUND, solid, type Solid } from '../solid.ts';

/** m of the wire that a hook is bent of. Common practice. */
const WIRE = 0.0008;
/** m by which the hook's wire is stuck into or laid on the body. */
const STUCK_IN = 0.001;
/** Bands drawn beside each other at the most, and m between them. */
export const MOST_STRANDS = 3;
const APART = 0.004;

/** Where the wire of a hook ends: in the deck; of a bottle or tube in the wall that is nearest. */
function heldAt(hook: number, { under, top }: { readonly under: number; readonly top: number }, isTube: boolean): number {
  if (hook < under) return under + STUCK_IN;
  if (hook > top) return top - STUCK_IN;
  if (!isTube) return (under + top) / 2;
  return hook - under < top - hook ? under : top;
}

/** The hook on the body, and the bands from there to the axle. */
export function bandSolids(design: CarDesign, motor: BandDesign): Solid[] {
  const axleHeight = design.driveWheels.diameter / 2;
  const { x, y: z } = anchorOf(motor, axleHeight);
  const anchor: Vector = { x, y: 0, z };
  const { under, top } = deckHeights(design, anchor.x);
  const toward = heldAt(anchor.z, { under, top }, bodyPartOf(design).isTube);
  const wire: Shape = { kind: 'rod', from: anchor, to: { ...anchor, z: toward }, radius: WIRE, inside: 0 };
  const { width, thickness } = equivalentBand(motor);
  // Both strands of a loop in one; stretched they are thinner than that.
  const radius = Math.sqrt((2 * width * thickness) / Math.PI);
  const strands = Math.min(motor.parallel, MOST_STRANDS);
  const bands = Array.from({ length: strands }, (_, i): Shape => {
    const y = APART * (i - (strands - 1) / 2);
    return { kind: 'rod', from: { ...anchor, y }, to: { x: 0, y, z: axleHeight }, radius, inside: 0 };
  });
  return [
    solid('hook', 'hook of the bands', [wire], [[GROUND, 'glue']]),
    solid('bands', motor.parallel > 1 ? 'bands' : 'band', bands, [['hook', 'hook']]),
  ];
}
