import { add, times, type Corner, type Shape, type Vector } from './shape.ts';
import type { Solid } from './solid.ts';

/** m that a part moves when the car is taken apart whole. Our choice. */
const FAR = 0.07;

/** Which way a part goes, times FAR: wheels out, then hubs and tyres; what is on the deck up, what is under it down. */
const WAYS: readonly (readonly [test: (id: string) => boolean, way: Vector])[] = [
  [(id) => id.endsWith('-hub'), { x: 0, y: 1.4, z: 0 }],
  [(id) => id.endsWith('-tyre'), { x: 0, y: 0.8, z: 0 }],
  [(id) => id.includes('-wheel-'), { x: 0, y: 0.5, z: 0 }],
  [(id) => id.endsWith('-block') && id.includes('bearing'), { x: 0, y: 0, z: -0.35 }],
  [(id) => id.includes('-bearing'), { x: 0, y: 0, z: -0.7 }],
  [(id) => id.endsWith('-axle') || id === 'sleeve' || id === 'axle-hook', { x: 0, y: 0, z: -1.1 }],
  [(id) => id === 'trap-block', { x: 0, y: 0, z: 0.3 }],
  [(id) => id === 'trap' || id === 'stiffener', { x: 0, y: 0, z: 0.6 }],
  [(id) => id === 'lever' || id === 'ballast' || id === 'load', { x: 0, y: 0, z: 1.1 }],
  [(id) => id === 'hook' || id === 'bands', { x: 0, y: 0, z: -0.5 }],
  [(id) => id === 'washer' || id === 'arm', { x: 0, y: 0.6, z: 0 }],
  [(id) => id === 'match', { x: 0, y: -0.5, z: 0 }],
];

/** A shape somewhere else. */
function movedShape(shape: Shape, by: Vector): Shape {
  const corners = (list: readonly Corner[], up: number): Corner[] => list.map(({ x, y }) => ({ x: x + by.x, y: y + up }));
  switch (shape.kind) {
    case 'across':
      return {
        ...shape,
        corners: corners(shape.corners, by.z),
        holes: shape.holes.map((hole) => corners(hole, by.z)),
        from: shape.from + by.y,
        to: shape.to + by.y,
      };
    case 'plate':
      return {
        ...shape,
        corners: corners(shape.corners, by.y),
        holes: shape.holes.map((hole) => corners(hole, by.y)),
        from: shape.from + by.z - shape.slope * by.x,
        to: shape.to + by.z - shape.slope * by.x,
      };
    case 'rod':
      return { ...shape, from: add(shape.from, by), to: add(shape.to, by) };
    case 'shell':
      return { ...shape, height: shape.height + by.z };
  }
}

/** Which side of the car a part is on: 1 left, −1 right. */
const sideOf = ({ shapes }: Solid): 1 | -1 => {
  const [first] = shapes;
  const across = first?.kind === 'across' ? first.from + first.to : first?.kind === 'rod' ? first.from.y + first.to.y : 0;
  return across < 0 ? -1 : 1;
};

/**
 * The car taken apart, so that every part is seen.
 * @param apart from 0, as it is, to 1
 */
export const exploded = (solids: readonly Solid[], apart: number): readonly Solid[] =>
  apart <= 0
    ? solids
    : solids.map((solid) => {
        const way = WAYS.find(([test]) => test(solid.id))?.[1];
        if (!way) return solid;
        const by = times({ ...way, y: way.y * sideOf(solid) }, apart * FAR);
        return { ...solid, shapes: solid.shapes.map((shape) => movedShape(shape, by)) };
      });
