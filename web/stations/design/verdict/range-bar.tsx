import type { Bounds } from '../../../../core/predict/uncertainty.ts';
import { formatRange } from '../../../../core/units/quantity.ts';
import { Explained } from '../../../ui/explained.tsx';
import type { Explanation } from '../../../ui/explanation.ts';
import plain from '../../../ui/plain.module.css';
import styles from './verdict-panel.module.css';

interface RangeBarProps {
  /** Null until they are known. */
  readonly bounds: Bounds | null;
  readonly likely: number;
  readonly figure: (value: number) => string;
  readonly unit: string;
  /** What is aimed at on the same scale; null for nothing. */
  readonly mark: number | null;
  /** What is said of the next run; null for nothing. */
  readonly next: string | null;
  readonly explain: (figure: string) => Explanation;
}

/** Within what 8 in 10 such cars come to lie, on a scale from nothing. */
export function RangeBar({ bounds, likely, figure, unit, mark, next, explain }: RangeBarProps) {
  const end = Math.max(1.25 * (bounds?.high ?? likely), likely, mark ?? 0, 1e-3);
  const at = (value: number): string => `${(100 * value) / end}%`;
  return (
    <div className={styles.range}>
      {bounds && (
        <>
          <p className={`${plain.text} ${plain.muted}`}>
            <Explained figure="range" explain={explain}>
              {`Cars built like this: ${formatRange(figure(bounds.low), figure(bounds.high))} ${unit} (8 in 10)`}
            </Explained>
          </p>
          {next && <p className={`${plain.text} ${plain.muted} ${styles.onPaper}`}>{next}</p>}
          <div aria-hidden className={styles.track}>
            <div className={styles.bounds} style={{ left: at(bounds.low), width: at(bounds.high - bounds.low) }} />
            <div className={styles.likely} style={{ left: at(likely) }} />
            {mark !== null && <div className={styles.aim} style={{ left: at(mark) }} />}
          </div>
        </>
      )}
    </div>
  );
}
