import Button from '@mui/material/Button';
import type { RunOfCar } from '../../../core/trials/compared-runs.ts';
import { OBSERVATION_NAMES } from '../../../core/trials/observation-names.ts';
import { formatQuantity } from '../../../core/units/quantity.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './tune.module.css';

interface OddRunsProps {
  readonly odd: readonly RunOfCar[];
  readonly leftOut: readonly RunOfCar[];
  readonly onLeaveOut: (run: RunOfCar, isLeftOut: boolean) => void;
}

/** Runs that lie far from those like them, with what was seen: the builder says whether they tell anything. */
export function OutlierRuns({ odd, leftOut, onLeaveOut }: OddRunsProps) {
  const units = useUnits();
  const describeRun = ({ record: { outcome, seen, note } }: RunOfCar): string =>
    [formatQuantity(outcome.distance, 'distance', units), ...seen.map((thing) => OBSERVATION_NAMES[thing]), note]
      .filter(Boolean)
      .join(', ')
      .replace(/\.$/, '');
  return (
    <>
      {odd.map((run) => (
        <div key={run.id} className={styles.row}>
          <span className={plain.text}>◆ {describeRun(run)}: far from the others. Luck, or did something go wrong?</span>
          <Button size="small" variant="outlined" aria-label={`Leave it out: ${describeRun(run)}`} onClick={() => onLeaveOut(run, true)}>
            Leave it out
          </Button>
        </div>
      ))}
      {leftOut.map((run) => (
        <div key={run.id} className={styles.row}>
          <span className={plain.text}>◇ Left out: {describeRun(run)}.</span>
          <Button size="small" aria-label={`Include again: ${describeRun(run)}`} onClick={() => onLeaveOut(run, false)}>
            Include again
          </Button>
        </div>
      ))}
    </>
  );
}
