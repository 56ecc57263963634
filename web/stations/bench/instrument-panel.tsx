import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { MEASUREMENTS } from '../../../core/bench/measurements.ts';
import type { MeasurementKind } from '../../../core/bench/measured.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { instrumentLines, lineKeyOf, shownNow } from '../../../core/rig/simulated-instruments.ts';
import { formatQuantity } from '../../../core/units/quantity.ts';
import { ChoiceSelect } from '../../brief-fields/choice-select.tsx';
import { DeviceSource } from '../../devices/device-source.tsx';
import { useDevice, type Source } from '../../devices/use-device.ts';
import { useUnits } from '../../ui/use-units.ts';
import styles from './bench.module.css';
import { inField } from './reading-tables.tsx';
import type { useTypedReadings } from './use-typed-readings.ts';

interface InstrumentPanelProps {
  readonly design: CarDesign;
  readonly kind: MeasurementKind;
  readonly readings: ReturnType<typeof useTypedReadings>;
}

/** A scale or tilt board that prints its lines: what it shows now, taken into the table with one press. */
export function InstrumentPanel({ design, kind, readings }: InstrumentPanelProps) {
  const units = useUnits();
  const [source, setSource] = useState<Source>('simulated');
  const device = useDevice(source);
  const { columns } = MEASUREMENTS[kind];
  const lines = useMemo(() => instrumentLines(kind, design, 1), [kind, design]);
  const [next, setNext] = useState(0);
  const now = shownNow(device.events);
  const shown = columns.flatMap((column) => {
    const key = lineKeyOf(column);
    return key && now[key] !== undefined ? [{ column, value: now[key] }] : [];
  });
  // Where one scale reads several columns, the builder says which it is now.
  const leads = columns.filter((column) => ['force', 'mass'].includes(lineKeyOf(column) ?? ''));
  const [goesTo, setGoesTo] = useState(leads[0]?.key ?? '');
  // What is read along the run back is beside a place that is there already.
  const isBack = leads.some(({ key, isOptional }) => key === goesTo && isOptional);
  const taken = shown.filter(({ column: { key } }) => key === goesTo || (!isBack && !leads.some((lead) => lead.key === key)));
  return (
    <div className={styles.panel}>
      <DeviceSource
        source={source}
        onSource={setSource}
        device={device}
        simulatedName="the simulated instrument"
        example={`t=1.5 ${lineKeyOf(leads[0] ?? columns[0]!) ?? 'force'}=0.4`}
        simulated={
          <Button
            variant="outlined"
            disabled={lines.length === 0}
            onClick={() => {
              const line = lines[next % lines.length]!;
              setNext(next + 1);
              if (leads.some(({ key }) => key === line.column)) setGoesTo(line.column);
              device.take(line.line);
            }}
          >
            Hold it at the next position
          </Button>
        }
      />
      {leads.length > 1 && (
        <ChoiceSelect
          label="Reading"
          value={goesTo}
          options={Object.fromEntries(leads.map(({ key, label }) => [key, label]))}
          onChange={setGoesTo}
        />
      )}
      {taken.length > 0 && (
        <div className={styles.row}>
          <span role="status" className={styles.shown}>
            {taken.map(({ column, value }) => formatQuantity(value, column.quantity, units)).join(' · ')}
          </span>
          <Button
            variant="contained"
            onClick={() =>
              readings.add(Object.fromEntries(taken.map(({ column, value }) => [column.key, inField(value, column.quantity, units)])))
            }
          >
            Use this reading
          </Button>
        </div>
      )}
    </div>
  );
}
