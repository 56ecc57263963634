import { useCallback, useReducer, useState, type ComponentProps } from 'react';
import { measuringOf } from '../../../core/meet/scoring.ts';
import type { Entry } from '../../../core/meet/meet.ts';
import { heatsLeft, orderOf, type Heat } from '../../../core/meet/order.ts';
import { runOffsDue } from '../../../core/meet/run-offs.ts';
import { describeOutcome } from '../../../core/meet/describe-results.ts';
import { useListCarsQuery } from '../../app/api/cars-api.ts';
import plain from '../../ui/plain.module.css';
import { TextEntry } from '../../ui/text-entry.tsx';
import { useLocalStorage } from '../../ui/use-local-storage.ts';
import { useUnits } from '../../ui/use-units.ts';
import styles from './meet.module.css';
import { ComingHeats, heatKey } from './coming-heats.tsx';
import { OutcomeFields } from './outcome-fields.tsx';
import { isTypedHere } from './use-outcome-form.ts';
import { TimePanel, type Timed } from './time-panel.tsx';
import type { OpenMeet } from './use-meet.ts';

/** Under which name what is typed of a run is stored. */
const typedName = (meetId: string, heat: Heat, entry: string): string => `${meetId} ${heatKey(heat)} ${entry}`;

/** The heat in which something is typed, and for which cars. */
interface Typing {
  readonly heat: Heat;
  readonly cars: readonly string[];
}
interface ToldTyping {
  readonly heat: Heat;
  readonly entry: string;
  readonly isTyping: boolean;
}
function typingReducer(before: Typing | null, { heat, entry, isTyping }: ToldTyping): Typing | null {
  if (isTyping === (before?.cars.includes(entry) ?? false)) return before;
  const others = before?.cars.filter((one) => one !== entry) ?? [];
  const cars = isTyping ? [...others, entry] : others;
  return cars.length === 0 ? null : { heat: before?.heat ?? heat, cars };
}

interface RunOfProps extends Omit<ComponentProps<typeof OutcomeFields>, 'onTyping'> {
  readonly heat: Heat;
  readonly entry: string;
  readonly onTyping: (typing: ToldTyping) => void;
}
/** The run of one car of a heat. */
function RunOf({ heat, entry, onTyping, ...fields }: RunOfProps) {
  const reportTyping = useCallback((isTyping: boolean) => onTyping({ heat, entry, isTyping }), [heat, entry, onTyping]);
  return <OutcomeFields {...fields} onTyping={reportTyping} />;
}

