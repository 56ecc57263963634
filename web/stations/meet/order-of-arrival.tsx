import Button from '@mui/material/Button';
import { useState } from 'react';
import { formatPlace } from '../../../core/meet/describe-results.ts';
import plain from '../../ui/plain.module.css';
import styles from './meet.module.css';
import laid from './run-view.module.css';

interface OrderOfArrivalProps {
  /** Cars of the heat, by lane. */
  readonly cars: readonly { readonly entry: string; readonly car: string; readonly lane: number }[];
  /** Saves which of the heat a car was to cross the mark. */
  readonly onSave: (entry: string, arrived: number) => Promise<boolean>;
}

/** Who was first, without a watch: a press for each lane as its car crosses the mark. What is saved already is not asked again. */
export function OrderOfArrival({ cars, onSave }: OrderOfArrivalProps) {
  const [arrived, setArrived] = useState<readonly string[]>([]);
  const [isSaving, setSaving] = useState(false);
  const save = async (): Promise<void> => {
    setSaving(true);
    for (const [at, entry] of arrived.entries()) if (!(await onSave(entry, at + 1))) break;
    setSaving(false);
  };
  return (
    <section aria-labelledby="arrival-title" className={styles.part}>
      <h3 id="arrival-title" className={plain.strong}>
        No watch? Press each car as it crosses the mark
      </h3>
      <div className={laid.arrivals}>
        {cars.map(({ entry, car, lane }) => {
          const place = arrived.indexOf(entry) + 1;
          return (
            <Button
              key={entry}
              variant={place > 0 ? 'contained' : 'outlined'}
              aria-pressed={place > 0}
              onPointerDown={() => setArrived((before) => (before.includes(entry) ? before : [...before, entry]))}
              onClick={() => setArrived((before) => (before.includes(entry) ? before : [...before, entry]))}
              sx={{ minHeight: 72, fontSize: 18 }}
            >
              {`Lane ${lane + 1}: ${car}${place > 0 ? `, ${formatPlace(place)}` : ''}`}
            </Button>
          );
        })}
      </div>
      {arrived.length > 0 && (
        <div className={styles.row}>
          <Button variant="contained" disabled={isSaving} onClick={() => void save()}>
            Save the order
          </Button>
          <Button variant="outlined" disabled={isSaving} onClick={() => setArrived(arrived.slice(0, -1))}>
            Undo last press
          </Button>
        </div>
      )}
    </section>
  );
}
