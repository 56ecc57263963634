import Button from '@mui/material/Button';
import { Link, useNavigate } from 'react-router';
import { MenuButton } from '../../ui/menu-button.tsx';
import { useFileDialog } from '../../ui/use-file-dialog.tsx';
import { useIsPhone } from '../../ui/use-is-phone.ts';

const ARCHIVE = '/api/archive';

interface GarageActionsProps {
  readonly onFile: (file: File) => void;
  readonly onRemoved: () => void;
}

/** What is done with the Garage as a whole, beside a new car: a button each, on a phone in a menu. */
export function GarageActions({ onFile, onRemoved }: GarageActionsProps) {
  const isPhone = useIsPhone();
  const navigate = useNavigate();
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
            ['Save everything', () => window.location.assign(ARCHIVE)],
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
      <Button component="a" href={ARCHIVE} download>
        Save everything
      </Button>
      <Button variant="outlined" onClick={choose}>
        Open a file
      </Button>
      {field}
    </>
  );
}
