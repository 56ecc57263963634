import { useState } from 'react';
import { parseQuantity, printNumber, unitOf, type Quantity } from '../../core/units/quantity.ts';
import { useUnits } from './use-units.ts';

export interface QuantityInput {
  readonly label: string;
  readonly quantity: Quantity;
  /** SI. */
  readonly value: number;
  readonly onChange: (value: number) => void;
  /** What is wrong with a value that was typed, or null; such a value is not taken. */
  readonly check?: (value: number) => string | null;
}

/** A field that takes a quantity as people type it, in any unit, on Enter or on leaving; Escape takes it back. Nothing typed is thrown away. */
export function useQuantityInput({ label, quantity, value, onChange, check }: QuantityInput) {
  const units = useUnits();
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const unit = unitOf(quantity, units);

  const take = (): void => {
    if (typed === null) return;
    const parsed = parseQuantity(typed, quantity, units);
    const wrong = parsed.kind === 'unclear' ? parsed.message : (check?.(parsed.value) ?? null);
    setProblem(wrong);
    if (wrong !== null || parsed.kind === 'unclear') return;
    setTyped(null);
    if (parsed.value !== value) onChange(parsed.value);
  };
  return {
    unit,
    problem,
    name: unit === '' ? label : `${label}, ${unit}`,
    input: {
      value: typed ?? printNumber(value, quantity, units),
      onChange: ({ target }: React.ChangeEvent<HTMLInputElement>) => setTyped(target.value),
      onBlur: take,
      onFocus: ({ target }: React.FocusEvent<HTMLInputElement>) => target.select(),
      onKeyDown: ({ key }: React.KeyboardEvent) => {
        if (key === 'Enter') take();
        if (key === 'Escape') {
          setTyped(null);
          setProblem(null);
        }
      },
    },
  };
}
