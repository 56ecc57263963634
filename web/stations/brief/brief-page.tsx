import Button from '@mui/material/Button';
import { useNavigate, useParams } from 'react-router';
import { Link } from 'react-router';
import type { Brief } from '../../../core/brief/brief.ts';
import { NotFoundScreen } from '../../app/error-screen.tsx';
import { ReadFailure } from '../../app/read-failure.tsx';
import { UnitSwitch } from '../../app/unit-switch.tsx';
import { useSaveBrief } from '../../app/use-briefs.ts';
import { BRIEF } from '../../open-brief/brief-document.ts';
import { useEditBrief, useOpenBrief } from '../../open-brief/use-open-brief.ts';
import { SaveWords, UndoButtons } from '../../open-document/save-state.tsx';
import { downloadJson, fileName } from '../../ui/file-exchange.ts';
import { MenuButton } from '../../ui/menu-button.tsx';
import plain from '../../ui/plain.module.css';
import { BriefConflict } from './brief-conflict.tsx';
import styles from './brief.module.css';
import { BriefSheet } from './brief-sheet.tsx';
import { BriefCompliance } from './brief-compliance.tsx';
import { StationSkeleton } from '../../ui/station-skeleton.tsx';

/** A brief by its own address. */
export function BriefPage() {
  const briefId = useParams().briefId!;
  return <BriefStation key={briefId} briefId={briefId} carId={null} />;
}

interface BriefStationProps {
  readonly briefId: string;
  /** The car it was opened for; null for none. */
  readonly carId: string | null;
  /** What can be done with the car besides. */
  readonly more?: readonly (readonly [string, () => void])[];
}

/** A brief: its sheet, and the cars that work to it. */
export function BriefStation({ briefId, carId, more = [] }: BriefStationProps) {
  const { brief, missing, error } = useOpenBrief(briefId);
  const edit = useEditBrief();
  if (missing) return <NotFoundScreen />;
  if (error) return <ReadFailure title="This brief cannot be read" error={error} />;
  if (!brief) return <StationSkeleton layout="entry" label="Opening the brief" />;
  return (
    <div className={styles.station}>
      <Header briefId={briefId} brief={brief} carId={carId} more={more} />
      <div className={styles.workspace}>
        <BriefSheet briefId={briefId} brief={brief} edit={edit} />
        <BriefCompliance briefId={briefId} brief={brief} carId={carId} />
      </div>
      <BriefConflict />
    </div>
  );
}

function Header({ briefId, brief, carId, more }: BriefStationProps & { readonly brief: Brief }) {
  const { add, remove } = useSaveBrief();
  const navigate = useNavigate();
  return (
    <header className={`${plain.header} ${styles.top}`}>
      <Button size="small" component={Link} to="/briefs">
        All briefs
      </Button>
      <SaveWords kind={BRIEF} />
      <UndoButtons kind={BRIEF} />
      <UnitSwitch />
      <Button size="small" variant="outlined" onClick={() => window.print()}>
        Print
      </Button>
      <MenuButton
        actions={[
          ...(more ?? []),
          ['Save as a file', () => downloadJson(`${fileName(brief.name)}.brief.json`, brief)],
          ['Make a copy', () => void add({ ...brief, name: `${brief.name.slice(0, 70)} (copy)` })],
          ['Remove', () => void remove(briefId, brief.name).then(() => navigate('/briefs'))],
        ]}
        button={(open) => (
          <Button size="small" aria-haspopup="menu" onClick={open}>
            More
          </Button>
        )}
      />
      {carId && (
        <Button variant="contained" component={Link} to={`/cars/${carId}/design`}>
          To the design
        </Button>
      )}
    </header>
  );
}
