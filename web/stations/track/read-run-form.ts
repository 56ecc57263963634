import type { Outcome, Wind } from '../../../core/car/car-design.ts';
import { parseQuantity, type Quantity, type UnitSystem } from '../../../core/units/quantity.ts';
import type { TrackForm } from './track-slice.ts';

export type TypedField = 'turns' | 'distance' | 'time';
const QUANTITY: Readonly<Record<TypedField, Quantity>> = { turns: 'count', distance: 'distance', time: 'time' };
const RANGE: Readonly<Record<TypedField, readonly [number, number]>> = { turns: [0.1, 10000], distance: [0, 1000], time: [0.1, 3600] };

/** The value typed in a field, or what is wrong with it. */
function readField(form: TrackForm, field: TypedField, units: UnitSystem): number | string {
  const parsed = parseQuantity(form[field], QUANTITY[field], units);
  if (parsed.kind === 'unclear') return parsed.message;
  const [low, high] = RANGE[field];
  if (parsed.value >= low && parsed.value <= high) return parsed.value;
  return `Must be ${low} to ${high}${field === 'distance' ? ' m' : field === 'time' ? ' s' : ''}.`;
}

/** How far it was wound, or what is wrong with the turns that were typed. */
export function windOf(form: TrackForm, units: UnitSystem): Wind | string {
  if (form.wind === 'full') return { kind: 'full' };
  const turns = readField(form, 'turns', units);
  return typeof turns === 'string' ? turns : { kind: 'turns', turns };
}

/** What a run form says. SI units. */
export interface MeasuredRun {
  readonly wind: Wind;
  readonly outcome: Outcome;
  readonly time?: number;
}

/** The run that stands in the form, or what is wrong with which field. A time need not be taken. */
export function readRunForm(
  form: TrackForm,
  units: UnitSystem,
): { readonly run: MeasuredRun } | { readonly faults: Partial<Readonly<Record<TypedField, string>>> } {
  const wind = windOf(form, units);
  const distance = readField(form, 'distance', units);
  const time = form.time.trim() === '' ? undefined : readField(form, 'time', units);
  if (typeof wind === 'string' || typeof distance === 'string' || typeof time === 'string')
    return {
      faults: {
        ...(typeof wind === 'string' && { turns: wind }),
        ...(typeof distance === 'string' && { distance }),
        ...(typeof time === 'string' && { time }),
      },
    };
  return { run: { wind, outcome: { kind: form.outcome, distance }, ...(time !== undefined && { time }) } };
}
