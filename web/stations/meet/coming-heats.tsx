import Button from '@mui/material/Button';
import type { Heat } from '../../../core/meet/order.ts';
import plain from '../../ui/plain.module.css';
import styles from './meet.module.css';
import type { OpenMeet } from './use-meet.ts';

/** Heats that are listed at once. */
const LISTED = 30;

export const heatKey = ({ round, run, heat }: Heat): string => `${round} ${run} ${heat}`;

interface ComingHeatsProps {
  readonly open: OpenMeet;
  /** Heats that are still to run, the one that runs now left out. */
  readonly coming: readonly Heat[];
}

/** Who is next and who is on deck, the countdown on the board, and the order that is left. */
export function ComingHeats({ open, coming }: ComingHeatsProps) {
  const meet = open.meet!;
  const [next, after] = coming;
  const wordsOf = ({ cars }: Heat): string =>
    cars
      .map(({ entry, lane }) => {
        const car = meet.entries.find(({ id }) => id === entry)?.car ?? '?';
        return meet.lanes > 1 ? `${car} (lane ${lane + 1})` : car;
      })
      .join(', ');
  return (
    <div className={`${styles.part} ${styles.beside}`}>
      <section aria-labelledby="next-title" className={styles.part}>
        <h2 id="next-title" className={plain.heading}>
          After this heat
        </h2>
        <p className={plain.text}>{next ? `Next: ${wordsOf(next)}` : 'This is the last heat.'}</p>
        {after && <p className={`${plain.text} ${plain.muted}`}>On deck: {wordsOf(after)}</p>}
        <div className={styles.row}>
          <span className={plain.text}>
            {meet.nextAt ? 'The board counts down to this heat.' : 'Count down to this heat on the board:'}
          </span>
          {[2, 5, 10].map((minutes) => (
            <Button
              key={minutes}
              size="small"
              onClick={() => void open.change((before) => ({ ...before, nextAt: new Date(Date.now() + 60_000 * minutes).toISOString() }))}
            >
              in {minutes} min
            </Button>
          ))}
          {meet.nextAt && (
            <Button size="small" onClick={() => void open.change(({ nextAt: _told, ...before }) => before)}>
              No countdown
            </Button>
          )}
        </div>
      </section>
      <section aria-labelledby="order-title" className={styles.part}>
        <h2 id="order-title" className={plain.heading}>
          Running order
        </h2>
        <ol className={`${plain.text} ${styles.order}`}>
          {coming.slice(0, LISTED).map((heat) => (
            <li key={heatKey(heat)}>
              {meet.brief.rounds[heat.round]!.name}, run {heat.run + 1}: {wordsOf(heat)}
            </li>
          ))}
        </ol>
        {coming.length > LISTED && <p className={`${plain.caption} ${plain.muted}`}>and {coming.length - LISTED} more heats</p>}
      </section>
    </div>
  );
}
