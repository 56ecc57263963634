import Button from '@mui/material/Button';
import { Suspense, useMemo } from 'react';
import { disagreements, intoCar } from '../../../core/bench/into-car.ts';
import { placesMeasured } from '../../../core/bench/into-part.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { isSameCar } from '../../../core/car/same-design.ts';
import type { PartSlot } from '../../../core/car/part-slots.ts';
import { useTokens } from '../../app/theme.ts';
import { later } from '../../ui/later.ts';
import plain from '../../ui/plain.module.css';
import { WordTable } from '../../ui/word-table.tsx';
import { resultLine, resultLines } from './bench-words.ts';
import styles from './bench.module.css';
import { fitOption } from './fit-option.ts';
import type { Read } from './readings.ts';
import type { useTypedReadings } from './use-typed-readings.ts';

const Chart = later(() => import('../../charts/chart.tsx').then(({ Chart: drawn }) => ({ default: drawn })));

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
  const places = useMemo(() => placesMeasured(design, result), [design, result]);
  return (
    <>
      <div role="status" className={styles.panel}>
        <WordTable
          head={['it comes to', '9 in 10 lie within', 'how well']}
          rows={resultLines(result).map(({ name, figure, good }) => [name, figure, good])}
        />
        {result.remarks.map((remark) => (
          <p key={remark} className={plain.text}>
            {remark}
          </p>
        ))}
        {disagreements(design, result).map((key) => (
          <p key={key} className={plain.text}>
            ! {resultLine(key, result.values[key]!).name}: further from what was measured before than either is sure. Look for what was
            different; put in, both count by how sure they are.
          </p>
        ))}
        {odd.map((i) => (
          <div key={i} className={styles.row}>
            <span className={plain.text}>
              ◆ Row {rows[i]! + 1} lies {Math.round(Math.abs(drawn!.residuals[i]!) / drawn!.usual)} times as far from the fit as the others
              usually do: a slip of the eye, a hook that caught?
            </span>
            <Button size="small" variant="outlined" onClick={() => readings.leaveOut(rows[i]!, true)}>
              Leave row {rows[i]! + 1} out
            </Button>
            <Button size="small" onClick={() => readings.letStand(rows[i]!)}>
              It stands
            </Button>
          </div>
        ))}
      </div>
      <div className={styles.row}>
        {isIn ? (
          <span className={plain.text}>✓ These readings are in the car.</span>
        ) : isSameCar(intoCar(design, result), design) ? (
          <span className={plain.text}>The car keeps no such value by itself: use it where you set sizes, or to tell what to move.</span>
        ) : (
          <>
            <Button variant="contained" onClick={() => onPut(null)}>
              Put it into the car
            </Button>
            {places.map((slot) => (
              <Button key={slot} variant="outlined" onClick={() => onPut(slot)}>
                {hasOwn(slot) ? `Put it into my “${partName(slot)}”` : `Keep as my part “${partName(slot)}”`}
              </Button>
            ))}
            <span className={`${plain.caption} ${plain.muted}`}>
              as a version, with what was known before; undo brings it back
              {places.length > 0 && '. A part of your own is then known to every car that has it'}
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
              aria-label={`${drawn.points.length} readings with their fit: ${drawn.up} over ${drawn.across}; below, what the fit leaves of each`}
              sx={{ height: 320 }}
            />
          </Suspense>
          <p className={`${plain.caption} ${plain.muted}`}>
            Solid: fitted, with the band that holds it 9 times in 10{drawn.thought ? '; dashed: as Design thinks of it' : ''}. Below: what
            the fit leaves of each reading; a bow there asks for another curve.
          </p>
        </>
      )}
    </>
  );
}
