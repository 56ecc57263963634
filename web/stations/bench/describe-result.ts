import { confidenceInterval, type Estimate } from '../../../core/bench/estimate.ts';
import type { MeasurementResult } from '../../../core/bench/measured.ts';
import type { MeasurementHistoryEntry } from '../../../core/bench/measurement-history.ts';
import { SPREAD_IN_UNITS, VALUE_NAMES, VALUE_UNITS, type Value, type ValueKey } from '../../../core/car/value-table.ts';
import { valueKeysOf, valueOf } from '../../../core/car/values.ts';
import { formatPredictedRange, type OwnUnit, type UnitSystem } from '../../../core/units/quantity.ts';

/** What a result is called that is no value of a car by itself. */
const NAMES: Readonly<Record<string, readonly [name: string, unit: OwnUnit]>> = {
  rolling: ['rolling resistance of the whole car, as a fraction of its weight', { unit: '%', factor: 0.01 }],
  resistance: ['total resistance', { unit: 'N', factor: 1 }],
  v0: ['speed at the first mark', { unit: 'm/s', factor: 1 }],
  a0: ['deceleration by rolling', { unit: 'm/s²', factor: 1 }],
  k: ['deceleration by air drag', { unit: '1/m', factor: 1 }],
  energy: ['energy stored', { unit: 'J', factor: 1 }],
  strength: ['strength of its motor, compared with the expected value', { unit: '%', factor: 0.01 }],
  given: ['energy of its motor, compared with the expected value', { unit: '%', factor: 0.01 }],
  slidingGrip: ['grip while it slides', { unit: '', factor: 1 }],
  radius: ['rolling radius', { unit: 'mm', factor: 1e-3 }],
  outOfTrue: ['out of true', { unit: '°', factor: Math.PI / 180 }],
  offCentre: ['off centre', { unit: 'mm', factor: 1e-3 }],
  mass: ['weight of the car', { unit: 'g', factor: 1e-3 }],
  driveShare: ['fraction on the drive axle', { unit: '%', factor: 0.01 }],
  axleDiameter: ['diameter of the axle', { unit: 'mm', factor: 1e-3 }],
  tapeThickness: ['thickness of the tape', { unit: 'mm', factor: 1e-3 }],
  curvature: ['curvature, right +', { unit: '1/m', factor: 1 }],
  drift: ['off the line after the mean distance', { unit: 'm', factor: 1 }],
  ofFloor: ['of which due to the floor', { unit: '1/m', factor: 1 }],
};

/** A figure no finer than a tenth of how far it may be off. */
function figures(value: number, reach: number): string {
  if (!(reach > 0)) return String(Number(value.toPrecision(4)));
  const step = 10 ** Math.floor(Math.log10(reach));
  const digits = Math.max(0, -Math.floor(Math.log10(step)));
  return (Math.round(value / step) * step).toFixed(Math.min(digits, 8));
}

/** `friction of the axle in its bearing`, `0.186 ± 0.012`, and what 9 in 10 lie within. */
export function resultLine(key: string, estimate: Estimate): { readonly name: string; readonly figure: string; readonly good: string } {
  const [name, unit] =
    key in VALUE_NAMES ? [VALUE_NAMES[key as ValueKey], VALUE_UNITS[key as ValueKey]] : (NAMES[key] ?? [key, { unit: '', factor: 1 }]);
  const [low, high] = confidenceInterval(estimate, 0.9);
  const reach = (high - low) / 2 / unit.factor;
  const value = estimate.value / unit.factor;
  const fraction = Math.abs(reach / value);
  return {
    name,
    figure: `${figures(value, reach)} ± ${figures(reach, reach)} ${unit.unit}`.trim(),
    good:
      fraction < 0.05
        ? 'well determined'
        : fraction < 0.15
          ? 'good enough for now'
          : fraction < 0.4
            ? 'rough: more readings would help'
            : 'poorly determined: take readings further apart',
  };
}

/** A value of a car with how far it may be off, 9 in 10: `0.22 ± 0.08`. */
export function valueFigure(key: ValueKey, { value, spread }: Value): string {
  const { unit, factor } = VALUE_UNITS[key];
  const reach = (NINE_IN_TEN * (SPREAD_IN_UNITS.has(key) ? spread : spread * value)) / factor;
  return `${figures(value / factor, reach)} ± ${figures(reach, reach)} ${unit}`.trim();
}
/** Standard deviations to either side that hold 9 in 10 of a normal. */
const NINE_IN_TEN = 1.645;

const day = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', year: 'numeric' });
/** `21 Nov 2026` */
export const dayOf = (at: string): string => day.format(new Date(at));

/** Values told of a measurement that was made. */
const TOLD = 2;
/** Spreads that shrink by less are not told. */
const NARROWER = 0.95;

/** What a measurement brought: `friction of the axle in its bearing 22 % → 6 %, range 15 to 22 m → 17 to 20 m`. */
export function describeGain({ from, to, before, after }: MeasurementHistoryEntry, units: UnitSystem): string {
  const narrowed = from
    ? valueKeysOf(to)
        .filter((key) => !SPREAD_IN_UNITS.has(key))
        .map((key) => ({ key, was: valueOf(from, key).spread, is: valueOf(to, key).spread }))
        .filter(({ was, is }) => is < NARROWER * was)
        .toSorted((a, b) => a.is / a.was - b.is / b.was)
        .slice(0, TOLD)
        .map(({ key, was, is }) => `${VALUE_NAMES[key]} ${fraction(was)} → ${fraction(is)}`)
    : [];
  return [...narrowed, `range ${formatPredictedRange(before, 'distance', units)} → ${formatPredictedRange(after, 'distance', units)}`].join(
    ', ',
  );
}
const fraction = (spread: number): string => `${Number((100 * spread).toPrecision(spread < 0.01 ? 1 : 2))} %`;

/** Lines of a result, the values a car keeps first. */
export const resultLines = ({ values }: MeasurementResult) =>
  Object.entries(values).map(([key, estimate]) => ({ key, ...resultLine(key, estimate) }));
