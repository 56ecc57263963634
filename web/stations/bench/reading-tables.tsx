import Button from '@mui/material/Button';
import { MEASUREMENTS } from '../../../core/bench/measurements.ts';
import type { MeasurementKind } from '../../../core/bench/measured.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { formatNumber, type Quantity, unitOf, type UnitSystem, unitValue } from '../../../core/units/quantity.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './bench.module.css';
import type { useTypedReadings } from './use-typed-readings.ts';

/** An SI value as it would be typed into a field. */
export const inField = (value: number, quantity: Quantity, units: UnitSystem): string =>
  String(Number((value / unitValue(quantity, units)).toPrecision(4)));

interface ReadingTablesProps {
  readonly design: CarDesign;
  readonly kind: MeasurementKind;
  readonly readings: ReturnType<typeof useTypedReadings>;
}

/** Where readings are typed: a row for each, and below what is reported once, begun as the design has it. */
export function ReadingTables({ design, kind, readings }: ReadingTablesProps) {
  const units = useUnits();
  const { columns, once, division } = MEASUREMENTS[kind];
  const dividing = columns.find(({ key }) => division.of.includes(key))!;
  const unit = (quantity: Quantity): string => {
    const name = unitOf(quantity, units);
    return name === '' ? '' : `, ${name}`;
  };
  const field = (value: number, quantity: Quantity): string => inField(value, quantity, units);
  return (
    <>
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
          {readings.typed.rows.map((row, i) => {
            const isOut = readings.typed.left?.includes(i) ?? false;
            return (
              <tr key={i} className={isOut ? styles.out : undefined}>
                <td className={plain.muted}>{i + 1}</td>
                {columns.map(({ key, label, options }) => (
                  <td key={key}>
                    {options ? (
                      <select
                        aria-label={`${label}, row ${i + 1}`}
                        value={row[key] || options[0]}
                        onChange={({ target }) => readings.cell(i, key, target.value)}
                      >
                        {options.map((option) => (
                          <option key={option}>{option}</option>
                        ))}
                      </select>
                    ) : (
                      <input
                        aria-label={`${label}, row ${i + 1}`}
                        inputMode="decimal"
                        autoComplete="off"
                        value={row[key] ?? ''}
                        onChange={({ target }) => readings.cell(i, key, target.value)}
                      />
                    )}
                  </td>
                ))}
              </tr>
            );
          })}
        </tbody>
      </table>
      {(readings.typed.left ?? []).map((row) => (
        <div key={row} className={styles.row}>
          <span className={plain.text}>Row {row + 1} is left out.</span>
          <Button size="small" onClick={() => readings.leaveOut(row, false)}>
            Include row {row + 1} again
          </Button>
        </div>
      ))}
      <table className={`${plain.text} ${styles.table}`}>
        <tbody>
          {once.map(({ key, label, quantity, of, either }) => (
            <tr key={key}>
              <th scope="row">
                {label}
                {unit(quantity)}
              </th>
              <td>
                {either ? (
                  <select
                    aria-label={label}
                    value={readings.typed.once[key] || String(of(design))}
                    onChange={({ target }) => readings.once(key, target.value)}
                  >
                    {either.map((words, i) => (
                      <option key={words} value={String(i)}>
                        {words}
                      </option>
                    ))}
                  </select>
                ) : (
                  <input
                    aria-label={label}
                    inputMode="decimal"
                    autoComplete="off"
                    placeholder={
                      quantity === 'count' ? String(Number(of(design).toPrecision(4))) : formatNumber(of(design), quantity, units)
                    }
                    value={readings.typed.once[key] ?? ''}
                    onChange={({ target }) => readings.once(key, target.value)}
                  />
                )}
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
    </>
  );
}
