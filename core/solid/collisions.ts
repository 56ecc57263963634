import { boxesMeet, convexPieces, separationOf, type Convex } from './convex.ts';
import type { Vector } from './shape.ts';
import type { Solid } from './solid.ts';

/** m that two parts may be in one another and still be put together: card gives, and sizes are cut to a millimetre. */
export const TOLERANCE = 0.5e-3;
/** m within which a part that is held touches what holds it. */
export const TOUCHES = 1e-3;

/** Two parts that are in one another: how deep, m, and which way the second would have to move out of the first. */
export interface Collision {
  readonly first: Solid;
  readonly second: Solid;
  readonly depth: number;
  readonly direction: Vector;
}

/** A part with its pieces, which are made once. */
interface Placed {
  readonly solid: Solid;
  readonly pieces: readonly Convex[];
  readonly low: Vector;
  readonly high: Vector;
}

function placed(solid: Solid): Placed {
  // What fills the hole of a wheel or bearing belongs there; only a deck has openings for what is not its own.
  const pieces = solid.shapes.flatMap((shape) => convexPieces(shape, shape.kind !== 'plate'));
  const end = (pick: (...values: number[]) => number, of: 'low' | 'high'): Vector => ({
    x: pick(...pieces.map((piece) => piece[of].x)),
    y: pick(...pieces.map((piece) => piece[of].y)),
    z: pick(...pieces.map((piece) => piece[of].z)),
  });
  return { solid, pieces, low: end(Math.min, 'low'), high: end(Math.max, 'high') };
}

/** Whether two parts may share room: one holds the other, or both turn on one axle. */
function mayMeet(a: Solid, b: Solid): boolean {
  const holds = (one: Solid, other: Solid): boolean => one.held.some(({ to }) => to === other.id);
  if (holds(a, b) || holds(b, a)) return true;
  if (a.turnsWith !== null && a.turnsWith === b.turnsWith) return true;
  // A bottle or tube is opened where axle, bearings and winding pass.
  const isShell = ({ shapes }: Solid): boolean => shapes.some(({ kind }) => kind === 'shell');
  const isAtAxle = ({ id }: Solid): boolean => id.endsWith('-axle') || id.includes('-bearing') || id === 'winding' || id === 'axle-hook';
  if ((isShell(a) && isAtAxle(b)) || (isShell(b) && isAtAxle(a))) return true;
  // String and bands lie on the axle that they are wound on, and on what is wound there.
  const isPull = ({ id }: Solid): boolean => id === 'string' || id === 'bands';
  const isSpool = ({ id, turnsWith }: Solid): boolean => turnsWith === 'drive-axle' && !id.includes('wheel');
  return (isPull(a) && isSpool(b)) || (isPull(b) && isSpool(a));
}

/** How deep two parts are in one another at the deepest; null where they are not. */
function deepest(a: Placed, b: Placed): Pick<Collision, 'depth' | 'direction'> | null {
  let found: Pick<Collision, 'depth' | 'direction'> | null = null;
  for (const one of a.pieces) {
    if (!boxesMeet(one, b)) continue;
    for (const other of b.pieces) {
      if (!boxesMeet(one, other)) continue;
      const { distance, direction } = separationOf(one, other);
      if (-distance > (found?.depth ?? 0)) found = { depth: -distance, direction };
    }
  }
  return found;
}

/**
 * Every two parts that are in one another more than the tolerance, though neither holds the other, the deepest first.
 * @param standing what stays in its place
 * @param moments what moves, at each moment that counts; a pair is told once, where it is deepest
 */
export function collisionsOf(standing: readonly Solid[], moments: readonly (readonly Solid[])[] = []): readonly Collision[] {
  const worst = new Map<string, Collision>();
  const look = (a: Placed, b: Placed): void => {
    if (!boxesMeet(a, b) || mayMeet(a.solid, b.solid)) return;
    const found = deepest(a, b);
    const key = `${a.solid.id} ${b.solid.id}`;
    if (found && found.depth > Math.max(TOLERANCE, worst.get(key)?.depth ?? 0))
      worst.set(key, { first: a.solid, second: b.solid, ...found });
  };
  const still = standing.map(placed);
  still.forEach((a, i) => {
    for (const b of still.slice(i + 1)) look(a, b);
  });
  for (const moving of moments)
    for (const b of moving.map(placed)) {
      for (const a of still) look(a, b);
    }
  return [...worst.values()].sort((a, b) => b.depth - a.depth);
}

/** A part that nothing holds: it does not touch what it is fixed to, or that floats itself. `gap`: m to what should hold it; 0 where nothing should. */
export interface Floating {
  readonly solid: Solid;
  readonly from: Solid | null;
  readonly gap: number;
}

/** Whether two parts touch. */
const isTouching = (a: Placed, b: Placed): boolean =>
  boxesMeet(a, b, TOUCHES) &&
  a.pieces.some(
    (one) =>
      boxesMeet(one, b, TOUCHES) &&
      b.pieces.some((other) => boxesMeet(one, other, TOUCHES) && separationOf(one, other).distance <= TOUCHES),
  );

/** How far two parts are apart, m: to their nearest pieces, along the direction that parts these best. */
function gapBetween(a: Placed, b: Placed): number {
  let least = Infinity;
  for (const one of a.pieces) {
    // What is farther away than what was found needs no look.
    for (const other of b.pieces) if (boxesMeet(one, other, least)) least = Math.min(least, Math.max(separationOf(one, other).distance, 0));
    if (least <= TOUCHES) return least;
  }
  return least;
}

/** The parts that float, each with what should hold it. */
export function floatingIn(solids: readonly Solid[]): readonly Floating[] {
  const byId = new Map(solids.map((one) => [one.id, placed(one)]));
  return solids.flatMap((one): Floating[] => {
    if (one.isRoom || one.held.length === 0) return [];
    const holders = one.held.flatMap(({ to }) => byId.get(to) ?? []);
    const self = byId.get(one.id)!;
    if (holders.some((holder) => isTouching(self, holder))) return [];
    const gaps = holders.map((holder) => ({ from: holder.solid, gap: gapBetween(self, holder) }));
    const nearest = gaps.sort((a, b) => a.gap - b.gap)[0];
    return [{ solid: one, from: nearest?.from ?? null, gap: nearest?.gap ?? 0 }];
  });
}

/** Which way the second part would have to move out of the first, in words: along the car, across it or up and down, whichever is most. */
export function wayOut({ x, y, z }: Vector): string {
  const [size, plus, less] = (
    [
      [z, 'up', 'down'],
      [y, 'to the left', 'to the right'],
      [x, 'toward the other axle', 'toward the drive axle'],
    ] as const
  ).toSorted((a, b) => Math.abs(b[0]) - Math.abs(a[0]))[0]!;
  return size > 0 ? plus : less;
}
