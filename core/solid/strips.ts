import type { Corner, Outline } from './shape.ts';

/** m within which two corners stand at one place. */
const SAME = 1e-9;

/** Whether an outline turns one way all round. */
function isConvex(corners: readonly Corner[]): boolean {
  const turns = corners.map((a, i) => {
    const [b, c] = [corners[(i + 1) % corners.length]!, corners[(i + 2) % corners.length]!];
    return (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x);
  });
  return turns.every((turn) => turn >= 0) || turns.every((turn) => turn <= 0);
}

/** A convex piece of an outline: its corners, and what of its border is the outline's own and no cut. */
export interface Strip {
  readonly corners: readonly Corner[];
  readonly edges: readonly (readonly [from: Corner, to: Corner])[];
}

/**
 * An outline with its holes as convex pieces that do not overlap: cut across at every corner, each strip is one trapezium or several.
 * @example stripsOf({ corners: rectangle(0, 2, 0, 1), holes: [] }).length // 1
 */
export function stripsOf({ corners, holes }: Outline): readonly Strip[] {
  if (holes.length === 0 && isConvex(corners))
    return [{ corners, edges: corners.map((corner, i) => [corner, corners[(i + 1) % corners.length]!] as const) }];
  const rings = [corners, ...holes];
  const places = rings
    .flat()
    .map(({ x }) => x)
    .sort((a, b) => a - b)
    .filter((x, i, all) => i === 0 || x - all[i - 1]! > SAME);
  // Edges straight across: what of a cut is the outline's own.
  const upright = rings.flatMap((ring) =>
    ring.flatMap((a, k) => {
      const b = ring[(k + 1) % ring.length]!;
      return Math.abs(a.x - b.x) <= SAME ? [{ x: a.x, low: Math.min(a.y, b.y), high: Math.max(a.y, b.y) }] : [];
    }),
  );
  const ownOf = (x: number, low: number, high: number): (readonly [Corner, Corner])[] =>
    upright.flatMap((edge) => {
      const [from, to] = [Math.max(edge.low, low), Math.min(edge.high, high)];
      return Math.abs(edge.x - x) <= SAME && to - from > SAME
        ? [
            [
              { x, y: from },
              { x, y: to },
            ] as const,
          ]
        : [];
    });
  const pieces: Strip[] = [];
  for (let i = 1; i < places.length; i++) {
    const [left, right] = [places[i - 1]!, places[i]!];
    const middle = (left + right) / 2;
    // Every edge over the strip, by where it crosses its two ends.
    const edges = rings.flatMap((ring) =>
      ring.flatMap((a, k) => {
        const b = ring[(k + 1) % ring.length]!;
        if (Math.min(a.x, b.x) > middle || Math.max(a.x, b.x) < middle) return [];
        const at = (x: number): number => a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x);
        return [{ left: at(left), right: at(right) }];
      }),
    );
    edges.sort((a, b) => a.left + a.right - b.left - b.right);
    for (let k = 0; k + 1 < edges.length; k += 2) {
      const [low, high] = [edges[k]!, edges[k + 1]!];
      const [a, b, c, d] = [
        { x: left, y: low.left },
        { x: right, y: low.right },
        { x: right, y: high.right },
        { x: left, y: high.left },
      ] as const;
      pieces.push({
        corners: [a, b, c, d],
        edges: [[a, b], [c, d], ...ownOf(left, low.left, high.left), ...ownOf(right, low.right, high.right)],
      });
    }
  }
  return pieces;
}
