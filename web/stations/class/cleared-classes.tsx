import Button from '@mui/material/Button';
import { useDeleteClearedMutation, useListClearedQuery, useRestoreClearedMutation } from '../../app/api/classes-api.ts';
import { problemLine } from '../../app/api/problem.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import plain from '../../ui/plain.module.css';
import styles from './class.module.css';

const when = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' });

/** Classes that were archived and cleared: each is brought back by a press. */
export function ClearedClasses() {
  const dispatch = useAppDispatch();
  const { data } = useListClearedQuery(undefined, { refetchOnMountOrArgChange: true });
  const [restore, { isLoading }] = useRestoreClearedMutation();
  const [destroy] = useDeleteClearedMutation();
  if (!data || data.length === 0) return null;
  const tell = ({ error }: { error?: unknown }, words: string): void =>
    void dispatch(error ? toasted(problemLine(error), { tone: 'stop' }) : toasted(words));
  return (
    <section aria-labelledby="classes-cleared" className={styles.part}>
      <h2 id="classes-cleared" className={plain.heading}>
        Archived classes
      </h2>
      {data.map(({ file, clearedAt, bytes }) => (
        <div key={file} className={styles.row}>
          <span className={plain.text}>
            {file}, {when.format(new Date(clearedAt))}, {Math.max(1, Math.round(bytes / 1024))} kB
          </span>
          <Button
            size="small"
            variant="outlined"
            disabled={isLoading}
            onClick={async () => tell(await restore(file), 'The class is back. Print new cards for its crews')}
          >
            Bring back
          </Button>
          <Button size="small" component="a" href={`/api/cleared-classes/${file}`} download>
            Download
          </Button>
          <Button size="small" color="error" onClick={async () => tell(await destroy(file), 'The archive is deleted')}>
            Delete archive for good
          </Button>
        </div>
      ))}
    </section>
  );
}
