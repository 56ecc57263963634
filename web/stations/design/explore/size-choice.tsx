import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { memo } from 'react';
import type { Size } from '../../../../core/car/size.ts';

interface SizeChoiceProps {
  readonly sizes: readonly Size[];
  readonly label: string;
  readonly value: string;
  readonly onChange: (id: string) => void;
}

/** Which size is to be explored; drawn again only when another is. */
export const SizeChoice = memo(function SizeChoice({ sizes, label, value, onChange }: SizeChoiceProps) {
  return (
    <TextField select size="small" label={label} value={value} onChange={({ target }) => onChange(target.value)} sx={{ minWidth: 160 }}>
      {sizes.map((size) => (
        <MenuItem key={size.id} value={size.id}>
          {size.label}
        </MenuItem>
      ))}
    </TextField>
  );
});
