import Module, { type ManifoldToplevel } from 'manifold-3d';
import { strFromU8, unzipSync } from 'fflate';
import { XMLParser } from 'fast-xml-parser';
import fc from 'fast-check';
import { mergeVertices } from 'three/examples/jsm/utils/BufferGeometryUtils.js';
import { STLLoader } from 'three/examples/jsm/loaders/STLLoader.js';
import { beforeAll, describe, expect, it } from 'vitest';
import { buildableDesigns } from '../build/reference/buildable-designs.ts';
import { onBed } from '../build/printed/bed.ts';
import { extentOf, printedMass, volumeOf, type PrintedPart } from '../build/printed/printed-part.ts';
import { printedParts } from '../build/printed/printed-parts.ts';
import type { CarDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { meshOf, type Mesh } from './printed-mesh.ts';
import { meshStl } from './printed-stl.ts';
import { meshes3mf, placedMeshes } from './printed-3mf.ts';

const lever = newCar('Kelp Runner', 'lever');
const discs: CarDesign = {
  ...lever,
  driveWheels: { kind: 'optical-disc', diameter: 0.12 },
  otherWheels: { kind: 'optical-disc', diameter: 0.12 },
};
const partOf = (design: CarDesign, id: string): PrintedPart => printedParts(design).find((part) => part.id === id)!;

let manifold: ManifoldToplevel;
beforeAll(async () => {
  manifold = await Module();
  manifold.setup();
});

/** How often each edge is met in each direction, and the volume within, mm³. Source: the divergence theorem over its triangles. */
function read({ corners, triangles }: Mesh): { readonly isClosed: boolean; readonly volume: number } {
  const edges = new Map<string, number>();
  let volume = 0;
  const at = (i: number): readonly [number, number, number] => [corners[3 * i]!, corners[3 * i + 1]!, corners[3 * i + 2]!];
  for (let i = 0; i < triangles.length; i += 3) {
    const [a, b, c] = [triangles[i]!, triangles[i + 1]!, triangles[i + 2]!];
    for (const [from, to] of [
      [a, b],
      [b, c],
      [c, a],
    ])
      edges.set(`${from} ${to}`, (edges.get(`${from} ${to}`) ?? 0) + 1);
    const [[ax, ay, az], [bx, by, bz], [cx, cy, cz]] = [at(a), at(b), at(c)];
    volume += (ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx)) / 6;
  }
  const isClosed = [...edges].every(([edge, count]) => count === 1 && edges.get(edge.split(' ').toReversed().join(' ')) === 1);
  return { isClosed, volume };
}

/** A binary STL as another program's reader sees it, corners in one place made one. */
function readStl(file: Uint8Array): Mesh {
  const geometry = new STLLoader().parse(file.buffer as ArrayBuffer);
  geometry.deleteAttribute('normal');
  const merged = mergeVertices(geometry, 1e-4);
  return { corners: new Float32Array(merged.getAttribute('position').array), triangles: new Uint32Array(merged.getIndex()!.array) };
}

