import { Link } from 'react-router';
import { formatPlace } from '../../../core/meet/describe-results.ts';
import { standingsOf } from '../../../core/meet/scoring.ts';
import plain from '../../ui/plain.module.css';
import { StateNote } from '../../ui/state-note.tsx';
import type { OpenMeet } from './use-meet.ts';

/** Places that are named when all is run. */
const NAMED = 3;

/** All heats are run: who won, and what is left to do. */
export function FinishedMeet({ meetId, open }: { readonly meetId: string; readonly open: Pick<OpenMeet, 'meet' | 'results'> }) {
  const standings = standingsOf(open.meet!, open.results);
  return (
    <StateNote kind="finished">
      <p className={plain.strong}>✓ All results are saved.</p>
      <p>
        {standings
          .slice(0, NAMED)
          .map(({ place, entry, total }) => `${formatPlace(place)} ${entry.car}, ${Number(total.toFixed(2))} points`)
          .join(' · ')}
      </p>
      <p>
        <Link to={`/meets/${meetId}?view=standings`}>Standings and medals</Link> ·{' '}
        <Link to={`/meets/${meetId}/print`}>Print the results</Link>
      </p>
    </StateNote>
  );
}
