import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { choosesLoad, type Round } from '../../../core/brief/brief.ts';
import { goalRecord } from '../../../core/brief/goals.ts';
import type { MeetOutcome } from '../../../core/meet/meet.ts';
import { describeTiming, formatTime } from '../../../core/meet/describe-results.ts';
import { formatQuantity, parseQuantity, type Quantity, unitOf, type UnitSystem } from '../../../core/units/quantity.ts';
import plain from '../../ui/plain.module.css';
import { readLocalStorage, useLocalStorage } from '../../ui/use-local-storage.ts';
import { useUnits } from '../../ui/use-units.ts';
import { useUnitsOfTyping } from '../../ui/use-units-of-typing.ts';
import styles from './meet.module.css';
import type { Timed } from './time-panel.tsx';

/** By what was typed; `units` are those that were shown then. */
type Typed = Readonly<Record<string, string>> & { readonly units?: UnitSystem };
const NOTHING: Typed = {};
const nameOf = (keptAs: string): string => `meet-typed ${keptAs}`;
const isAnything = ({ units: _typedIn, ...typed }: Typed): boolean => Object.values(typed).some((text) => text.trim() !== '');
/** Whether something of a run was typed in this browser and not written yet. */
export const isTypedHere = (keptAs: string): boolean => isAnything(readLocalStorage(nameOf(keptAs), NOTHING));

interface OutcomeFieldsProps {
  /** Under which name what is typed is kept until it is written: a reload or another view loses nothing. */
  readonly keptAs: string;
  readonly round: Round;
  /** Whether the rules take something off for a line that is crossed. */
  readonly hasPenalty: boolean;
  /** Names its fields: the car, or what is corrected. */
  readonly of: string;
  /** What stands already, in words: told by another official, perhaps while this one types. */
  readonly standing?: string | null;
  /** What a watch or gates told. */
  readonly timed?: Timed | null;
  readonly onTyping?: (isTyping: boolean) => void;
  readonly onWrite: (outcome: MeetOutcome) => Promise<boolean>;
}

type Field = readonly [
  key: 'distance' | 'second' | 'time' | 'drift' | 'load' | 'height' | 'crossed',
  label: string,
  quantity: Quantity,
  isNeeded: boolean,
];

/** What is measured of a run by its goal. */
function fieldsOf({ goal }: Round, hasPenalty: boolean): readonly Field[] {
  const { marks, isSteered } = goalRecord(goal);
  return [
    ['distance', 'distance', 'distance', goal.kind !== 'quickest-to' && goal.kind !== 'highest-edge'],
    ['second', 'second measurement', 'distance', false],
    ...(marks ? [['time', 'time to the mark', 'time', goal.kind === 'quickest-to'] as const] : []),
    ...(isSteered ? [['drift', 'off the line, right +', 'distance', goal.kind !== 'within-lane'] as const] : []),
    ...(choosesLoad(goal) ? [['load', 'load carried', 'weight', true] as const] : []),
    ...(goal.kind === 'highest-edge' ? [['height', 'highest twig', 'size', true] as const] : []),
    ...(hasPenalty ? [['crossed', 'lines crossed', 'count', false] as const] : []),
  ];
}

/** One run written down: what was measured, or why it does not count. Where one stands already it is shown; what is typed meanwhile is kept. */
export function OutcomeFields({ keptAs, round, hasPenalty, of, standing = null, timed = null, onTyping, onWrite }: OutcomeFieldsProps) {
  const [typed, keepTyped] = useLocalStorage(nameOf(keptAs), NOTHING);
  const fields = fieldsOf(round, hasPenalty);
  const units = useUnits();
  const setTyped = (more: Readonly<Record<string, string>>): void => keepTyped({ ...typed, ...more, units });
  useUnitsOfTyping(typed.units, (reread) =>
    setTyped(Object.fromEntries(fields.flatMap(([key, , quantity]) => (typed[key] ? [[key, reread(typed[key], quantity)]] : [])))),
  );
  const [problem, setProblem] = useState('');
  const [taken, setTaken] = useState<Timed | null>(null);
  // What was timed goes into the fields, once.
  if (timed !== taken) {
    setTaken(timed);
    if (timed)
      setTyped({
        ...(timed.time !== undefined && { time: formatTime(timed.time) }),
        ...(timed.distance !== undefined && { distance: formatQuantity(timed.distance, 'distance', units) }),
      });
  }
  const isTyping = isAnything(typed);
  useEffect(() => onTyping?.(isTyping), [isTyping, onTyping]);
  const clear = (): void => {
    keepTyped(NOTHING);
    setProblem('');
  };
  const write = async (kind: MeetOutcome['kind'], more: Partial<MeetOutcome> = {}): Promise<void> => {
    if (await onWrite({ kind, ...more })) clear();
  };
  const writeRun = (): void => {
    const outcome: Record<string, number> = {};
    for (const [key, label, quantity, isNeeded] of fields) {
      const text = (typed[key] ?? '').trim();
      if (text === '') {
        if (isNeeded) return setProblem(`${label}: it is needed for this round.`);
        continue;
      }
      const parsed = parseQuantity(text, quantity, units);
      if (parsed.kind === 'unclear') return setProblem(`${label}: ${parsed.message}`);
      if (key === 'crossed' && !(Number.isInteger(parsed.value) && parsed.value >= 0 && parsed.value <= 100))
        return setProblem(`${label}: write a whole number from 0 to 100.`);
      outcome[key] = parsed.value;
    }
    const { timedBy, splits } = timed ?? {};
    void write('ran', { ...outcome, ...(typed.atLeast && { atLeast: true }), ...(timedBy && { timedBy, splits: splits ?? [] }) });
  };
  if (standing !== null && !isTyping) return <p className={plain.text}>✓ {standing}</p>;
  return (
    <form
      className={styles.part}
      aria-label={`Result of ${of}`}
      onSubmit={(event) => {
        event.preventDefault();
        writeRun();
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
        <Button size="small" onClick={() => void write('broke')} aria-label={`It broke: ${of}`}>
          It broke
        </Button>
        <Button size="small" onClick={() => void write('no-start')} aria-label={`Did not start: ${of}`}>
          Did not start
        </Button>
        <Button
          size="small"
          aria-label={`Broke a rule: ${of}`}
          onClick={() =>
            (typed.rule ?? '').trim() === '' ? setProblem('Name the rule that it broke.') : void write('rule', { rule: typed.rule!.trim() })
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
