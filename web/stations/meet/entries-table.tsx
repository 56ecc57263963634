import type { CarDesign } from '../../../core/car/car-design.ts';
import { inspectionOf, MEASURED, MEASURED_KEYS, type InspectedRule } from '../../../core/meet/inspection.ts';
import type { Entry, Meet } from '../../../core/meet/meet.ts';
import { formatIn, formatQuantity } from '../../../core/units/quantity.ts';
import { useUnits } from '../../ui/use-units.ts';
import styles from './entries-table.module.css';

/** How far an entry is inspected: `✓ inspected`, `✕ weight`, `○ 3 to check`. */
export function describeInspection(list: readonly InspectedRule[]): string {
  const broken = list.filter(({ verdict }) => verdict === 'broken').length;
  const open = list.filter(({ verdict }) => verdict === 'open').length;
  if (broken > 0) return `✕ breaks ${broken === 1 ? 'a rule' : `${broken} rules`}`;
  return open > 0 ? `○ ${open} to check` : '✓ inspected';
}

/** Whether an entry runs. */
export function describeRunning({ isOut, withdrawn, late }: Entry): string {
  if (isOut) return withdrawn ? 'withdrawn' : 'out';
  return late ? 'late' : '';
}

interface EntriesTableProps {
  readonly meet: Meet;
  /** The design of an entry, where its car is in the Garage. */
  readonly designOf: (entry: Entry) => CarDesign | null;
  readonly onOpen: (id: string) => void;
}

/** All entries, a row each: car and crew, how far it is inspected, and what was measured. A car is pressed to inspect it. */
export function EntriesTable({ meet, designOf, onOpen }: EntriesTableProps) {
  const units = useUnits();
  const format = formatIn(units);
  const { rules } = meet.brief;
  const measured = MEASURED_KEYS.filter((key) => rules[key] !== null);
  return (
    <table className={styles.entries}>
      <thead>
        <tr>
          <th scope="col">car</th>
          <th scope="col">inspection</th>
          {measured.map((key) => (
            <th key={key} scope="col" className={styles.wide}>
              {MEASURED[key].name}
            </th>
          ))}
          {meet.style > 0 && (
            <th scope="col" className={styles.wide}>
              style
            </th>
          )}
          <th scope="col" className={styles.wide}>
            own prediction
          </th>
        </tr>
      </thead>
      <tbody>
        {meet.entries.map((entry) => {
          const running = describeRunning(entry);
          return (
            <tr key={entry.id} className={entry.isOut ? styles.out : undefined}>
              <th scope="row">
                <button type="button" aria-haspopup="dialog" onClick={() => onOpen(entry.id)}>
                  {entry.car}
                </button>
                <span>
                  {entry.crew}
                  {running && ` · ${running}`}
                </span>
              </th>
              <td>{describeInspection(inspectionOf(entry, rules, designOf(entry), format))}</td>
              {measured.map((key) => {
                const value = entry.measured[key];
                return (
                  <td key={key} className={styles.wide}>
                    {value === null ? '–' : formatQuantity(value, MEASURED[key].quantity, units)}
                  </td>
                );
              })}
              {meet.style > 0 && <td className={styles.wide}>{entry.style ?? '–'}</td>}
              <td className={styles.wide}>{entry.predicted === undefined ? '–' : formatQuantity(entry.predicted, 'distance', units)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
