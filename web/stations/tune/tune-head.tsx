import type { Tuning } from '../../../core/trials/tuning.ts';
import { unitOf } from '../../../core/units/quantity.ts';
import { Explained } from '../../ui/explained.tsx';
import type { Explanation } from '../../ui/explanation.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { intervalParts, percent } from './describe-tuning.ts';
import styles from './tune.module.css';

interface TuneHeadProps {
  /** Null until the runs are read. */
  readonly tuning: Tuning | null;
  readonly explain: ((figure: string) => Explanation) | undefined;
}

/** The one number: how far the car goes now, as its runs tell. */
export function TuneHead({ tuning, explain }: TuneHeadProps) {
  const units = useUnits();
  if (!tuning || !explain || tuning.pending.includes('fit')) return <p className={styles.number}>…</p>;
  const { full } = tuning;
  if (!full) return null;
  const [mean, next] = [intervalParts(full.mean, units), intervalParts(full.next, units)];
  const unit = unitOf('distance', units);
  return (
    <div className={styles.head}>
      <p className={styles.number}>
        {mean.middle} {unit}
      </p>
      <p className={plain.text}>
        Fully wound on a long floor{full.direction ? `, on the way ${full.direction}` : ''}:{' '}
        <Explained explain={explain} figure="mean">
          {mean.range} {unit} on average
        </Explained>{' '}
        (9 in 10); next run{' '}
        <Explained explain={explain} figure="next run">
          {next.range} {unit}
        </Explained>
        {full.reaches !== null && `; ${percent(Math.min(full.reaches, 0.99))} of its next runs reach the goal`}
      </p>
    </div>
  );
}
