import Button from '@mui/material/Button';
import { Suspense, useDeferredValue, useMemo, useState } from 'react';
import { INSTRUCTIONS } from '../../../core/bench/instructions.ts';
import type { Measurement, MeasurementKind, Result } from '../../../core/bench/measured.ts';
import { simulatedReadings } from '../../../core/bench/simulated-readings.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { sampledCars } from '../../../core/predict/sampled-cars.ts';
import { printNumber, unitOf, unitValue } from '../../../core/units/quantity.ts';
import { useTokens } from '../../app/theme.ts';
import { downloadJson, fileName } from '../../ui/file-exchange.ts';
import { later } from '../../ui/later.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { WordTable } from '../../ui/word-table.tsx';
import { resultLines } from './bench-words.ts';
import styles from './bench.module.css';
import { fitOption } from './fit-option.ts';
import { readTyped, type TypedReadings } from './readings.ts';
import { useTypedReadings } from './use-typed-readings.ts';

const Chart = later(() => import('../../charts/chart.tsx').then(({ Chart: drawn }) => ({ default: drawn })));

interface MeasurePanelProps {
  readonly carId: string;
  readonly design: CarDesign;
  readonly kind: MeasurementKind;
  /** Whether the result says something that the car keeps. */
  readonly isKept: (result: Result) => boolean;
  readonly onPut: (measurement: Measurement, result: Result) => void;
}

/** The hidden car that the simulated instruments read. */
const HIDDEN = 11;

