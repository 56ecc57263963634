import { nanoid } from '@reduxjs/toolkit';
import { memo, useEffect, useRef } from 'react';
import type { CarDesign, MotorKind } from '../../../../core/car/car-design.ts';
import { MOTOR_KINDS } from '../../../../core/car/motors/motors.ts';
import { newCar } from '../../../../core/car/new-car.ts';
import type { Size } from '../../../../core/car/size.ts';
import { describeProblem } from '../../../../core/fault-words.ts';
import { formatQuantity } from '../../../../core/units/quantity.ts';
import { arrowStep } from '../../../ui/arrow-step.ts';
import { PlainField } from '../../../ui/plain-field.tsx';
import plain from '../../../ui/plain.module.css';
import { useQuantityInput } from '../../../ui/use-quantity-input.ts';
import { useUnits } from '../../../ui/use-units.ts';
import type { Edit } from '../../../open-car/design-slice.ts';
import styles from './car-panel.module.css';

const STEPS = 400;

/** Any design of each kind that passes: the schema judges each size by itself. */
const PATTERN = Object.fromEntries(MOTOR_KINDS.map((kind) => [kind, newCar('pattern', kind)])) as Record<MotorKind, CarDesign>;

/** Reading files takes a fair piece of program: it is fetched when the station stands. */
const reader = () => import('../../../../core/files/read.ts');
const FETCH_AFTER = 500;
export function useReaderSoon(): void {
  useEffect(() => {
    // Where it cannot be fetched now it is fetched when it is needed.
    const timer = setTimeout(() => void reader().catch(() => {}), FETCH_AFTER);
    return () => clearTimeout(timer);
  }, []);
}

interface SizeProps {
  readonly size: Size;
  readonly value: number;
  readonly edit: Edit;
}
interface SizeFieldProps extends SizeProps {
  readonly kind: MotorKind;
}

/** A size to type in any unit. Drawn again only when it changes. */
export const SizeField = memo(function SizeField({ size, kind, value, edit }: SizeFieldProps) {
  const units = useUnits();
  // What the file format would refuse is refused here, in the same words. It takes all that a slider reaches.
  const check = (typed: number): null | Promise<string | null> => (typed >= size.low && typed <= size.high ? null : refusal(typed));
  const refusal = async (typed: number): Promise<string | null> => {
    const { readCarDesign } = await reader();
    const read = readCarDesign(size.write(PATTERN[kind], typed));
    if (read.kind === 'read') return null;
    const format = (limit: number): string => formatQuantity(limit, size.quantity, units);
    return `${format(typed)} ${describeProblem(read.faults[0]!, format)}.`;
  };
  const { name, unit, problem, input } = useQuantityInput({
    label: size.label,
    quantity: size.quantity,
    value,
    onChange: (next) => edit((design) => size.write(design, next)),
    check,
  });
  return <PlainField aria-label={name} unit={unit} problem={problem} {...input} />;
});

/** A size to slide: a plain slider, it is drawn again in every frame of a drag. */
export const SizeSlider = memo(function SizeSlider({ size, value, edit }: SizeProps) {
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
  return (
    <input
      type="range"
      className={styles.slider}
      min={size.low}
      max={size.high}
      step={(size.high - size.low) / STEPS}
      value={within}
      aria-label={size.label}
      aria-valuetext={formatQuantity(value, size.quantity, units)}
      style={{ '--filled': `${(100 * (within - size.low)) / (size.high - size.low)}%` } as React.CSSProperties}
      onPointerDown={beginGesture}
      onKeyDown={stepByKey}
      onChange={({ target }) => edit((design) => size.write(design, Number(target.value)), gesture.current)}
    />
  );
});

/** A size by itself. */
export const SizeRow = ({ size, ...shown }: SizeFieldProps) => (
  <>
    <div className={styles.pair}>
      <span className={plain.text}>{size.label}</span>
      <SizeField size={size} {...shown} />
    </div>
    <SizeSlider size={size} value={shown.value} edit={shown.edit} />
  </>
);
