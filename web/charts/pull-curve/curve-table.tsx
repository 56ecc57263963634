import Box from '@mui/material/Box';
import { formatNumber, type Quantity, unitOf } from '../../../core/units/quantity.ts';
import { PHASE_WORDS } from '../../ui/phase-words.ts';
import { useUnits } from '../../ui/use-units.ts';
import { rowAt, type Curve, type CurveRow } from './curve-data.ts';
import { WordTable } from '../../ui/word-table.tsx';

const COLUMNS: readonly (readonly [string, Exclude<keyof CurveRow, 'phase'>, Quantity])[] = [
  ['distance', 'distance', 'distance'],
  ['time', 'time', 'time'],
  ['speed', 'speed', 'speed'],
  ['pull', 'thrust', 'force'],
  ['grip limit', 'gripLimit', 'force'],
  ['resistance', 'resistance', 'force'],
];
const ROWS = 13;

/** The pull curve in figures. */
export function CurveTable({ curve }: { readonly curve: Curve }) {
  const units = useUnits();
  const rows = Array.from({ length: ROWS }, (_, i) => rowAt(curve, (curve.end * i) / (ROWS - 1))!);
  return (
    <Box sx={{ overflow: 'auto', minHeight: 0 }} tabIndex={0} role="region" aria-label="Pull curve as a table">
      <WordTable
        head={[...COLUMNS.map(([label, , quantity]) => `${label}, ${unitOf(quantity, units)}`), 'tyre']}
        rows={rows.map((row) => {
          const [first, ...others] = COLUMNS.map(([, key, quantity]) => formatNumber(row[key], quantity, units));
          return [first!, ...others, PHASE_WORDS[row.phase]];
        })}
        areFigures
        hasStickyHead
      />
    </Box>
  );
}
