import Button from '@mui/material/Button';
import { useDeferredValue, useMemo, useState } from 'react';
import { MEASUREMENTS } from '../../../core/bench/measurements.ts';
import type { Measurement, MeasurementKind } from '../../../core/bench/measured.ts';
import { simulatedReadings } from '../../../core/bench/simulated-readings.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { formatFault } from '../../../core/fault-words.ts';
import { readMeasurement } from '../../../core/files/read.ts';
import { columnsOf, isSameReading } from '../../../core/bench/reading-columns.ts';
import { hiddenBuild, isReadByInstrument } from '../../../core/rig/simulated-instruments.ts';
import type { Quantity } from '../../../core/units/quantity.ts';
import { FileButton } from '../../ui/file-button.tsx';
import { downloadJson, fileName } from '../../ui/file-exchange.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './bench.module.css';
import { InstrumentPanel } from './instrument-panel.tsx';
import { MeasuredBefore } from './earlier-measurements.tsx';
import { MeasuringDrawing } from './measuring-drawing.tsx';
import { inField, ReadingTables } from './reading-tables.tsx';
import { readTyped, type TypedReadings } from './readings.ts';
import { ResultPanel } from './result-panel.tsx';
import type { useBench } from './use-bench.ts';
import { useTypedReadings } from './use-typed-readings.ts';

interface MeasurePanelProps {
  readonly carId: string;
  readonly design: CarDesign;
  readonly kind: MeasurementKind;
  readonly bench: ReturnType<typeof useBench>;
}

/** One measurement: what it needs, how it is made, what was read, the fit and what it means. */
export function MeasurePanel({ carId, design, kind, bench }: MeasurePanelProps) {
  const units = useUnits();
  const readings = useTypedReadings(carId, kind);
  const [tries, setTries] = useState(0);
  const [problem, setProblem] = useState('');
  const [isListening, setListening] = useState(false);
  const typed = useDeferredValue(readings.typed);
  const read = useMemo(() => readTyped(kind, design, typed, units), [kind, design, typed, units]);
  const { name, needs, how, caution, columns, once } = MEASUREMENTS[kind];
  const field = (value: number, quantity: Quantity): string => inField(value, quantity, units);
  const isIn = read.kind === 'read' && bench.done.some((one) => one.isIn && isSameReading(one.measurement, read.measurement));
  /** Puts readings of this kind into the table, as they would be typed. */
  const show = (measurement: Measurement): void => {
    const told = columnsOf(measurement);
    const inColumns = columns.map(({ key, quantity, options }) => {
      const list = told[key];
      const values = Array.isArray(list) ? (list as readonly (number | string)[]) : [];
      return [key, values.map((value) => (options ? String(value) : field(Number(value), quantity)))] as const;
    });
    const count = Math.max(...inColumns.map(([, list]) => list.length));
    const rows: TypedReadings['rows'] = Array.from({ length: count }, (_, i) =>
      Object.fromEntries(inColumns.map(([key, list]) => [key, list[i] ?? ''])),
    );
    // What the instruments were set up with stands beside them.
    const set = once.flatMap(({ key, quantity, of, either }) => {
      const value = told[key];
      if (either) return [[key, value ? '1' : '0'] as const];
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
      return setProblem('Readings: this file is not JSON. Choose one that was saved here.');
    }
    const given = readMeasurement(value);
    if (given.kind === 'faulty') return setProblem(`Readings: ${formatFault(given.faults[0]!)}`);
    if (given.value.kind !== kind)
      return setProblem(`Readings: these belong to “${MEASUREMENTS[given.value.kind].name}”. Open them there.`);
    show(given.value);
  };
  /** Readings of a hidden car built to this design, as its instruments print them. */
  const simulate = (): void => {
    const made = simulatedReadings(kind, hiddenBuild(design), 1 + tries);
    setTries(tries + 1);
    if (made) show(made.measurement);
  };
  return (
    <section aria-labelledby="measure-title" className={styles.panel}>
      <h2 id="measure-title" className={plain.heading}>
        {name}
      </h2>
      <div className={styles.told}>
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
        <MeasuringDrawing design={design} kind={kind} name={name} />
      </div>
      <div className={styles.work}>
        <div className={styles.panel}>
          <ReadingTables design={design} kind={kind} readings={readings} />
          <div className={styles.row}>
            <Button size="small" onClick={simulate}>
              Simulate readings
            </Button>
            {isReadByInstrument(kind) && (
              <Button size="small" aria-expanded={isListening} onClick={() => setListening(!isListening)}>
                Read an instrument
              </Button>
            )}
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
                Save readings
              </Button>
            )}
          </div>
          {isListening && <InstrumentPanel design={design} kind={kind} readings={readings} />}
        </div>
        <div className={styles.panel}>
          {problem && (
            <p role="alert" className={plain.text}>
              ✕ {problem}
            </p>
          )}
          {read.kind === 'none' && (
            <p role="status" className={`${plain.text} ${plain.muted}`}>
              Type readings: the result appears here.
            </p>
          )}
          {read.kind === 'few' && (
            <p role="status" className={plain.text}>
              ○ {read.message}
            </p>
          )}
          {read.kind === 'wrong' && (
            <p role="status" className={plain.text}>
              ✕ {read.message}
            </p>
          )}
          {read.kind === 'read' && (
            <ResultPanel
              design={design}
              read={read}
              readings={readings}
              isIn={isIn}
              partName={bench.partName}
              hasOwn={bench.hasOwn}
              onPut={(slot) => void bench.put(read.measurement, read.result, slot)}
            />
          )}
        </div>
      </div>
      {/* Below what is typed: it comes when the versions are there, and pushes nothing about. */}
      <MeasuredBefore kind={kind} bench={bench} onShow={show} />
    </section>
  );
}
