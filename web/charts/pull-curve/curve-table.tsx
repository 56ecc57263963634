import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { printNumber, unitOf, type Quantity } from '../../../core/units/quantity.ts';
import { PHASE_WORDS } from '../../ui/phase-words.ts';
import { useUnits } from '../../ui/use-units.ts';
import { rowAt, type Curve, type CurveRow } from './curve-data.ts';

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
      <Table
        size="small"
        stickyHeader
        sx={{ '& td': { typography: 'figures', textAlign: 'right', py: 0.5 }, '& th': { textAlign: 'right', lineHeight: 1.2 } }}
      >
        <TableHead>
          <TableRow>
            {COLUMNS.map(([label, key, quantity]) => (
              <TableCell key={key}>
                {label}, {unitOf(quantity, units)}
              </TableCell>
            ))}
            <TableCell>tyre</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map((row) => (
            <TableRow key={row.distance}>
              {COLUMNS.map(([, key, quantity]) => (
                <TableCell key={key}>{printNumber(row[key], quantity, units)}</TableCell>
              ))}
              <TableCell>{PHASE_WORDS[row.phase]}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}
