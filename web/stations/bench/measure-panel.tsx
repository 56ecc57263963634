import Button from '@mui/material/Button';
import { Suspense, useDeferredValue, useMemo, useState } from 'react';
import { INSTRUCTIONS } from '../../../core/bench/instructions.ts';
import { disagreements, intoCar } from '../../../core/bench/into-car.ts';
import type { MeasurementKind, Result } from '../../../core/bench/measured.ts';
import { simulatedReadings } from '../../../core/bench/simulated-readings.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { isSameCar, isSameContent } from '../../../core/car/same-design.ts';
import type { ValueKey } from '../../../core/car/value-table.ts';
import { faultLine } from '../../../core/fault-words.ts';
import { readMeasurement } from '../../../core/files/read.ts';
import { sampledCars } from '../../../core/predict/sampled-cars.ts';
import type { Quantity } from '../../../core/units/quantity.ts';
import { useTokens } from '../../app/theme.ts';
import { FileButton } from '../../ui/file-button.tsx';
import { downloadJson, fileName } from '../../ui/file-exchange.ts';
import { later } from '../../ui/later.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { WordTable } from '../../ui/word-table.tsx';
import { resultLine, resultLines } from './bench-words.ts';
import styles from './bench.module.css';
import { fitOption } from './fit-option.ts';
import { inField, ReadingTables } from './reading-tables.tsx';
import { readTyped, type TypedReadings } from './readings.ts';
import { useTypedReadings } from './use-typed-readings.ts';

const Chart = later(() => import('../../charts/chart.tsx').then(({ Chart: drawn }) => ({ default: drawn })));

interface MeasurePanelProps {
  readonly carId: string;
  readonly design: CarDesign;
  readonly kind: MeasurementKind;
  readonly onPut: (result: Result) => void;
}

/** The hidden car that the simulated instruments read. */
const HIDDEN = 11;

/** One measurement: what it needs, how it is made, what was read, the fit and what it means. */
export function MeasurePanel({ carId, design, kind, onPut }: MeasurePanelProps) {
  const units = useUnits();
  const tokens = useTokens();
  const readings = useTypedReadings(carId, kind);
  const [tries, setTries] = useState(0);
  const [problem, setProblem] = useState('');
  const typed = useDeferredValue(readings.typed);
  const read = useMemo(() => readTyped(kind, design, typed, units), [kind, design, typed, units]);
  const { name, needs, how, caution, columns, once } = INSTRUCTIONS[kind];
  const drawn = read.kind === 'read' ? read.result.drawn : null;
  const option = useMemo(() => drawn && fitOption(drawn, tokens), [drawn, tokens]);
  const field = (value: number, quantity: Quantity): string => inField(value, quantity, units);
  const { put: wasPut } = readings.typed;
  const isIn =
    wasPut !== undefined && Object.entries(wasPut).every(([key, value]) => isSameContent(design.measured[key as ValueKey], value));
  const put = (result: Result): void => {
    const made = intoCar(design, result).measured;
    const changed = Object.entries(made).filter(([key, value]) => !isSameContent(design.measured[key as ValueKey], value));
    // Before the car changes: what is drawn anew with it finds it.
    if (changed.length > 0) readings.markPut(Object.fromEntries(changed) as CarDesign['measured']);
    onPut(result);
  };
  /** Puts readings of this kind into the table, as they would be typed. */
  const show = (told: Readonly<Record<string, number | readonly number[]>>): void => {
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
  const open = async (file: File): Promise<void> => {
    setProblem('');
    let value: unknown;
    try {
      value = JSON.parse(await file.text());
    } catch {
      return setProblem('Readings: this file is no JSON. Choose one that was saved here.');
    }
    const given = readMeasurement(value);
    if (given.kind === 'faulty') return setProblem(`Readings: ${faultLine(given.faults[0]!)}`);
    if (given.value.kind !== kind) return setProblem(`Readings: these are of “${INSTRUCTIONS[given.value.kind].name}”. Open them there.`);
    show(given.value.readings as unknown as Readonly<Record<string, number | readonly number[]>>);
  };
  /** Readings of a hidden car built to this design, as its instruments print them. */
  const simulate = (): void => {
    const { design: built, numbers } = sampledCars(design, HIDDEN)(1);
    const hidden = { design: built, numbers, curvature: 0.012, slope: numbers.slope ?? 0, outOfTrue: 0.02, offCentre: 0.001 };
    const made = simulatedReadings(kind, hidden, 1 + tries);
    setTries(tries + 1);
    if (!made) return;
    show(made.measurement.readings as unknown as Readonly<Record<string, number | readonly number[]>>);
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
      <div className={styles.work}>
        <div className={styles.panel}>
          <ReadingTables design={design} kind={kind} readings={readings} />
          <div className={styles.row}>
            <Button size="small" onClick={simulate}>
              Try it without a bench
            </Button>
            <FileButton label="Readings from a file" accept=".json,application/json" onFile={(file) => void open(file)}>
              Open readings
            </FileButton>
            <Button size="small" onClick={readings.clear}>
              Clear the table
            </Button>
            {read.kind === 'read' && (
              <Button
                size="small"
                onClick={() =>
                  downloadJson(`${fileName(design.name)}-${kind}.json`, { ...read.measurement, madeAt: new Date().toISOString() })
                }
              >
                Save the readings
              </Button>
            )}
          </div>
        </div>
        <div className={styles.panel}>
          <div role="status" className={styles.panel}>
            {problem && (
              <p role="alert" className={plain.text}>
                ✕ {problem}
              </p>
            )}
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
                {disagreements(design, read.result).map((key) => (
                  <p key={key} className={plain.text}>
                    ! {resultLine(key, read.result.values[key]!).name}: further from what was measured before than either is sure. Look for
                    what was different; put in, both count by how sure they are.
                  </p>
                ))}
                {drawn?.thought && <p className={`${plain.caption} ${plain.muted}`}>Solid: fitted; dashed: as Design thinks of it.</p>}
                {(drawn?.odd.length ?? 0) > 0 && (
                  <p className={plain.text}>
                    ◆ Look at {drawn!.odd.length === 1 ? 'reading' : 'readings'} {drawn!.odd.map((i) => i + 1).join(', ')} again: far from
                    the rest. Read it anew, or clear its row where something slipped.
                  </p>
                )}
              </>
            )}
          </div>
          {read.kind === 'read' && (
            <div className={styles.row}>
              {isIn ? (
                <span className={plain.text}>✓ These readings are in the car.</span>
              ) : !isSameCar(intoCar(design, read.result), design) ? (
                <>
                  <Button variant="contained" onClick={() => put(read.result)}>
                    Put it into the car
                  </Button>
                  <span className={`${plain.caption} ${plain.muted}`}>as a version, with what was known before; undo brings it back</span>
                </>
              ) : (
                <span className={plain.text}>
                  The car keeps no such value by itself: use it where you set sizes, or to tell what to move.
                </span>
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
        </div>
      </div>
    </section>
  );
}
