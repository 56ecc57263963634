import { bandName, linksOf } from '../car/band-chain.ts';
import type { Band, CarDesign, Limits } from '../car/car-design.ts';
import { BANDS, TRAPS } from '../car/catalogue.ts';
import { hasBands, isRoller, MOTORS } from '../car/motors/motors.ts';
import { partCount } from '../car/part-count.ts';
import { fittedName } from '../car/parts.ts';
import { bodyLength } from '../car/weights.ts';
import { measuresOf } from '../geometry/measures.ts';
import type { Format, Quantity } from '../units/quantity.ts';

/** A rule against a car: broken, kept by less than a thirtieth of its limit, or met. */
export interface JudgedRule {
  readonly key: keyof Limits;
  readonly name: string;
  readonly verdict: 'met' | 'close' | 'broken';
  /** The car's number and the rule's; of what is allowed or not, 1 for not and 0. */
  readonly value: number;
  readonly limit: number;
  readonly quantity: Quantity;
  readonly words: (format: Format) => string;
}

/** Fraction of a limit within which a car may be over it once it is built and measured. Our estimate. */
const CLOSE = 1 / 30;

function atMost(key: keyof Limits, name: string, value: number, limit: number | null, quantity: Quantity): JudgedRule[] {
  if (limit === null) return [];
  const isOver = value > limit * (1 + 1e-9);
  return [
    {
      key,
      name,
      verdict: isOver ? 'broken' : value > limit * (1 - CLOSE) && quantity !== 'count' ? 'close' : 'met',
      value,
      limit,
      quantity,
      words: (format) => `${format(value, quantity)} of ${format(limit, quantity)} allowed`,
    },
  ];
}

/** Something a car has that must be among what is allowed; anything is where nothing is named. */
function among(key: keyof Limits, name: string, has: string | null, allowed: readonly string[] | undefined, label: string): JudgedRule[] {
  if (has === null || !allowed || allowed.length === 0) return [];
  const isAllowed = allowed.includes(has);
  return [
    {
      key,
      name,
      verdict: isAllowed ? 'met' : 'broken',
      value: isAllowed ? 0 : 1,
      limit: 0,
      quantity: 'count',
      words: () => `${label} is ${isAllowed ? '' : 'not '}allowed`,
    },
  ];
}

const wheelsOf = (design: CarDesign): number => (isRoller(design) ? 1 : 2 + (design.otherWheels ? design.layout.otherWheelCount : 0));

const LEAST_NAMES = { length: 'least length', width: 'least width', height: 'least height', mass: 'least weight' } as const;
type LeastKey = keyof typeof LEAST_NAMES;

/** Sizes that a car has to reach. */
function atLeast(least: NonNullable<Limits['least']>, measures: Readonly<Record<LeastKey, number>>): JudgedRule[] {
  return (Object.keys(LEAST_NAMES) as LeastKey[]).flatMap((key): JudgedRule[] => {
    const limit = least[key];
    if (limit === undefined) return [];
    const value = measures[key];
    const quantity = key === 'mass' ? 'weight' : 'size';
    return [
      {
        key: 'least',
        name: LEAST_NAMES[key],
        verdict: value < limit * (1 - 1e-9) ? 'broken' : value < limit * (1 + CLOSE) ? 'close' : 'met',
        value,
        limit,
        quantity,
        words: (format) => `${format(value, quantity)}; at least ${format(limit, quantity)} required`,
      },
    ];
  });
}

/** m, as the rules measure the length. */
function lengthBy(design: CarDesign, lengthOf: Limits['lengthOf'], all: number): number {
  return lengthOf === 'wheelbase' ? design.wheelbase : lengthOf === 'body' ? bodyLength(design) : all;
}

/** How many wheels a car may have. */
function wheelCount(design: CarDesign, wheels: Limits['wheels']): JudgedRule[] {
  if (!wheels) return [];
  const { least, most } = wheels;
  const value = wheelsOf(design);
  return [
    {
      key: 'wheels',
      name: 'wheels',
      verdict: value < least || value > most ? 'broken' : 'met',
      value,
      limit: value < least ? least : most,
      quantity: 'count',
      words: () => `${value}, ${least === most ? `${least}` : `from ${least} to ${most}`} allowed`,
    },
  ];
}

/** Every rule that a design can keep or break, with its verdict. Kit, cost and time are checked by hand and are on the rule sheet. */
export function judgeRules(
  design: CarDesign,
  { drives, bands, parts, bandSizes, traps, wheels, least = {}, lengthOf, leverAt = 'cocked', ...sizes }: Limits,
): JudgedRule[] {
  const { motor } = design;
  const all = measuresOf(design, leverAt);
  const measures = { ...all, length: lengthBy(design, lengthOf, all.length) };
  const links = hasBands(motor) ? linksOf(motor).map(({ band }) => band) : [];
  const keyOf = (band: Band): string => (band.kind === 'size' ? band.size : band.kind);
  // The first that is not allowed speaks for the chain.
  const band = links.find((one) => bandSizes?.length && !bandSizes.some((size) => size === keyOf(one))) ?? links[0];
  return [
    ...among('drives', 'drive', motor.kind, drives, MOTORS[motor.kind].name),
    ...atMost('bands', 'bands', measures.bands, bands, 'count'),
    ...atMost('parts', 'parts', partCount(design), parts ?? null, 'count'),
    ...among(
      'bandSizes',
      'size of bands',
      band ? keyOf(band) : null,
      bandSizes,
      band && band !== links[0] ? bandName(band) : fittedName(design, 'band'),
    ),
    ...among('traps', 'kind of trap', motor.kind === 'lever' ? motor.trap : null, traps, fittedName(design, 'trap')),
    ...atMost('length', 'length', measures.length, sizes.length, 'size'),
    ...atMost('width', 'width', measures.width, sizes.width, 'size'),
    ...atMost('height', 'height', measures.height, sizes.height, 'size'),
    ...atMost('mass', 'weight', measures.mass, sizes.mass, 'weight'),
    ...atLeast(least, measures),
    ...wheelCount(design, wheels),
  ];
}

/** What can be named in the rules: kinds of trap and sizes of bands, with their names. */
export const NAMED_PARTS = { traps: TRAPS, bandSizes: BANDS } as const;

/** How a car stands to its rules, in a line: those it breaks, else those it only just keeps, else that it keeps all. */
export function describeCompliance(
  rules: readonly JudgedRule[],
  format: Format,
): { readonly verdict: JudgedRule['verdict']; readonly words: string } {
  for (const verdict of ['broken', 'close'] as const) {
    const ofVerdict = rules.filter((rule) => rule.verdict === verdict).map(({ name, words }) => `${name} ${words(format)}`);
    if (ofVerdict.length > 0)
      return { verdict, words: `${verdict === 'broken' ? '✕ breaks' : '! close to a limit'}: ${ofVerdict.join('; ')}` };
  }
  return { verdict: 'met', words: '✓ follows every rule' };
}
