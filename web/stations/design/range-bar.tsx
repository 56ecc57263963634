import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Aim } from '../../../core/design/car-design.ts';
import type { Assessment } from '../../../core/explore/assess.ts';
import { printNumber, printQuantity } from '../../../core/units/quantity.ts';
import { useUnits } from '../../ui/use-units.ts';

interface RangeBarProps {
  readonly assessment: Assessment | null;
  readonly likely: number;
  readonly aim: Aim;
}

/** Within what 8 in 10 such cars would run, and how likely the aim is met. */
export function RangeBar({ assessment, likely, aim }: RangeBarProps) {
  const units = useUnits();
  const bounds = assessment?.distance;
  const end = Math.max(1.25 * (bounds?.high ?? likely), likely, aim.distance ?? 0, 0.1);
  const at = (distance: number): string => `${(100 * distance) / end}%`;
  return (
    // The height is held while the range is computed: nothing jumps.
    <Box sx={{ mt: 1, minHeight: 44 }}>
      {bounds && (
        <>
          <Typography variant="body2" color="text.secondary">
            8 in 10 such cars: {printNumber(bounds.low, 'distance', units)} to {printQuantity(bounds.high, 'distance', units)}
            {assessment.chance !== null && ` · meets the aim ${printQuantity(assessment.chance, 'share', units)} of the time`}
          </Typography>
          {/* Places are styles of their own: a class made for each would cost a recalculation of the whole page. */}
          <Box
            aria-hidden
            sx={{
              position: 'relative',
              height: 8,
              mt: 2,
              borderRadius: 1,
              bgcolor: 'workbench.rule',
              '& > *': { position: 'absolute', insetBlock: 0 },
              '& .range': { bgcolor: 'secondary.main', borderRadius: 1 },
              '& .likely': { insetBlock: '-3px', width: 3, ml: '-1.5px', bgcolor: 'text.primary' },
              '& .aim': { insetBlock: '-6px', borderLeft: '2px dashed', borderColor: 'text.primary' },
            }}
          >
            <div className="range" style={{ left: at(bounds.low), width: at(bounds.high - bounds.low) }} />
            <div className="likely" style={{ left: at(likely) }} />
            {aim.distance !== null && <div className="aim" style={{ left: at(aim.distance) }} />}
          </Box>
        </>
      )}
    </Box>
  );
}
