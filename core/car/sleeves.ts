import { formatQuantity, type UnitSystem } from '../units/quantity.ts';
import type { CarDesign, SleeveStep } from './car-design.ts';
import { SLEEVES } from './catalogue.ts';
import { TAPE, formatTurns, describeWinding } from './tape.ts';

/** Wraps of tape that builders wind. Common practice. */
export const MOST_WRAPS = 15;
const KINDS = ['straw', 'pen-tube', 'dowel-collar', 'bead', 'cork'] as const;

/** Whether a spool of this kind is drilled through its middle by whoever builds. */
export const isDrilled = (kind: SleeveStep['kind']): boolean => kind === 'dowel-collar' || kind === 'cork' || kind === 'other';

/** What may be put on an axle of this diameter, m, the thinnest first: tape by the wrap, and what comes in sizes of its own. */
export function sleevesFor(axleDiameter: number): readonly Pick<SleeveStep, 'kind' | 'diameter'>[] {
  const tape = Array.from({ length: MOST_WRAPS }, (_, i) => ({ kind: 'tape' as const, diameter: axleDiameter + 2 * (i + 1) * TAPE }));
  const sized = KINDS.flatMap((kind) => SLEEVES[kind].sizes.map((diameter) => ({ kind, diameter })));
  return [...tape, ...sized.filter(({ diameter }) => diameter > axleDiameter + 2 * TAPE)].sort((a, b) => a.diameter - b.diameter);
}

/** What to do, a line for each step from the turns wound last: `9 wraps of 0.13 mm tape under the last 1½ turns`, `dowel collar, ⌀ 12 mm, under the 2 turns before`. */
export const sleeveLines = ({ axleDiameter, sleeve }: CarDesign, units: UnitSystem): string[] =>
  [...sleeve].reverse().map(({ kind, diameter, turns }, i) => {
    const wraps = Math.round((diameter - axleDiameter) / (2 * TAPE));
    if (kind === 'tape' && wraps > 0) return describeWinding([{ wraps, turns }], i > 0)[0]!;
    return `${SLEEVES[kind].label}, ⌀ ${formatQuantity(diameter, 'size', units)}, under ${formatTurns(turns, i === 0)}`;
  });
