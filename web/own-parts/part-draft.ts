import { capitalized } from '../../core/capitalized.ts';
import { describeProblem } from '../../core/fault-words.ts';
import { CATALOGUE, PART_VALUES, partFaults, typedValues, usualValue } from '../../core/car/parts.ts';
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

/** The values of what the part is like, to be typed over. */
export const usualValues = (kind: PartKind, like: string): Record<string, string> =>
  Object.fromEntries(typedValues(kind).map(({ key, factor }) => [key, shown(usualValue(kind, like, key) / factor)]));

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
    ...Object.fromEntries(
      typedValues(kind).flatMap(({ key, factor }) => (values[key] === undefined ? [] : [[key, shown(values[key] / factor)]])),
    ),
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
  for (const { key, factor, onlyMeasured } of PART_VALUES[kind]) {
    if (onlyMeasured) {
      if (from?.values[key] !== undefined) known[key] = from.values[key];
      continue;
    }
    const parsed = parseQuantity(values[key] ?? '', 'count', 'metric');
    if (parsed.kind === 'unclear') problems[key] = parsed.message;
    else if (!(parsed.value > 0)) problems[key] = 'Must be above 0.';
    else known[key] = asKept(from?.values[key], parsed.value * factor);
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
    const message = describeProblem(fault, (bound) => (value ? valueIn(value, bound, 4) : String(bound)));
    problems[field] ??= `${capitalized(message)}.`;
  }
  return Object.keys(problems).length > 0 ? { problems } : { part };
}
