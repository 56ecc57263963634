import { INSTRUCTIONS } from '../../../core/bench/instructions.ts';
import { isMeasured, measure } from '../../../core/bench/measure.ts';
import type { Measurement, MeasurementKind, Result } from '../../../core/bench/measured.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { faultLine } from '../../../core/fault-words.ts';
import { readMeasurement } from '../../../core/files/read.ts';
import { parseQuantity, type Quantity, type UnitSystem } from '../../../core/units/quantity.ts';

/** What stands in the fields of one measurement, as it was typed. */
export interface TypedReadings {
  readonly rows: readonly Readonly<Record<string, string>>[];
  /** What is told once, and one division of the scale; empty: as the design has it. */
  readonly once: Readonly<Record<string, string>>;
  readonly division: string;
  /** What these readings made of the car’s values, once they were put into it: they count once. */
  readonly put?: CarDesign['measured'];
}
export const NO_READINGS: TypedReadings = { rows: [{}, {}, {}, {}, {}], once: {}, division: '' };

/** What the typed readings come to: nothing yet, what is wrong with them, or the measurement and its result. */
export type Read =
  | { readonly kind: 'none' }
  | { readonly kind: 'wrong'; readonly message: string }
  | { readonly kind: 'read'; readonly measurement: Measurement; readonly result: Result };

/** Fits of a line or curve: what readings they need before anything is told. */
const FITS: readonly MeasurementKind[] = ['lever-pull', 'band-pull', 'rim-pull', 'coast'];
const LEAST = 3;

/** Columns that are read by themselves, whatever stands beside them. */
const BY_THEMSELVES: readonly MeasurementKind[] = ['weights', 'wobble', 'tape', 'level'];

/** Reads what was typed for a measurement of a car. */
export function readTyped(kind: MeasurementKind, design: CarDesign, typed: TypedReadings, units: UnitSystem): Read {
  const { columns, once, division } = INSTRUCTIONS[kind];
  const wrong: string[] = [];
  const valueOf = (text: string, quantity: Quantity, label: string): number | null => {
    const parsed = parseQuantity(text, quantity, units);
    if (parsed.kind === 'value') return parsed.value;
    wrong.push(`${label}: ${parsed.message}`);
    return null;
  };
  const isBare = (text: string | undefined): boolean => (text ?? '').trim() === '';
  const alone = BY_THEMSELVES.includes(kind);
  const rows = typed.rows.filter((row) => columns.some(({ key }) => !isBare(row[key])));
  if (rows.length === 0) return { kind: 'none' };
  // A row that is half typed waits for the rest of it.
  const whole = alone ? rows : rows.filter((row) => columns.every(({ key }) => !isBare(row[key])));
  if (whole.length < (FITS.includes(kind) ? LEAST : 1)) return { kind: 'none' };
  const readings: Record<string, unknown> = {};
  for (const { key, label, quantity } of columns) {
    const told = whole.filter((row) => !isBare(row[key])).map((row, i) => valueOf(row[key]!, quantity, `${label}, row ${i + 1}`));
    if (told.length > 0) readings[key] = told;
  }
  for (const { key, label, quantity, of } of once)
    readings[key] = isBare(typed.once[key]) ? of(design) : valueOf(typed.once[key]!, quantity, label);
  if (kind === 'ramp') readings.height = [readings.height];
  const inQuantity = columns.find(({ key }) => division.of.includes(key))!.quantity;
  const fineness = isBare(typed.division) ? division.usual : valueOf(typed.division, inQuantity, 'One division');
  if (wrong.length > 0) return { kind: 'wrong', message: wrong[0]! };
  if (columns.some(({ key }) => division.of.includes(key) && key !== 'raised' && !readings[key])) return { kind: 'none' };
  const resolution = Object.fromEntries(division.of.filter((key) => readings[key]).map((key) => [key, fineness]));
  const read = readMeasurement({
    format: 'nimble-axle/measurement',
    version: 1,
    kind,
    readings,
    resolution,
    ...(kind === 'rim-pull' && { design }),
  });
  if (read.kind === 'faulty') return { kind: 'wrong', message: faultLine(read.faults[0]!) };
  const result = measure(read.value);
  return isMeasured(result) ? { kind: 'read', measurement: read.value, result } : { kind: 'wrong', message: `It needs ${result.needs}.` };
}
