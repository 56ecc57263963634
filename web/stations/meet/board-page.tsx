import { Suspense, useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import { MOST_RACERS } from '../../../core/explore/most-racers.ts';
import { heatsLeft, orderOf } from '../../../core/meet/order.ts';
import { medalsOf, standingsOf } from '../../../core/meet/scoring.ts';
import { besidePrediction, MEDALS, describeMedal, describeResult } from '../../../core/meet/describe-results.ts';
import { formatAbout, formatQuantity, type UnitSystem } from '../../../core/units/quantity.ts';
import { NotFoundScreen } from '../../app/error-screen.tsx';
import { useCrewClass, useIsOwner, useRole } from '../../app/use-role.ts';
import { Race, type Runner } from '../../ui/race.tsx';
import { lazyWithPreload } from '../../ui/lazy-with-preload.ts';
import { useUnits } from '../../ui/use-units.ts';
import { raceAddress } from '../../app/race-address.ts';
import { ConnectionNote } from './connection-note.tsx';
import styles from './meet.module.css';
import { useMeet } from './use-meet.ts';

/** Fetched only where the crews agreed: it draws a chart. */
const BoardChances = lazyWithPreload(() => import('./board-chances.tsx').then(({ BoardChances: component }) => ({ default: component })));

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

/** Fast at first, then slower and slower: how a car comes to rest, at a fraction of its time. */
const coastingDown = (part: number): number => 1 - (1 - part) ** 2;

/** A run and what its crew had expected, as they run beside each other. */
const runnersOf = ({ distance, predicted }: NonNullable<ReturnType<typeof besidePrediction>>, units: UnitSystem): readonly Runner[] => [
  {
    name: 'predicted',
    distanceAt: (part) => predicted * coastingDown(part),
    words: formatAbout(predicted, 'distance', units),
    isExpected: true,
  },
  { name: 'distance', distanceAt: (part) => distance * coastingDown(part), words: formatQuantity(distance, 'distance', units) },
];

/** The board for a projector: standings, the last run, who is next, the records of the evening; it follows by itself. */
export function BoardPage() {
  const units = useUnits();
  const meetId = useParams().meetId!;
  const { meet, missing, lostSince, results } = useMeet(meetId);
  const isOwner = useIsOwner();
  const isBoard = useRole() === 'board';
  // The meet of a class is seen by its crews as on a board.
  const isOfClass = useCrewClass()?.meet === meetId;
  if (missing) return <NotFoundScreen />;
  if (!meet) return <div role="status" aria-busy aria-label="Reading the meet" />;
  const { rounds } = meet.brief;
  const entryOf = (id: string) => meet.entries.find((entry) => entry.id === id);
  const standings = standingsOf(meet, results);
  const last = results.toSorted((a, b) => b.number - a.number)[0];
  const [now, next] = heatsLeft(
    orderOf(meet),
    results.map(({ result }) => result),
  );
  const cars = (heat: typeof now): string =>
    heat?.cars.map(({ entry, lane }) => `${entryOf(entry)?.car ?? '?'}${meet.lanes > 1 ? ` (${lane + 1})` : ''}`).join(', ') ?? '';
  /** The runs of the last heat that were timed; where cars run one by one, of the same run of the round. */
  const timedHeat = results
    .filter(({ result }) => result.round === last?.result.round && result.run === last.result.run && result.outcome.kind === 'ran')
    .filter(({ result: { outcome } }) => outcome.kind === 'ran' && (outcome.time !== undefined || (outcome.splits?.length ?? 0) > 0))
    .slice(-MOST_RACERS)
    .map(({ id }) => ({ kind: 'result', meetId, id }) as const);
  const ran = last && entryOf(last.result.entry);
  const compared = ran ? besidePrediction(ran, last.result.outcome) : null;
  return (
    <div className={styles.board} data-whole-screen>
      <h1>{meet.name}</h1>
      <ConnectionNote lostSince={lostSince} />
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
                <strong>{ran.car}</strong>: {describeResult(meet, last.result, units)}
              </>
            ) : (
              'none yet'
            )}
          </p>
          {compared && <Race key={last!.id} runners={runnersOf(compared, units)} />}
          {meet.nextAt && <Countdown to={meet.nextAt} />}
          <h2>Now</h2>
          <p>{now ? `${rounds[now.round]!.name}, run ${now.run + 1}: ${cars(now)}` : 'all runs are made'}</p>
          {next && (
            <>
              <h2>Next</h2>
              <p>{cars(next)}</p>
            </>
          )}
        </div>
        {meet.showsChances && isOwner && !isOfClass && meet.entries.length > 1 && (
          <Suspense fallback={null}>
            <BoardChances meet={meet} results={results} />
          </Suspense>
        )}
        {results.length > 0 && (
          <section aria-labelledby="board-records" className={styles.records}>
            <h2 id="board-records">Records of the evening</h2>
            <div className={styles.record}>
              {medalsOf(meet, results)
                .slice(0, 3)
                .map((medal) => (
                  <p key={medal.what}>
                    {MEDALS[medal.what]}: <strong>{entryOf(medal.entry)?.car}</strong>, {describeMedal(medal, units)}
                  </p>
                ))}
            </div>
          </section>
        )}
      </div>
      {isOwner && !isOfClass && timedHeat.length > 1 && (
        <Link to={raceAddress(timedHeat)} className={styles.back}>
          Race the last heat as it was timed
        </Link>
      )}
      {!isBoard && (
        <Link to={isOfClass ? '/class' : `/meets/${meetId}`} className={styles.back}>
          {isOfClass ? 'Back to the class' : 'Back to the meet'}
        </Link>
      )}
    </div>
  );
}