/** The heat that runs now, to be written down car by car; the next, and who is on deck; run-offs where a tie asks for one. */
export function RunView({ meetId, open }: { readonly meetId: string; readonly open: OpenMeet }) {
  const units = useUnits();
  const [by, setBy] = useLocalStorage('meet-official', '');
  const { data } = useListCarsQuery();
  const { results, write } = open;
  const meet = open.meet!;
  const { rounds } = meet.brief;
  const heats = orderOf(meet);
  const saved = results.map(({ result }) => result);
  const left = heatsLeft(heats, saved);
  // A heat in which something is typed stays until that is written or dropped, whatever others write.
  const [typing, tellTyping] = useReducer(typingReducer, null, (): Typing | null => {
    const heat = heats.find((one) => one.cars.some(({ entry }) => isTypedHere(typedName(meetId, one, entry))));
    return heat ? { heat, cars: heat.cars.map(({ entry }) => entry) } : null;
  });
  const [timed, setTimed] = useState<Readonly<Record<string, Timed>>>({});
  const now = typing?.heat ?? left[0];
  const coming = left.filter((heat) => now && heatKey(heat) !== heatKey(now));
  const entryOf = (id: string): Entry | undefined => meet.entries.find((entry) => entry.id === id);
  const standingOf = (entry: string, round: number, run: number) =>
    results.find(({ result }) => result.entry === entry && result.round === round && result.run === run);
  const words = ({ cars }: Heat): string =>
    cars.map(({ entry, lane }) => `${entryOf(entry)?.car ?? '?'}${meet.lanes > 1 ? ` (lane ${lane + 1})` : ''}`).join(', ');
  return (
    <div className={styles.view}>
      <TextEntry label="Recorded by" value={by} maxLength={80} onChange={setBy} sx={{ maxWidth: 320 }} />
      {meet.entries.length === 0 && <p className={plain.text}>Enter the cars first.</p>}
      <div className={styles.running}>
        <div className={styles.view}>
          {now ? (
            <section aria-labelledby="now-title" className={styles.part}>
              <h2 id="now-title" className={plain.heading}>
                Now: {rounds[now.round]!.name}, run {now.run + 1} of {rounds[now.round]!.runs}
                {heats.some(({ heat }) => heat > 0) && `, heat ${now.heat + 1}`}
              </h2>
              <div className={styles.cards}>
                {now.cars.map(({ entry, lane }) => {
                  const of = entryOf(entry);
                  const done = standingOf(entry, now.round, now.run);
                  return (
                    <div key={entry} className={styles.card}>
                      <p className={plain.strong}>
                        {of?.car} <span className={plain.muted}>· {of?.crew}</span>
                        {meet.lanes > 1 && ` · lane ${lane + 1}`}
                      </p>
                      <RunOf
                        key={heatKey(now)}
                        heat={now}
                        entry={entry}
                        storedAs={typedName(meetId, now, entry)}
                        round={rounds[now.round]!}
                        hasPenalty={meet.brief.rules.penalty !== undefined}
                        of={of?.car ?? ''}
                        standing={
                          done ? describeOutcome(rounds[now.round]!.goal, done.result.outcome, units, measuringOf(meet, entry)) : null
                        }
                        timed={timed[`${heatKey(now)} ${entry}`] ?? null}
                        onTyping={tellTyping}
                        onSave={(outcome) => write({ entry, round: now.round, run: now.run, lane }, outcome, by)}
                      />
                    </div>
                  );
                })}
              </div>
              <TimePanel
                key={heatKey(now)}
                name={`${meetId} ${heatKey(now)}`}
                round={rounds[now.round]!}
                cars={now.cars.map(({ entry }) => {
                  const { car = '', carId = null } = entryOf(entry) ?? {};
                  return { entry, car, design: data?.readable.find(({ id }) => id === carId)?.design ?? null };
                })}
                onTimed={(entry, timed) => setTimed((before) => ({ ...before, [`${heatKey(now)} ${entry}`]: timed }))}
              />
            </section>
          ) : (
            heats.length > 0 && <p className={plain.strong}>✓ All results are saved.</p>
          )}
          {runOffsDue(meet, results).map(({ round, entries, run }) => (
            <section key={`${round} ${entries.join()}`} aria-label={`Run-off of ${rounds[round]!.name}`} className={styles.part}>
              <h2 className={plain.heading}>Run-off: {rounds[round]!.name}</h2>
              <div className={styles.cards}>
                {entries.map((entry) => {
                  const done = standingOf(entry, round, run);
                  const car = entryOf(entry)?.car ?? '';
                  return (
                    <div key={entry} className={styles.card}>
                      <p className={plain.strong}>{car}</p>
                      {done ? (
                        <p className={plain.text}>
                          ✓ {describeOutcome(rounds[round]!.goal, done.result.outcome, units, measuringOf(meet, entry))}
                        </p>
                      ) : (
                        <OutcomeFields
                          key={run}
                          storedAs={`${meetId} run-off ${round} ${run} ${entry}`}
                          round={rounds[round]!}
                          hasPenalty={meet.brief.rules.penalty !== undefined}
                          of={`${car}, run-off`}
                          onSave={(outcome) => write({ entry, round, run, lane: 0 }, outcome, by)}
                        />
                      )}
                    </div>
                  );
                })}
              </div>
            </section>
          ))}
        </div>
        {now && <ComingHeats open={open} coming={coming} wordsOf={words} />}
      </div>
    </div>
  );
}
