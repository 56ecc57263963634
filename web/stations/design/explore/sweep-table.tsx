import Box from '@mui/material/Box';
import type { Size } from '../../../../core/car/size.ts';
import type { BoundedSweepPoint } from '../../../../core/explore/sweep.ts';
import { formatPredicted, formatPredictedRange, formatQuantity } from '../../../../core/units/quantity.ts';
import { useUnits } from '../../../ui/use-units.ts';

/** A sweep as a table. */
export function SweepTable({ size, points }: { readonly size: Size; readonly points: readonly BoundedSweepPoint[] }) {
  const units = useUnits();
  return (
    <Box sx={{ overflow: 'auto' }} tabIndex={0} role="region" aria-label="The sweep as a table">
      <Box component="table" sx={{ typography: 'figures', '& td, & th': { px: 2, textAlign: 'right' } }}>
        <thead>
          <tr>
            <th scope="col">{size.label}</th>
            <th scope="col">distance</th>
            <th scope="col">8 in 10</th>
            <th scope="col">time</th>
            <th scope="col">launch grip</th>
            <th scope="col">stopped by</th>
          </tr>
        </thead>
        <tbody>
          {points.map((point) => (
            <tr key={point.value}>
              <td>{formatQuantity(point.value, size.quantity, units)}</td>
              {Number.isFinite(point.distance) ? (
                <>
                  <td>{formatPredicted(point.distance, 'distance', units)}</td>
                  <td>{formatPredictedRange(point.distanceBounds, 'distance', units)}</td>
                  <td>{formatPredicted(point.time, 'time', units)}</td>
                  <td>{point.launchGripRatio > 0 ? `${point.launchGripRatio.toFixed(2)} ×` : '–'}</td>
                  <td>{point.stoppedBy ?? '–'}</td>
                </>
              ) : (
                <td colSpan={5}>cannot run</td>
              )}
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}
