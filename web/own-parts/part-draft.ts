import { capitalized } from '../../core/capitalized.ts';
import { describeProblem } from '../../core/fault-words.ts';
import { CATALOGUE, PART_VALUES, partFaults, typedValues, usualValue, type PartValue } from '../../core/car/parts.ts';
import { flatSection, roundSection } from '../../core/car/bend-test.ts';
import { AXLES } from '../../core/car/catalogue.ts';
import type { CommonPiece } from '../../core/car/common-pieces.ts';
import { pieceExtent, USUAL_PIECE, type Piece } from '../../core/car/piece-weight.ts';
import type { OwnPart } from '../../core/schema/generated/own-part.ts';
import type { PartKind } from '../../core/car/part-slots.ts';
import { parseQuantity, valueIn } from '../../core/units/quantity.ts';

/** A part as it is being typed. */
export interface PartDraft {
  readonly kind: PartKind;
  readonly name: string;
  readonly like: string;
  /** As typed, in each value's own unit. */
  readonly values: Readonly<Record<string, string>>;
  readonly evidence: OwnPart['evidence'];
  readonly count: string;
  /** What one costs; empty where nobody knows. */
  readonly cost: string;
  /** As it was stored: what nobody types stays, and how sure a value is that was not typed again. */
  readonly from?: OwnPart;
}

export const KIND_NAMES: Readonly<Record<PartKind, string>> = {
  tyre: 'tyre',
  bearing: 'bearing',
  axle: 'axle',
  wheel: 'wheel',
  body: 'body',
  trap: 'snap trap',
  lever: 'lever arm',
  band: 'band',
  washer: 'washer',
};

const shown = (value: number): string => String(Number(value.toPrecision(4)));

/** Sizes of the piece whose weight is typed, in mm: they are typed with it, and not stored. */
const PIECE_FIELDS: Readonly<Record<Piece, readonly (readonly [size: 'length' | 'width', label: string])[]>> = {
  disc: [],
  rod: [['length', 'length of that piece']],
  sheet: [
    ['length', 'length of that piece'],
    ['width', 'width of that piece (girth of a tube)'],
  ],
};
const MM = 1e-3;
const pieceKey = (size: string): string => `piece-${size}`;

/** A field of a part's form: a value of the part, or a size of the piece that was weighed. */
export interface PartField {
  readonly key: string;
  readonly label: string;
  readonly unit: string;
}
/** Everything of a part of this kind that is typed. */
export const partFields = (kind: PartKind): readonly PartField[] =>
  typedValues(kind).flatMap((value): PartField[] => [
    value.piece ? { ...value, label: value.piece === 'disc' ? 'weight of one' : 'weight of one piece', unit: 'g' } : value,
    ...(value.piece ? PIECE_FIELDS[value.piece].map(([size, label]) => ({ key: pieceKey(size), label, unit: 'mm' })) : []),
  ]);

/** What a piece begins with, as it is typed. */
const usualPiece = (kind: PartKind): Record<string, string> =>
  Object.fromEntries(
    typedValues(kind).flatMap(({ piece }) =>
      piece ? PIECE_FIELDS[piece].map(([size]) => [pieceKey(size), shown(USUAL_PIECE[size] / MM)]) : [],
    ),
  );

/** SI of one unit that is typed: of a weight by the piece, by the sizes typed beside it. */
function factorOf({ factor, piece }: PartValue, typed: Readonly<Record<string, string>>): number {
  if (!piece) return factor;
  const size = (key: string): number | undefined => {
    const parsed = parseQuantity(typed[key] ?? '', 'count', 'metric');
    return parsed.kind === 'value' && parsed.value > 0 ? parsed.value * MM : undefined;
  };
  const [diameter, length, width] = [size('diameter'), size(pieceKey('length')), size(pieceKey('width'))];
  return 1e-3 / pieceExtent(piece, { ...(diameter && { diameter }), ...(length && { length }), ...(width && { width }) });
}

/** Second moment of area of the piece that is typed, m⁴: of a rod by its diameter, of a strip by its width and thickness; null while they are not typed. */
export function sectionOf({ kind, like, values }: Pick<PartDraft, 'kind' | 'like' | 'values'>): number | null {
  const size = (key: string): number | null => {
    const parsed = parseQuantity(values[key] ?? '', 'count', 'metric');
    return parsed.kind === 'value' && parsed.value > 0 ? parsed.value * MM : null;
  };
  if (kind === 'axle') {
    const diameter = size('diameter');
    return diameter && roundSection(diameter, AXLES[like as keyof typeof AXLES].solidity);
  }
  const [width, thickness] = [size(pieceKey('width')), size('thickness')];
  return width && thickness && flatSection(width, thickness);
}

/** The values of what the part is like, to be typed over. */
export const usualValues = (kind: PartKind, like: string): Record<string, string> =>
  typedFrom(kind, Object.fromEntries(typedValues(kind).map(({ key }) => [key, usualValue(kind, like, key)])));