describe('a printed part', () => {
  it('is sized by hand: a hub for a disc of 15 mm hole and 1.2 mm on an axle of 3 mm', () => {
    const hub = partOf({ ...discs, axleDiameter: 0.003 }, 'drive-hub');
    const [flange, spigot] = hub.layers;
    const across = (corners: readonly { readonly x: number; readonly y: number }[]): number =>
      2000 * Math.max(...corners.map(({ x, y }) => Math.hypot(x, y)));
    // Over the hole by 4 mm all round; 0.2 mm less than the hole, and more than the axle.
    expect([across(flange!.corners), across(spigot!.corners), across(spigot!.holes[0]!)].map((mm) => Number(mm.toFixed(2)))).toEqual([
      23, 14.8, 3.2,
    ]);
    expect([flange!.to, spigot!.to].map((metres) => Number((1000 * metres).toFixed(2)))).toEqual([5, 6.2]);
    expect(hub).toMatchObject({ count: 4, name: 'hub of the wheels' });
    // π/4 ((23² − 3.2²) 5 + (14.8² − 3.2²) 1.2) mm³ of 1.24 mg/mm³.
    const volume = (Math.PI / 4) * ((23 ** 2 - 3.2 ** 2) * 5 + (14.8 ** 2 - 3.2 ** 2) * 1.2);
    expect(1e9 * volumeOf(hub)).toBeCloseTo(volume, -1);
    expect(1e6 * printedMass(hub)).toBeCloseTo(1.24 * volume, -1);
  });
  it('is a stepped sleeve with each step as wide as its turns, and none where a wall would be thinner than 1.2 mm', () => {
    const sleeve: CarDesign['sleeve'] = [
      { kind: 'dowel-collar', diameter: 0.01, turns: 2 },
      { kind: 'dowel-collar', diameter: 0.016, turns: 1 },
    ];
    const { layers } = partOf({ ...lever, sleeve }, 'spool');
    const wide = layers.map(({ from, to }) => to - from);
    expect(wide[1]! / wide[0]!).toBeCloseTo(2, 9);
    expect(layers.map(({ corners }) => Number((2 * Math.max(...corners.map(({ x, y }) => Math.hypot(x, y)))).toFixed(4)))).toEqual([
      0.016, 0.01,
    ]);
    expect(partOf({ ...lever, sleeve: [{ kind: 'tape', diameter: lever.axleDiameter + 0.002, turns: 1 }] }, 'spool')).toBeUndefined();
  });
  it('is a bearing block whose hole lies where the axle does under its deck', () => {
    const raised: CarDesign = { ...lever, body: { ...lever.body, axleGap: 0.012 } };
    const block = partOf(raised, printedParts(raised).find(({ id }) => id.startsWith('drive-bearing'))!.id);
    const [layer] = block.layers;
    expect(Math.max(...layer!.corners.map(({ y }) => y))).toBeCloseTo(0.012, 4);
    const hole = layer!.holes[0]!;
    expect(hole.reduce((sum, { y }) => sum + y / hole.length, 0)).toBeCloseTo(0, 9);
    // 1.2 mm of wall below the hole.
    expect(Math.min(...hole.map(({ y }) => y)) - Math.min(...layer!.corners.map(({ y }) => y))).toBeCloseTo(0.0012, 4);
  });
  it('is a mount in which the trap has half a millimetre of room and stands as high as drawn', () => {
    if (lever.motor.kind !== 'lever') throw new Error('no lever');
    const raised: CarDesign = { ...lever, motor: { ...lever.motor, pivotAboveAxle: lever.motor.pivotAboveAxle + 0.01 } };
    const mount = partOf(raised, 'trap-mount');
    const [wall, tray] = mount.layers;
    expect(tray!.corners).toHaveLength(8);
    const heights = [...new Set(tray!.corners.map(({ y }) => Number((1000 * y).toFixed(2))))].sort((a, b) => a - b);
    // Foot, the trap's underside, 3 mm of rim over it.
    expect(heights[2]! - heights[1]!).toBeCloseTo(3, 9);
    expect(wall!.to).toBeCloseTo(0.0012, 9);
    // Without a gap it is a frame that prints as it lies.
    expect(partOf(lever, 'trap-mount').layers).toMatchObject([{ from: 0, to: 0.003, holes: [{}] }]);
    expect(tray!.to - tray!.from - 0.0005).toBeCloseTo(0.048, 2);
  });
  it('is closed and holds its volume by the library and by another reader, for 60 generated cars; nothing lies on anything on the bed', () => {
    const seen = new Set<string>();
    fc.assert(
      fc.property(buildableDesigns, (design) => {
        const parts = printedParts(design);
        for (const part of parts) {
          const mesh = meshOf(manifold, part);
          const file = read(readStl(meshStl(mesh)));
          expect(read(mesh).isClosed, part.name).toBe(true);
          expect(file.isClosed, part.name).toBe(true);
          expect(file.volume / (1e9 * volumeOf(part)), part.name).toBeCloseTo(1, 3);
          seen.add(part.id.replace(/-(bearing).*/, '-$1'));
        }
        const places = onBed(parts).flatMap((at, i) => {
          const { low, width, depth } = extentOf(parts[i]!);
          return at.map(([x, y]) => ({ left: x + low.x, right: x + low.x + width, near: y + low.y, far: y + low.y + depth }));
        });
        places.forEach((a, i) => {
          for (const b of places.slice(i + 1)) expect(a.left < b.right && b.left < a.right && a.near < b.far && b.near < a.far).toBe(false);
        });
      }),
      { seed: 9, numRuns: 60 },
    );
    expect([...seen].sort()).toEqual(['drive-bearing', 'drive-hub', 'lever-holder', 'other-bearing', 'other-hub', 'spool', 'trap-mount']);
  });
  it('is in a 3MF with its name, in millimetres, as often as it is needed', () => {
    const parts = printedParts(discs);
    const files = unzipSync(meshes3mf('A <car> & more', placedMeshes(manifold, parts)));
    expect(Object.keys(files)).toEqual(['[Content_Types].xml', '_rels/.rels', '3D/3dmodel.model']);
    const { model } = new XMLParser({
      ignoreAttributes: false,
      attributeNamePrefix: '',
      parseAttributeValue: true,
      isArray: (name) => ['object', 'item', 'metadata'].includes(name),
    }).parse(strFromU8(files['3D/3dmodel.model']!));
    expect(model.unit).toBe('millimeter');
    expect(model.metadata[0]['#text']).toBe('A <car> & more');
    expect(model.resources.object.map(({ name }: { name: string }) => name)).toEqual(parts.map(({ name }) => name));
    expect(model.build.item).toHaveLength(parts.reduce((sum, { count }) => sum + count, 0));
    for (const [i, { mesh }] of model.resources.object.entries()) {
      const corners = new Float32Array(mesh.vertices.vertex.flatMap(({ x, y, z }: Record<'x' | 'y' | 'z', number>) => [x, y, z]));
      const triangles = new Uint32Array(
        mesh.triangles.triangle.flatMap(({ v1, v2, v3 }: Record<'v1' | 'v2' | 'v3', number>) => [v1, v2, v3]),
      );
      const { isClosed, volume } = read({ corners, triangles });
      expect(isClosed).toBe(true);
      expect(volume / (1e9 * volumeOf(parts[i]!))).toBeCloseTo(1, 3);
    }
  });
});
