import { COMMON_OBJECTS } from './common-objects.ts';
/**
 * Quantities as people write them: `8 1/2 in`, `216 mm`, `21.6cm`, `0,5`, `3 ft 4 in`. Inside the app everything is SI.
 * Exact factors: NIST SP 811.
 */

export type Quantity =
  'size' | 'distance' | 'area' | 'weight' | 'force' | 'speed' | 'acceleration' | 'time' | 'angle' | 'energy' | 'share' | 'count';
export type UnitSystem = 'metric' | 'inch';

/** Formats an SI value with its unit. */
export interface FormatValue {
  (value: number, quantity: Quantity): string;
}

/** Formats an SI value with its unit; `predicted`: one that the model says, no finer than such values are known. */
export interface Format extends FormatValue {
  readonly predicted: (value: number, quantity: Quantity, halfWidth?: number) => string;
}

/** SI value of one of each unit that may be typed. */
const LENGTHS = {
  mm: 1e-3,
  cm: 1e-2,
  m: 1,
  in: 0.0254,
  '"': 0.0254,
  '″': 0.0254,
  inch: 0.0254,
  inches: 0.0254,
  ft: 0.3048,
  "'": 0.3048,
  '′': 0.3048,
  feet: 0.3048,
};
const AREAS = { 'mm²': 1e-6, mm2: 1e-6, 'cm²': 1e-4, cm2: 1e-4, 'm²': 1, m2: 1, 'in²': 0.0254 ** 2, in2: 0.0254 ** 2 };
const WEIGHTS = { g: 1e-3, kg: 1, oz: 0.028349523125, lb: 0.45359237 };
const FORCES = { n: 1, ozf: 4.4482216152605 / 16, lbf: 4.4482216152605 };
const SPEEDS = { 'm/s': 1, 'ft/s': 0.3048 };
const ACCELERATIONS = { 'm/s²': 1, 'ft/s²': 0.3048 };
const TIMES = { s: 1, min: 60 };
const ANGLES = { '°': Math.PI / 180, deg: Math.PI / 180, rad: 1 };
const SHARES = { '%': 0.01 };

interface Shown {
  readonly units: Readonly<Record<string, number>>;
  /** Unit shown, and taken when none is typed, with the digits after the point. */
  readonly metric: readonly [unit: string, digits: number];
  readonly inch: readonly [unit: string, digits: number];
}

const SHOWN: Readonly<Record<Quantity, Shown>> = {
  size: { units: LENGTHS, metric: ['mm', 1], inch: ['in', 2] },
  distance: { units: LENGTHS, metric: ['m', 2], inch: ['ft', 1] },
  area: { units: AREAS, metric: ['mm²', 2], inch: ['in²', 4] },
  weight: { units: WEIGHTS, metric: ['g', 0], inch: ['oz', 2] },
  force: { units: FORCES, metric: ['N', 2], inch: ['ozf', 2] },
  speed: { units: SPEEDS, metric: ['m/s', 2], inch: ['ft/s', 1] },
  acceleration: { units: ACCELERATIONS, metric: ['m/s²', 2], inch: ['ft/s²', 2] },
  time: { units: TIMES, metric: ['s', 1], inch: ['s', 1] },
  angle: { units: ANGLES, metric: ['°', 1], inch: ['°', 1] },
  energy: { units: { j: 1 }, metric: ['J', 2], inch: ['J', 2] },
  share: { units: SHARES, metric: ['%', 0], inch: ['%', 0] },
  count: { units: {}, metric: ['', 1], inch: ['', 1] },
};

const factorOf = (quantity: Quantity, unit: string): number | undefined => (unit === '' ? 1 : SHOWN[quantity].units[unit.toLowerCase()]);

/** The unit in which a quantity is shown and, when no unit is typed, understood. */
export const unitOf = (quantity: Quantity, system: UnitSystem): string => SHOWN[quantity][system][0];

/** SI value of one shown unit. */
export const unitValue = (quantity: Quantity, system: UnitSystem): number => factorOf(quantity, unitOf(quantity, system))!;

/** The number alone, in the shown unit, without trailing zeros for sizes: `216`, `21.6`; a dash for what has no end. */
export function formatNumber(value: number, quantity: Quantity, system: UnitSystem): string {
  if (!Number.isFinite(value)) return '–';
  const digits = SHOWN[quantity][system][1];
  const text = (value / unitValue(quantity, system)).toFixed(digits);
  const trims = quantity === 'size' || quantity === 'weight' || quantity === 'count' || quantity === 'angle';
  const trimmed = trims && text.includes('.') ? text.replace(/\.?0+$/, '') : text;
  return Number(trimmed) === 0 ? trimmed.replace('-', '') : trimmed;
}

