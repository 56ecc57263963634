import { useReducer } from 'react';
import type { MeetOutcome } from '../../../core/meet/meet.ts';
import { heatsLeft, orderOf, type Heat } from '../../../core/meet/order.ts';
import { TextEntry } from '../../ui/text-entry.tsx';
import { useLocalStorage } from '../../ui/use-local-storage.ts';
import styles from './meet.module.css';
import { ComingHeats, heatKey } from './coming-heats.tsx';
import { LastResults } from './last-results.tsx';
import { RunOffs } from './run-offs.tsx';
import { RunningHeat, typedName, type ToldTyping } from './running-heat.tsx';
import { useNextField } from './use-next-field.ts';
import { isTypedHere } from './use-outcome-form.ts';
import type { OpenMeet, RunPlace } from './use-meet.ts';
import { StateNote } from '../../ui/state-note.tsx';
import { FinishedMeet } from './finished-meet.tsx';
import { Link } from 'react-router';

/** The heat in which something is typed, and for which cars. */
interface Typing {
  readonly heat: Heat;
  readonly cars: readonly string[];
}
function typingReducer(before: Typing | null, { heat, entry, isTyping }: ToldTyping): Typing | null {
  if (isTyping === (before?.cars.includes(entry) ?? false)) return before;
  const others = before?.cars.filter((one) => one !== entry) ?? [];
  const cars = isTyping ? [...others, entry] : others;
  return cars.length === 0 ? null : { heat: before?.heat ?? heat, cars };
}

const NOBODY: readonly string[] = [];

/** The heat that runs now, to be written down car by car; the next, and who is on deck; run-offs where a tie asks for one. */
export function RunView({ meetId, open }: { readonly meetId: string; readonly open: OpenMeet }) {
  const [by, setBy] = useLocalStorage('meet-official', '');
  const { results, write } = open;
  const meet = open.meet!;
  const heats = orderOf(meet);
  const left = heatsLeft(
    heats,
    results.map(({ result }) => result),
  );
  // A heat in which something is typed stays until that is written or dropped, whatever others write.
  const [typing, tellTyping] = useReducer(typingReducer, null, (): Typing | null => {
    const heat = heats.find((one) => one.cars.some(({ entry }) => isTypedHere(typedName(meetId, one, entry))));
    return heat ? { heat, cars: heat.cars.map(({ entry }) => entry) } : null;
  });
  const now = typing?.heat ?? left[0];
  const coming = left.filter((heat) => now && heatKey(heat) !== heatKey(now));
  const { ref, savedRef } = useNextField<HTMLDivElement>(typing?.cars ?? NOBODY, results);
  const save = async (place: RunPlace, outcome: MeetOutcome): Promise<boolean> => {
    savedRef.current = place;
    const isSaved = await write(place, outcome, by);
    if (!isSaved) savedRef.current = null;
    return isSaved;
  };
  return (
    <div className={`${styles.view} ${styles.running}`}>
      <div className={styles.part} ref={ref}>
        {meet.entries.length === 0 && (
          <StateNote kind="empty">
            <Link to={`/meets/${meetId}?view=entries`}>Enter the cars</Link> first.
          </StateNote>
        )}
        {now ? (
          <RunningHeat
            key={heatKey(now)}
            meetId={meetId}
            open={open}
            heat={now}
            hasHeats={heats.some(({ heat }) => heat > 0)}
            onTyping={tellTyping}
            onSave={save}
          />
        ) : (
          heats.length > 0 && <FinishedMeet meetId={meetId} open={open} />
        )}
        <RunOffs meetId={meetId} open={open} onSave={save} />
        <LastResults open={open} />
        <TextEntry label="Recorded by" value={by} maxLength={80} onChange={setBy} sx={{ maxWidth: 320 }} />
      </div>
      {now && <ComingHeats open={open} coming={coming} />}
    </div>
  );
}
