import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { ReactNode } from 'react';

interface WordTableProps {
  /** What each column holds; none where the rows speak for themselves. */
  readonly head?: readonly string[];
  /** The first cell names its row. */
  readonly rows: readonly (readonly [name: string, ...cells: ReactNode[]])[];
  /** Columns of figures stand right. */
  readonly areFigures?: boolean;
  /** The head stays in sight while the rows scroll. */
  readonly hasStickyHead?: boolean;
}

/** Rows of words or figures: every table of the app looks like this. */
export function WordTable({ head, rows, areFigures = false, hasStickyHead = false }: WordTableProps) {
  const side = areFigures ? 'right' : 'left';
  return (
    <Table size="small" stickyHeader={hasStickyHead} sx={areFigures ? { '& td': { typography: 'figures', py: 0.5 } } : {}}>
      {head && (
        <TableHead>
          <TableRow>
            {head.map((label, i) => (
              <TableCell key={label} align={i === 0 ? 'left' : side} sx={{ lineHeight: 1.2 }}>
                {label}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
      )}
      <TableBody>
        {rows.map(([name, ...cells]) => (
          <TableRow key={name}>
            <TableCell component="th" scope="row" sx={{ fontWeight: head ? 400 : 600, whiteSpace: head ? 'normal' : 'nowrap' }}>
              {name}
            </TableCell>
            {cells.map((cell, i) => (
              <TableCell key={i} align={side}>
                {cell}
              </TableCell>
            ))}
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}