/**
 * The number alone, no finer than it is known: to about a tenth of the half-width of its range, both SI, and never finer than
 * `printNumber`. 20.03 m known to ± 3.3 m is `20`; to ± 0.4 m `20.0`; 134 m to ± 40 m `130`.
 */
export function formatKnown(value: number, halfWidth: number, quantity: Quantity, system: UnitSystem): string {
  const unit = unitValue(quantity, system);
  // Steps of ten: from half a tenth of the half-width up to five times that.
  const step = Math.ceil(Math.log10(halfWidth / 10 / unit) - Math.log10(2));
  if (!Number.isFinite(step) || step <= -SHOWN[quantity][system][1]) return formatNumber(value, quantity, system);
  const rounded = Math.round(value / unit / 10 ** step) * 10 ** step;
  return Number.isFinite(value) ? rounded.toFixed(Math.max(0, -step)).replace('-', '−') : '–';
}

/** m to the millimetre, as something is cut: nobody cuts a tenth. `wholeMillimetres(0.5492) // 0.549` */
export const wholeMillimetres = (metres: number): number => Math.round(1000 * metres) / 1000;

/** A range of two printed numbers: `20–24`; with a word between them where one has a sign, so that no dash reads as a minus: `−3 to 4`. */
export const formatRange = (low: string, high: string): string => (/[-−+]/.test(low + high) ? `${low} to ${high}` : `${low}–${high}`);

/** Number and unit: `216 mm`, `17.10 m`, `28 %`, `2°`. */
export function formatQuantity(value: number, quantity: Quantity, system: UnitSystem): string {
  return withUnit(formatNumber(value, quantity, system), quantity, system);
}

function withUnit(number: string, quantity: Quantity, system: UnitSystem): string {
  const unit = unitOf(quantity, system);
  return unit === '' || unit === '°' ? `${number}${unit}` : `${number}\u00a0${unit}`;
}

/** Half of what cars like one another differ by, as a fraction of the distance, where no range is at hand. Our estimate: what ranges of plain cars are. */
export const USUAL_HALF_WIDTH = 0.25;

/**
 * A predicted value with its unit, no finer than it is known: `22 m`. `halfWidth`: half of its range, SI; where that is not at hand, what
 * predictions of plain cars are usually off by.
 */
export const formatPredicted = (
  value: number,
  quantity: Quantity,
  system: UnitSystem,
  halfWidth = USUAL_HALF_WIDTH * Math.abs(value),
): string => withUnit(formatKnown(value, halfWidth, quantity, system), quantity, system);

/** A range of predicted values with its unit, no finer than it is wide: `14–22 m`; `halfWidth`: as of a predicted value. */
export function formatPredictedRange(
  { low, high }: { readonly low: number; readonly high: number },
  quantity: Quantity,
  system: UnitSystem,
  halfWidth = (high - low) / 2,
): string {
  const known = (value: number): string => formatKnown(value, halfWidth, quantity, system);
  return withUnit(formatRange(known(low), known(high)), quantity, system);
}

/** A predicted value with the word for it: `about 22 m`. */
export const formatAbout = (value: number, quantity: Quantity, system: UnitSystem): string =>
  `about ${formatPredicted(value, quantity, system)}`;

/** A formatter of one’s own: predicted values like all others, unless it says how. */
export const formatBy = (text: FormatValue, predicted: Format['predicted'] = text): Format =>
  Object.assign((value: number, quantity: Quantity) => text(value, quantity), { predicted });

const formatterOf = (system: UnitSystem): Format =>
  formatBy(
    (value, quantity) => formatQuantity(value, quantity, system),
    (value, quantity, halfWidth) => formatPredicted(value, quantity, system, halfWidth),
  );
const FORMATS: Readonly<Record<UnitSystem, Format>> = { metric: formatterOf('metric'), inch: formatterOf('inch') };

/** The formatter of a unit system. */
export const formatIn = (system: UnitSystem): Format => FORMATS[system];

/** A formatter whose values can be typed again and searched for: with plain spaces. */
export const plainly = (format: Format): Format => {
  const plain = (text: string): string => text.replaceAll('\u00a0', ' ');
  return formatBy(
    (value, quantity) => plain(format(value, quantity)),
    (value, quantity, halfWidth) => plain(format.predicted(value, quantity, halfWidth)),
  );
};

/** A unit that a value is reported in, whatever units are shown: so many SI units make one. */
export interface OwnUnit {
  readonly unit: string;
  readonly factor: number;
}

