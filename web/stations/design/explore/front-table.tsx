import Box from '@mui/material/Box';
import type { Candidate } from '../../../../core/explore/best-car.ts';
import { formatPredicted } from '../../../../core/units/quantity.ts';
import { useUnits } from '../../../ui/use-units.ts';

/** Quickness against distance as a table. */
export function FrontTable({ front }: { readonly front: readonly Candidate[] }) {
  const units = useUnits();
  return (
    <Box sx={{ overflow: 'auto' }} tabIndex={0} role="region" aria-label="Quickness against distance as a table">
      <Box component="table" sx={{ typography: 'figures', '& td, & th': { px: 2, textAlign: 'right' } }}>
        <thead>
          <tr>
            <th scope="col">distance</th>
            <th scope="col">time</th>
          </tr>
        </thead>
        <tbody>
          {front.map(({ distance, time }, i) => (
            <tr key={i}>
              <td>{formatPredicted(distance, 'distance', units)}</td>
              <td>{formatPredicted(time, 'time', units)}</td>
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}
