import TextField, { type TextFieldProps } from '@mui/material/TextField';
import { useQuantityInput, type QuantityInput } from './use-quantity-input.ts';

interface QuantityFieldProps extends QuantityInput, Pick<TextFieldProps, 'size' | 'sx' | 'fullWidth'> {
  readonly labelHidden?: boolean;
  /** What is wrong with the value itself, beyond how it was typed. */
  readonly fault?: string | undefined;
}

/** A quantity that takes what people type in any unit. */
export function QuantityField({ label, labelHidden, quantity, value, onChange, fault, check, ...passed }: QuantityFieldProps) {
  const { unit, problem, name, input } = useQuantityInput({ label, quantity, value, onChange, ...(check && { check }) });
  const message = problem ?? fault;
  return (
    <TextField
      {...passed}
      {...input}
      variant="outlined"
      error={Boolean(message)}
      helperText={message}
      label={labelHidden ? undefined : label}
      slotProps={{
        htmlInput: { 'aria-label': name, inputMode: 'text', spellCheck: false },
        input: { endAdornment: unit && <span aria-hidden>{unit}</span>, sx: { gap: 1, '& input, & > span': { typography: 'figures' } } },
      }}
    />
  );
}
