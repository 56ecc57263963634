import { hasAllWords } from '../../../../core/has-all-words.ts';
import Button from '@mui/material/Button';
import { memo, useEffect, useState } from 'react';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { FLOOR_DEPENDENT, measuredSpread, valueKeysOf, valueOf } from '../../../../core/car/values.ts';
import { formatSpread, VALUE_NAMES, VALUE_UNITS, type Value, type ValueKey } from '../../../../core/car/value-table.ts';
import type { Fault } from '../../../../core/fault.ts';
import { describeProblem } from '../../../../core/fault-words.ts';
import { formatQuantity, numberIn, parseQuantity } from '../../../../core/units/quantity.ts';
import { PlainField } from '../../../ui/plain-field.tsx';
import plain from '../../../ui/plain.module.css';
import { useDraft } from '../../../ui/use-draft.ts';
import { useRoving } from '../../../ui/use-roving.ts';
import { useUnits } from '../../../ui/use-units.ts';
import styles from './car-panel.module.css';
import type { Edit } from '../../../open-car/design-slice.ts';

interface ValuesListProps {
  readonly design: CarDesign;
  readonly edit: Edit;
  /** Why the car cannot run as it is. */
  readonly faults: readonly Fault[];
  /** Those looked for; all without. */
  readonly only?: readonly ValueKey[];
}

/** Every number of the car that is not known exactly: as estimated from its parts, or as measured. */
export function ValuesList({ design, ...shown }: ValuesListProps) {
  // Far from the hand: while a size is dragged, curve and verdict go first.
  return <Values design={useSettled(design)} {...shown} />;
}

/** The values that are called so. */
export const valuesFound = (design: CarDesign, sought: string): ValueKey[] =>
  valueKeysOf(design).filter((key) => hasAllWords(VALUE_NAMES[key], sought));

/** ms a design is quiet before it is reported here. */
const QUIET = 100;

/** The design once it is quiet; at once when something measured was typed or taken back. */
function useSettled(design: CarDesign): CarDesign {
  const [settled, setSettled] = useState(design);
  const isTold = settled.measured !== design.measured || settled.motor.kind !== design.motor.kind;
  if (isTold) setSettled(design);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(design), QUIET);
    return () => clearTimeout(timer);
  }, [design]);
  return isTold ? design : settled;
}

const Values = memo(function Values({ design, edit, faults, only }: ValuesListProps) {
  const group = useRoving(`.${styles.value}`);
  const faultOf = (key: string): string | undefined => {
    const fault = faults.find(({ path }) => path === `measured.${key}`);
    return fault && describeProblem(fault);
  };
  return (
    <div ref={group} className={plain.rows}>
      {!only && (
        <p className={`${plain.caption} ${plain.muted}`}>
          Estimated from the parts until you type a measured value. Each value has its uncertainty. Measured values narrow the range.
        </p>
      )}
      {(only ?? valueKeysOf(design)).map((key) => (
        <ValueRow
          key={`${key}${design.measured[key] ? 'm' : 'e'}`}
          valueKey={key}
          {...valueOf(design, key)}
          isTyped={Object.hasOwn(design.measured, key)}
          fault={faultOf(key)}
          edit={edit}
        />
      ))}
    </div>
  );
});

interface ValueRowProps extends Value {
  readonly valueKey: ValueKey;
  /** Typed for this car, in place of what its parts say. */
  readonly isTyped: boolean;
  /** What is wrong with it for this car. */
  readonly fault: string | undefined;
  readonly edit: Edit;
}

/** Drawn again only when its own value changes. */
const ValueRow = memo(function ValueRow({ valueKey, value, spread, evidence, isTyped, fault, edit }: ValueRowProps) {
  const units = useUnits();
  const { unit, factor } = VALUE_UNITS[valueKey];
  const [typed, setTyped] = useDraft(VALUE_NAMES[valueKey]);
  const [problem, setProblem] = useState('');
  const shown = numberIn(VALUE_UNITS[valueKey], value);
  const take = (): void => {
    if (typed === null) return;
    const parsed = parseQuantity(typed, 'count', units);
    if (parsed.kind === 'unclear') return setProblem(parsed.message);
    if (!(parsed.value > 0) && valueKey !== 'slope') return setProblem('Must be above 0.');
    setProblem('');
    setTyped(null);
    edit((car) => ({
      ...car,
      measured: {
        ...car.measured,
        [valueKey]: {
          value: parsed.value * factor,
          spread: measuredSpread(valueKey),
          // What depends on the floor is known of this one.
          ...(FLOOR_DEPENDENT.has(valueKey) && { on: car.floor.kind }),
        },
      },
    }));
  };
  const forget = (): void =>
    edit((car) => {
      const { [valueKey]: _gone, ...measured } = car.measured;
      return { ...car, measured };
    });
  return (
    <div>
      <p className={plain.text}>{VALUE_NAMES[valueKey]}</p>
      <div className={styles.value}>
        <PlainField
          aria-label={`${VALUE_NAMES[valueKey]}${unit === '' ? '' : `, ${unit}`}`}
          unit={unit}
          problem={problem !== '' ? problem : fault ? `✕ ${fault}` : null}
          value={typed ?? shown}
          onChange={({ target }) => setTyped(target.value)}
          onBlur={take}
          onKeyDown={({ key }) => key === 'Enter' && take()}
        />
        {isTyped && (
          <Button size="small" onClick={forget} aria-label={`Use the estimate again: ${VALUE_NAMES[valueKey]}`}>
            use estimate
          </Button>
        )}
      </div>
      <p
        className={`${plain.caption} ${plain.muted}`}
      >{`${evidence}, ± ${formatSpread(valueKey, spread, (fraction, quantity) => formatQuantity(fraction, quantity, units))}`}</p>
    </div>
  );
});
