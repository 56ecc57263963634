import { MEASUREMENTS } from '../../../core/bench/measurements.ts';
import { isMeasured, measure } from '../../../core/bench/measure.ts';
import type { Measurement, MeasurementKind, MeasurementResult } from '../../../core/bench/measured.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { formatFault } from '../../../core/fault-words.ts';
import { readMeasurement } from '../../../core/files/read.ts';
import { parseQuantity, type Quantity, type UnitSystem } from '../../../core/units/quantity.ts';

/** What is in the fields of one measurement, as it was typed. */
export interface TypedReadings {
  readonly rows: readonly Readonly<Record<string, string>>[];
  /** What is reported once, and one division of the scale; empty: as the design has it. */
  readonly once: Readonly<Record<string, string>>;
  readonly division: string;
  /** Rows that were left out, and odd ones that were looked at and stand. */
  readonly left?: readonly number[];
  readonly stands?: readonly number[];
  /** Units that were shown when it was typed. */
  readonly units?: UnitSystem;
}
export const NO_READINGS: TypedReadings = { rows: [{}, {}, {}, {}, {}], once: {}, division: '' };

/** Typed readings reread while other units are shown: each keeps its unit. */
export function rereadings(
  kind: MeasurementKind,
  typed: TypedReadings,
  reread: (text: string, quantity: Quantity) => string,
): TypedReadings {
  const { columns, once, division } = MEASUREMENTS[kind];
  const all = (texts: Readonly<Record<string, string>>, of: readonly { readonly key: string; readonly quantity: Quantity }[]) =>
    Object.fromEntries(
      Object.entries(texts).map(([key, text]) => {
        const quantity = of.find((one) => one.key === key)?.quantity;
        return [key, quantity === undefined ? text : reread(text, quantity)];
      }),
    );
  const numbers = columns.filter(({ options }) => !options);
  const fineness = columns.find(({ key }) => division.of.includes(key))!.quantity;
  return {
    ...typed,
    rows: typed.rows.map((row) => all(row, numbers)),
    once: all(typed.once, once),
    division: reread(typed.division, fineness),
  };
}

/** What the typed readings come to: nothing yet, what is wrong with them, or the measurement and its result. */
export type Read =
  | { readonly kind: 'none' }
  /** Too few: how many more it takes. */
  | { readonly kind: 'few'; readonly message: string }
  | { readonly kind: 'wrong'; readonly message: string }
  | {
      readonly kind: 'read';
      readonly measurement: Measurement;
      readonly result: MeasurementResult;
      /** The row that each point of the fit was read in, counted from 0. */
      readonly rows: readonly number[];
    };

/** A scale that shows no more than so many divisions of what is read is no scale for it. */
const COARSEST = 4;

/** Reads what was typed for a measurement of a car. */
export function readTyped(kind: MeasurementKind, design: CarDesign, typed: TypedReadings, units: UnitSystem): Read {
  const { columns, once, division, table, fewestRows, usesDesign } = MEASUREMENTS[kind];
  const wrong: string[] = [];
  const valueOf = (text: string, quantity: Quantity, label: string): number | null => {
    const parsed = parseQuantity(text, quantity, units);
    if (parsed.kind === 'value') return parsed.value;
    wrong.push(`${label}: ${parsed.message}`);
    return null;
  };
  const isBare = (text: string | undefined): boolean => (text ?? '').trim() === '';
  // Columns that are read by themselves, whatever is beside them.
  const alone = table.together.length === 0;
  const numbered = columns.filter(({ options }) => !options);
  const rows = typed.rows
    .map((row, at) => ({ row, at }))
    .filter(({ row, at }) => !typed.left?.includes(at) && numbered.some(({ key }) => !isBare(row[key])));
  if (rows.length === 0) return { kind: 'none' };
  // A row that is half typed waits for the rest of it.
  const whole = alone ? rows : rows.filter(({ row }) => columns.every(({ key, isOptional }) => isOptional || !isBare(row[key])));
  if (whole.length < fewestRows) {
    const left = fewestRows - whole.length;
    const message = `${left === 1 ? 'One reading' : `${left} readings`} more needed: ${fewestRows === 1 ? 'fill a whole row' : `a fit needs ${fewestRows} whole rows`}.`;
    return { kind: 'few', message };
  }
  const inRows = whole.map(({ at }) => at);
  const readings: Record<string, unknown> = {};
  for (const { key, label, quantity, options } of columns) {
    const values = options
      ? whole.map(({ row }) => row[key] || options[0]!)
      : whole.filter(({ row }) => !isBare(row[key])).map(({ row, at }) => valueOf(row[key]!, quantity, `${label}, row ${at + 1}`));
    if (values.length > 0) readings[key] = values;
  }
  const { back: lettingBack, ...out } = readings;
  // The places of those that were read along the run back.
  const [place] = columns;
  const back = {
    [place!.key]: whole.flatMap(({ row }, i) => (isBare(row.back) ? [] : [(readings[place!.key] as unknown[])[i]])),
    force: lettingBack,
  };
  const isReadBack = Array.isArray(lettingBack) && lettingBack.length >= fewestRows;
  for (const { key, label, quantity, of, either } of once) {
    const value = isBare(typed.once[key]) ? of(design) : valueOf(typed.once[key]!, quantity, label);
    out[key] = either ? value === 1 : value;
  }
  for (const key of table.oneOrEach ?? []) out[key] = [out[key]];
  const inQuantity = columns.find(({ key }) => division.of.includes(key))!.quantity;
  const fineness = isBare(typed.division) ? division.usual : valueOf(typed.division, inQuantity, 'One division');
  if (wrong.length > 0) return { kind: 'wrong', message: wrong[0]! };
  const largest = Math.max(...division.of.flatMap((key) => (Array.isArray(out[key]) ? (out[key] as number[]).map(Math.abs) : [])));
  if (fineness !== null && !isBare(typed.division) && (!(fineness > 0) || fineness > largest / COARSEST))
    return {
      kind: 'wrong',
      message: `One division: ${typed.division.trim()} cannot be a division of this scale. Type the smallest step that the scale shows, less than a quarter of the largest reading.`,
    };
  if (columns.some(({ key }) => division.of.includes(key) && key !== 'raised' && !out[key])) return { kind: 'none' };
  const resolution = Object.fromEntries(division.of.filter((key) => out[key]).map((key) => [key, fineness]));
  const read = readMeasurement({
    format: 'nimble-axle/measurement',
    version: 1,
    kind,
    readings: out,
    ...(isReadBack && { back }),
    resolution,
    ...(usesDesign && { design }),
  });
  if (read.kind === 'faulty') return { kind: 'wrong', message: formatFault(read.faults[0]!) };
  const result = measure(read.value);
  return isMeasured(result)
    ? { kind: 'read', measurement: read.value, result, rows: inRows }
    : { kind: 'wrong', message: `It needs ${result.needs}.` };
}