/** One measurement: what it needs, how it is made, what was read, the fit and what it means. */
export function MeasurePanel({ carId, design, kind, isKept, onPut }: MeasurePanelProps) {
  const units = useUnits();
  const tokens = useTokens();
  const readings = useTypedReadings(carId, kind);
  const [tries, setTries] = useState(0);
  const typed = useDeferredValue(readings.typed);
  const read = useMemo(() => readTyped(kind, design, typed, units), [kind, design, typed, units]);
  const { name, needs, how, caution, columns, once, division } = INSTRUCTIONS[kind];
  const dividing = columns.find(({ key }) => division.of.includes(key))!;
  const drawn = read.kind === 'read' ? read.result.drawn : null;
  const option = useMemo(() => drawn && fitOption(drawn, tokens), [drawn, tokens]);
  const unit = (quantity: (typeof columns)[number]['quantity']): string => {
    const told = unitOf(quantity, units);
    return told === '' ? '' : `, ${told}`;
  };
  const field = (value: number, quantity: (typeof columns)[number]['quantity']): string =>
    String(Number((value / unitValue(quantity, units)).toPrecision(4)));
  /** Readings of a hidden car built to this design, as its instruments print them. */
  const simulate = (): void => {
    const { design: built, numbers } = sampledCars(design, HIDDEN)(1);
    const hidden = { design: built, numbers, curvature: 0.012, slope: numbers.slope ?? 0, outOfTrue: 0.02, offCentre: 0.001 };
    const made = simulatedReadings(kind, hidden, 1 + tries);
    setTries(tries + 1);
    if (!made) return;
    const told = made.measurement.readings as unknown as Readonly<Record<string, number | readonly number[]>>;
    const inColumns = columns.map(({ key, quantity }) => {
      const list = told[key];
      return [key, Array.isArray(list) ? (list as readonly number[]).map((value) => field(value, quantity)) : []] as const;
    });
    const count = Math.max(...inColumns.map(([, list]) => list.length));
    const rows: TypedReadings['rows'] = Array.from({ length: count }, (_, i) =>
      Object.fromEntries(inColumns.map(([key, list]) => [key, list[i] ?? ''])),
    );
    // What the instruments were set up with stands beside them.
    const set = once.flatMap(({ key, quantity, of }) => {
      const value = told[key];
      const single = Array.isArray(value) ? (value as readonly number[])[0] : (value as number | undefined);
      return single === undefined || Math.abs(single - of(design)) < 1e-9 ? [] : [[key, field(single, quantity)] as const];
    });
    readings.fill(rows, Object.fromEntries(set));
  };
  return (
    <section aria-labelledby="measure-title" className={styles.panel}>
      <h2 id="measure-title" className={plain.heading}>
        {name}
      </h2>
      <p className={`${plain.text} ${plain.muted}`}>You need: {needs.join(', ')}.</p>
      <ol className={`${plain.text} ${styles.how}`}>
        {how.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ol>
      {caution && (
        <p className={`${plain.text} ${styles.caution}`}>■ {caution} Local rules come first; an adult stands beside young builders.</p>
      )}
      <table className={`${plain.text} ${styles.table}`}>
        <thead>
          <tr>
            <th scope="col">
              <span className={plain.muted}>№</span>
            </th>
            {columns.map(({ key, label, quantity }) => (
              <th key={key} scope="col">
                {label}
                {unit(quantity)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {readings.typed.rows.map((row, i) => (
            <tr key={i}>
              <td className={plain.muted}>{i + 1}</td>
              {columns.map(({ key, label }) => (
                <td key={key}>
                  <input
                    aria-label={`${label}, row ${i + 1}`}
                    inputMode="decimal"
                    autoComplete="off"
                    value={row[key] ?? ''}
                    onChange={({ target }) => readings.cell(i, key, target.value)}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <table className={`${plain.text} ${styles.table}`}>
        <tbody>
          {once.map(({ key, label, quantity, of }) => (
            <tr key={key}>
              <th scope="row">
                {label}
                {unit(quantity)}
              </th>
              <td>
                <input
                  aria-label={label}
                  inputMode="decimal"
                  autoComplete="off"
                  placeholder={quantity === 'count' ? String(Number(of(design).toPrecision(4))) : printNumber(of(design), quantity, units)}
                  value={readings.typed.once[key] ?? ''}
                  onChange={({ target }) => readings.once(key, target.value)}
                />
              </td>
            </tr>
          ))}
          <tr>
            <th scope="row">one division{unit(dividing.quantity)}</th>
            <td>
              <input
                aria-label="One division"
                inputMode="decimal"
                autoComplete="off"
                placeholder={field(division.usual, dividing.quantity)}
                value={readings.typed.division}
                onChange={({ target }) => readings.division(target.value)}
              />
            </td>
          </tr>
        </tbody>
      </table>
      <div className={styles.row}>
        <Button size="small" onClick={simulate}>
          Try it without a bench
        </Button>
        <Button size="small" onClick={readings.clear}>
          Clear the table
        </Button>
        {read.kind === 'read' && (
          <Button
            size="small"
            onClick={() => downloadJson(`${fileName(design.name)}-${kind}.json`, { ...read.measurement, madeAt: new Date().toISOString() })}
          >
            Save the readings
          </Button>
        )}
      </div>
      <div role="status" className={styles.panel}>
        {read.kind === 'none' && <p className={`${plain.text} ${plain.muted}`}>Type readings: the result stands here as you go.</p>}
        {read.kind === 'wrong' && <p className={plain.text}>✕ {read.message}</p>}
        {read.kind === 'read' && (
          <>
            <WordTable
              head={['it comes to', '9 in 10 lie within', 'how well']}
              rows={resultLines(read.result).map(({ name: value, figure, good }) => [value, figure, good])}
            />
            {read.result.remarks.map((remark) => (
              <p key={remark} className={plain.text}>
                {remark}
              </p>
            ))}
            {(drawn?.odd.length ?? 0) > 0 && (
              <p className={plain.text}>
                ◆ Look at {drawn!.odd.length === 1 ? 'reading' : 'readings'} {drawn!.odd.map((i) => i + 1).join(', ')} again: far from the
                rest. Read it anew, or clear its row where something slipped.
              </p>
            )}
          </>
        )}
      </div>
      {read.kind === 'read' && (
        <div className={styles.row}>
          {isKept(read.result) ? (
            <>
              <Button variant="contained" onClick={() => onPut(read.measurement, read.result)}>
                Put it into the car
              </Button>
              <span className={`${plain.caption} ${plain.muted}`}>as a version, with what was known before; undo brings it back</span>
            </>
          ) : (
            <span className={plain.text}>The car keeps no such value by itself: use it where you set sizes, or to tell what to move.</span>
          )}
        </div>
      )}
      {option && drawn && (
        <Suspense fallback={<div style={{ height: 260 }} />}>
          <Chart
            option={option}
            role="img"
            aria-label={`${drawn.points.length} readings with their fit: ${drawn.up} over ${drawn.across}`}
            sx={{ height: 260 }}
          />
        </Suspense>
      )}
    </section>
  );
}
