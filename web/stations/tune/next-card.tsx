import Button from '@mui/material/Button';
import { Link } from 'react-router';
import { capitalized } from '../../../core/capitalized.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { describeCause, type CauseId } from '../../../core/trials/cause-descriptions.ts';
import type { RepairableFault } from '../../../core/trials/fit/trial.ts';
import type { SuggestedChange } from '../../../core/trials/next-change.ts';
import type { NextAction, NextThing } from '../../../core/trials/next-thing.ts';
import type { LogEntry } from '../../../core/trials/tuning-log.ts';
import { STATION_NAMES } from '../../app/station-names.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { formatGain } from './describe-tuning.ts';
import styles from './tune.module.css';

/** What is done from the card. */
export interface NextActions {
  readonly onFound: (id: CauseId, result: 'confirmed' | 'ruled-out') => void;
  readonly onRepaired: (id: RepairableFault) => void;
  readonly onApply: (change: SuggestedChange) => void;
  readonly onUndo: (entry: LogEntry) => void;
}

interface NextCardProps extends NextActions {
  readonly carId: string;
  readonly design: CarDesign;
  readonly next: NextThing;
}

/** The one thing to do next, with its buttons. */
export function NextCard({ carId, design, next: { words, reason, station, action }, ...actions }: NextCardProps) {
  return (
    <section aria-labelledby="next-title" className={styles.card}>
      <h2 id="next-title" className={plain.caption}>
        Next
      </h2>
      <p className={styles.words}>{capitalized(words)}</p>
      <p className={`${plain.text} ${plain.muted}`}>{reason}</p>
      <div className={styles.row}>
        {action ? (
          <Action design={design} action={action} {...actions} />
        ) : (
          station !== 'tune' && (
            <Button variant="contained" component={Link} to={`/cars/${carId}/${station}`}>
              To {STATION_NAMES[station]}
            </Button>
          )
        )}
      </div>
    </section>
  );
}

function Action({
  design,
  action,
  onFound,
  onRepaired,
  onApply,
  onUndo,
}: NextActions & { readonly design: CarDesign; readonly action: NextAction }) {
  const units = useUnits();
  switch (action.kind) {
    case 'check': {
      const { name } = describeCause(action.cause, design.motor.kind);
      return (
        <>
          <Button variant="contained" aria-label={`Confirmed: ${name}`} onClick={() => onFound(action.cause, 'confirmed')}>
            Confirmed
          </Button>
          <Button variant="outlined" aria-label={`Ruled out: ${name}`} onClick={() => onFound(action.cause, 'ruled-out')}>
            Ruled out
          </Button>
        </>
      );
    }
    case 'repair':
      return (
        <Button
          variant="contained"
          aria-label={`Repaired: ${describeCause(action.cause, design.motor.kind).name}`}
          onClick={() => onRepaired(action.cause)}
        >
          Repaired
        </Button>
      );
    case 'apply':
      return (
        <>
          <Button variant="contained" aria-label={`Apply: ${action.change.words}`} onClick={() => onApply(action.change)}>
            Apply
          </Button>
          <span className={plain.text}>{formatGain(action.change, design, units)}</span>
        </>
      );
    case 'undo':
      return (
        <Button variant="contained" onClick={() => onUndo(action.entry)}>
          Undo it: restore “{action.entry.parent.record.name}”
        </Button>
      );
  }
}
