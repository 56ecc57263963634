import { useRef, useState } from 'react';
import { formatNumber, parseQuantity, type Quantity, unitOf } from '../../core/units/quantity.ts';
import { useDraft } from './use-draft.ts';
import { useUnits } from './use-units.ts';

export interface QuantityInput {
  readonly label: string;
  readonly quantity: Quantity;
  /** SI. */
  readonly value: number;
  readonly onChange: (value: number) => void;
  /** What is wrong with a value that was typed, or null; such a value is not taken. */
  readonly check?: (value: number) => string | null | Promise<string | null>;
}

/** A field that takes a quantity as people type it, in any unit, on Enter or on leaving; Escape takes it back. Nothing typed is thrown away. */
export function useQuantityInput({ label, quantity, value, onChange, check }: QuantityInput) {
  const units = useUnits();
  const [typed, setTyped] = useDraft(label);
  const [problem, setProblem] = useState<string | null>(null);
  const unit = unitOf(quantity, units);

  /** While a check is along its run, leaving the field takes nothing a second time. */
  const isChecking = useRef(false);
  const take = (): void => {
    if (typed === null || isChecking.current) return;
    const parsed = parseQuantity(typed, quantity, units);
    if (parsed.kind === 'unclear') return setProblem(parsed.message);
    const settle = (wrong: string | null): void => {
      isChecking.current = false;
      setProblem(wrong);
      if (wrong !== null) return;
      setTyped(null);
      if (parsed.value !== value) onChange(parsed.value);
    };
    const wrong = check?.(parsed.value) ?? null;
    if (!(wrong instanceof Promise)) return settle(wrong);
    isChecking.current = true;
    void wrong.then(settle);
  };
  return {
    unit,
    problem,
    name: unit === '' ? label : `${label}, ${unit}`,
    input: {
      value: typed ?? formatNumber(value, quantity, units),
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
