import { useEffect, useState } from 'react';
import { type GoalReading, GOAL_FORMS } from '../../../core/brief/goal.ts';
import type { Round } from '../../../core/brief/brief.ts';
import { formatTime } from '../../../core/meet/describe-results.ts';
import type { MeetOutcome } from '../../../core/meet/meet.ts';
import { formatQuantity, parseQuantity, type Quantity, type UnitSystem } from '../../../core/units/quantity.ts';
import { readLocalStorage, useLocalStorage } from '../../ui/use-local-storage.ts';
import { useUnits } from '../../ui/use-units.ts';
import { useUnitsOfTyping } from '../../ui/use-units-of-typing.ts';
import type { Timed } from './time-panel.tsx';

/** By what was typed; `units` are those that were shown then. */
type Typed = Readonly<Record<string, string>> & { readonly units?: UnitSystem };
const NOTHING: Typed = {};
const nameOf = (storedAs: string): string => `meet-typed ${storedAs}`;
const isAnything = ({ units: _typedIn, ...typed }: Typed): boolean => Object.values(typed).some((text) => text.trim() !== '');
/** Whether something of a run was typed in this browser and not saved yet. */
export const isTypedHere = (storedAs: string): boolean => isAnything(readLocalStorage(nameOf(storedAs), NOTHING));

/** A reading of a run: its name, its label, and whether the round cannot be judged without it. */
export type OutcomeField = readonly [
  key: 'distance' | 'second' | 'time' | 'drift' | 'load' | 'height' | 'crossed',
  label: string,
  quantity: Quantity,
  isNeeded: boolean,
];

/** The fields of what is measured, in the order of the hand. */
const READINGS: Readonly<Record<GoalReading, readonly [label: string, quantity: Quantity]>> = {
  distance: ['distance', 'distance'],
  time: ['time to the mark', 'time'],
  drift: ['off the line, right +', 'distance'],
  load: ['load carried', 'weight'],
  height: ['highest twig', 'size'],
};

/** What is measured of a run by its goal. */
function fieldsOf({ goal }: Round, hasPenalty: boolean): readonly OutcomeField[] {
  const { recorded } = GOAL_FORMS[goal.kind];
  const [distance, ...others] = (Object.keys(READINGS) as GoalReading[])
    .filter((key) => recorded[key])
    .map((key): OutcomeField => [key, ...READINGS[key], recorded[key] === 'needed']);
  return [
    distance!,
    ['second', 'second measurement', 'distance', false],
    ...others,
    ...(hasPenalty ? [['crossed', 'lines crossed', 'count', false] as const] : []),
  ];
}

/** What an outcome is entered from. */
export interface OutcomeFormOptions {
  /** Under which name what is typed is stored until it is saved: a reload or another view loses nothing. */
  readonly storedAs: string;
  readonly round: Round;
  /** Whether the rules take something off for a line that is crossed. */
  readonly hasPenalty: boolean;
  /** What a watch or gates measured. */
  readonly timed: Timed | null;
  readonly onTyping: ((isTyping: boolean) => void) | undefined;
  readonly onSave: (outcome: MeetOutcome) => Promise<boolean>;
}

/** What is typed of one run, and its saving. What was timed goes into the fields, once. */
export function useOutcomeForm({ storedAs, round, hasPenalty, timed, onTyping, onSave }: OutcomeFormOptions) {
  const [typed, storeTyped] = useLocalStorage(nameOf(storedAs), NOTHING);
  const fields = fieldsOf(round, hasPenalty);
  const units = useUnits();
  const setTyped = (more: Readonly<Record<string, string>>): void => storeTyped({ ...typed, ...more, units });
  useUnitsOfTyping(typed.units, (reread) =>
    setTyped(Object.fromEntries(fields.flatMap(([key, , quantity]) => (typed[key] ? [[key, reread(typed[key], quantity)]] : [])))),
  );
  const [problem, setProblem] = useState('');
  const [applied, setApplied] = useState<Timed | null>(null);
  if (timed !== applied) {
    setApplied(timed);
    if (timed)
      setTyped({
        ...(timed.time !== undefined && { time: formatTime(timed.time) }),
        ...(timed.distance !== undefined && { distance: formatQuantity(timed.distance, 'distance', units) }),
      });
  }
  const isTyping = isAnything(typed);
  useEffect(() => onTyping?.(isTyping), [isTyping, onTyping]);
  const clear = (): void => {
    storeTyped(NOTHING);
    setProblem('');
  };
  const save = async (kind: MeetOutcome['kind'], more: Partial<MeetOutcome> = {}): Promise<void> => {
    if (await onSave({ kind, ...more })) clear();
  };
  const saveRun = (): void => {
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
    void save('ran', { ...outcome, ...(typed.atLeast && { atLeast: true }), ...(timedBy && { timedBy, splits: splits ?? [] }) });
  };
  return { fields, typed, setTyped, isTyping, problem, setProblem, clear, save, saveRun };
}