/** Values, SI, as they are typed. */
function typedFrom(kind: PartKind, values: Readonly<Record<string, number | undefined>>): Record<string, string> {
  const typed = usualPiece(kind);
  // Sizes first: a weight by the piece goes by them.
  const inOrder = typedValues(kind).toSorted((a, b) => Number(Boolean(a.piece)) - Number(Boolean(b.piece)));
  for (const value of inOrder) {
    const stored = values[value.key];
    if (stored !== undefined) typed[value.key] = shown(stored / factorOf(value, typed));
  }
  return typed;
}

/** The part that is being typed, filled in from a common object: its sizes and weight are typed over where they are measured. */
export function filledFrom(draft: PartDraft, { name, mass, sizes, as }: CommonPiece): PartDraft {
  const like = as[draft.kind] ?? draft.like;
  const { diameter, length } = sizes;
  const weighed = typedValues(draft.kind).find(({ piece }) => piece);
  const typed: Record<string, string> = usualValues(draft.kind, like);
  const type = (key: string, value: number): void => {
    if (key in typed) typed[key] = shown(value);
  };
  for (const [size, metres] of Object.entries(sizes)) {
    type(size, metres / MM);
    type(pieceKey(size), metres / MM);
  }
  if (weighed) type(weighed.key, mass / 1e-3);
  if (draft.kind === 'axle' && diameter && length) type('density', mass / ((Math.PI / 4) * diameter ** 2 * length));
  return { ...draft, like, name: draft.name || name, values: typed, evidence: 'estimated' };
}

export function newDraft(kind: PartKind): PartDraft {
  const like = Object.keys(CATALOGUE[kind])[0]!;
  return { kind, name: '', like, values: usualValues(kind, like), evidence: 'estimated', count: '1', cost: '' };
}

export const draftOf = (from: OwnPart): PartDraft => ({
  from,
  ...typedOf(from),
});
const typedOf = ({ kind, name, like, values, evidence, count, cost }: OwnPart): PartDraft => ({
  kind,
  name,
  like,
  values: {
    ...usualValues(kind, like),
    ...typedFrom(kind, values),
  },
  evidence,
  count: String(count),
  cost: cost === undefined ? '' : String(cost),
});

/** A value that reads as it was stored is the kept one: four digits are shown of it. */
const asKept = (stored: number | undefined, typed: number): number =>
  stored !== undefined && Number(stored.toPrecision(4)) === Number(typed.toPrecision(4)) ? stored : typed;

/** The part that is typed, or what is wrong with which field. */
export function partOf(
  { kind, name, like, values, evidence, count, cost, from }: PartDraft,
  others: readonly OwnPart[],
): { readonly part: OwnPart } | { readonly problems: Readonly<Record<string, string>> } {
  const problems: Record<string, string> = {};
  const trimmed = name.trim();
  if (trimmed === '') problems.name = 'Give it a name, such as “moss-green balloon”.';
  else if (others.some((other) => other.kind === kind && other.name === trimmed))
    problems.name = `You already have a ${KIND_NAMES[kind]} with this name. Give this one another name.`;
  const known: Record<string, number> = {};
  for (const value of PART_VALUES[kind]) {
    const { key, onlyMeasured } = value;
    if (onlyMeasured) {
      if (from?.values[key] !== undefined) known[key] = from.values[key];
      continue;
    }
    const parsed = parseQuantity(values[key] ?? '', 'count', 'metric');
    if (parsed.kind === 'unclear') problems[key] = parsed.message;
    else if (!(parsed.value > 0)) problems[key] = 'Must be above 0.';
    else known[key] = asKept(from?.values[key], parsed.value * factorOf(value, values));
  }
  const spreads = Object.entries(from?.spreads ?? {}).filter(([key]) => known[key] === from?.values[key]);
  const counted = Number(count.trim());
  if (count.trim() === '' || !Number.isInteger(counted) || counted < 0 || counted > 1000)
    problems.count = 'Must be a whole number from 0 to 1000.';
  const price = cost.trim() === '' ? undefined : parseQuantity(cost, 'count', 'metric');
  if (price && (price.kind === 'unclear' || price.value < 0)) problems.cost = 'Must be a number from 0, such as 0.35; or leave it empty.';
  const part: OwnPart = {
    format: 'nimble-axle/own-part',
    version: 1,
    kind,
    name: trimmed,
    like,
    values: known,
    ...(spreads.length > 0 && evidence === 'measured' && { spreads: Object.fromEntries(spreads) }),
    evidence,
    count: counted,
    ...(price?.kind === 'value' && { cost: price.value }),
  };
  for (const fault of partFaults(part)) {
    const field = fault.path.replace('values.', '');
    const value = PART_VALUES[kind].find(({ key }) => key === field);
    const message = describeProblem(fault, (bound) =>
      value ? valueIn(value.piece ? { unit: 'g', factor: factorOf(value, values) } : value, bound, 4) : String(bound),
    );
    problems[field] ??= `${capitalized(message)}.`;
  }
  return Object.keys(problems).length > 0 ? { problems } : { part };
}
