import { describeResult } from '../../../core/meet/describe-results.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './run-view.module.css';
import type { OpenMeet } from './use-meet.ts';

/** Results that are listed. */
const LISTED = 4;

/** What was saved last, the newest first: whoever writes sees at a glance that it is there. */
export function LastResults({ open }: { readonly open: Pick<OpenMeet, 'meet' | 'results'> }) {
  const units = useUnits();
  const meet = open.meet!;
  const newest = open.results.toSorted((a, b) => b.number - a.number).slice(0, LISTED);
  if (newest.length === 0) return null;
  return (
    <section aria-labelledby="last-title">
      <h2 id="last-title" className={plain.heading}>
        Last results
      </h2>
      <ol className={styles.results}>
        {newest.map(({ id, result }) => (
          <li key={id}>
            <span>
              {meet.entries.find((one) => one.id === result.entry)?.car ?? '?'}{' '}
              <span className={plain.muted}>
                {meet.brief.rounds[result.round]?.name}, run {result.run + 1}
              </span>
            </span>
            <strong>{describeResult(meet, result, units)}</strong>
          </li>
        ))}
      </ol>
    </section>
  );
}
