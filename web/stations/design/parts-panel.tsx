import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { memo } from 'react';
import type { CarDesign } from '../../../core/design/car-design.ts';
import { BEARINGS, FLOORS, LEVER_MATERIALS, OUT_OF_SQUARE, TYRES, WHEEL_MATERIALS } from '../../../core/design/catalogue.ts';
import type { Edit } from './design-slice.ts';

interface Choice {
  readonly label: string;
  readonly options: Readonly<Record<string, { readonly label: string }>>;
  readonly read: (design: CarDesign) => string;
  readonly write: (design: CarDesign, key: never) => CarDesign;
}

const choice = <K extends string>(
  label: string,
  options: Readonly<Record<K, { readonly label: string }>>,
  read: (design: CarDesign) => K,
  write: (design: CarDesign, key: K) => CarDesign,
): Choice => ({ label, options, read, write });

const CHOICES: readonly Choice[] = [
  choice(
    'Tyre on the drive wheels',
    TYRES,
    (d) => d.tyre,
    (d, tyre) => ({ ...d, tyre }),
  ),
  choice(
    'Floor',
    FLOORS,
    (d) => d.floor.kind,
    (d, kind) => ({ ...d, floor: { ...d.floor, kind } }),
  ),
  choice(
    'Axle and bearing',
    BEARINGS,
    (d) => d.bearing,
    (d, bearing) => ({ ...d, bearing }),
  ),
  choice(
    'Drive wheels of',
    WHEEL_MATERIALS,
    (d) => d.driveWheels.material,
    (d, material) => ({ ...d, driveWheels: { ...d.driveWheels, material } }),
  ),
  choice(
    'Other wheels of',
    WHEEL_MATERIALS,
    (d) => d.otherWheels.material,
    (d, material) => ({ ...d, otherWheels: { ...d.otherWheels, material } }),
  ),
  choice(
    'How true the wheels run',
    OUT_OF_SQUARE,
    (d) => d.care,
    (d, care) => ({ ...d, care }),
  ),
  choice(
    'Lever of',
    LEVER_MATERIALS,
    (d) => d.motor.leverMaterial,
    (d, leverMaterial) => ({ ...d, motor: { ...d.motor, leverMaterial } }),
  ),
  choice(
    'End of the string',
    { free: { label: 'drops off its hook' }, tied: { label: 'tied: winds up again and brakes' } },
    (d) => d.motor.release,
    (d, release) => ({ ...d, motor: { ...d.motor, release } }),
  ),
];

/** What the car is made of and runs on. */
export function PartsPanel({ design, edit }: { readonly design: CarDesign; readonly edit: Edit }) {
  return (
    <Box component="section" aria-labelledby="parts-title" sx={{ mt: 6, display: 'grid', gap: 4 }}>
      <Typography id="parts-title" variant="h3" component="h2">
        Parts and floor
      </Typography>
      {CHOICES.map((part) => (
        <ChoiceField key={part.label} part={part} value={part.read(design)} edit={edit} />
      ))}
      <Typography variant="caption" color="text.secondary">
        Values of parts are estimates from common practice until you measure yours.
      </Typography>
    </Box>
  );
}

interface ChoiceFieldProps {
  readonly part: Choice;
  readonly value: string;
  readonly edit: Edit;
}

/** Drawn anew only when its own choice changes. */
const ChoiceField = memo(function ChoiceField({ part: { label, options, write }, value, edit }: ChoiceFieldProps) {
  return (
    <TextField
      select
      size="small"
      label={label}
      value={value}
      onChange={({ target }) => edit((design) => write(design, target.value as never))}
    >
      {Object.entries(options).map(([key, option]) => (
        <MenuItem key={key} value={key}>
          {option.label}
        </MenuItem>
      ))}
    </TextField>
  );
});
