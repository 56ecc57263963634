import Button from '@mui/material/Button';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { inspectionOf, MEASURED, MEASURED_KEYS, type InspectedRule } from '../../../core/meet/inspection.ts';
import type { Entry, Meet } from '../../../core/meet/meet.ts';
import { withRunning } from '../../../core/meet/new-meet.ts';
import { formatIn, formatQuantity, parseQuantity, type Quantity } from '../../../core/units/quantity.ts';
import plain from '../../ui/plain.module.css';
import { TextEntry } from '../../ui/text-entry.tsx';
import { useUnits } from '../../ui/use-units.ts';
import styles from './meet.module.css';

const SIGNS: Readonly<Record<InspectedRule['verdict'], string>> = { kept: '✓', broken: '✕', open: '○' };

interface QuantityEntryProps {
  readonly label: string;
  readonly named: string;
  readonly quantity: Quantity;
  readonly value: number | null;
  readonly onChange: (value: number | null) => void;
}
/** A quantity that may be left out. */
function QuantityEntry({ label, named, quantity, value, onChange }: QuantityEntryProps) {
  const units = useUnits();
  return (
    <TextEntry
      label={label}
      named={named}
      // A whole number of metres is reported as one.
      value={value === null ? '' : formatQuantity(value, quantity, units).replace(/\.0+(?=\D)/, '')}
      check={(typed) => {
        const parsed = parseQuantity(typed, quantity, units);
        return typed !== '' && parsed.kind === 'unclear' ? parsed.message : null;
      }}
      onChange={(typed) => {
        const parsed = typed === '' ? null : parseQuantity(typed, quantity, units);
        onChange(parsed?.kind === 'value' ? parsed.value : null);
      }}
    />
  );
}

interface EntryCardProps {
  readonly meet: Meet;
  /** Runs were made already. */
  readonly hasBegun: boolean;
  readonly entry: Entry;
  /** Of a car that is in the Garage. */
  readonly design: CarDesign | null;
  readonly onChange: (change: (entry: Entry) => Entry) => void;
}

/** One entry: the car inspected rule by rule, style, what it expects to come, and whether it runs. */
export function EntryCard({ meet, hasBegun, entry, design, onChange }: EntryCardProps) {
  const units = useUnits();
  const { rules } = meet.brief;
  const list = inspectionOf(entry, rules, design, formatIn(units));
  const isOpen = list.some(({ verdict }) => verdict !== 'kept');
  const tick = (key: string, isSeen: boolean): void =>
    onChange((before) => {
      const others = (before.seen ?? []).filter((one) => one !== key);
      return { ...before, seen: isSeen ? [...others, key] : others };
    });
  return (
    <section aria-label={`${entry.crew}, ${entry.car}`} className={styles.part}>
      <p className={`${plain.text} ${plain.muted}`}>{entry.crew}</p>
      <div className={styles.fields}>
        {MEASURED_KEYS.filter((key) => rules[key] !== null).map((key) => (
          <QuantityEntry
            key={key}
            label={MEASURED[key].name}
            named={`${MEASURED[key].name} of ${entry.car}, measured`}
            quantity={MEASURED[key].quantity}
            value={entry.measured[key]}
            onChange={(value) => onChange((before) => ({ ...before, measured: { ...before.measured, [key]: value } }))}
          />
        ))}
      </div>
      {list.length > 0 && (
        <>
          <ul className={`${plain.text} ${styles.rules}`} aria-label={`Rules, ${entry.car}`}>
            {list.map(({ key, verdict, words, byHand }) => (
              <li key={key}>
                {byHand ? (
                  <label>
                    <input type="checkbox" checked={verdict === 'kept'} onChange={({ target }) => tick(key, target.checked)} /> {words}
                    {verdict === 'broken' && ' (tick it when it is fixed)'}
                  </label>
                ) : (
                  `${SIGNS[verdict]} ${words}`
                )}
              </li>
            ))}
          </ul>
          {!isOpen && <p className={plain.strong}>✓ Inspected: it follows every rule.</p>}
        </>
      )}
      {meet.style > 0 && (
        <TextEntry
          label="Style"
          named={`Style of ${entry.car}, up to ${meet.style}`}
          value={entry.style === null ? '' : String(entry.style)}
          check={(typed) =>
            typed === '' || (Number(typed) >= 0 && Number(typed) <= meet.style) ? null : `A number from 0 to ${meet.style}.`
          }
          onChange={(typed) => onChange((before) => ({ ...before, style: typed === '' ? null : Number(typed) }))}
        />
      )}
      <QuantityEntry
        label="Own prediction"
        named={`Own prediction: ${entry.car}`}
        quantity="distance"
        value={entry.predicted ?? null}
        onChange={(value) => onChange(({ predicted: _before, ...rest }) => ({ ...rest, ...(value !== null && { predicted: value }) }))}
      />
      <div className={styles.row}>
        <label className={plain.text}>
          <input
            type="checkbox"
            checked={entry.showsPrediction}
            onChange={({ target }) => onChange((before) => ({ ...before, showsPrediction: target.checked }))}
          />{' '}
          show it on the board
        </label>
        <Button
          size="small"
          onClick={() => onChange((before) => withRunning(before, before.isOut, hasBegun))}
          aria-label={`${entry.isOut ? 'Let it run' : 'Withdraw'}: ${entry.car}`}
        >
          {entry.isOut ? 'Let it run' : 'Withdraw'}
        </Button>
        {entry.isOut && (
          <span className={plain.text}>– {entry.withdrawn ? 'withdrawn: its results count, its lanes stay empty' : 'out'}</span>
        )}
        {!entry.isOut && entry.late && <span className={plain.text}>entered late: it runs after the others</span>}
      </div>
    </section>
  );
}
