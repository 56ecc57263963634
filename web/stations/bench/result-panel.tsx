import Button from '@mui/material/Button';
import { Suspense, useMemo } from 'react';
import { disagreements, applyMeasurement } from '../../../core/bench/apply-measurement.ts';
import { measuredSlots } from '../../../core/bench/apply-to-part.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { isSameCar } from '../../../core/car/same-design.ts';
import type { PartSlot } from '../../../core/car/part-slots.ts';
import { useTokens } from '../../app/theme.ts';
import { lazyWithPreload } from '../../ui/lazy-with-preload.ts';
import plain from '../../ui/plain.module.css';
import { WordTable } from '../../ui/word-table.tsx';
import { resultLine, resultLines } from './describe-result.ts';
import styles from './bench.module.css';
import { fitOption } from './fit-option.ts';
import type { Read } from './readings.ts';
import type { useTypedReadings } from './use-typed-readings.ts';

const Chart = lazyWithPreload(() => import('../../charts/chart.tsx').then(({ Chart: drawn }) => ({ default: drawn })));

type Told = Extract<Read, { kind: 'read' }>;

interface ResultPanelProps {
  readonly design: CarDesign;
  readonly read: Told;
  readonly readings: ReturnType<typeof useTypedReadings>;
  /** These very readings are in the car already: they count once. */
  readonly isIn: boolean;
  /** What the part at a place is called, and whether it is the builder's own already. */
  readonly partName: (slot: PartSlot) => string;
  readonly hasOwn: (slot: PartSlot) => boolean;
  readonly onPut: (slot: PartSlot | null) => void;
}

/** What readings come to and how sure, what is odd about them, the fit, and where the result goes. */
export function ResultPanel({ design, read, readings, isIn, partName, hasOwn, onPut }: ResultPanelProps) {
  const tokens = useTokens();
  const { result, rows } = read;
  const { drawn } = result;
  const option = useMemo(() => drawn && fitOption(drawn, tokens), [drawn, tokens]);
  const odd = (drawn?.odd ?? []).filter((i) => !readings.typed.stands?.includes(rows[i]!));
  const places = useMemo(() => measuredSlots(design, result), [design, result]);
  return (
    <>
      <div role="status" className={styles.panel}>
        <WordTable
          head={['result', '90 % interval', 'quality']}
          rows={resultLines(result).map(({ name, figure, good }) => [name, figure, good])}
        />
        {result.remarks.map((remark) => (
          <p key={remark} className={plain.text}>
            {remark}
          </p>
        ))}
        {disagreements(design, result).map((key) => (
          <p key={key} className={plain.text}>
            ! {resultLine(key, result.values[key]!).name}differs from the earlier measurement by more than either uncertainty. Look for what
            was different. If you apply both, each counts by its uncertainty.
          </p>
        ))}
        {odd.map((i) => (
          <div key={i} className={styles.row}>
            <span className={plain.text}>
              ◆ Row {rows[i]! + 1} is {Math.round(Math.abs(drawn!.residuals[i]!) / drawn!.usual)} times as far from the fit as the others
              usually are: a misreading, or a hook that caught?
            </span>
            <Button size="small" variant="outlined" onClick={() => readings.leaveOut(rows[i]!, true)}>
              Leave row {rows[i]! + 1} out
            </Button>
            <Button size="small" onClick={() => readings.letStand(rows[i]!)}>
              It is still in the fit.
            </Button>
          </div>
        ))}
      </div>
      <div className={styles.row}>
        {isIn ? (
          <span className={plain.text}>✓ These readings are in the car.</span>
        ) : isSameCar(applyMeasurement(design, result), design) ? (
          <span className={plain.text}>The car does not use this value by itself. Use it when you set sizes or align the car.</span>
        ) : (
          <>
            <Button variant="contained" onClick={() => onPut(null)}>
              Apply to the car
            </Button>
            {places.map((slot) => (
              <Button key={slot} variant="outlined" onClick={() => onPut(slot)}>
                {hasOwn(slot) ? `Apply to my “${partName(slot)}”` : `Save as my part “${partName(slot)}”`}
              </Button>
            ))}
            <span className={`${plain.caption} ${plain.muted}`}>
              as a version, with the values before it; undo brings those back
              {places.length > 0 && '. Every car that has the part then uses the new values'}
            </span>
          </>
        )}
      </div>
      {option && drawn && (
        <>
          <Suspense fallback={<div style={{ height: 320 }} />}>
            <Chart
              option={option}
              role="img"
              aria-label={`${drawn.points.length} readings with their fit: ${drawn.up} over ${drawn.across}; below, the residuals`}
              sx={{ height: 320 }}
            />
          </Suspense>
          <p className={`${plain.caption} readings with their fit: ${plain.muted} over ${undefined}; below, the residuals`}>
            Solid: fitted, with its 90 % band{drawn.thought ? '; dashed: as expected in Design' : ''}. Below: the residual of each reading;
            a bow there means that another curve would fit better.
          </p>
        </>
      )}
    </>
  );
}
