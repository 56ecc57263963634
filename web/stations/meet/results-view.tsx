import Button from '@mui/material/Button';
import { useState } from 'react';
import type { StandingResult } from '../../../core/meet/meet.ts';
import { describeCorrection, describeResult, describeTiming } from '../../../core/meet/describe-results.ts';
import plain from '../../ui/plain.module.css';
import { TextEntry } from '../../ui/text-entry.tsx';
import { useUnits } from '../../ui/use-units.ts';
import styles from './meet.module.css';
import { OutcomeFields } from './outcome-fields.tsx';
import type { OpenMeet } from './use-meet.ts';
import { StateNote } from '../../ui/state-note.tsx';

const time = new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit' });

/** Every run that stands, the newest first: corrected with who and why, or taken back; what stood before is stored. */
export function ResultsView({ meetId, open }: { readonly meetId: string; readonly open: OpenMeet }) {
  const units = useUnits();
  const [corrected, setCorrected] = useState<StandingResult | null>(null);
  const [why, setWhy] = useState('');
  const [by, setBy] = useState('');
  const meet = open.meet!;
  const { rounds } = meet.brief;
  const newest = open.results.toSorted((a, b) => b.number - a.number);
  const carOf = (id: string): string => meet.entries.find((entry) => entry.id === id)?.car ?? '?';
  const placeOf = ({ result: { entry, round, run, lane } }: StandingResult) => ({ entry, round, run, lane });
  const takeBack = (one: StandingResult): void => void open.write(placeOf(one), { kind: 'void' }, by, { result: one, why: 'taken back' });
  return (
    <div className={styles.view}>
      {newest.length === 0 && <StateNote kind="empty">No result is saved yet. Results are entered in Run.</StateNote>}
      <ul className={styles.part} style={{ listStyle: 'none', padding: 0, margin: 0 }}>
        {newest.map((one) => {
          const round = rounds[one.result.round];
          const name = `${carOf(one.result.entry)}, ${round?.name ?? '?'}, run ${one.result.run + 1}`;
          const correction = describeCorrection(one);
          return (
            <li key={one.id} className={styles.card}>
              <div className={styles.row}>
                <span className={plain.text}>
                  {time.format(new Date(one.result.at))} · {name}: <strong>{describeResult(meet, one.result, units)}</strong>
                  {one.result.by && ` · ${one.result.by}`}
                  {correction && ` · ${correction}`}
                  {one.result.outcome.timedBy && ` · ${describeTiming(one.result.outcome, units)}`}
                </span>
                <Button
                  size="small"
                  aria-label={`Correct: ${name}`}
                  aria-expanded={corrected?.id === one.id}
                  onClick={() => setCorrected(corrected?.id === one.id ? null : one)}
                >
                  Correct
                </Button>
                <Button size="small" aria-label={`Withdraw: ${name}`} onClick={() => takeBack(one)}>
                  Withdraw
                </Button>
              </div>
              {one.before.length > 0 && round && (
                <p className={`${plain.caption} ${plain.muted}`}>
                  before:{' '}
                  {one.before.map(({ id, result }) => (
                    <span key={id}>
                      {describeResult(meet, result, units)} ({result.by || 'an official'}, {time.format(new Date(result.at))}){' '}
                      <Button
                        size="small"
                        aria-label={`Restore ${describeResult(meet, result, units)}: ${name}`}
                        onClick={() => void open.write(placeOf(one), result.outcome, by, { result: one, why: 'restored' })}
                      >
                        Restore
                      </Button>
                    </span>
                  ))}
                </p>
              )}
              {corrected?.id === one.id && round && (
                <>
                  <div className={styles.fields}>
                    <TextEntry label="Corrected by" value={by} maxLength={80} onChange={setBy} />
                    <TextEntry label="Reason" value={why} maxLength={200} onChange={setWhy} />
                  </div>
                  {why.trim() === '' || by.trim() === '' ? (
                    <p className={plain.text}>Type who corrects it and why, then the result.</p>
                  ) : (
                    <OutcomeFields
                      storedAs={`${meetId} correction ${one.id}`}
                      round={round}
                      hasPenalty={meet.brief.rules.penalty !== undefined}
                      of={`correction of ${name}`}
                      onSave={async (outcome) => {
                        const isWritten = await open.write(placeOf(one), outcome, by, { result: one, why });
                        if (isWritten) {
                          setCorrected(null);
                          setWhy('');
                        }
                        return isWritten;
                      }}
                    />
                  )}
                </>
              )}
            </li>
          );
        })}
      </ul>
    </div>
  );
}
