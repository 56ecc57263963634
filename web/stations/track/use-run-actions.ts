import type { ListedRun } from '../../../core/schema/stored.ts';
import { formatIn, plainly } from '../../../core/units/quantity.ts';
import { problemLine } from '../../app/api/problem.ts';
import { useRemoveRunMutation } from '../../app/api/runs-api.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import { useUnits } from '../../ui/use-units.ts';
import { formOf } from './read-run-form.ts';
import { formChanged } from './track-slice.ts';

/** Removes a run, with the way back. */
export function useRemoval(carId: string) {
  const dispatch = useAppDispatch();
  const [remove] = useRemoveRunMutation();
  return async (id: string, name: string): Promise<void> => {
    const answer = await remove({ carId, id });
    dispatch(
      answer.error
        ? toasted(problemLine(answer.error), { tone: 'stop' })
        : toasted(`Run removed: ${name}`, { undoing: { kind: 'run', carId, id } }),
    );
  };
}

/** Brings a run into the form to be corrected. */
export function useCorrecting(carId: string) {
  const dispatch = useAppDispatch();
  const units = useUnits();
  const format = plainly(formatIn(units));
  return ({ id, version, record }: ListedRun): void => {
    dispatch(formChanged({ carId, change: { correcting: { id, version }, ...formOf(record, format) } }));
    document.querySelector('main')?.scrollTo({ top: 0 });
  };
}
