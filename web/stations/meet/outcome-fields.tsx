import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import { useState } from 'react';
import type { Round } from '../../../core/brief/brief.ts';
import type { MeetOutcome } from '../../../core/meet/meet.ts';
import { describeTiming } from '../../../core/meet/describe-results.ts';
import { unitOf } from '../../../core/units/quantity.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './meet.module.css';
import run from './run-view.module.css';
import type { Timed } from './time-panel.tsx';
import { useOutcomeForm, type OutcomeField } from './use-outcome-form.ts';

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

/**
 * The result of one run: what was measured, what the round needs large and first, or why it does not count. A result that is there already is
 * shown; what is typed meanwhile stays.
 */
export function OutcomeFields({ storedAs, round, hasPenalty, of, standing = null, timed = null, onTyping, onSave }: OutcomeFieldsProps) {
  const form = useOutcomeForm({ storedAs, round, hasPenalty, timed, onTyping, onSave });
  const { fields, typed, setTyped, isTyping, problem, clear, save, saveRun } = form;
  const units = useUnits();
  if (standing !== null && !isTyping) return <p className={plain.text}>✓ {standing}</p>;
  const field = ([key, label, quantity, isNeeded]: OutcomeField) => (
    <label key={key}>
      {label}, {unitOf(quantity, units)}
      <input
        className={isNeeded ? run.reading : run.small}
        aria-label={`${of}: ${label}`}
        inputMode="decimal"
        autoComplete="off"
        value={typed[key] ?? ''}
        onChange={({ target }) => setTyped({ [key]: target.value })}
      />
    </label>
  );
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
      <div className={run.readings}>{fields.filter(([, , , isNeeded]) => isNeeded).map(field)}</div>
      {problem && (
        <p role="alert" className={plain.text}>
          ✕ {problem}
        </p>
      )}
      <Button type="submit" variant="contained" aria-label={`Save result: ${of}`} sx={{ minHeight: 56, fontSize: 18 }}>
        Save result
      </Button>
      <div className={run.endings}>
        <ToggleButton
          value="wall"
          size="small"
          sx={{ borderColor: 'text.secondary' }}
          selected={Boolean(typed.atLeast)}
          onChange={() => setTyped({ atLeast: typed.atLeast ? '' : 'yes' })}
          aria-label={`${of}: hit the wall`}
        >
          {typed.atLeast ? '✓ Hit the wall' : 'Hit the wall'}
        </ToggleButton>
        <Button variant="outlined" onClick={() => void save('broke')} aria-label={`It broke: ${of}`}>
          It broke
        </Button>
        <Button variant="outlined" onClick={() => void save('no-start')} aria-label={`Did not start: ${of}`}>
          Did not start
        </Button>
        <BrokenRule of={of} form={form} />
      </div>
      <div className={run.further}>{fields.filter(([, , , isNeeded]) => !isNeeded).map(field)}</div>
      {timed && <p className={`${plain.caption} ${plain.muted}`}>{describeTiming(timed, units)}</p>}
    </form>
  );
}

/** Which rule a run broke: asked once it is pressed, saved by a second press. */
function BrokenRule({
  of,
  form: { typed, setTyped, setProblem, save },
}: {
  readonly of: string;
  readonly form: ReturnType<typeof useOutcomeForm>;
}) {
  const rule = (typed.rule ?? '').trim();
  const [isAsked, setAsked] = useState(rule !== '');
  return (
    <>
      <Button
        variant="outlined"
        aria-label={`Broke a rule: ${of}`}
        aria-expanded={isAsked}
        onClick={() => {
          if (rule !== '') void save('rule', { rule });
          else if (isAsked) setProblem('Name the rule that it broke.');
          else setAsked(true);
        }}
      >
        {rule === '' ? 'Broke a rule' : 'Save: broke a rule'}
      </Button>
      {isAsked && (
        <input
          autoFocus
          className={run.small}
          aria-label={`${of}: which rule`}
          placeholder="which rule"
          value={typed.rule ?? ''}
          onChange={({ target }) => setTyped({ rule: target.value })}
        />
      )}
    </>
  );
}
