import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { cutLength, insideOf, type Tubing, withCutLength } from '../../../../core/car/tubing.ts';
import { hasBands } from '../../../../core/car/motors/motors.ts';
import { QuantityField } from '../../../ui/quantity-field.tsx';
import type { Edit } from '../../../open-car/design-slice.ts';

interface TubingFieldsProps {
  readonly band: Tubing;
  readonly edit: Edit;
}

/** Sizes of tubing, m: a wall takes half of it at most. */
const SIZES: readonly { readonly key: 'length' | 'outside' | 'wall'; readonly label: string; readonly most: (band: Tubing) => number }[] = [
  { key: 'length', label: 'Tubing: length, loose', most: () => 2 },
  { key: 'outside', label: 'Tubing: outside', most: () => 0.03 },
  { key: 'wall', label: 'Tubing: wall', most: ({ outside }) => outside / 2 },
];

const withTubing = (edit: Edit, change: Partial<Tubing>): void =>
  edit((car) =>
    hasBands(car.motor) && car.motor.band.kind === 'tubing'
      ? { ...car, motor: { ...car.motor, band: { ...car.motor.band, ...change } } }
      : car,
  );

/** Whether tubing is tied to a loop or straight, and its sizes. */
export const TubingFields = ({ band, edit }: TubingFieldsProps) => (
  <>
    <TextField
      select
      size="small"
      label="Tubing"
      value={band.form}
      onChange={({ target }) => withTubing(edit, { form: target.value as Tubing['form'] })}
    >
      <MenuItem value="loop">tied to a loop</MenuItem>
      <MenuItem value="straight">one straight strand</MenuItem>
    </TextField>
    {SIZES.map(({ key, label, most }) => (
      <QuantityField
        key={key}
        size="small"
        label={label}
        quantity="size"
        value={band[key]}
        check={(value) => (value > 0 && value <= most(band) ? null : `Must be above 0 and at most ${most(band) * 1000} mm.`)}
        onChange={(value) => withTubing(edit, { [key]: value })}
      />
    ))}
    <QuantityField
      size="small"
      label="Tubing: inside"
      quantity="size"
      value={insideOf(band)}
      check={(value) => (value >= 0 && value < band.outside ? null : `Must be less than the outside, ${band.outside * 1000} mm.`)}
      onChange={(value) => withTubing(edit, { wall: (band.outside - value) / 2 })}
    />
    <QuantityField
      size="small"
      label="Tubing: cut length, with the knot"
      quantity="size"
      value={cutLength(band)}
      check={(value) => (value > 0.07 && value <= 4 ? null : 'Must be above 70 mm and at most 4000 mm.')}
      onChange={(value) => withTubing(edit, { length: withCutLength(band, value).length })}
    />
  </>
);
