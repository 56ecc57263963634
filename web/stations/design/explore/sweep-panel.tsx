import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { aimWords } from '../../../../core/brief/aim-words.ts';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { findSize } from '../../../../core/car/sizes.ts';
import { bestPoint, mostCarried } from '../../../../core/explore/sweep.ts';
import { formatAbout, formatPredicted, formatQuantity } from '../../../../core/units/quantity.ts';
import { useTokens } from '../../../app/theme.ts';
import { Chart } from '../../../charts/chart.tsx';
import { ChartExport } from '../../../charts/chart-export.tsx';
import { useUnits } from '../../../ui/use-units.ts';
import type { Edit } from '../../../open-car/design-slice.ts';
import { sizeHead } from './axes.ts';
import { JobBar } from '../../../workers/job-bar.tsx';
import { SizeChoice } from './size-choice.tsx';
import { useSizesToChoose } from './use-sizes-to-choose.ts';
import { readingOf, sweepOption, type Swept } from './sweep-option.ts';
import { useReading } from './use-reading.ts';
import { SweepTable } from './sweep-table.tsx';
import { useSweep } from './use-sweep.ts';

/** One size through its range: distance, time or launch grip with their range; the best can be taken. */
export function SweepPanel({ design, edit }: { readonly design: CarDesign; readonly edit: Edit }) {
  const units = useUnits();
  const tokens = useTokens();
  const sizes = useSizesToChoose(design);
  const [chosen, setChosen] = useState(sizes[0]!.id);
  const [wanted, setShown] = useState<Swept | null>(null);
  const [asTable, setAsTable] = useState(false);
  const sizeId = sizes.some(({ id }) => id === chosen) ? chosen : sizes[0]!.id;
  const size = findSize(design, sizeId);
  const { readings, shown, reading } = useReading(size, design.aim, wanted);
  const { job, points } = useSweep(design, sizeId);
  const best = useMemo(() => points && (shown === 'carried' ? mostCarried(points) : bestPoint(points)), [points, shown]);
  const present = size.read(design);
  const option = useMemo(
    () => points && sweepOption({ points, present, best: best?.value ?? null, reading, size, units, tokens }),
    [points, present, best, reading, size, units, tokens],
  );
  const format = (value: number): string => formatQuantity(value, size.quantity, units);
  return (
    <Box sx={{ display: 'grid', gridTemplateRows: 'auto auto minmax(0, 1fr)', height: '100%', minHeight: 0 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center' }}>
        <SizeChoice sizes={sizes} label="Size to sweep" value={sizeId} onChange={setChosen} />
        <ToggleButtonGroup
          size="small"
          exclusive
          value={shown}
          aria-label="Shown"
          onChange={(_event, next: Swept | null) => next && setShown(next)}
        >
          {readings.map((key) => (
            <ToggleButton key={key} value={key}>
              {readingOf(key, design.aim).label}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        {best && (
          <Button size="small" variant="contained" onClick={() => edit((car) => size.write(car, best.value))}>
            {`Apply the best: ${format(best.value)} → ${shown === 'carried' ? formatAbout(best.distance, 'distance', units) : aimWords(design.aim, units).formatScore(best.score)}`}
          </Button>
        )}
        <Button size="small" aria-pressed={asTable} onClick={() => setAsTable(!asTable)} sx={{ ml: 'auto' }}>
          as a table
        </Button>
        {points && option && (
          <ChartExport
            name={`${design.name} ${size.label}`}
            option={option}
            table={() => ({
              head: [sizeHead(size), 'distance m', 'low m', 'high m', 'time s', 'launch grip', 'goal, SI', 'stopped by'],
              rows: points.map((p) => [
                p.value,
                p.distance,
                p.distanceBounds.low,
                p.distanceBounds.high,
                p.time,
                p.launchGripRatio,
                p.asked,
                p.stoppedBy ?? '',
              ]),
            })}
          />
        )}
      </Box>
      <JobBar job={job} label="Sweeping" />
      {points && option && !asTable && (
        <Chart
          option={option}
          role="img"
          aria-label={`${reading.label} against ${size.label}; now ${format(present)}${best ? `, best ${format(best.value)} with ${formatPredicted(best.distance, 'distance', units)}` : ''}`}
          sx={{ minHeight: 160, height: '100%' }}
        />
      )}
      {points && asTable && <SweepTable size={size} points={points} />}
      {!points && job.progress === null && <Typography color="text.secondary">Stopped. Change a size to sweep again.</Typography>}
    </Box>
  );
}
