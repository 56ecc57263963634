import Button from '@mui/material/Button';
import { useDeferredValue, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { MEASUREMENTS } from '../../../core/bench/measurements.ts';
import type { Measurement, MeasurementKind } from '../../../core/bench/measured.ts';
import { simulatedReadings } from '../../../core/bench/simulated-readings.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { isSameReading } from '../../../core/bench/reading-columns.ts';
import { hiddenBuild, isReadByInstrument } from '../../../core/rig/simulated-instruments.ts';
import { FileButton } from '../../ui/file-button.tsx';
import { downloadJson, fileName } from '../../ui/file-exchange.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './bench.module.css';
import { InstrumentPanel } from './instrument-panel.tsx';
import { MeasuredBefore } from './earlier-measurements.tsx';
import { MeasuringDrawing } from './measuring-drawing.tsx';
import { ReadingTables } from './reading-tables.tsx';
import { readTyped } from './readings.ts';
import { ResultPanel } from './result-panel.tsx';
import { useBench } from './use-bench.ts';
import { useTypedReadings } from './use-typed-readings.ts';
import { HowToMeasure } from './how-to-measure.tsx';
import { ReadingsStatus } from './readings-status.tsx';
import { typedOf, openReadings } from './typed-of.ts';

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
  const { name } = MEASUREMENTS[kind];
  const isIn = read.kind === 'read' && bench.done.some((one) => one.isIn && isSameReading(one.measurement, read.measurement));
  const show = (measurement: Measurement): void => {
    const { rows, set } = typedOf(measurement, design, units);
    readings.fill(rows, set);
  };
  const open = async (file: File): Promise<void> => {
    const opened = await openReadings(file, kind);
    setProblem('problem' in opened ? `Readings: ${opened.problem}` : '');
    if ('measurement' in opened) show(opened.measurement);
  };
  /** Readings of a hidden car built to this design, as its instruments print them. */
  const simulate = (): void => {
    const simulated = simulatedReadings(kind, hiddenBuild(design), 1 + tries);
    setTries(tries + 1);
    if (simulated) show(simulated.measurement);
  };
  return (
    <section aria-labelledby="measure-title" className={styles.panel}>
      <h2 id="measure-title" className={plain.heading}>
        {name}
      </h2>
      <div className={styles.told}>
        <HowToMeasure kind={kind} />
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
            {kind === 'coast' && (
              <Button size="small" component={Link} to={`/cars/${carId}/bench/film`}>
                Measure from a film
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
          {read.kind !== 'read' && <ReadingsStatus read={read} />}
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
