import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';

/** How far long work is, and its stop; holds its place when nothing runs. */
export const JobBar = ({
  progress,
  label,
  onStop,
}: {
  readonly progress: number | null;
  readonly label: string;
  readonly onStop: () => void;
}) => (
  <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, height: 32, visibility: progress === null ? 'hidden' : 'visible' }}>
    <LinearProgress variant="determinate" value={100 * (progress ?? 0)} aria-label={label} sx={{ flexGrow: 1 }} />
    <Button size="small" onClick={onStop}>
      Stop
    </Button>
  </Box>
);
