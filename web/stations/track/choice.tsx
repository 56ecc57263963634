import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: Readonly<Partial<Record<T, string>>>;
  readonly onChange: (value: T) => void;
}

/** One of a few, side by side, large enough for a thumb. */
export const Choice = <T extends string>({ label, value, options, onChange }: ChoiceProps<T>) => (
  <ToggleButtonGroup
    exclusive
    fullWidth
    aria-label={label}
    value={value}
    onChange={(_event, next: T | null) => next && onChange(next)}
    sx={{ '& button': { minHeight: 44 } }}
  >
    {(Object.entries(options) as [T, string][]).map(([key, text]) => (
      <ToggleButton key={key} value={key}>
        {text}
      </ToggleButton>
    ))}
  </ToggleButtonGroup>
);
