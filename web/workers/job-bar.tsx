import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import type { useJob } from './use-job.ts';

interface JobBarProps {
  readonly job: Pick<ReturnType<typeof useJob>, 'progress' | 'isBroken' | 'stop' | 'again'>;
  readonly label: string;
}

/** How far long work is, and its stop; or that it broke down, and its second try. Holds its place when nothing runs. */
export const JobBar = ({ job: { progress, isBroken, stop, again }, label }: JobBarProps) =>
  isBroken ? (
    <Box role="alert" sx={{ display: 'flex', alignItems: 'center', gap: 2, height: 32 }}>
      <Typography variant="body2">✕ This stopped before it was finished.</Typography>
      <Button size="small" variant="outlined" onClick={again}>
        Try again
      </Button>
    </Box>
  ) : (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, height: 32, visibility: progress === null ? 'hidden' : 'visible' }}>
      <LinearProgress variant="determinate" value={100 * (progress ?? 0)} aria-label={label} sx={{ flexGrow: 1 }} />
      <Button size="small" onClick={stop}>
        Stop
      </Button>
    </Box>
  );
