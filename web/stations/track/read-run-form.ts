import type { Brief } from '../../../core/brief/brief.ts';
import { floorChoices } from '../../../core/brief/floor-choices.ts';
import type { CarDesign, Outcome, RunRecord, Wind } from '../../../core/car/car-design.ts';
import { woundByFeel } from '../../../core/car/new-car.ts';
import { didNotStart } from '../../../core/car/did-not-start.ts';
import { formatNumber, parseQuantity, type Quantity, unitOf, type UnitSystem } from '../../../core/units/quantity.ts';
import type { TrackForm } from './track-slice.ts';

export type TypedField = 'turns' | 'marks' | 'distance' | 'time' | 'drift' | 'spunFor' | 'turnsLeft' | 'load';
const QUANTITY: Readonly<Record<TypedField, Quantity>> = {
  turns: 'count',
  marks: 'count',
  distance: 'distance',
  time: 'time',
  drift: 'distance',
  spunFor: 'distance',
  turnsLeft: 'count',
  load: 'weight',
};
const RANGE: Readonly<Record<TypedField, readonly [number, number]>> = {
  turns: [0.1, 10000],
  marks: [0, 10000],
  distance: [0, 1000],
  time: [0.1, 3600],
  drift: [0, 100],
  spunFor: [0, 1000],
  turnsLeft: [0, 1000],
  load: [0, 5],
};

/** What is in the form, reread while other units are shown: each figure keeps its unit. */
export const rereadForm = (form: TrackForm, reread: (text: string, quantity: Quantity) => string): Partial<TrackForm> =>
  Object.fromEntries((Object.keys(QUANTITY) as TypedField[]).map((field) => [field, reread(form[field], QUANTITY[field])]));

/** The value typed in a field, or what is wrong with it. */
function readField(form: TrackForm, field: TypedField, units: UnitSystem): number | string {
  const parsed = parseQuantity(form[field], QUANTITY[field], units);
  if (parsed.kind === 'unclear') return parsed.message;
  const [low, high] = RANGE[field];
  if (parsed.value >= low && parsed.value <= high) return parsed.value;
  const [least, most] = [low, high].map((value) => Number(formatNumber(value, QUANTITY[field], units)));
  return `Must be ${least} to ${most} ${unitOf(QUANTITY[field], units)}`.trim() + '.';
}

/** How far it was wound, or what is wrong with the turns that were typed. */
export function windOf(form: TrackForm, units: UnitSystem): Wind | string {
  if (form.wind !== 'turns') return { kind: 'full' };
  const turns = readField(form, 'turns', units);
  return typeof turns === 'string' ? turns : { kind: 'turns', turns };
}

/** The car as it was wound: by feel, where that was said of this run. */
export const woundAs = ({ wind }: Pick<TrackForm, 'wind'>, design: CarDesign): CarDesign =>
  wind === 'tight' ? woundByFeel(design) : design;

/** The car as it ran: wound as said, with the load that was typed, or its own; or what is wrong with that. */
export function ranAs(form: TrackForm, design: CarDesign, units: UnitSystem, brief: Brief | null = null): CarDesign | string {
  const chosen = floorChoices(design.floor, brief).find(({ key }) => key === form.floor);
  const wound = woundAs(form, design);
  const onFloor = chosen ? { ...wound, floor: chosen.floor } : wound;
  if (form.load.trim() === '') return onFloor;
  const mass = readField(form, 'load', units);
  return typeof mass === 'string' ? mass : { ...onFloor, load: { ...design.load, mass } };
}

/** What the place tells of a distance that was not taken from the line by tape. m. */
export interface Place {
  /** From one counted mark to the next; null where none are counted. */
  readonly spacing: number | null;
  /** From the line to the wall; null where there is none. */
  readonly room: number | null;
}

/** The distance from the line, m; or which field is wrong, and how. */
function distanceOf(
  form: TrackForm,
  units: UnitSystem,
  { spacing, room }: Place,
): number | { readonly field: TypedField; readonly message: string } {
  const typed = form.measuredBy === 'marks' && form.distance.trim() === '' ? 0 : readField(form, 'distance', units);
  if (typeof typed === 'string') return { field: 'distance', message: typed };
  if (form.measuredBy === 'tape') return typed;
  if (form.measuredBy === 'from-wall') {
    if (room === null) return { field: 'distance', message: 'The floor has no wall: measure from the line.' };
    return typed <= room ? room - typed : { field: 'distance', message: `The wall is only ${room} m from the line.` };
  }
  const marks = readField(form, 'marks', units);
  if (typeof marks === 'string') return { field: 'marks', message: marks };
  if (spacing === null) return { field: 'marks', message: 'Set in the session how far apart the marks are.' };
  return marks * spacing + typed;
}

