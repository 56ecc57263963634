import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { byNeed, needOf, stageOf, STAGES, type Need } from '../../../core/class/crew-progress.ts';
import { formatChance } from '../../../core/brief/judge.ts';
import type { CrewStanding } from '../../../core/schema/crew-standing.ts';
import type { StoredClass } from '../../../core/schema/stored.ts';
import { formatQuantity } from '../../../core/units/quantity.ts';
import { useListCrewsQuery } from '../../app/api/classes-api.ts';
import { ReadFailure } from '../../app/read-failure.tsx';
import plain from '../../ui/plain.module.css';
import { StateNote } from '../../ui/state-note.tsx';
import { useUnits } from '../../ui/use-units.ts';
import { Wide } from '../../ui/wide.tsx';
import styles from './class.module.css';
import { reportOf, useReportsOfAbsent } from './use-reports.ts';

const MINUTE = 60_000;
const [FIRST_STAGE] = STAGES;
const NO_CREWS: readonly CrewStanding[] = [];

/** The clock, looked at each half minute: how long ago things were. */
function useNow(): Date {
  const [now, setNow] = useState(() => new Date());
  useEffect(() => {
    const timer = setInterval(() => setNow(new Date()), MINUTE / 2);
    return () => clearInterval(timer);
  }, []);
  return now;
}

const agoWords = (at: string | null, now: Date): string => {
  if (at === null) return 'never';
  const minutes = Math.max(0, Math.round((now.getTime() - Date.parse(at)) / MINUTE));
  if (minutes < 1) return 'now';
  if (minutes < 60) return `${minutes} min ago`;
  const hours = Math.round(minutes / 60);
  return hours < 48 ? `${hours} h ago` : `${Math.round(hours / 24)} days ago`;
};
const seenWords = ({ devices, seenAt }: CrewStanding, now: Date): string =>
  devices > 0 ? `${devices} ${devices === 1 ? 'device' : 'devices'} here` : agoWords(seenAt, now);

const needWords = (need: Need): string =>
  need.kind === 'stuck'
    ? `nothing saved for ${need.minutes} min`
    : need.deviations < 0
      ? 'ran much shorter than expected'
      : 'ran much further than expected';

/** Every crew of a class: how far it has come, what is expected of its car, and who needs help; a press opens its work. */
export function CrewsView({ stored }: { readonly stored: StoredClass }) {
  const units = useUnits();
  const now = useNow();
  const { data, error, refetch } = useListCrewsQuery(stored.id);
  const crews = data?.crews ?? NO_CREWS;
  useReportsOfAbsent(stored, crews);
  if (error && !data) return <ReadFailure title="The crews cannot be read" error={error} onAgain={() => void refetch()} />;
  if (!data) return <p role="status" aria-busy aria-label="Reading the crews" />;
  if (crews.length === 0) return <StateNote kind="empty">This class has no crew yet. Add crews in Settings.</StateNote>;
  const nameOf = (id: string): string => stored.class.crews.find((crew) => crew.id === id)?.name ?? '';
  const needs = byNeed(crews, now).flatMap((crew) => {
    const need = needOf(crew, now);
    return need ? [{ crew: nameOf(crew.crewId), need }] : [];
  });
  return (
    <>
      <p className={plain.text} role="status">
        {needs.length === 0 ? (
          'No crew needs help now, as far as the program can tell.'
        ) : (
          <>
            <strong>Needs help:</strong>{' '}
            {needs.map(({ crew, need }, i) => (
              <span key={crew}>
                {i > 0 && '; '}
                {crew} ({needWords(need)})
              </span>
            ))}
          </>
        )}
      </p>
      <Wide label="Crews of the class">
        <table className={styles.table}>
          <thead>
            <tr>
              <th scope="col">crew</th>
              <th scope="col">stage</th>
              <th scope="col">car</th>
              <th scope="col">chance</th>
              <th scope="col">rules broken</th>
              <th scope="col" className={styles.figure}>
                runs
              </th>
              <th scope="col" className={styles.figure}>
                furthest
              </th>
              <th scope="col">last seen</th>
              <th scope="col">
                <span className={plain.muted}>open</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {crews.map((crew) => {
              const { crewId, car, runs, best } = crew;
              const report = reportOf(crew);
              const stage = stageOf(crew, report);
              const need = needOf(crew, now);
              const steps = STAGES.filter((one) => one !== FIRST_STAGE);
              return (
                <tr key={crewId}>
                  <th scope="row">{nameOf(crewId)}</th>
                  <td>
                    <span className={styles.steps} aria-hidden>
                      {steps.map((step, i) => (
                        <i key={step} data-done={i < STAGES.indexOf(stage) || undefined} />
                      ))}
                    </span>
                    {stage}
                  </td>
                  <td>{car?.name ?? '–'}</td>
                  <td>
                    {report && report.chance !== null ? (
                      <>
                        {formatChance(report.chance, units)}
                        <div className={`${plain.caption} ${plain.muted}`}>{report.round}</div>
                      </>
                    ) : (
                      '–'
                    )}
                  </td>
                  <td>{report && report.broken.length > 0 ? report.broken.join(', ') : report ? 'none' : '–'}</td>
                  <td className={styles.figure}>{runs}</td>
                  <td className={styles.figure}>{best === null ? '–' : formatQuantity(best, 'distance', units)}</td>
                  <td>
                    {seenWords(crew, now)}
                    {need && <div className={styles.need}>{needWords(need)}</div>}
                  </td>
                  <td>
                    <Button
                      size="small"
                      component="a"
                      href={`/crews/${crewId}${car ? `/cars/${car.id}/design` : ''}`}
                      target="_blank"
                      rel="noreferrer"
                      aria-label={`Open ${nameOf(crewId)}`}
                    >
                      Open
                    </Button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </Wide>
      <p className={`${plain.caption} ${plain.muted}`}>
        Chance: how likely a car built like this does what the brief asks, in the round where that is least likely. Crews’ devices work it
        out while their car is open.
      </p>
    </>
  );
}
