import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { memo } from 'react';
import type { Edit } from '../../../open-car/design-slice.ts';
import type { Choice } from './choices.ts';

interface ChoiceFieldProps {
  readonly choice: Choice;
  readonly value: string;
  readonly edit: Edit;
}

/** Something of the car that is chosen from a few. Drawn again only when its own choice changes. */
export const ChoiceField = memo(function ChoiceField({ choice: { label, options, write }, value, edit }: ChoiceFieldProps) {
  return (
    <TextField select size="small" label={label} value={value} onChange={({ target }) => edit((design) => write(design, target.value))}>
      {Object.entries(options).map(([key, option]) => (
        <MenuItem key={key} value={key}>
          {option.label}
        </MenuItem>
      ))}
    </TextField>
  );
});
