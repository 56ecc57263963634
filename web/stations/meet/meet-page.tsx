import { Suspense } from 'react';
import Button from '@mui/material/Button';
import { Link, Navigate, useNavigate, useParams } from 'react-router';
import { HALL_ROLES, type HallRole } from '../../../core/schema/sharing.ts';
import { standingsTable } from '../../../core/meet/standings-table.ts';
import { NotFoundScreen } from '../../app/error-screen.tsx';
import { UnitSwitch } from '../../app/unit-switch.tsx';
import { downloadCsv, downloadJson, fileName } from '../../ui/file-exchange.ts';
import plain from '../../ui/plain.module.css';
import { LetPhoneJoin } from '../../devices/let-phone-join.tsx';
import { useCrewClass, useIsOwner, useRole } from '../../app/use-role.ts';
import { MenuButton } from '../../ui/menu-button.tsx';
import { lazyWithPreload } from '../../ui/lazy-with-preload.ts';
import { Views } from '../../ui/views.tsx';
import { ConnectionNote } from './connection-note.tsx';
import { CrewView } from './crew-view.tsx';
import { EntriesView } from './entries-view.tsx';
import styles from './meet.module.css';
import { ResultsView } from './results-view.tsx';
import { RulesView } from './rules-view.tsx';
import { RunView } from './run-view.tsx';
import { StandingsView } from './standings-view.tsx';
import { useMeet, type OpenMeet } from './use-meet.ts';
import { StationSkeleton } from '../../ui/station-skeleton.tsx';

/** Fetched where it is opened: it draws a chart. */
const ChancesView = lazyWithPreload(() => import('./chances-view.tsx').then(({ ChancesView: component }) => ({ default: component })));

const VIEWS = {
  crew: 'Your car',
  entries: 'Entries',
  run: 'Run',
  standings: 'Standings',
  chances: 'Chances',
  results: 'Results',
  rules: 'Rules and scoring',
} as const;
type View = keyof typeof VIEWS;
/** What is seen of a meet by what one joined as; a board is a page of its own. */
const SEEN: Readonly<Record<Exclude<HallRole, 'board'> | 'owner', readonly View[]>> = {
  owner: ['entries', 'run', 'standings', 'chances', 'results', 'rules', 'crew'],
  official: ['run', 'entries', 'standings', 'chances', 'results', 'rules'],
  crew: ['crew', 'standings', 'chances'],
};

/** One meet: who is entered, who runs now, how it stands. */
export function MeetPage() {
  const meetId = useParams().meetId!;
  const open = useMeet(meetId);
  const role = useRole();
  const isOwner = useIsOwner();
  const classMeet = useCrewClass()?.meet;
  if (open.missing) return <NotFoundScreen />;
  if (role === 'board' || meetId === classMeet) return <Navigate to="board" replace />;
  if (!open.meet || !role) return <StationSkeleton layout="rows" label="Reading the meet" />;
  return <Opened meetId={meetId} open={open} role={isOwner ? 'owner' : (role as 'crew' | 'official')} />;
}

interface OpenedProps {
  readonly meetId: string;
  readonly open: OpenMeet;
  readonly role: keyof typeof SEEN;
}
function Opened({ meetId, open, role }: OpenedProps) {
  const meet = open.meet!;
  const navigate = useNavigate();
  return (
    <div className={plain.page}>
      <header className={styles.head}>
        <h1 className={styles.title}>{meet.name}</h1>
        <span className={`${plain.text} ${plain.muted} ${styles.date}`}>{meet.date}</span>
        <UnitSwitch />
        <Button component={Link} to={`/meets/${meetId}/board`} variant="outlined">
          The board
        </Button>
        {role === 'owner' && <LetPhoneJoin roles={HALL_ROLES} path={`/meets/${meetId}`} />}
        <MenuButton
          actions={[
            ['Print', () => void navigate(`/meets/${meetId}/print`)],
            ['Export CSV', () => void downloadCsv(`${fileName(meet.name)}.csv`, standingsTable(meet, open.results))],
            [
              'Save as a file',
              () => downloadJson(`${fileName(meet.name)}.json`, { ...meet, results: open.all.map(({ id, result }) => ({ id, result })) }),
            ],
          ]}
          button={(show) => (
            <Button aria-haspopup="menu" onClick={show}>
              More
            </Button>
          )}
        />
      </header>
      <ConnectionNote lostSince={open.lostSince} />
      <Views label="Views of the meet" views={SEEN[role].map((view) => [view, VIEWS[view]] as const)}>
        {(view) => (
          <>
            {view === 'crew' && <CrewView meetId={meetId} open={open} />}
            {view === 'entries' && <EntriesView open={open} isHost={role === 'owner'} />}
            {view === 'run' && <RunView meetId={meetId} open={open} />}
            {view === 'standings' && <StandingsView open={open} />}
            {view === 'chances' && (
              <Suspense fallback={null}>
                <ChancesView open={open} />
              </Suspense>
            )}
            {view === 'results' && <ResultsView meetId={meetId} open={open} />}
            {view === 'rules' && <RulesView open={open} isHost={role === 'owner'} />}
          </>
        )}
      </Views>
    </div>
  );
}
