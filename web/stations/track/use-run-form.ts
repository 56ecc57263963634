import { useState } from 'react';
import type { CarDesign, RunRecord, Wind } from '../../../core/design/car-design.ts';
import { versionOf } from '../../../core/design/version-tree.ts';
import { parseQuantity, type Quantity, type UnitSystem } from '../../../core/units/quantity.ts';
import { problemLine, useListVersionsQuery, useSaveRunMutation, type StoredRun } from '../../app/api.ts';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import { useUnits } from '../../ui/use-units.ts';
import { outcomeWords } from './run-words.ts';
import { emptyForm, formChanged, formCleared, type TrackForm } from './track-slice.ts';

type TypedField = 'turns' | 'distance' | 'time';
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

export const windOf = (form: TrackForm, units: UnitSystem): Wind | string => {
  if (form.wind === 'full') return { kind: 'full' };
  const turns = readField(form, 'turns', units);
  return typeof turns === 'string' ? turns : { kind: 'turns', turns };
};

/** The run form of a car: what stands in it, what is wrong with it, and what can be done with it. */
export function useRunForm(carId: string, design: CarDesign, runs: readonly StoredRun[]) {
  const dispatch = useAppDispatch();
  const units = useUnits();
  const form = useAppSelector((state) => state.track[carId]) ?? emptyForm;
  const [faults, setFaults] = useState<Partial<Record<TypedField, string>>>({});
  const [save, { isLoading }] = useSaveRunMutation();
  const { data: versions } = useListVersionsQuery(carId);
  const corrected = runs.find(({ id }) => id === form.correcting?.id);

  const change = (changes: Partial<TrackForm>): void => {
    setFaults({});
    dispatch(formChanged({ carId, change: changes }));
  };
  const log = async (): Promise<void> => {
    const wind = windOf(form, units);
    const distance = readField(form, 'distance', units);
    const time = form.time.trim() === '' ? undefined : readField(form, 'time', units);
    const found = {
      ...(typeof wind === 'string' && { turns: wind }),
      ...(typeof distance === 'string' && { distance }),
      ...(typeof time === 'string' && { time }),
    };
    setFaults(found);
    if (typeof wind === 'string' || typeof distance === 'string' || typeof time === 'string') return;
    const carVersion = corrected ? corrected.record.carVersion : versionOf(versions ?? [], design)?.id;
    const record: RunRecord = {
      format: 'nimble-axle/run-record',
      version: 1,
      ranAt: corrected?.record.ranAt ?? new Date().toISOString(),
      wind,
      outcome: { kind: form.outcome, distance },
      ...(time !== undefined && { time }),
      seen: [...form.seen],
      note: form.note.trim(),
      ...(carVersion && { carVersion }),
      design: corrected?.record.design ?? design,
    };
    const id = form.correcting?.id ?? crypto.randomUUID();
    const answer = await save({ carId, id, baseVersion: form.correcting?.version ?? 0, content: record });
    if (answer.error) return void dispatch(toasted(`${problemLine(answer.error)} The run still stands in the form.`, { tone: 'stop' }));
    dispatch(toasted(form.correcting ? 'Run corrected' : `Run logged: ${outcomeWords(record.outcome, units)}`));
    dispatch(formCleared(carId));
  };
  return { form, faults, change, log, isLogging: isLoading, cancel: () => void dispatch(formCleared(carId)) };
}
