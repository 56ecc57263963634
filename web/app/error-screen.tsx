import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link, useRouteError } from 'react-router';
import { StatePicture, type StateKind } from '../ui/state-picture.tsx';

interface MessageProps {
  readonly kind: StateKind;
  readonly title: string;
  readonly text: string;
  readonly action?: React.ReactNode;
}

/** One calm message in the middle of a station. */
export function Message({ kind, title, text, action }: MessageProps) {
  return (
    <Box sx={{ p: 8, display: 'grid', gap: 3, justifyItems: 'start', maxWidth: 560 }}>
      <StatePicture kind={kind} />
      <Typography variant="h1">{title}</Typography>
      <Typography color="text.secondary">{text}</Typography>
      {action}
    </Box>
  );
}

const toGarage = (
  <Button component={Link} to="/" variant="contained">
    To the Garage
  </Button>
);

export const NotFoundScreen = () => (
  <Message
    kind="missing"
    title="There is nothing at this address"
    text="The address does not belong to a car or station. It may have been removed."
    action={toGarage}
  />
);

export function ErrorScreen() {
  const error = useRouteError();
  return (
    <Box component="main">
      <Message
        kind="refused"
        title="This screen stopped working"
        text={`Your cars and runs are safe. ${error instanceof Error ? `(${error.message})` : ''}`}
        action={
          <Box sx={{ display: 'flex', gap: 2 }}>
            <Button variant="contained" onClick={() => window.location.reload()}>
              Reload
            </Button>
            <Button component={Link} to="/" reloadDocument>
              To the Garage
            </Button>
          </Box>
        }
      />
    </Box>
  );
}
