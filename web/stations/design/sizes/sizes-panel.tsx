import { nanoid } from '@reduxjs/toolkit';
import { Fragment, memo, useEffect, useRef } from 'react';
import type { CarDesign, MotorKind } from '../../../../core/car/car-design.ts';
import { MOTOR_KINDS } from '../../../../core/car/motors/motors.ts';
import { weightWords } from '../../../../core/car/weights.ts';
import { newCar } from '../../../../core/car/new-car.ts';
import { sizesOf } from '../../../../core/car/sizes.ts';
import type { Size } from '../../../../core/car/size.ts';
import { faultWords } from '../../../../core/car/fault-words.ts';
import type { Fault } from '../../../../core/fault.ts';
import { wrongWords } from '../../../../core/fault-words.ts';
import { printQuantity } from '../../../../core/units/quantity.ts';
import { arrowStep } from '../../../ui/arrow-step.ts';
import { PlainField } from '../../../ui/plain-field.tsx';
import plain from '../../../ui/plain.module.css';
import { useQuantityInput } from '../../../ui/use-quantity-input.ts';
import { useRoving } from '../../../ui/use-roving.ts';
import { useUnits } from '../../../ui/use-units.ts';
import type { Edit } from '../../../open-car/design-slice.ts';
import styles from './sizes-panel.module.css';

interface SizesPanelProps {
  readonly design: CarDesign;
  readonly edit: Edit;
  readonly faults: readonly Fault[];
}

/** Sizes a fault of the design is shown at, by the key it names. */
const FAULT_AT: Readonly<Record<string, string>> = {
  'motor.cockedAngle': 'leverLength',
  'motor.releaseAngle': 'leverLength',
  mass: 'mass',
  driveLoadShare: 'driveLoadShare',
  'motor.turns': 'turns',
  'motor.anchorToAxle': 'anchorToAxle',
  sleeve: 'sleeve',
  wheelbase: 'wheelbase',
};

/** Every size of the car, to type in any unit or to slide. */
export function SizesPanel({ design, edit, faults }: SizesPanelProps) {
  useEffect(() => {
    const timer = setTimeout(() => void reader(), FETCH_AFTER);
    return () => clearTimeout(timer);
  }, []);
  const units = useUnits();
  const group = useRoving(`.${styles.size}`);
  const faultAt = (id: string): string | undefined => {
    const fault = faults.find(({ path }) => FAULT_AT[path] === id);
    return fault && faultWords(fault, (value, quantity) => printQuantity(value, quantity, units));
  };
  return (
    <section ref={group} aria-labelledby="sizes-title">
      <h2 id="sizes-title" className={plain.heading}>
        Sizes
      </h2>
      {sizesOf(design.motor.kind).map((size) => (
        <Fragment key={size.id}>
          <SizeRow size={size} kind={design.motor.kind} value={size.read(design)} edit={edit} fault={faultAt(size.id)} />
          {size.id === 'mass' && (
            <p className={`${plain.caption} ${plain.muted}`}>{weightWords(design, (value) => printQuantity(value, 'weight', units))}</p>
          )}
        </Fragment>
      ))}
    </section>
  );
}

interface SizeRowProps {
  readonly size: Size;
  readonly kind: MotorKind;
  readonly value: number;
  readonly edit: Edit;
  readonly fault: string | undefined;
}

const STEPS = 400;

/** Any design of each kind that passes: the schema judges each size by itself. */
const PATTERN = Object.fromEntries(MOTOR_KINDS.map((kind) => [kind, newCar('pattern', kind)])) as Record<MotorKind, CarDesign>;

/** Reading files takes a fair piece of program: it is fetched when the station stands. */
const reader = () => import('../../../../core/files/read.ts');
const FETCH_AFTER = 500;

/** Drawn anew only when its own size changes. */
const SizeRow = memo(function SizeRow({ size, kind, value, edit, fault }: SizeRowProps) {
  const units = useUnits();
  const gesture = useRef('');
  const within = Math.min(Math.max(value, size.low), size.high);
  const beginGesture = (): void => {
    gesture.current = nanoid();
  };
  // The browser's own slider knows one step; here Shift takes ten and Alt a tenth, as on the drawing.
  const stepByKey = (event: React.KeyboardEvent): void => {
    beginGesture();
    const steps = arrowStep(event);
    if (steps === null || Math.abs(steps) === 1) return;
    event.preventDefault();
    const moved = value + (steps * (size.high - size.low)) / STEPS;
    edit((design) => size.write(design, Math.min(Math.max(moved, size.low), size.high)), gesture.current);
  };
  // What the file format would refuse is refused here, in the same words. It takes all that a slider reaches.
  const check = (typed: number): null | Promise<string | null> => (typed >= size.low && typed <= size.high ? null : refusal(typed));
  const refusal = async (typed: number): Promise<string | null> => {
    const { readCarDesign } = await reader();
    const read = readCarDesign(size.write(PATTERN[kind], typed));
    if (read.kind === 'read') return null;
    const print = (value: number): string => printQuantity(value, size.quantity, units);
    return `${print(typed)} ${wrongWords(read.faults[0]!, print)}.`;
  };
  const { name, unit, problem, input } = useQuantityInput({
    label: size.label,
    quantity: size.quantity,
    value,
    onChange: (next) => edit((design) => size.write(design, next)),
    check,
  });
  return (
    <div className={styles.size}>
      <div className={styles.row}>
        <span className={plain.text}>{size.label}</span>
        <PlainField aria-label={name} unit={unit} problem={problem} {...input} />
      </div>
      {/* A plain slider: it is drawn anew in every frame of a drag. */}
      <input
        type="range"
        className={styles.slider}
        min={size.low}
        max={size.high}
        step={(size.high - size.low) / STEPS}
        value={within}
        aria-label={size.label}
        aria-valuetext={printQuantity(value, size.quantity, units)}
        style={{ '--filled': `${(100 * (within - size.low)) / (size.high - size.low)}%` } as React.CSSProperties}
        onPointerDown={beginGesture}
        onKeyDown={stepByKey}
        onChange={({ target }) => edit((design) => size.write(design, Number(target.value)), gesture.current)}
      />
      {fault && (
        <p className={`${plain.caption} ${styles.fault}`} role="alert">
          ✕ {fault}
        </p>
      )}
    </div>
  );
});
