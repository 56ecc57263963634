import TextField, { type TextFieldProps } from '@mui/material/TextField';
import { useState } from 'react';
import { parseQuantity, printNumber, unitOf, type Quantity } from '../../core/units/quantity.ts';
import { useUnits } from './use-units.ts';

type Passed = Pick<TextFieldProps, 'size' | 'sx' | 'fullWidth'>;

interface QuantityFieldProps extends Passed {
  readonly label: string;
  readonly labelHidden?: boolean;
  readonly quantity: Quantity;
  /** SI. */
  readonly value: number;
  readonly onChange: (value: number) => void;
  /** What is wrong with the value itself, beyond how it was typed. */
  readonly fault?: string | undefined;
  /** What is wrong with a value that was typed, or null; such a value is not taken. */
  readonly check?: (value: number) => string | null;
}

/** A quantity that takes what people type in any unit, on Enter or on leaving; Escape takes it back. Nothing typed is thrown away. */
export function QuantityField({ label, labelHidden, quantity, value, onChange, fault, check, ...passed }: QuantityFieldProps) {
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
  const message = problem ?? fault;
  return (
    <TextField
      {...passed}
      variant="outlined"
      error={Boolean(message)}
      helperText={message}
      label={labelHidden ? undefined : label}
      value={typed ?? printNumber(value, quantity, units)}
      onChange={({ target }) => setTyped(target.value)}
      onBlur={take}
      onFocus={({ target }) => target.select()}
      onKeyDown={({ key }) => {
        if (key === 'Enter') take();
        if (key === 'Escape') {
          setTyped(null);
          setProblem(null);
        }
      }}
      slotProps={{
        htmlInput: { 'aria-label': unit === '' ? label : `${label}, ${unit}`, inputMode: 'text', spellCheck: false },
        input: { endAdornment: unit && <span aria-hidden>{unit}</span>, sx: { typography: 'figures', gap: 1 } },
      }}
    />
  );
}
