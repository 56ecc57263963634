import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { CAUSES, explain, type CauseId, type Evidence } from '../../../core/trials/causes.ts';
import type { Tuning } from '../../../core/trials/tuning.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './tune.module.css';
import { causeFacts, isSure, whyWords } from './tune-words.ts';

/** Causes that are told before more are asked for. */
const SHOWN = 4;

/** What may be behind it, ranked; a check at the table ranks them again at once. */
export function Why({ causes, seen }: { readonly causes: NonNullable<Tuning['causes']>; readonly seen: Tuning['seen'] }) {
  const units = useUnits();
  const [checks, setChecks] = useState<NonNullable<Evidence['checks']>>({});
  const [all, setAll] = useState(false);
  const told = useMemo(() => explain(causes, { seen, checks }), [causes, seen, checks]);
  const found = (id: CauseId, result: 'confirmed' | 'ruled-out'): void =>
    setChecks((before) => {
      const { [id]: was, ...others } = before;
      return was === result ? others : { ...others, [id]: result };
    });
  return (
    <>
      <p className={plain.strong} role="status">
        {whyWords(told)}
      </p>
      <ol className={`${plain.list} ${styles.list}`}>
        {told.causes.slice(0, all ? undefined : SHOWN).map((cause) => {
          const { name, seen: wouldSee, check } = CAUSES[cause.id];
          return (
            <li key={cause.id} className={styles.cause}>
              <div className={styles.row}>
                <span className={isSure(cause) ? plain.strong : plain.text}>{name}</span>
                <span className={`${plain.caption} ${plain.muted}`}>{causeFacts(cause, units)}</span>
              </div>
              <div className={styles.bar} aria-hidden>
                <span style={{ width: `${100 * cause.probability}%` }} />
              </div>
              <p className={`${plain.caption} ${plain.muted}`}>Then: {wouldSee}.</p>
              {check && (
                <>
                  <p className={plain.text}>{check}</p>
                  <div className={styles.row}>
                    <Button
                      size="small"
                      variant={checks[cause.id] === 'confirmed' ? 'contained' : 'outlined'}
                      aria-pressed={checks[cause.id] === 'confirmed'}
                      aria-label={`Confirmed: ${name}`}
                      onClick={() => found(cause.id, 'confirmed')}
                    >
                      Confirmed
                    </Button>
                    <Button
                      size="small"
                      variant={checks[cause.id] === 'ruled-out' ? 'contained' : 'outlined'}
                      aria-pressed={checks[cause.id] === 'ruled-out'}
                      aria-label={`Ruled out: ${name}`}
                      onClick={() => found(cause.id, 'ruled-out')}
                    >
                      Ruled out
                    </Button>
                  </div>
                </>
              )}
            </li>
          );
        })}
      </ol>
      {told.causes.length > SHOWN && (
        <Button size="small" onClick={() => setAll(!all)} aria-expanded={all} sx={{ justifySelf: 'start' }}>
          {all ? 'fewer' : `${told.causes.length - SHOWN} less likely ones`}
        </Button>
      )}
    </>
  );
}
