import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { designAsBuilt, goalDistance, inspect, inspectedSizes, type InspectionRow } from '../../../core/build/inspection.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { isSameCar } from '../../../core/car/same-design.ts';
import { prepareRun } from '../../../core/predict/derive-run-setup.ts';
import {
  formatAbout,
  formatNumber,
  formatPredicted,
  formatQuantity,
  parseQuantity,
  unitOf,
  type UnitSystem,
} from '../../../core/units/quantity.ts';
import plain from '../../ui/plain.module.css';
import { Wide } from '../../ui/wide.tsx';
import { WordTable } from '../../ui/word-table.tsx';
import { useUnits } from '../../ui/use-units.ts';
import { useUnitsOfTyping } from '../../ui/use-units-of-typing.ts';
import styles from './build.module.css';
import { useLocalStorage } from '../../ui/use-local-storage.ts';

interface InspectionViewProps {
  readonly carId: string;
  readonly design: CarDesign;
  /** Keeps the car as it was built. */
  readonly onBuilt: (built: CarDesign, measured: Readonly<Record<string, number>>) => void;
}

const NOTHING: Readonly<Record<string, string>> = {};

/** What one size costs, in words: metres, and off the line at the goal. */
function costWords({ costs, drift }: InspectionRow, distance: number, units: UnitSystem): string {
  const words: string[] = [];
  if (costs !== null && Math.abs(costs) > 0.05)
    words.push(`${costs < 0 ? 'less by' : 'more by'} ${formatAbout(Math.abs(costs), 'distance', units)}`);
  if (drift !== null)
    words.push(
      `${formatPredicted(Math.abs(drift), 'distance', units)} to the ${drift > 0 ? 'right' : 'left'} after ${Number(formatNumber(distance, 'distance', units))} ${unitOf('distance', units)}`,
    );
  return words.length > 0 ? words.join(', ') : costs === null ? 'not in the model' : 'almost nothing';
}

/** The finished car measured: each size within tolerance or not, what it costs, and the cure; kept as it was built. */
export function InspectionView({ carId, design, onBuilt }: InspectionViewProps) {
  const [typed, setTyped] = useLocalStorage(`build-inspection-${carId}`, NOTHING);
  const sizes = useMemo(() => inspectedSizes(design), [design]);
  const units = useUnits();
  useUnitsOfTyping(typed.units as UnitSystem | undefined, (reread) =>
    setTyped({
      ...Object.fromEntries(sizes.flatMap(({ id, quantity }) => (typed[id] ? [[id, reread(typed[id], quantity)]] : []))),
      units,
    }),
  );
  const read = sizes.map(({ id, quantity }) => ({
    id,
    parsed: (typed[id] ?? '').trim() === '' ? null : parseQuantity(typed[id]!, quantity, units),
  }));
  const measured = Object.fromEntries(read.flatMap(({ id, parsed }) => (parsed?.kind === 'value' ? [[id, parsed.value]] : [])));
  const key = JSON.stringify(measured);
  const rowsById = useMemo(
    () => new Map(inspect(design, JSON.parse(key) as Record<string, number>).map((one) => [one.id, one])),
    [design, key],
  );
  const built = useMemo(() => designAsBuilt(design, JSON.parse(key) as Record<string, number>), [design, key]);
  const canRun = prepareRun(built).kind === 'ready';
  const distance = goalDistance(design);
  const moves = [...rowsById.values()].find(({ moves: some }) => some.length > 0)?.moves ?? [];
  const wrong = read.find(({ parsed }) => parsed?.kind === 'unclear');
  return (
    <div className={styles.view}>
      <div className={styles.tools}>
        <p className={`${plain.text} ${plain.muted}`}>
          Measure the finished car. Leave out what you cannot measure. Nothing changes until you save it.
        </p>
        <Button variant="outlined" onClick={() => window.print()}>
          Print
        </Button>
        {Object.keys(typed).length > 0 && <Button onClick={() => setTyped(NOTHING)}>Clear the sheet</Button>}
      </div>
      <Wide label="Inspection of the finished car">
        <WordTable
          head={['size', 'drawn', 'measured', 'status', 'effect', 'cure']}
          rows={sizes.map(({ id, label, quantity, drawn, tolerance, cure }) => {
            const one = rowsById.get(id);
            const parsed = read.find((each) => each.id === id)?.parsed;
            const unit = unitOf(quantity, units);
            return [
              label,
              drawn === null
                ? '–'
                : `${formatQuantity(drawn, quantity, units)}${Number.isFinite(tolerance) ? ` ± ${formatQuantity(tolerance, quantity, units)}` : ''}`,
              <input
                key={id}
                className={styles.field}
                aria-label={`${label}${unit ? `, ${unit}` : ''}`}
                inputMode="decimal"
                autoComplete="off"
                value={typed[id] ?? ''}
                onChange={({ target }) => setTyped({ ...typed, [id]: target.value, units })}
              />,
              parsed?.kind === 'unclear'
                ? `✕ ${parsed.message}`
                : !one
                  ? ''
                  : one.off === null
                    ? 'noted'
                    : one.isWithin
                      ? '✓ as drawn'
                      : Math.abs(one.off) <= tolerance
                        ? '✕ left and right differ'
                        : `✕ ${one.off > 0 ? '+' : '−'}${formatQuantity(Math.abs(one.off), quantity, units)}`,
              one ? costWords(one, distance, units) : '',
              one && !one.isWithin ? cure : '',
            ];
          })}
        />
      </Wide>
      {moves.length > 0 && (
        <section aria-label="To make it straight" role="status" className={styles.words}>
          <h2 className={plain.heading}>To make it straight</h2>
          <ul className={plain.text}>
            {moves.map(({ axle, end, direction, distance }) => (
              <li key={axle}>
                Move the {end} end of the {axle} axle {formatQuantity(distance, 'size', units)} {direction} at its bearing.
              </li>
            ))}
          </ul>
          <p className={`${plain.caption} ${plain.muted}`}>Move only one of them.</p>
        </section>
      )}
      <div className={styles.tools}>
        <Button
          variant="contained"
          disabled={Object.keys(measured).length === 0 || wrong !== undefined || !canRun || isSameCar(built, design)}
          onClick={() => onBuilt(built, measured)}
        >
          Save as built
        </Button>
        <span className={`${plain.caption} ${plain.muted}`}>
          {!canRun
            ? 'With these sizes it could not run. Measure them again.'
            : Object.keys(measured).length > 0 && isSameCar(built, design)
              ? 'It is as drawn, or saved already.'
              : 'Saved as a version, with the drawn one before it. Track and Tune then use the car as it was built.'}
        </span>
      </div>
    </div>
  );
}
