import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import type { Limits } from '../../core/car/car-design.ts';
import { MOTOR_KINDS, MOTORS } from '../../core/car/motors/motors.ts';
import { NAMED_PARTS } from '../../core/brief/rules.ts';
import { QuantityField } from '../ui/quantity-field.tsx';
import plain from '../ui/plain.module.css';
import styles from './brief-fields.module.css';
import { labelsOf } from '../ui/labels-of.ts';

/** What the rules limit: its key, label, quantity and the most that can be typed. */
export const LIMITED = [
  ['length', 'Longest allowed', 'size', 5],
  ['width', 'Widest allowed', 'size', 5],
  ['height', 'Highest allowed', 'size', 5],
  ['mass', 'Heaviest allowed', 'weight', 10],
  ['bands', 'Most bands allowed', 'count', 400],
  ['parts', 'Most parts allowed', 'count', 1000],
] as const;

interface LimitFieldsProps {
  readonly limits: Limits;
  readonly onChange: (change: Partial<Limits>) => void;
}

/** What the rules allow in figures; 0 where they say nothing. */
export const LimitFields = ({ limits, onChange }: LimitFieldsProps) => (
  <>
    {LIMITED.map(([key, label, quantity, most]) => (
      <QuantityField
        key={key}
        size="small"
        label={`${label} (0: any)`}
        quantity={quantity}
        value={limits[key] ?? 0}
        check={(value) =>
          value < 0 || value > most || (quantity === 'count' && !Number.isInteger(value))
            ? `Must be 0 to ${most}${quantity === 'count' ? `, whole ${key}` : ''}.`
            : null
        }
        onChange={(value) => onChange({ [key]: value > 0 ? value : null })}
      />
    ))}
  </>
);

interface TicksProps {
  readonly legend: string;
  readonly options: Readonly<Record<string, string>>;
  readonly chosen: readonly string[];
  readonly onChange: (chosen: string[]) => void;
}

/** Some of several; none means any. */
const Ticks = ({ legend, options, chosen, onChange }: TicksProps) => (
  <fieldset className={styles.piece}>
    <legend className={plain.strong}>{legend}</legend>
    <div className={styles.pair}>
      {Object.entries(options).map(([key, words]) => (
        <FormControlLabel
          key={key}
          control={
            <Checkbox
              size="small"
              checked={chosen.includes(key)}
              onChange={(_event, isChosen) => onChange(isChosen ? [...chosen, key] : chosen.filter((one) => one !== key))}
            />
          }
          label={words}
        />
      ))}
    </div>
  </fieldset>
);

const DRIVES = Object.fromEntries(MOTOR_KINDS.map((kind) => [kind, MOTORS[kind].name]));
const TRAPS = labelsOf(NAMED_PARTS.traps);
const BANDS = labelsOf(NAMED_PARTS.bandSizes);
const MOST_WHEELS = 12;

/** What may drive a car, of what, and on how many wheels. */
export function AllowedParts({ limits, onChange }: LimitFieldsProps) {
  const { drives = [], traps = [], bandSizes = [], wheels } = limits;
  const count = (label: string, value: number, take: (value: number) => void) => (
    <QuantityField
      size="small"
      label={label}
      quantity="count"
      value={value}
      check={(typed) =>
        Number.isInteger(typed) && typed >= 0 && typed <= MOST_WHEELS ? null : `Must be 0 to ${MOST_WHEELS}, whole wheels.`
      }
      onChange={take}
    />
  );
  return (
    <>
      <Ticks
        legend="Driven by (none ticked: anything)"
        options={DRIVES}
        chosen={drives}
        onChange={(chosen) => onChange({ drives: chosen as Limits['drives'] & object })}
      />
      <Ticks legend="Traps (none ticked: any)" options={TRAPS} chosen={traps} onChange={(chosen) => onChange({ traps: chosen })} />
      <Ticks legend="Bands (none ticked: any)" options={BANDS} chosen={bandSizes} onChange={(chosen) => onChange({ bandSizes: chosen })} />
      <div className={styles.pair}>
        {count('Fewest wheels (0: any)', wheels?.least ?? 0, (least) =>
          onChange({ wheels: least === 0 ? null : { least, most: Math.max(wheels?.most ?? MOST_WHEELS, least) } }),
        )}
        {count('Most wheels (0: any)', wheels?.most ?? 0, (most) =>
          onChange({ wheels: most === 0 ? null : { least: Math.min(wheels?.least ?? 1, most), most } }),
        )}
      </div>
    </>
  );
}
