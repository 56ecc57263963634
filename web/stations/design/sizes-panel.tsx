import Box from '@mui/material/Box';
import Slider from '@mui/material/Slider';
import Typography from '@mui/material/Typography';
import { nanoid } from '@reduxjs/toolkit';
import { memo, useRef } from 'react';
import { newCar, type CarDesign, type MotorKind } from '../../../core/design/car-design.ts';
import { sizesOf, type Size } from '../../../core/design/sizes.ts';
import { readCarDesign } from '../../../core/files/read.ts';
import type { Fault } from '../../../core/fault.ts';
import { printQuantity } from '../../../core/units/quantity.ts';
import { QuantityField } from '../../ui/quantity-field.tsx';
import { useUnits } from '../../ui/use-units.ts';
import type { Edit } from './design-slice.ts';

interface SizesPanelProps {
  readonly design: CarDesign;
  readonly edit: Edit;
  readonly faults: readonly Fault[];
}

/** Sizes a fault of the design is shown at, by the key it names. */
const FAULT_AT: Readonly<Record<string, string>> = {
  'motor.cockedAngle': 'leverLength',
  'motor.releaseAngle': 'leverLength',
  mass: 'mass',
  'motor.turns': 'turns',
  'motor.anchorToAxle': 'anchorToAxle',
  sleeve: 'sleeve',
  wheelbase: 'wheelbase',
};

/** Every size of the car, to type in any unit or to slide. */
export function SizesPanel({ design, edit, faults }: SizesPanelProps) {
  return (
    <Box component="section" aria-labelledby="sizes-title">
      <Typography id="sizes-title" variant="h3" component="h2" sx={{ mb: 2 }}>
        Sizes
      </Typography>
      {sizesOf(design.motor.kind).map((size) => (
        <SizeRow
          key={size.id}
          size={size}
          kind={design.motor.kind}
          value={size.read(design)}
          edit={edit}
          fault={faults.find(({ path }) => FAULT_AT[path] === size.id)?.message}
        />
      ))}
    </Box>
  );
}

interface SizeRowProps {
  readonly size: Size;
  readonly kind: MotorKind;
  readonly value: number;
  readonly edit: Edit;
  readonly fault: string | undefined;
}

const STEPS = 400;

/** Any design of each kind that passes: the schema judges each size by itself. */
const PATTERN = { lever: newCar('pattern', 'lever'), band: newCar('pattern', 'band'), twist: newCar('pattern', 'twist') };

/** Drawn anew only when its own size changes. */
const SizeRow = memo(function SizeRow({ size, kind, value, edit, fault }: SizeRowProps) {
  const units = useUnits();
  const gesture = useRef('');
  const step = (size.high - size.low) / STEPS;
  // What the file format would refuse is refused here, in the same words.
  const check = (typed: number): string | null => {
    const read = readCarDesign(size.write(PATTERN[kind], typed));
    return read.kind === 'read'
      ? null
      : `${printQuantity(typed, size.quantity, units)} ${read.faults[0]!.message.replace(/([\d.]+)$/, (limit) => printQuantity(Number(limit), size.quantity, units))}.`;
  };
  return (
    <Box sx={{ mb: 2.5 }}>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 104px', alignItems: 'center', gap: 2 }}>
        <Typography variant="body2">{size.label}</Typography>
        <QuantityField
          size="small"
          label={size.label}
          labelHidden
          quantity={size.quantity}
          value={value}
          onChange={(next) => edit((design) => size.write(design, next))}
          check={check}
          sx={{
            '& .MuiInputBase-root': { px: 2 },
            '& .MuiInputBase-input': { px: 0, py: 1, textAlign: 'right' },
            '& .MuiFormHelperText-root': { mx: 0 },
          }}
        />
      </Box>
      <Slider
        size="small"
        min={size.low}
        max={size.high}
        step={step}
        value={Math.min(Math.max(value, size.low), size.high)}
        aria-label={size.label}
        getAriaValueText={(at) => printQuantity(at, size.quantity, units)}
        onMouseDown={() => (gesture.current = nanoid())}
        onTouchStart={() => (gesture.current = nanoid())}
        onKeyDown={() => (gesture.current = nanoid())}
        onChange={(_event, next) => edit((design) => size.write(design, Number(next)), gesture.current)}
        sx={{ py: '6px !important', color: 'secondary.main' }}
      />
      {fault && (
        <Typography variant="caption" color="error" role="alert" sx={{ display: 'block' }}>
          ✕ {fault}
        </Typography>
      )}
    </Box>
  );
});
