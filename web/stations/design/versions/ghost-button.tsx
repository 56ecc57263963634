import Button from '@mui/material/Button';
import type { Ghost } from '../../../charts/pull-curve/ghost.ts';

interface GhostButtonProps {
  readonly ghost: Ghost;
  /** All that lie behind the curve now. */
  readonly ghosts: readonly Ghost[];
  readonly onGhosts: (ghosts: readonly Ghost[]) => void;
}

/** Lays a design behind the curve, or takes it away. */
export function GhostButton({ ghost, ghosts, onGhosts }: GhostButtonProps) {
  const others = ghosts.filter(({ id }) => id !== ghost.id);
  const isShown = others.length < ghosts.length;
  const words = isShown ? 'hide from the curve' : 'show behind the curve';
  return (
    <Button
      size="small"
      aria-pressed={isShown}
      aria-label={`${words}: ${ghost.name}`}
      onClick={() => onGhosts(isShown ? others : [...ghosts, ghost])}
    >
      {words}
    </Button>
  );
}
