import Button from '@mui/material/Button';
import { Link, useParams } from 'react-router';
import { NotFoundScreen } from '../../app/error-screen.tsx';
import { ReadFailure } from '../../app/read-failure.tsx';
import { MenuButton } from '../../ui/menu-button.tsx';
import plain from '../../ui/plain.module.css';
import { StationSkeleton } from '../../ui/station-skeleton.tsx';
import { Views } from '../../ui/views.tsx';
import { ClearDialog } from './clear-dialog.tsx';
import styles from './class.module.css';
import { CrewsView } from './crews-view.tsx';
import { LetCrewsJoin } from './let-crews-join.tsx';
import { SendView } from './send-view.tsx';
import { SettingsView } from './settings-view.tsx';
import { useClass } from './use-class.ts';
import { useClassActions } from './use-class-actions.ts';

const VIEWS = [
  ['crews', 'Crews'],
  ['send', 'Send and open'],
  ['settings', 'Settings'],
] as const;

/** A class for its leader: its crews as they go on, what is sent and opened to them, and what it was set up with. */
export function ClassPage() {
  const classId = useParams().classId!;
  const { stored, error, change } = useClass(classId);
  const actions = useClassActions(stored, change);
  if ((error as { status?: unknown } | undefined)?.status === 404) return <NotFoundScreen />;
  if (error && !stored) return <ReadFailure title="The class cannot be read" error={error} />;
  if (!stored) return <StationSkeleton layout="rows" label="Reading the class" />;
  const { name, handedInAt, meet } = stored.class;
  return (
    <div className={plain.page}>
      <header className={styles.head}>
        <h1>{name}</h1>
        <LetCrewsJoin />
        <Button component={Link} to={`/classes/${classId}/cards`}>
          Print cards
        </Button>
        <Button variant="outlined" disabled={actions.isBusy} onClick={() => void actions.handIn(handedInAt === undefined)}>
          {handedInAt ? 'Reopen the cars' : 'Hand in all cars'}
        </Button>
        {meet ? (
          <Button variant="contained" component={Link} to={`/meets/${meet}`}>
            Open the meet
          </Button>
        ) : (
          <Button variant="contained" disabled={actions.isBusy} onClick={() => void actions.makeMeet()}>
            Create meet
          </Button>
        )}
        <MenuButton
          actions={[
            ...(meet ? ([['Create another meet', () => void actions.makeMeet()]] as const) : []),
            ['Export CSV of the class’s runs', () => void actions.exportRuns()],
            ['Save archive', () => window.location.assign(`/api/classes/${classId}/archive`)],
            ['Archive and clear', actions.askToClear],
          ]}
          button={(open) => (
            <Button aria-haspopup="menu" onClick={open}>
              More
            </Button>
          )}
        />
      </header>
      <Views label="Views of the class" views={VIEWS}>
        {(view) => (
          <div className={styles.view}>
            {view === 'crews' && <CrewsView stored={stored} />}
            {view === 'send' && <SendView stored={stored} change={change} />}
            {view === 'settings' && <SettingsView stored={stored} change={change} />}
          </div>
        )}
      </Views>
      {actions.isClearing && <ClearDialog stored={stored} onClose={actions.keep} />}
    </div>
  );
}