/** What a run form says. SI units. */
export type MeasuredRun = Pick<
  RunRecord,
  | 'wind'
  | 'outcome'
  | 'time'
  | 'splits'
  | 'film'
  | 'direction'
  | 'stretched'
  | 'drift'
  | 'spunFor'
  | 'turnsLeft'
  | 'elsewhere'
  | 'measuredBy'
  | 'inOnePiece'
  | 'photo'
>;

/** The run that is in the form, or what is wrong with which field. Only a distance is needed. */
export function readRunForm(
  form: TrackForm,
  units: UnitSystem,
  place: Place = { spacing: null, room: null },
): { readonly run: MeasuredRun } | { readonly faults: Partial<Readonly<Record<TypedField, string>>> } {
  const faults: Partial<Record<TypedField, string>> = {};
  const optional = (field: TypedField): number | undefined => {
    if (form[field].trim() === '') return undefined;
    const value = readField(form, field, units);
    if (typeof value === 'number') return value;
    faults[field] = value;
    return undefined;
  };
  const wind = windOf(form, units);
  if (typeof wind === 'string') faults.turns = wind;
  const isStarted = form.outcome !== 'did-not-start';
  const distance = isStarted ? distanceOf(form, units, place) : 0;
  if (typeof distance !== 'number') faults[distance.field] = distance.message;
  const [time, drift, spunFor] = [optional('time'), optional('drift'), optional('spunFor')];
  const turnsLeft = form.outcome === 'hit-wall' && form.endedBy !== 'mark' ? optional('turnsLeft') : undefined;
  if (Object.keys(faults).length > 0 || typeof wind === 'string' || typeof distance !== 'number') return { faults };
  const isAtLeast = form.outcome === 'hit-wall';
  const outcome: Outcome = {
    kind: isAtLeast ? 'hit-wall' : 'stopped',
    distance: Number(distance.toFixed(4)),
    ...(isAtLeast && form.endedBy !== 'wall' && { by: form.endedBy }),
  };
  return {
    run: {
      wind,
      outcome,
      ...(time !== undefined && { time }),
      ...(form.splits.length > 0 && { splits: [...form.splits] }),
      ...(form.film && { film: form.film }),
      ...(form.direction !== '' && { direction: form.direction }),
      ...(form.stretched && { stretched: true }),
      ...(drift !== undefined && { drift: form.driftSide === 'left' ? -drift : drift }),
      ...(spunFor !== undefined && { spunFor }),
      ...(turnsLeft !== undefined && { turnsLeft }),
      ...(form.elsewhere !== '' && { elsewhere: { floor: form.elsewhere, goes: form.goes } }),
      ...(form.measuredBy !== 'tape' && { measuredBy: form.measuredBy }),
      ...(form.photo !== null && { photo: form.photo }),
      ...(form.inOnePiece !== '' && { inOnePiece: form.inOnePiece === 'yes' }),
    },
  };
}

/** m that a wall may be nearer than it was said to be: a tape is laid twice, and a bumper gives. */
const GIVES = 0.05;
/** What is to be asked of a run that is said to have gone beyond its wall; null where it is not. */
export const beyondWall = (
  { outcome: { distance } }: MeasuredRun,
  room: number | null,
  format: (metres: number) => string,
): string | null =>
  room !== null && distance > room + GIVES
    ? `The wall is ${format(room)} from the line. Correct this, or log it again if it did come so far.`
    : null;

/** A run as it is in the form to be corrected. */
export function formOf(record: Omit<RunRecord, 'design'>, format: (value: number, quantity: Quantity) => string): Partial<TrackForm> {
  const { wind, outcome, drift } = record;
  return {
    wind: wind.kind,
    turns: wind.kind === 'turns' ? format(wind.turns, 'count') : '',
    stretched: record.stretched ?? false,
    direction: record.direction ?? '',
    outcome: didNotStart(outcome) ? 'did-not-start' : outcome.kind,
    endedBy: outcome.by ?? 'wall',
    // The distance that is stored is from the line, however it was taken.
    measuredBy: 'tape',
    marks: '',
    distance: format(outcome.distance, 'distance'),
    time: record.time === undefined ? '' : String(record.time),
    splits: record.splits ?? [],
    film: record.film ?? null,
    drift: drift === undefined ? '' : format(Math.abs(drift), 'distance'),
    driftSide: (drift ?? -1) < 0 ? 'left' : 'right',
    spunFor: record.spunFor === undefined ? '' : format(record.spunFor, 'distance'),
    turnsLeft: record.turnsLeft === undefined ? '' : String(record.turnsLeft),
    elsewhere: record.elsewhere?.floor ?? '',
    goes: record.elsewhere?.goes ?? 'further',
    inOnePiece: record.inOnePiece === undefined ? '' : record.inOnePiece ? 'yes' : 'no',
    seen: record.seen,
    note: record.note,
    photo: record.photo ?? null,
  };
}
