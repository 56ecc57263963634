import Button from '@mui/material/Button';
import { Link, useParams } from 'react-router';
import { medalsOf, standingsOf } from '../../../core/meet/scoring.ts';
import { MEDALS, describeMedal } from '../../../core/meet/describe-results.ts';
import { NotFoundScreen } from '../../app/error-screen.tsx';
import plain from '../../ui/plain.module.css';
import sheet from '../../ui/sheet.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './meet.module.css';
import { StandingsView } from './standings-view.tsx';
import { useMeet } from './use-meet.ts';

const PLACES = ['First place', 'Second place', 'Third place'] as const;

/** The result sheet, and a certificate for each of the first three and for each medal: one a page. */
export function MeetPrintPage() {
  const units = useUnits();
  const meetId = useParams().meetId!;
  const { meet, missing, results } = useMeet(meetId);
  if (missing) return <NotFoundScreen />;
  if (!meet) return <div role="status" aria-busy aria-label="Reading the meet" />;
  const entryOf = (id: string) => meet.entries.find((entry) => entry.id === id);
  const certificates = [
    ...standingsOf(meet, results)
      .filter(({ place, total }) => place <= PLACES.length && total > 0)
      .map(({ place, entry }) => ({ key: `place ${entry.id}`, title: PLACES[place - 1]!, entry, words: '' })),
    ...medalsOf(meet, results).flatMap((medal) => {
      const entry = entryOf(medal.entry);
      return entry ? [{ key: medal.what, title: `The ${MEDALS[medal.what]}`, entry, words: describeMedal(medal, units) }] : [];
    }),
  ];
  return (
    <article aria-label={`Results of ${meet.name}, to print`} className={plain.page}>
      <div className={sheet.tools}>
        <Button component={Link} to={`/meets/${meetId}?view=standings`}>
          To the meet
        </Button>
        <Button variant="contained" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <h1 className={plain.heading}>
        {meet.name}, {meet.date}
      </h1>
      <StandingsView open={{ meet, results }} />
      {certificates.map(({ key, title, entry, words }) => (
        <section key={key} aria-label={`${title}: ${entry.car}`} className={styles.certificate}>
          <p className={plain.text}>{meet.name}</p>
          <h2 className={plain.heading}>{title}</h2>
          <p className={plain.strong}>
            {entry.car} of {entry.crew}
          </p>
          {words && <p className={plain.text}>{words}</p>}
          <p className={plain.text}>{meet.date} · ________________________</p>
        </section>
      ))}
    </article>
  );
}
