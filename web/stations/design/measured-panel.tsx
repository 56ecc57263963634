import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import InputAdornment from '@mui/material/InputAdornment';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { memo, useState } from 'react';
import type { CarDesign } from '../../../core/design/car-design.ts';
import { VALUE_NAMES, VALUE_UNITS, valueKeysOf, valueOf, type Value, type ValueKey } from '../../../core/design/values.ts';
import { parseQuantity, printQuantity } from '../../../core/units/quantity.ts';
import { useUnits } from '../../ui/use-units.ts';
import type { Edit } from './design-slice.ts';

/** Spread of a value that was measured once with care, relative. */
const MEASURED_SPREAD = 0.05;

/** Every number of the car that is not known exactly: as estimated from its parts, or as measured. */
export function MeasuredPanel({ design, edit }: { readonly design: CarDesign; readonly edit: Edit }) {
  return (
    <Box component="section" aria-labelledby="measured-title" sx={{ display: 'grid', gap: 3 }}>
      <Typography id="measured-title" variant="h3" component="h2">
        What is not known exactly
      </Typography>
      <Typography variant="caption" color="text.secondary">
        Estimated from the parts until you type what you measured. Each comes with how far it may be off; measured ones narrow the range.
      </Typography>
      {valueKeysOf(design).map((key) => (
        <ValueRow key={`${key}${design.measured[key] ? 'm' : 'e'}`} valueKey={key} {...valueOf(design, key)} edit={edit} />
      ))}
    </Box>
  );
}

interface ValueRowProps extends Value {
  readonly valueKey: ValueKey;
  readonly edit: Edit;
}

/** Drawn anew only when its own value changes. */
const ValueRow = memo(function ValueRow({ valueKey, value, spread, evidence, edit }: ValueRowProps) {
  const units = useUnits();
  const { unit, factor } = VALUE_UNITS[valueKey];
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState('');
  const shown = String(Number((value / factor).toPrecision(3)));
  const take = (): void => {
    if (typed === null) return;
    const parsed = parseQuantity(typed, 'count', units);
    if (parsed.kind === 'unclear') return setProblem(parsed.message);
    if (!(parsed.value > 0)) return setProblem('Must be above 0.');
    setProblem('');
    setTyped(null);
    edit((car) => ({ ...car, measured: { ...car.measured, [valueKey]: { value: parsed.value * factor, spread: MEASURED_SPREAD } } }));
  };
  const forget = (): void =>
    edit((car) => {
      const { [valueKey]: _gone, ...measured } = car.measured;
      return { ...car, measured };
    });
  return (
    <Box>
      <Typography variant="body2">{VALUE_NAMES[valueKey]}</Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 2, alignItems: 'center' }}>
        <TextField
          size="small"
          value={typed ?? shown}
          error={problem !== ''}
          helperText={problem || `${evidence}, ± ${printQuantity(spread, 'share', units)}`}
          onChange={({ target }) => setTyped(target.value)}
          onBlur={take}
          onKeyDown={({ key }) => key === 'Enter' && take()}
          slotProps={{
            htmlInput: { 'aria-label': `${VALUE_NAMES[valueKey]}${unit === '' ? '' : `, ${unit}`}` },
            input: { endAdornment: unit && <InputAdornment position="end">{unit}</InputAdornment> },
          }}
        />
        {evidence === 'measured' && (
          <Button size="small" onClick={forget} aria-label={`Estimate again: ${VALUE_NAMES[valueKey]}`}>
            estimate
          </Button>
        )}
      </Box>
    </Box>
  );
});
