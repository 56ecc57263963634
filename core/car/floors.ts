import type { FormatValue } from '../units/quantity.ts';
import { FLOORS } from './catalogue.ts';
import type { Floor, FloorStretch } from './car-design.ts';

const pieceWords = ({ kind, slope }: Pick<FloorStretch, 'kind' | 'slope'>, format: FormatValue): string =>
  `${FLOORS[kind].label}${slope === 0 ? '' : `, ${format(Math.abs(slope), 'angle')} ${slope > 0 ? 'uphill' : 'downhill'}`}`;

/** A floor in words: `smooth floor or linoleum; from 2.00 m coir matting, 2° uphill`. */
export const describeFloor = (floor: Floor, format: FormatValue): string =>
  [
    pieceWords(floor, format),
    ...floor.stretches.map((stretch) => `from ${format(stretch.from, 'distance')} ${pieceWords(stretch, format)}`),
    ...floor.edges.map(({ at, height }) => `${format(height, 'size')} high at ${format(at, 'distance')}`),
  ].join('; ');

/** Stretches in the order they are met; of two that begin at one place the later one given counts. */
export const inOrder = (stretches: readonly FloorStretch[]): FloorStretch[] =>
  stretches.filter(({ from }, i) => !stretches.slice(i + 1).some((later) => later.from === from)).toSorted((a, b) => a.from - b.from);

/** m that a car which would go so far comes on a floor: no further than the wall, where there is one. */
export const upToWall = ({ roomLength }: Floor, metres: number): number => Math.min(metres, roomLength ?? Infinity);

/** m that a mat under the launch reaches beyond the line: as long as a doormat. */
const MAT_LENGTH = 0.75;

/** The floor with a piece of short carpet under the launch. */
export const withMat = (floor: Floor): Floor => ({
  ...floor,
  kind: 'short-carpet',
  stretches: inOrder([
    { from: MAT_LENGTH, kind: floor.kind, slope: floor.slope },
    ...floor.stretches.filter(({ from }) => from >= MAT_LENGTH),
  ]),
});

/** A point of a floor seen from the side, m: `along` it from the line, and where that is. */
export interface ProfilePoint {
  readonly along: number;
  readonly x: number;
  readonly y: number;
}

/** A floor from the side, from the line to `end` m along it: where each stretch begins, and the end. Source: geometry of the slope. */
export function floorProfile(floor: Floor, end: number): readonly ProfilePoint[] {
  const pieces = [{ from: 0, slope: floor.slope }, ...floor.stretches].filter(({ from }) => from < end);
  const points: ProfilePoint[] = [{ along: 0, x: 0, y: 0 }];
  pieces.forEach(({ slope }, i) => {
    const last = points.at(-1)!;
    const along = pieces[i + 1]?.from ?? end;
    const stretch = along - last.along;
    points.push({ along, x: last.x + stretch * Math.cos(slope), y: last.y + stretch * Math.sin(slope) });
  });
  return points;
}

/** Where on a profile a place along the floor is, m; beyond its end, the end. */
export function onProfile(profile: readonly ProfilePoint[], along: number): ProfilePoint {
  const next = profile.findIndex((point) => point.along >= along);
  if (next <= 0) return next < 0 ? profile.at(-1)! : profile[0]!;
  const [from, to] = [profile[next - 1]!, profile[next]!];
  const fraction = (along - from.along) / (to.along - from.along);
  return { along, x: from.x + fraction * (to.x - from.x), y: from.y + fraction * (to.y - from.y) };
}
