import type { CheckVerdict, EvidenceLevel } from '../../../../core/checks/check.ts';
import { memo } from 'react';
import type { Assessment } from '../../../../core/explore/assess.ts';
import { formatPredicted, formatQuantity } from '../../../../core/units/quantity.ts';
import plain from '../../../ui/plain.module.css';
import { useRoving } from '../../../ui/use-roving.ts';
import { useUnits } from '../../../ui/use-units.ts';
import styles from './verdict-panel.module.css';

const SIGNS: Readonly<Record<CheckVerdict, { sign: string; word: string }>> = {
  stop: { sign: '✕', word: 'fails' },
  warning: { sign: '!', word: 'warning' },
  good: { sign: '✓', word: 'good' },
};
const SURE: Readonly<Record<EvidenceLevel, string>> = {
  sizes: 'from the sizes',
  measured: 'from what you measured',
  estimated: 'from estimates of the parts',
  rough: 'a rough guide',
};

/** m worth telling. */
const WORTH = 0.05;

/** Every check with its number; opened, what it means, its limit and how sure it is. */
export const Checks = memo(function Checks({ assessment }: { readonly assessment: Assessment | null }) {
  const units = useUnits();
  const group = useRoving('summary');
  if (!assessment) return null;
  return (
    <section ref={group} aria-labelledby="checks-title">
      <h2 id="checks-title" className={plain.heading}>
        Checks
      </h2>
      {assessment.checks.map(({ id, title, value, limit, limitIs, quantity, verdict, sure, sentence, cost }) => {
        const { sign, word } = SIGNS[verdict];
        const isTold = id === 'string-length';
        // What follows from sizes and measurements is known as they are; what the model says is not.
        const isKnown = sure === 'sizes' || sure === 'measured';
        const shown = isKnown ? formatQuantity(value, quantity, units) : formatPredicted(value, quantity, units);
        return (
          <details key={id} className={styles.check}>
            <summary>
              <span role="img" aria-label={word} className={styles[verdict]}>
                {sign}
              </span>
              <span>{title}</span>
              <span className={plain.figures}>{Number.isFinite(value) ? shown : '–'}</span>
            </summary>
            <p className={plain.text}>
              {sentence}
              {verdict !== 'good' && cost > WORTH && ` Fixing this gains ${formatPredicted(cost, 'distance', units)}.`}
              {!isTold &&
                ` Limit: ${limitIs === 'most' ? 'at most' : 'at least'} ${formatQuantity(limit, quantity, units)}; ${SURE[sure]}.`}
            </p>
          </details>
        );
      })}
    </section>
  );
});
