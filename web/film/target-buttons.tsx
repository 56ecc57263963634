import Button from '@mui/material/Button';
import styles from './film.module.css';
import type { FilmWorkState, TargetId } from './use-film-work.ts';

interface TargetButtonsProps {
  readonly targets: readonly (readonly [TargetId, string])[];
  readonly work: FilmWorkState;
  readonly active: TargetId | null;
  readonly setActive: (id: TargetId) => void;
}

/** What is to be set in the picture: chosen here, clicked there; by keys it begins in the middle. */
export const TargetButtons = ({ targets, work, active, setActive }: TargetButtonsProps) => (
  <ul className={styles.targets}>
    {targets.map(([id, label]) => (
      <li key={id}>
        <Button
          size="small"
          variant={active === id ? 'contained' : 'text'}
          aria-pressed={active === id}
          sx={{ justifyContent: 'flex-start' }}
          onClick={({ detail }) => {
            setActive(id);
            // By keys there is no click in the picture.
            if (detail === 0 && !work.targets[id] && work.reader) work.set(id, [work.reader.width / 2, work.reader.height / 2]);
          }}
        >
          {work.targets[id] ? '✓ ' : ''}
          {label}
        </Button>
        {work.targets[id] && (
          <Button size="small" aria-label={`Remove: ${label}`} onClick={() => work.set(id, null)}>
            Remove
          </Button>
        )}
      </li>
    ))}
  </ul>
);
