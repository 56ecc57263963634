import Button from '@mui/material/Button';
import type { RunRecord } from '../../../core/car/car-design.ts';
import type { ListedRun } from '../../../core/schema/stored.ts';
import { problemLine } from '../../app/api/problem.ts';
import { useRunHistoryQuery, useSaveRunMutation } from '../../app/api/runs-api.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { describeDetails, formatOutcome, formatWinding } from './describe-run.ts';

const when = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** What a run was before it was corrected, the newest first; each can be brought back, as a correction of its own. */
export default function RunHistory({ carId, run: { id, version } }: { readonly carId: string; readonly run: ListedRun }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const { data, error } = useRunHistoryQuery({ carId, id });
  const [save, { isLoading }] = useSaveRunMutation();
  const bringBack = async (content: RunRecord): Promise<void> => {
    const answer = await save({ carId, id, baseVersion: version, content });
    dispatch(answer.error ? toasted(problemLine(answer.error), { tone: 'stop' }) : toasted('The run was restored'));
  };
  if (error) return <p className={plain.text}>✕ {problemLine(error)}</p>;
  return (
    <ol className={plain.text} aria-label="Earlier versions of this run">
      {data?.map(({ version: was, savedAt, content }) => {
        const record = content as RunRecord;
        const words = [formatOutcome(record.outcome, units), formatWinding(record.wind), ...describeDetails(record, units), record.note];
        return (
          <li key={was}>
            {words.filter(Boolean).join(' · ')} <span className={plain.muted}>(saved {when.format(new Date(savedAt))})</span>{' '}
            <Button size="small" disabled={isLoading} aria-label={`Restore version ${was}`} onClick={() => void bringBack(record)}>
              Restore
            </Button>
          </li>
        );
      })}
    </ol>
  );
}
