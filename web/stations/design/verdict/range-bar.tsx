import type { Aim } from '../../../../core/car/car-design.ts';
import type { Assessment } from '../../../../core/explore/assess.ts';
import { nextRun } from '../../../../core/predict/next-run.ts';
import { printKnown, printQuantity, unitOf } from '../../../../core/units/quantity.ts';
import { Explained } from '../../../ui/explained.tsx';
import type { Explanation } from '../../../ui/explanation.ts';
import plain from '../../../ui/plain.module.css';
import { useUnits } from '../../../ui/use-units.ts';
import styles from './verdict-panel.module.css';

interface RangeBarProps {
  readonly assessment: Assessment | null;
  readonly likely: number;
  /** m, half of what 8 in 10 such cars lie within: no figure is told finer than that allows. */
  readonly halfWidth: number;
  readonly aim: Aim;
  readonly explain: (figure: string) => Explanation;
}

/** Within what 8 in 10 such cars would run, and how likely the aim is met. */
export function RangeBar({ assessment, likely, halfWidth, aim, explain }: RangeBarProps) {
  const units = useUnits();
  const bounds = assessment?.distance;
  const next = nextRun(likely);
  const unit = unitOf('distance', units);
  const known = (distance: number): string => printKnown(distance, halfWidth, 'distance', units);
  const end = Math.max(1.25 * (bounds?.high ?? likely), likely, aim.distance ?? 0, 0.1);
  const at = (distance: number): string => `${(100 * distance) / end}%`;
  return (
    <div className={styles.range}>
      {bounds && (
        <>
          <p className={`${plain.text} ${plain.muted}`}>
            <Explained figure="range" explain={explain}>
              {`8 in 10 such cars: ${known(bounds.low)} to ${known(bounds.high)} ${unit}`}
            </Explained>
            {assessment.chance !== null && ` · meets the aim ${printQuantity(assessment.chance, 'share', units)} of the time`}
          </p>
          <p
            className={`${plain.text} ${plain.muted} ${styles.onPaper}`}
          >{`its next run, if so: ${known(next.low)} to ${known(next.high)} ${unit}`}</p>
          <div aria-hidden className={styles.track}>
            <div className={styles.bounds} style={{ left: at(bounds.low), width: at(bounds.high - bounds.low) }} />
            <div className={styles.likely} style={{ left: at(likely) }} />
            {aim.distance !== null && <div className={styles.aim} style={{ left: at(aim.distance) }} />}
          </div>
        </>
      )}
    </div>
  );
}
