import type { MeasurementKind } from '../../../core/bench/measured.ts';
import { MEASUREMENTS } from '../../../core/bench/measurements.ts';
import plain from '../../ui/plain.module.css';
import styles from './bench.module.css';

/** What a measurement needs, how it is made, and what can hurt. */
export function HowToMeasure({ kind }: { readonly kind: MeasurementKind }) {
  const { needs, how, caution } = MEASUREMENTS[kind];
  return (
    <div className={styles.panel}>
      <p className={`${plain.text} ${plain.muted}`}>You need: {needs.join(', ')}.</p>
      <ol className={`${plain.text} ${styles.how}`}>
        {how.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ol>
      {caution && (
        <p className={`${plain.text} ${styles.caution}`}>■ {caution} Local rules come first. An adult stands beside young builders.</p>
      )}
    </div>
  );
}
