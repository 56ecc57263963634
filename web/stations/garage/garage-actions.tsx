import Button from '@mui/material/Button';
import { Link, useNavigate } from 'react-router';
import { MenuButton } from '../../ui/menu-button.tsx';
import { useFileDialog } from '../../ui/use-file-dialog.tsx';
import { SPACE } from '../../ui/space.ts';
import { useMayReach } from '../../app/use-role.ts';
import { useIsPhone } from '../../ui/use-is-phone.ts';

const ARCHIVE = `${SPACE.api}/archive`;

interface GarageActionsProps {
  readonly onFile: (file: File) => void;
  readonly onRemoved: () => void;
}

/** What is done with the Garage as a whole, beside a new car: a button each, on a phone in a menu. */
export function GarageActions({ onFile, onRemoved }: GarageActionsProps) {
  const isPhone = useIsPhone();
  const navigate = useNavigate();
  const mayArchive = useMayReach('archive');
  const { choose, field } = useFileDialog({
    label: 'Car or brief file, or archive',
    accept: '.json,application/json,.zip,application/zip',
    onFile,
  });
  if (isPhone)
    return (
      <>
        <MenuButton
          actions={[
            ['Open a file', choose],
            ['Race', () => void navigate('/race')],
            ['Briefs', () => void navigate('/briefs')],
            ['Removed', onRemoved],
            ...(mayArchive
              ? ([
                  ['Classes', () => void navigate('/classes')],
                  ['Save everything', () => window.location.assign(ARCHIVE)],
                ] as const)
              : []),
          ]}
          button={(show) => (
            <Button aria-haspopup="menu" onClick={show}>
              Actions
            </Button>
          )}
        />
        {field}
      </>
    );
  return (
    <>
      <Button component={Link} to="/race">
        Race
      </Button>
      <Button component={Link} to="/briefs">
        Briefs
      </Button>
      <Button aria-haspopup="dialog" onClick={onRemoved}>
        Removed
      </Button>
      {mayArchive && (
        <>
          <Button component={Link} to="/classes">
            Classes
          </Button>
          <Button component="a" href={ARCHIVE} download>
            Save everything
          </Button>
        </>
      )}
      <Button variant="outlined" onClick={choose}>
        Open a file
      </Button>
      {field}
    </>
  );
}
