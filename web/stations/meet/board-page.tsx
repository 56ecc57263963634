import { useEffect, useState } from 'react';
import { useParams } from 'react-router';
import { heatsLeft, orderOf } from '../../../core/meet/order.ts';
import { medalsOf, standingsOf } from '../../../core/meet/scoring.ts';
import { MEDALS, medalWords, outcomeWords } from '../../../core/meet/words.ts';
import { printAbout } from '../../../core/units/quantity.ts';
import { NotFoundScreen } from '../../app/error-screen.tsx';
import { useUnits } from '../../ui/use-units.ts';
import styles from './meet.module.css';
import { useMeet } from './use-meet.ts';

/** Places that a hall can read at once. */
const SHOWN = 8;

const SECOND = 1000;

/** Minutes and seconds to the next heat; nothing once it is due. */
function Countdown({ to }: { readonly to: string }) {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), SECOND);
    return () => clearInterval(timer);
  }, []);
  const left = Math.ceil((Date.parse(to) - now) / SECOND);
  if (left <= 0) return null;
  return (
    // Read out by nobody: it changes each second.
    <p role="timer" aria-live="off">
      next heat in {Math.floor(left / 60)}:{String(left % 60).padStart(2, '0')}
    </p>
  );
}

/** The board for a projector: standings, the last run, who is next, the records of the evening; it follows by itself. */
export function BoardPage() {
  const units = useUnits();
  const { meet, missing, results } = useMeet(useParams().meetId!);
  if (missing) return <NotFoundScreen />;
  if (!meet) return <div role="status" aria-busy aria-label="Reading the meet" />;
  const { rounds } = meet.brief;
  const entryOf = (id: string) => meet.entries.find((entry) => entry.id === id);
  const standings = standingsOf(meet, results);
  const last = results.toSorted((a, b) => b.result.at.localeCompare(a.result.at))[0];
  const [now, next] = heatsLeft(
    orderOf(meet),
    results.map(({ result }) => result),
  );
  const cars = (heat: typeof now): string =>
    heat?.cars.map(({ entry, lane }) => `${entryOf(entry)?.car ?? '?'}${meet.lanes > 1 ? ` (${lane + 1})` : ''}`).join(', ') ?? '';
  const ran = last && entryOf(last.result.entry);
  return (
    <div className={styles.board}>
      <h1>{meet.name}</h1>
      <div className={styles.columns}>
        <section aria-labelledby="board-standings">
          <h2 id="board-standings">Standings</h2>
          <table className={styles.places}>
            <thead>
              <tr>
                <th scope="col">place</th>
                <th scope="col">car</th>
                <th scope="col">points</th>
              </tr>
            </thead>
            <tbody>
              {standings.slice(0, SHOWN).map(({ place, entry, total }) => (
                <tr key={entry.id}>
                  <td>{place}</td>
                  <th scope="row">{entry.car}</th>
                  <td>{Number(total.toFixed(1))}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {standings.length > SHOWN && <p>and {standings.length - SHOWN} more</p>}
        </section>
        <div className={styles.part} role="status">
          <h2>Last run</h2>
          <p>
            {ran ? (
              <>
                <strong>{ran.car}</strong>: {outcomeWords(rounds[last.result.round]!.goal, last.result.outcome, units)}
                {ran.showsPrediction && ran.predicted !== undefined && ` (expected ${printAbout(ran.predicted, 'distance', units)})`}
              </>
            ) : (
              'none yet'
            )}
          </p>
          {meet.nextAt && <Countdown to={meet.nextAt} />}
          <h2>Now</h2>
          <p>{now ? `${rounds[now.round]!.name}, run ${now.run + 1}: ${cars(now)}` : 'all runs are made'}</p>
          {next && (
            <>
              <h2>Next</h2>
              <p>{cars(next)}</p>
            </>
          )}
          {results.length > 0 && <h2>Records of the evening</h2>}
          {medalsOf(meet, results)
            .slice(0, 3)
            .map((medal) => (
              <p key={medal.what}>
                {MEDALS[medal.what]}: {entryOf(medal.entry)?.car}, {medalWords(medal, units)}
              </p>
            ))}
        </div>
      </div>
    </div>
  );
}
