import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { memo } from 'react';
import type { UnitSystem } from '../../core/units/quantity.ts';
import { unitsChosen } from './preferences-slice.ts';
import { useAppDispatch } from './store.ts';
import { useUnits } from '../ui/use-units.ts';

/** Between mm·g·m and in·oz·ft. Every field takes either whatever is shown. */
export const UnitSwitch = memo(function UnitSwitch() {
  const dispatch = useAppDispatch();
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      aria-label="Units"
      value={useUnits()}
      onChange={(_event, units: UnitSystem | null) => units && dispatch(unitsChosen(units))}
    >
      <ToggleButton value="metric">mm·g·m</ToggleButton>
      <ToggleButton value="inch">in·oz·ft</ToggleButton>
    </ToggleButtonGroup>
  );
});
