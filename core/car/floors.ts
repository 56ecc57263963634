import type { Print } from '../units/quantity.ts';
import { FLOORS } from './catalogue.ts';
import type { Floor, FloorStretch } from './car-design.ts';

const pieceWords = ({ kind, slope }: Pick<FloorStretch, 'kind' | 'slope'>, print: Print): string =>
  `${FLOORS[kind].label}${slope === 0 ? '' : `, ${print(Math.abs(slope), 'angle')} ${slope > 0 ? 'uphill' : 'downhill'}`}`;

/** A floor in words: `smooth floor or linoleum; from 2.00 m coir matting, 2° uphill`. */
export const floorWords = (floor: Floor, print: Print): string =>
  [
    pieceWords(floor, print),
    ...floor.stretches.map((stretch) => `from ${print(stretch.from, 'distance')} ${pieceWords(stretch, print)}`),
    ...floor.edges.map(({ at, height }) => `${print(height, 'size')} high at ${print(at, 'distance')}`),
  ].join('; ');

/** Stretches in the order they are met; of two that begin at one place the later one given counts. */
export const inOrder = (stretches: readonly FloorStretch[]): FloorStretch[] =>
  stretches.filter(({ from }, i) => !stretches.slice(i + 1).some((later) => later.from === from)).toSorted((a, b) => a.from - b.from);

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
