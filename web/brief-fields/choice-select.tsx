import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';

interface ChoiceSelectProps<K extends string> {
  readonly label: string;
  readonly value: K;
  readonly options: Readonly<Record<K, string>>;
  readonly onChange: (value: K) => void;
}

/** One of a few, by name. */
export const ChoiceSelect = <K extends string>({ label, value, options, onChange }: ChoiceSelectProps<K>) => (
  <TextField
    select
    size="small"
    label={label}
    value={value}
    onChange={({ target }) => onChange(target.value as K)}
    // As high as a thumb on a phone.
    sx={{ '& .MuiInputBase-root': { minHeight: { xs: 44, md: 0 } } }}
  >
    {(Object.entries(options) as [K, string][]).map(([key, words]) => (
      <MenuItem key={key} value={key}>
        {words}
      </MenuItem>
    ))}
  </TextField>
);
