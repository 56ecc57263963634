import Button from '@mui/material/Button';
import { isGone, problemLine } from './api/problem.ts';
import { Message } from './error-screen.tsx';

interface ReadFailureProps {
  /** What cannot be read. */
  readonly title: string;
  readonly error: unknown;
  readonly onAgain?: () => void;
}

/** In the place of a station whose car, runs or brief cannot be read: why, and a way to try again. */
export const ReadFailure = ({ title, error, onAgain = () => window.location.reload() }: ReadFailureProps) => (
  <Message
    kind={isGone(error) ? 'unreachable' : 'refused'}
    title={title}
    text={problemLine(error)}
    action={
      <Button variant="outlined" onClick={onAgain}>
        Try again
      </Button>
    }
  />
);
