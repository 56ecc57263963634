import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { MEASUREMENTS } from '../../../core/bench/measurements.ts';
import { valueHistories } from '../../../core/bench/value-history.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { VALUE_NAMES } from '../../../core/car/value-table.ts';
import plain from '../../ui/plain.module.css';
import { Wide } from '../../ui/wide.tsx';
import { WordTable } from '../../ui/word-table.tsx';
import { dayOf, valueFigure } from './describe-result.ts';
import styles from './bench.module.css';
import type { useBench } from './use-bench.ts';

interface KnownValuesProps {
  readonly design: CarDesign;
  readonly bench: ReturnType<typeof useBench>;
}

/** What is known of the car value by value, and how each came to be known so; a step back where there was one. */
export function KnownValues({ design, bench }: KnownValuesProps) {
  const histories = useMemo(() => valueHistories(bench.versions, design), [bench.versions, design]);
  return (
    <section aria-labelledby="known-title" className={styles.known}>
      <details>
        <summary>
          <h2 id="known-title" className={plain.heading}>
            Values of this car and their history
          </h2>
        </summary>
        <Wide label="Values of this car">
          <WordTable
            head={['value', 'now', 'source', 'history']}
            rows={histories.map(({ key, now, steps }) => {
              const last = steps.at(-1);
              return [
                VALUE_NAMES[key],
                valueFigure(key, now),
                now.evidence,
                <span key={key} className={styles.row}>
                  {steps.length === 0
                    ? '–'
                    : steps
                        .map(
                          ({ at, by, from, to }) =>
                            `${dayOf(at)}, ${by ? MEASUREMENTS[by].name : to.evidence === 'fitted' ? 'fitted to runs' : 'typed'}: ${valueFigure(key, from)} → ${valueFigure(key, to)}`,
                        )
                        .join('; ')}
                  {last && now.evidence !== 'estimated' && (
                    <Button size="small" aria-label={`Restore: ${VALUE_NAMES[key]}`} onClick={() => void bench.setBack(key, last)}>
                      Restore
                    </Button>
                  )}
                </span>,
              ];
            })}
          />
        </Wide>
      </details>
    </section>
  );
}
