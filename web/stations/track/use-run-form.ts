import { useState } from 'react';
import type { CarDesign, RunRecord } from '../../../core/car/car-design.ts';
import { versionOf } from '../../../core/car/version-tree.ts';
import { problemLine, useGetRunQuery, useListVersionsQuery, useSaveRunMutation } from '../../app/api.ts';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import { useUnits } from '../../ui/use-units.ts';
import { readRunForm, type TypedField } from './read-run-form.ts';
import { outcomeWords } from './run-words.ts';
import { emptyForm, formChanged, formCleared, type TrackForm } from './track-slice.ts';

/** The run form of a car: what stands in it, what is wrong with it, and what can be done with it. */
export function useRunForm(carId: string, design: CarDesign) {
  const dispatch = useAppDispatch();
  const units = useUnits();
  const form = useAppSelector((state) => state.track[carId]) ?? emptyForm;
  const [faults, setFaults] = useState<Partial<Record<TypedField, string>>>({});
  const [save, { isLoading }] = useSaveRunMutation();
  const { data: versions } = useListVersionsQuery(carId);
  const correcting = form.correcting;
  const { data: found } = useGetRunQuery({ carId, id: correcting?.id ?? '' }, { skip: correcting === null });
  const corrected = correcting === null ? undefined : found;

  const change = (changes: Partial<TrackForm>): void => {
    setFaults({});
    dispatch(formChanged({ carId, change: changes }));
  };
  const log = async (): Promise<void> => {
    const read = readRunForm(form, units);
    setFaults('faults' in read ? read.faults : {});
    // What is corrected keeps its time and its car: these must be there first.
    if ('faults' in read) return;
    if (correcting !== null && !corrected)
      return void dispatch(
        toasted('The run you correct is not here any more. Cancel, or bring it back in the Garage first.', { tone: 'stop' }),
      );
    const carVersion = corrected ? corrected.record.carVersion : versionOf(versions?.readable ?? [], design)?.id;
    const record: RunRecord = {
      format: 'nimble-axle/run-record',
      version: 1,
      ranAt: corrected?.record.ranAt ?? new Date().toISOString(),
      ...read.run,
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
  return { form, faults, corrected, change, log, isLogging: isLoading, cancel: () => void dispatch(formCleared(carId)) };
}
