import Button from '@mui/material/Button';
import type { Entry } from '../../../core/meet/meet.ts';
import { heatsLeft, orderOf, type Heat } from '../../../core/meet/order.ts';
import { placesOfRound, runOffsOf } from '../../../core/meet/scoring.ts';
import { outcomeWords } from '../../../core/meet/words.ts';
import plain from '../../ui/plain.module.css';
import { TextEntry } from '../../ui/text-entry.tsx';
import { useKeptHere } from '../../ui/use-kept-here.ts';
import { useUnits } from '../../ui/use-units.ts';
import styles from './meet.module.css';
import { OutcomeFields } from './outcome-fields.tsx';
import type { OpenMeet } from './use-meet.ts';

/** The heat that runs now, to be written down car by car; the next, and who is on deck; run-offs where a tie asks for one. */
export function RunView({ open }: { readonly open: OpenMeet }) {
  const units = useUnits();
  const [by, setBy] = useKeptHere('meet-official', '');
  const { results, write } = open;
  const meet = open.meet!;
  const { rounds } = meet.brief;
  const heats = orderOf(meet);
  const made = results.map(({ result }) => result);
  const left = heatsLeft(heats, made);
  const [now, next, after] = left;
  const entryOf = (id: string): Entry | undefined => meet.entries.find((entry) => entry.id === id);
  const standingOf = (entry: string, round: number, run: number) =>
    results.find(({ result }) => result.entry === entry && result.round === round && result.run === run);
  const words = ({ cars }: Heat): string =>
    cars.map(({ entry, lane }) => `${entryOf(entry)?.car ?? '?'}${meet.lanes > 1 ? ` (lane ${lane + 1})` : ''}`).join(', ');
  const ids = meet.entries.filter(({ isOut }) => !isOut).map(({ id }) => id);
  const runOffs = rounds.flatMap((round, index) =>
    runOffsOf(meet, index, placesOfRound(meet, index, ids, results)).map((entries) => {
      const most = Math.max(
        round.runs - 1,
        ...made.filter((one) => one.round === index && entries.includes(one.entry)).map(({ run }) => run),
      );
      const isOpen =
        entries.some((entry) => standingOf(entry, index, most) !== undefined) &&
        !entries.every((entry) => standingOf(entry, index, most) !== undefined);
      return { round, index, entries, run: Math.max(round.runs, isOpen ? most : most + 1) };
    }),
  );
  return (
    <div className={styles.view}>
      <TextEntry label="Who writes it down" value={by} maxLength={80} onChange={setBy} sx={{ maxWidth: 320 }} />
      {meet.entries.length === 0 && <p className={plain.text}>Enter the cars first.</p>}
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
                  {done ? (
                    <p className={plain.text}>✓ {outcomeWords(rounds[now.round]!.goal, done.result.outcome, units)}</p>
                  ) : (
                    <OutcomeFields
                      key={`${now.round} ${now.run}`}
                      round={rounds[now.round]!}
                      of={of?.car ?? ''}
                      onWrite={(outcome) => write({ entry, round: now.round, run: now.run, lane }, outcome, by)}
                    />
                  )}
                </div>
              );
            })}
          </div>
          <div className={styles.row}>
            <span className={plain.text}>{meet.nextAt ? 'The board counts down to this heat.' : 'On the board:'}</span>
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
          <p className={plain.text}>{next ? `Next: ${words(next)}` : 'This is the last heat.'}</p>
          {after && <p className={`${plain.text} ${plain.muted}`}>On deck: {words(after)}</p>}
        </section>
      ) : (
        heats.length > 0 && <p className={plain.strong}>✓ All runs are written down.</p>
      )}
      {runOffs.map(({ round, index, entries, run }) => (
        <section key={`${index} ${entries.join()}`} aria-label={`Run-off of ${round.name}`} className={styles.part}>
          <h2 className={plain.heading}>Run-off: {round.name}</h2>
          <div className={styles.cards}>
            {entries.map((entry) => {
              const done = standingOf(entry, index, run);
              const car = entryOf(entry)?.car ?? '';
              return (
                <div key={entry} className={styles.card}>
                  <p className={plain.strong}>{car}</p>
                  {done ? (
                    <p className={plain.text}>✓ {outcomeWords(round.goal, done.result.outcome, units)}</p>
                  ) : (
                    <OutcomeFields
                      round={round}
                      of={`${car}, run-off`}
                      onWrite={(outcome) => write({ entry, round: index, run, lane: 0 }, outcome, by)}
                    />
                  )}
                </div>
              );
            })}
          </div>
        </section>
      ))}
      <section aria-labelledby="order-title" className={styles.part}>
        <h2 id="order-title" className={plain.heading}>
          Order of running
        </h2>
        <ol className={plain.text}>
          {left.slice(0, 30).map((heat) => (
            <li key={`${heat.round} ${heat.run} ${heat.heat}`}>
              {rounds[heat.round]!.name}, run {heat.run + 1}: {words(heat)}
            </li>
          ))}
        </ol>
        {left.length > 30 && <p className={`${plain.caption} ${plain.muted}`}>and {left.length - 30} more heats</p>}
      </section>
    </div>
  );
}
