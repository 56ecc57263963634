import { PART_VALUES, partFaults, type PartValue } from '../car/parts.ts';
import type { OwnPart, PartKind } from '../car/part-slots.ts';
import { formatFault } from '../fault-words.ts';
import { parseQuantity } from '../units/quantity.ts';
import { readOwnPart } from './read.ts';

const FIRST = ['kind', 'name', 'like', 'count', 'evidence', 'cost'] as const;
const SURE = 'measured to %';
const headingOf = ({ label, unit }: PartValue): string => (unit ? `${label} ${unit}` : label);
const KINDS = Object.keys(PART_VALUES) as PartKind[];
/** Every value of any kind, once. */
const HEADINGS: readonly string[] = [...new Set(KINDS.flatMap((kind) => PART_VALUES[kind].map(headingOf)))];

/** Significant digits of a value in a file: finer is nobody's. */
const DIGITS = 8;
const written = (value: number): string => String(Number(value.toPrecision(DIGITS)));

/** A table of parts: headings with their units, and a row of texts for each. */
export const partTable = (parts: readonly OwnPart[]): readonly (readonly string[])[] => [
  [...FIRST, ...HEADINGS, SURE],
  ...parts.map((part) => {
    const columns = new Map(
      PART_VALUES[part.kind].flatMap((value) => {
        const known = part.values[value.key];
        return known === undefined ? [] : [[headingOf(value), written(known / value.factor)] as const];
      }),
    );
    const sure = Object.entries(part.spreads ?? {}).map(([key, spread]) => `${key} ${written(100 * spread)}`);
    return [...FIRST.map((key) => String(part[key] ?? '')), ...HEADINGS.map((heading) => columns.get(heading) ?? ''), sure.join('; ')];
  }),
];

/** A line of a file as a part, or what is wrong with it. */
export interface ReadPartLine {
  /** In the file, counted from 1, its headings included. */
  readonly line: number;
  readonly part: OwnPart | null;
  readonly problem: string | null;
}

/** Lines of a file as parts, by its headings in any order; values in the unit of their heading, decimal commas too. Only kind, name and like are needed. */
export function readPartLines([headings = [], ...lines]: readonly (readonly string[])[]): readonly ReadPartLine[] {
  const places = new Map(headings.map((heading, i) => [heading.trim().toLowerCase(), i]));
  return lines.map((cells, i): ReadPartLine => {
    const line = i + 2;
    const textOf = (heading: string): string => cells[places.get(heading.toLowerCase()) ?? -1]?.trim() ?? '';
    const wrong = (problem: string): ReadPartLine => ({ line, part: null, problem });
    const kind = textOf('kind') as PartKind;
    if (!KINDS.includes(kind)) return wrong(`kind: must be one of ${KINDS.join(', ')}.`);
    const values: Record<string, number> = {};
    for (const value of PART_VALUES[kind]) {
      const text = textOf(headingOf(value));
      if (text === '') continue;
      const parsed = parseQuantity(text, 'count', 'metric');
      if (parsed.kind === 'unclear') return wrong(`${headingOf(value)}: ${parsed.message}`);
      values[value.key] = Number((parsed.value * value.factor).toPrecision(DIGITS));
    }
    const spreads = Object.fromEntries(
      textOf(SURE)
        .split(';')
        .map((one) => one.trim().split(/\s+/))
        .filter(([key = '']) => key in values)
        .map(([key, fraction]) => [key, Number(fraction) / 100]),
    );
    const count = textOf('count') === '' ? 1 : Number(textOf('count'));
    const cost = textOf('cost') === '' ? null : parseQuantity(textOf('cost'), 'count', 'metric');
    if (cost?.kind === 'unclear') return wrong(`cost: ${cost.message}`);
    const read = readOwnPart({
      format: 'nimble-axle/own-part',
      version: 1,
      kind,
      name: textOf('name'),
      like: textOf('like'),
      values,
      ...(Object.keys(spreads).length > 0 && { spreads }),
      evidence: textOf('evidence') || 'estimated',
      count,
      ...(cost && { cost: cost.value }),
    });
    const faults = read.kind === 'faulty' ? read.faults : partFaults(read.value);
    return read.kind === 'faulty' ? wrong(formatFault(faults[0]!)) : { line, part: read.value, problem: null };
  });
}
