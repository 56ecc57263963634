import Button from '@mui/material/Button';
import type { Round } from '../../../core/brief/brief.ts';
import type { MeetOutcome } from '../../../core/meet/meet.ts';
import { describeTiming } from '../../../core/meet/describe-results.ts';
import { unitOf } from '../../../core/units/quantity.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './meet.module.css';
import type { Timed } from './time-panel.tsx';
import { useOutcomeForm } from './use-outcome-form.ts';

interface OutcomeFieldsProps {
  /** Under which name what is typed is stored until it is saved: a reload or another view loses nothing. */
  readonly storedAs: string;
  readonly round: Round;
  /** Whether the rules take something off for a line that is crossed. */
  readonly hasPenalty: boolean;
  /** Names its fields: the car, or what is corrected. */
  readonly of: string;
  /** The result that is there already, in words: another official may have saved it while this one types. */
  readonly standing?: string | null;
  /** What a watch or gates measured. */
  readonly timed?: Timed | null;
  readonly onTyping?: (isTyping: boolean) => void;
  readonly onSave: (outcome: MeetOutcome) => Promise<boolean>;
}

/** The result of one run: what was measured, or why it does not count. A result that is there already is shown; what is typed meanwhile stays. */
export function OutcomeFields({ storedAs, round, hasPenalty, of, standing = null, timed = null, onTyping, onSave }: OutcomeFieldsProps) {
  const { fields, typed, setTyped, isTyping, problem, setProblem, clear, save, saveRun } = useOutcomeForm({
    storedAs,
    round,
    hasPenalty,
    timed,
    onTyping,
    onSave,
  });
  const units = useUnits();
  if (standing !== null && !isTyping) return <p className={plain.text}>✓ {standing}</p>;
  return (
    <form
      className={styles.part}
      aria-label={`Result of ${of}`}
      onSubmit={(event) => {
        event.preventDefault();
        saveRun();
      }}
    >
      {standing !== null && (
        <div role="alert" className={styles.row}>
          <span className={plain.text}>
            ! Another official saved {standing} meanwhile. Save yours too (the later one counts, both are stored), or
          </span>
          <Button size="small" onClick={clear} aria-label={`discard what is typed: ${of}`}>
            discard what is typed
          </Button>
        </div>
      )}
      <div className={styles.fields}>
        {fields.map(([key, label, quantity]) => (
          <label key={key} className={plain.text}>
            {label}, {unitOf(quantity, units)}
            <input
              className={styles.field}
              aria-label={`${of}: ${label}`}
              inputMode="decimal"
              autoComplete="off"
              value={typed[key] ?? ''}
              onChange={({ target }) => setTyped({ [key]: target.value })}
            />
          </label>
        ))}
      </div>
      {timed && <p className={`${plain.caption} ${plain.muted}`}>{describeTiming(timed, units)}</p>}
      {problem && (
        <p role="alert" className={plain.text}>
          ✕ {problem}
        </p>
      )}
      <div className={styles.row}>
        <Button type="submit" variant="contained" aria-label={`Save result: ${of}`}>
          Save result
        </Button>
        <label className={plain.text}>
          <input
            type="checkbox"
            checked={Boolean(typed.atLeast)}
            onChange={({ target }) => setTyped({ atLeast: target.checked ? 'yes' : '' })}
            aria-label={`${of}: hit the wall`}
          />{' '}
          hit the wall: at least that
        </label>
        <Button size="small" onClick={() => void save('broke')} aria-label={`It broke: ${of}`}>
          It broke
        </Button>
        <Button size="small" onClick={() => void save('no-start')} aria-label={`Did not start: ${of}`}>
          Did not start
        </Button>
        <Button
          size="small"
          aria-label={`Broke a rule: ${of}`}
          onClick={() =>
            (typed.rule ?? '').trim() === '' ? setProblem('Name the rule that it broke.') : void save('rule', { rule: typed.rule!.trim() })
          }
        >
          Broke a rule
        </Button>
        <input
          className={styles.field}
          aria-label={`${of}: which rule`}
          placeholder="which rule"
          value={typed.rule ?? ''}
          onChange={({ target }) => setTyped({ rule: target.value })}
        />
      </div>
    </form>
  );
}
