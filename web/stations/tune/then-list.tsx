import Button from '@mui/material/Button';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { SuggestedChange } from '../../../core/trials/next-change.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { formatGain } from './describe-tuning.ts';
import styles from './tune.module.css';

/** Changes that are told beside the next thing; the rest stand under “Changes”. */
const SHOWN = 2;

interface ThenListProps {
  readonly design: CarDesign;
  readonly changes: readonly SuggestedChange[];
  readonly onApply: (change: SuggestedChange) => void;
}

/** What could be changed after the next thing, a line each. */
export function ThenList({ design, changes, onApply }: ThenListProps) {
  const units = useUnits();
  if (changes.length === 0) return null;
  return (
    <section aria-labelledby="then-title">
      <h2 id="then-title" className={plain.heading}>
        Then
      </h2>
      <ul className={`${plain.list} ${styles.list}`}>
        {changes.slice(0, SHOWN).map((change) => (
          <li key={change.words} className={styles.then}>
            <span className={plain.text}>
              {change.words}: {formatGain(change, design, units)} · about {change.minutes} minutes
            </span>
            <Button size="small" aria-label={`Apply: ${change.words}`} onClick={() => onApply(change)}>
              Apply
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
