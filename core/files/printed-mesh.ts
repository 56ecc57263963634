import type { ManifoldToplevel, Vec2 } from 'manifold-3d';
import type { PrintedPart } from '../build/printed/printed-part.ts';

/** The surface of a part, mm: x, y, z of each corner, and the corners of each triangle, seen from outside against the clock. */
export interface Mesh {
  readonly corners: Float32Array;
  readonly triangles: Uint32Array;
}

const MM = 1000;

/**
 * The surface of a printed part, closed: its layers as one solid.
 * @param manifold the library, set up, as it is loaded here or there
 * @throws Error where the layers make no closed solid
 */
export function meshOf({ Manifold, CrossSection }: ManifoldToplevel, { layers, name }: PrintedPart): Mesh {
  const pieces = layers.map(({ corners, holes, from, to }) => {
    const outlines = [corners, ...holes].map((outline) => outline.map(({ x, y }): Vec2 => [MM * x, MM * y]));
    const section = new CrossSection(outlines, 'EvenOdd');
    const stood = section.extrude(MM * (to - from));
    const piece = stood.translate([0, 0, MM * from]);
    section.delete();
    stood.delete();
    return piece;
  });
  const whole = Manifold.union(pieces);
  for (const piece of pieces) piece.delete();
  const status = whole.status();
  if (status !== 'NoError' || whole.isEmpty()) throw new Error(`the ${name} is no closed solid (${status})`);
  const { numProp, vertProperties, triVerts } = whole.getMesh();
  whole.delete();
  const corners = new Float32Array((vertProperties.length / numProp) * 3);
  for (let i = 0; i * numProp < vertProperties.length; i++) corners.set(vertProperties.subarray(i * numProp, i * numProp + 3), 3 * i);
  return { corners, triangles: triVerts };
}
