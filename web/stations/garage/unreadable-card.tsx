import Button from '@mui/material/Button';
import { formatFault } from '../../../core/fault-words.ts';
import type { Unreadable } from '../../../core/schema/stored.ts';
import { download } from '../../ui/file-exchange.ts';
import plain from '../../ui/plain.module.css';
import styles from './garage.module.css';

/** A car that is stored but cannot be read any more: why, its text to save, and removing it. */
export const UnreadableCard = ({ car: { id, unreadable }, onRemove }: { readonly car: Unreadable; readonly onRemove: () => void }) => (
  <li aria-label="A car that cannot be read" className={styles.card}>
    <h2 className={styles.name}>✕ A car that cannot be read</h2>
    <p className={plain.text}>
      It is stored, but this program cannot read it as a car: {unreadable.faults.slice(0, 3).map(formatFault).join('; ')}. Save its file,
      fix it in a text editor, and open it again.
    </p>
    <div className={styles.actions}>
      <Button size="small" variant="outlined" onClick={() => download(`unreadable-${id}.car.json`, unreadable.text, 'application/json')}>
        Save its file
      </Button>
      <Button size="small" onClick={onRemove}>
        Remove
      </Button>
    </div>
  </li>
);
