import Button from '@mui/material/Button';
import type { Measurement, MeasurementKind } from '../../../core/bench/measured.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { describeGain, dayOf } from './describe-result.ts';
import styles from './bench.module.css';
import type { useBench } from './use-bench.ts';

interface MeasuredBeforeProps {
  readonly kind: MeasurementKind;
  readonly bench: ReturnType<typeof useBench>;
  /** Puts its readings into the table. */
  readonly onShow: (measurement: Measurement) => void;
}

/** When this was measured before on this car and what that brought; taken back with one press. */
export function MeasuredBefore({ kind, bench, onShow }: MeasuredBeforeProps) {
  const units = useUnits();
  const done = bench.done.filter(({ measurement }) => measurement.kind === kind).toReversed();
  if (done.length === 0) return null;
  return (
    <ul className={styles.done} aria-label="Earlier measurements">
      {done.map((one) => (
        <li key={one.id} className={styles.row}>
          <span className={plain.text}>
            {one.isIn ? '✓ ' : '– '}
            {dayOf(one.at)}: {describeGain(one, units)}
            {one.part !== null && `; in my part “${one.part}”`}
            {!one.isIn && '. Not used in the car now'}
          </span>
          <Button size="small" onClick={() => onShow(one.measurement)} aria-label={`Show readings of ${dayOf(one.at)}`}>
            Show readings
          </Button>
          {one.isIn && (
            <Button size="small" onClick={() => void bench.takeBack(one.id)} aria-label={`Withdraw: ${dayOf(one.at)}`}>
              Withdraw
            </Button>
          )}
        </li>
      ))}
    </ul>
  );
}