/** A value in its own unit, the number alone, to the digits that tell: `0.75`. */
export const numberIn = ({ factor }: OwnUnit, value: number, digits = 3): string => String(Number((value / factor).toPrecision(digits)));

/** The same with its unit, where that has a name: `0.75 mm`, `0.22`. */
export const valueIn = (own: OwnUnit, value: number, digits = 3): string => `${numberIn(own, value, digits)} ${own.unit}`.trim();

/** What was typed, in SI, or what is wrong with it in words for the one who typed it. */
export type Typed = { readonly kind: 'value'; readonly value: number } | { readonly kind: 'unclear'; readonly message: string };

const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
};

const NUMBER = String.raw`(?:\d+(?:[.,]\d+)?|[.,]\d+)`;
const AMOUNT = new RegExp(String.raw`^(?:(${NUMBER})[ -]+)?(\d+)\s*/\s*(\d+)|^(${NUMBER})`);
const UNIT = /^\s*([^\d\s.,+-][^\d\s,]*)?\s*/;

/** So many of something, and what it is; so many times. */
const COUNTED = /^(\d+)?\s*(?:[x×*]\s*)?(\D.*)$/i;
const MULTIPLIED = /^\s*(\d+)\s*[x×*]\s*(.+)$/i;

const decimal = (text: string): number => Number(text.replace(',', '.'));

/**
 * Reads what a person typed for a quantity. A bare number is in the shown unit of `system`; parts add up (`3 ft 4 in`);
 * a comma may represent the decimal point. A weight may be counted: `20 x 3.5 g`, `4 AA`, `50 pennies`.
 */
export function parseQuantity(text: string, quantity: Quantity, system: UnitSystem): Typed {
  if (quantity === 'weight') {
    const [, count = '1', ofEach = ''] = COUNTED.exec(text.trim()) ?? [];
    const each = COMMON_OBJECTS[ofEach.toLowerCase()];
    if (each !== undefined) return { kind: 'value', value: Number(count) * each };
    const [, times, one] = MULTIPLIED.exec(text) ?? [];
    if (times !== undefined && one !== undefined) {
      const read = parseQuantity(one, quantity, system);
      return read.kind === 'value' ? { kind: 'value', value: Number(times) * read.value } : read;
    }
  }
  const shown = unitOf(quantity, system);
  const example =
    quantity === 'size' ? (system === 'metric' ? '216 mm or 8 1/2 in' : '8 1/2 in or 216 mm') : `12${shown === '' ? '' : ` ${shown}`}`;
  const unclear = (message: string): Typed => ({ kind: 'unclear', message });
  let rest = text
    .trim()
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (sign) => ` ${VULGAR[sign]}`)
    .trim();
  const sign = /^[-−]/.test(rest) ? -1 : 1;
  rest = rest.replace(/^[-−+]\s*/, '');
  if (rest === '') return unclear(`Type a number, such as ${example}.`);
  let total = 0;
  while (rest !== '') {
    const amount = AMOUNT.exec(rest);
    if (!amount) return unclear(`“${text.trim()}” is not a number; type it like ${example}.`);
    const [matched, whole, above, below, plain] = amount;
    if (below !== undefined && Number(below) === 0) return unclear('A fraction cannot be divided by 0.');
    const number = plain !== undefined ? decimal(plain) : (whole === undefined ? 0 : decimal(whole)) + Number(above) / Number(below);
    rest = rest.slice(matched.length);
    const unitMatch = UNIT.exec(rest)!;
    const unit = unitMatch[1] ?? '';
    rest = rest.slice(unitMatch[0].length);
    const factor = unit === '' ? unitValue(quantity, system) : factorOf(quantity, unit);
    if (factor === undefined) {
      const known = Object.keys(SHOWN[quantity].units).filter((name) => /^[a-z%°/]+$/.test(name));
      return unclear(
        known.length === 0 ? `Type a plain number, without “${unit}”.` : `“${unit}” is not a unit for this; use ${known.join(', ')}.`,
      );
    }
    total += number * factor;
  }
  return { kind: 'value', value: sign * total };
}

/**
 * What was typed while units `from` were shown, as it must read while `to` are: a bare number keeps the unit that it was typed in.
 * `withOwnUnit('9.4', 'distance', 'metric', 'inch') // '9.4 m'`
 */
export function withOwnUnit(text: string, quantity: Quantity, from: UnitSystem, to: UnitSystem): string {
  const [before, after] = [parseQuantity(text, quantity, from), parseQuantity(text, quantity, to)];
  if (before.kind === 'unclear' || (after.kind === 'value' && after.value === before.value)) return text;
  return `${text.trim()} ${unitOf(quantity, from)}`;
}
