import { describe, expect, it } from 'vitest';
import { newCar } from '../car/new-car.ts';
import { carSolids } from './car-solids.ts';
import { wayOut } from './collisions.ts';
import { convexPieces, separationOf, type Convex } from './convex.ts';
import { areaOf, circle, rectangle, type Vector } from './shape.ts';
import { pictureOf, type Viewpoint } from './picture.ts';
import { solid, type Solid } from './solid.ts';
import { stripsOf } from './strips.ts';

describe('an outline', () => {
  it('is cut into strips that are as large together', () => {
    expect(stripsOf({ corners: rectangle(0, 4, 0, 2), holes: [] })).toHaveLength(1);
    const holed = stripsOf({ corners: rectangle(0, 4, 0, 2), holes: [rectangle(1, 2, 0.5, 1.5)] });
    expect(holed.reduce((sum, { corners }) => sum + areaOf(corners), 0)).toBeCloseTo(4 * 2 - 1, 12);
    // A notch from the side: 12 − 2.
    const notched = [
      { x: 0, y: 0 },
      { x: 4, y: 0 },
      { x: 4, y: 3 },
      { x: 0, y: 3 },
      { x: 0, y: 2 },
      { x: 2, y: 2 },
      { x: 2, y: 1 },
      { x: 0, y: 1 },
    ];
    expect(stripsOf({ corners: notched, holes: [] }).reduce((sum, { corners }) => sum + areaOf(corners), 0)).toBeCloseTo(10, 12);
  });
  it('of a circle is no more than a tenth of a millimetre off', () => {
    for (const radius of [0.001, 0.02, 0.06]) {
      const corners = circle(0, 0, radius);
      const middle = Math.hypot((corners[0]!.x + corners[1]!.x) / 2, (corners[0]!.y + corners[1]!.y) / 2);
      expect(radius - middle).toBeLessThan(0.15e-3);
    }
  });
});

const boxAt = (x: number, y: number, z: number, half: number): Convex =>
  convexPieces({ kind: 'across', corners: rectangle(x - half, x + half, z - half, z + half), holes: [], from: y - half, to: y + half })[0]!;
const rod = (from: Vector, to: Vector, radius: number): Convex => convexPieces({ kind: 'rod', from, to, radius, inside: 0 })[0]!;

describe('two pieces', () => {
  it('are as far apart as their faces, and as deep as the one must be moved', () => {
    expect(separationOf(boxAt(0, 0, 0, 1), boxAt(5, 0, 0, 1)).distance).toBeCloseTo(3, 9);
    const deep = separationOf(boxAt(0, 0, 0, 1), boxAt(1.5, 0.2, 0, 1));
    expect(deep.distance).toBeCloseTo(-0.5, 9);
    expect(wayOut(deep.direction)).toBe('toward the other axle');
    expect(wayOut(separationOf(boxAt(0, 0, 0, 1), boxAt(0, 0, -1.9, 1)).direction)).toBe('down');
  });
  it('cross askew at the distance of their axes: by hand 10 mm less two radii of 2 mm', () => {
    const along = rod({ x: -0.1, y: 0, z: 0 }, { x: 0.1, y: 0, z: 0 }, 0.002);
    const across = rod({ x: 0, y: -0.1, z: 0.01 }, { x: 0.03, y: 0.1, z: 0.01 }, 0.002);
    expect(separationOf(along, across).distance).toBeGreaterThan(0.006 - 1e-9);
    expect(separationOf(along, across).distance).toBeLessThan(0.0064);
  });
});

describe('a picture', () => {
  const block = (id: string, x: number): Solid =>
    solid(id, id, [{ kind: 'across', corners: rectangle(x, x + 1, 0, 1), holes: [], from: 0, to: 1 }], []);
  const idsIn = (view: Viewpoint): string[] => [
    ...new Set(pictureOf([block('near zero', 0), block('beyond', 3)], view).map(({ of }) => of.id)),
  ];
  it('has what is farther first, from either side', () => {
    // Seen along the car from behind it, and from in front.
    expect(idsIn({ round: -Math.PI / 2, up: 0.3 })).toEqual(['beyond', 'near zero']);
    expect(idsIn({ round: Math.PI / 2, up: 0.3 })).toEqual(['near zero', 'beyond']);
  });
  it('of a cube shows three faces and nine edges; of a round bar no edge along it but its outline', () => {
    const cube = pictureOf([block('cube', 0)], { round: -0.6, up: 0.5 });
    expect(cube.filter(({ kind }) => kind === 'face')).toHaveLength(3);
    const lines = new Set(
      cube
        .filter(({ kind }) => kind === 'edge')
        .flatMap(({ points }) => points.slice(1).map((to, i) => [points[i]!, to]))
        .map((ends) =>
          ends
            .map(({ x, y }) => `${x.toFixed(6)} ${y.toFixed(6)}`)
            .sort()
            .join(),
        ),
    );
    expect(lines.size).toBe(9);
    const bar = solid('bar', 'bar', [{ kind: 'rod', from: { x: 0, y: 0, z: 0 }, to: { x: 0, y: 0.1, z: 0 }, radius: 0.01, inside: 0 }], []);
    const along = pictureOf([bar], { round: -0.6, up: 0.5 }).filter(
      ({ kind, points: [a, b] }) => kind === 'edge' && Math.hypot(a!.x - b!.x, a!.y - b!.y) > 0.02,
    );
    expect(new Set(along.map(({ points }) => JSON.stringify(points.map(({ x, y }) => [x.toFixed(6), y.toFixed(6)]).sort()))).size).toBe(2);
  });
  it('has a wheel before its axle’s far end and behind its near one', () => {
    const seen = pictureOf(carSolids(newCar('x')), { round: -0.6, up: 0.3 });
    const last = (id: string): number => seen.map(({ of }) => of.id).lastIndexOf(id);
    // The right wheels are nearer: they cover the deck, and the left ones are covered by it.
    expect(last('drive-wheel-right')).toBeGreaterThan(last('body'));
    expect(last('drive-wheel-left')).toBeLessThan(last('body'));
  });
});
