import { hasAllWords } from '../../../../core/has-all-words.ts';
import type { CarGroup } from '../../../../core/car/car-groups.ts';
import type { CarDesign, MotorKind } from '../../../../core/car/car-design.ts';
import { MOTOR_KINDS } from '../../../../core/car/motors/motors.ts';
import { CATALOGUE } from '../../../../core/car/parts.ts';
import { SLOTS } from '../../../../core/car/part-slots.ts';
import type { Size } from '../../../../core/car/size.ts';
import { sizesOf } from '../../../../core/car/sizes.ts';
import { CHOICES, type Choice, type PartChoice } from './choices.ts';

interface RowOf {
  readonly id: string;
  readonly group: CarGroup;
  /** What it is found by. */
  readonly words: string;
}
/** A part with its own size and what is put on it; a choice; or a size by itself. */
export type CarRow = RowOf &
  (
    | { readonly kind: 'part'; readonly part: PartChoice; readonly size: Size | undefined; readonly worn: readonly PartChoice[] }
    | { readonly kind: 'choice'; readonly choice: Choice }
    | { readonly kind: 'size'; readonly size: Size }
  );

const labelsOf = (options: Readonly<Record<string, { readonly label: string }>>): string[] =>
  Object.values(options).map(({ label }) => label);
const partWords = ({ label, slot }: PartChoice): string[] => [label, SLOTS[slot].synonyms, ...labelsOf(CATALOGUE[SLOTS[slot].kind])];

function rows(kind: MotorKind): CarRow[] {
  const choices = CHOICES[kind];
  const parts = choices.filter((choice) => 'slot' in choice);
  const sizes = sizesOf(kind);
  const ofChoices = choices.flatMap((choice): CarRow[] => {
    if (!('slot' in choice)) {
      const { label, group, options } = choice;
      return [{ kind: 'choice', id: label, group, words: [label, ...labelsOf(options)].join(' '), choice }];
    }
    if (choice.on) return [];
    const { slot } = choice;
    const size = sizes.find((one) => one.slot === slot);
    const worn = parts.filter(({ on }) => on === slot);
    const words = [size?.label ?? '', size?.synonyms ?? '', ...[choice, ...worn].flatMap(partWords)].join(' ');
    return [{ kind: 'part', id: slot, group: SLOTS[slot].group, words, part: choice, size, worn }];
  });
  const shownSizes = new Set(ofChoices.map((row) => (row.kind === 'part' ? row.size : undefined)));
  const ofSizes = sizes
    .filter((size) => !shownSizes.has(size))
    .map((size): CarRow => ({ kind: 'size', id: size.id, group: size.group, words: [size.label, size.synonyms ?? ''].join(' '), size }));
  return [...ofChoices, ...ofSizes];
}

/** Everything of a car of each kind that is chosen, typed or slid, in the order it is shown within its group. */
export const CAR_ROWS = Object.fromEntries<readonly CarRow[]>(MOTOR_KINDS.map((kind) => [kind, rows(kind)])) as Readonly<
  Record<MotorKind, readonly CarRow[]>
>;

/** Whether a car has the row: a deck has no girth. */
export const isRowOf = (row: CarRow, design: CarDesign): boolean => row.kind !== 'size' || row.size.isOf?.(design) !== false;

/** The rows that a builder looks for by name. */
export const rowsFound = (all: readonly CarRow[], sought: string): CarRow[] => all.filter(({ words }) => hasAllWords(words, sought));
