import { type Format, formatBy, formatQuantity, type UnitSystem, unitValue } from '../units/quantity.ts';

/** How sizes are written on drawings, templates and cutting lists. */
export interface SizeFormat {
  /** The number alone, m: `12.5`, `8 1/2`. */
  readonly number: (metres: number) => string;
  /** With its unit, m: `12.5 mm`, `8 1/2 in`. */
  readonly size: (metres: number) => string;
  readonly unit: string;
  /** Of a weight, kg, the number alone; and its unit. */
  readonly weight: (kilograms: number, digits: number) => string;
  readonly weightUnit: string;
  /** What a sheet says of its sizes: `in millimetres`. */
  readonly statement: string;
}

const INCH = unitValue('size', 'inch');
const OUNCE = unitValue('weight', 'inch');
/** Steps of a ruler in inches. Less than one of them is written in hundredths. */
const SIXTEENTHS = 16;

/** mm to a tenth: `tenths(0.0125) // '12.5'`, `tenths(0.26) // '260'`. */
const tenths = (metres: number): string => String(Number((1000 * metres).toFixed(1)));

/** Inches and sixteenths in lowest terms: `sixteenths(0.2159) // '8 1/2'`, `sixteenths(0.0032) // '1/8'`, `sixteenths(0.0005) // '0.02'`. */
export function sixteenths(metres: number): string {
  const inches = metres / INCH;
  if (Math.abs(inches) < 1 / SIXTEENTHS) return String(Number(inches.toFixed(2)));
  const parts = Math.round(SIXTEENTHS * Math.abs(inches));
  const [whole, rest] = [Math.floor(parts / SIXTEENTHS), parts % SIXTEENTHS];
  let [above, below] = [rest, SIXTEENTHS];
  while (above > 0 && above % 2 === 0) [above, below] = [above / 2, below / 2];
  return `${inches < 0 ? '−' : ''}${[whole > 0 || rest === 0 ? String(whole) : '', rest > 0 ? `${above}/${below}` : ''].filter(Boolean).join(' ')}`;
}

/** By the units that are chosen. */
export const SIZE_FORMATS: Readonly<Record<UnitSystem, SizeFormat>> = {
  metric: {
    number: tenths,
    size: (metres) => `${tenths(metres)} mm`,
    unit: 'mm',
    weight: (kilograms, digits) => (1000 * kilograms).toFixed(digits),
    weightUnit: 'g',
    statement: 'in millimetres',
  },
  inch: {
    number: sixteenths,
    size: (metres) => `${sixteenths(metres)} in`,
    unit: 'in',
    weight: (kilograms, digits) => (kilograms / OUNCE).toFixed(digits + 1),
    weightUnit: 'oz',
    statement: 'in inches',
  },
};

/** A formatter for what is cut and drilled: sizes as on the drawing, all else as everywhere. */
export const cuttingFormat = (units: UnitSystem): Format =>
  formatBy((value, quantity) => (quantity === 'size' ? SIZE_FORMATS[units].size(value) : formatQuantity(value, quantity, units)));
