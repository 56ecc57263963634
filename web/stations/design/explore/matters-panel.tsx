import Box from '@mui/material/Box';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useCallback, useMemo, useState } from 'react';
import { formatPoints } from '../../../../core/brief/aim-words.ts';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { upToWall } from '../../../../core/car/floors.ts';
import { movedFigure, type Influence } from '../../../../core/explore/sensitivity.ts';
import { formatPredicted, formatQuantity } from '../../../../core/units/quantity.ts';
import { useTokens } from '../../../app/theme.ts';
import { ChartExport } from '../../../charts/chart-export.tsx';
import { pooled } from '../../../workers/explore.ts';
import { useUnits } from '../../../ui/use-units.ts';
import { JobBar } from '../../../workers/job-bar.tsx';
import { mattersOption } from './matters-option.ts';
import { useJob, useWhenQuiet } from '../../../workers/use-job.ts';
import plain from '../../../ui/plain.module.css';

type Shown = 'sizes' | 'values';
const SHOWN = 12;
/** Fraction of the distance below which a size or value moves it by nothing. */
const NOTHING = 0.005;
/** Points below which it does so. */
const FEW_POINTS = 0.05;

/** What moves the distance, or the points of all rounds, most: each size by 10 %, or each value that is not known by its own spread. */
export function MattersPanel({ design, distance: free }: { readonly design: CarDesign; readonly distance: number }) {
  const isOfAll = design.aim.contest !== undefined;
  const distance = useMemo(() => (isOfAll ? movedFigure(design) : upToWall(design.floor, free)), [isOfAll, design, free]);
  const [shown, setShown] = useState<Shown>('sizes');
  const units = useUnits();
  const tokens = useTokens();
  const job = useJob<Readonly<Record<Shown, readonly Influence[]>>>();
  const { progress, result, run } = job;
  useWhenQuiet(useCallback(() => run(() => pooled(0).work.influences(design)), [design, run]));
  const all = (result?.[shown] ?? []).slice(0, SHOWN);
  const least = isOfAll ? FEW_POINTS : NOTHING * distance;
  const format = (value: number): string => (isOfAll ? `${formatPoints(value)} points` : formatPredicted(value, 'distance', units));
  // One with which the car cannot run moves it as much as can be.
  const isStill = ({ swing, low, high }: Influence): boolean => swing < least && Number.isFinite(low) && Number.isFinite(high);
  const list = all.filter((one) => !isStill(one));
  const still = all.filter(isStill);
  const widest = Math.max(...list.map(({ swing }) => swing), 1e-9);
  return (
    <Box sx={{ overflow: 'auto', height: '100%' }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between' }}>
        <ToggleButtonGroup
          size="small"
          exclusive
          value={shown}
          aria-label="What is varied"
          onChange={(_event, next: Shown | null) => next && setShown(next)}
        >
          <ToggleButton value="sizes">each size by 10 %</ToggleButton>
          <ToggleButton value="values">each uncertain value</ToggleButton>
        </ToggleButtonGroup>
        {list.length > 0 && (
          <ChartExport
            name={`${design.name} what matters`}
            option={mattersOption({ list, distance, units, tokens, isOfAll })}
            table={() => ({
              head: ['what', ...['smaller', 'larger'].map((side) => `${isOfAll ? 'points' : 'distance m'}, ${side}`)],
              rows: list.map(({ label, low, high }) => [label, low, high]),
            })}
          />
        )}
      </Box>
      {(progress !== null || job.isBroken) && <JobBar job={job} label="Calculating" />}
      <Typography variant="body2" color="text.secondary" sx={{ my: 2 }}>
        {`The change in ${isOfAll ? 'points of all rounds' : 'distance'} when ${
          shown === 'sizes'
            ? 'one size alone is a tenth smaller or larger.'
            : 'one estimate alone is wrong by its usual error. Measure the value at the top first.'
        }`}
        {!isOfAll &&
          distance < free &&
          ` It reaches the wall at ${formatQuantity(distance, 'distance', units)}: only what keeps it from the wall counts.`}
      </Typography>
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none', display: 'grid', gap: 1 }}>
        {list.map((item) => (
          <Row key={item.id} item={item} distance={distance} widest={widest} format={format} />
        ))}
      </Box>
      {still.length > 0 && (
        <details>
          <summary className={plain.text}>
            {still.length} more change it by less than {format(least)}
          </summary>
          <p className={plain.text}>{still.map(({ label }) => label).join(', ')}</p>
        </details>
      )}
    </Box>
  );
}

function Row({
  item: { label, low, high },
  distance,
  widest,
  format,
}: {
  readonly item: Influence;
  readonly distance: number;
  readonly widest: number;
  readonly format: (value: number) => string;
}) {
  const change = (value: number): string =>
    Number.isFinite(value) ? `${value >= distance ? '+' : '−'}${format(Math.abs(value - distance))}` : 'cannot run';
  const bar = (value: number, colour: string) => {
    const part = Number.isFinite(value) ? (value - distance) / widest : 0;
    return (
      <Box
        sx={{
          position: 'absolute',
          height: 8,
          left: `${50 + 50 * Math.min(part, 0)}%`,
          width: `${50 * Math.abs(part)}%`,
          bgcolor: colour,
        }}
      />
    );
  };
  return (
    <Box
      component="li"
      sx={{ display: 'grid', gridTemplateColumns: 'minmax(120px, 220px) 92px minmax(60px, 1fr) 92px', gap: 2, alignItems: 'center' }}
    >
      <Typography variant="body2">{label}</Typography>
      <Typography variant="figures" sx={{ textAlign: 'right' }} aria-label={`smaller: ${change(low)}`} role="img">
        ↓ {change(low)}
      </Typography>
      <Box
        aria-hidden
        sx={{
          position: 'relative',
          height: 18,
          borderLeft: 0,
          display: 'grid',
          alignContent: 'space-between',
          '&::after': { content: '""', position: 'absolute', left: '50%', top: 0, bottom: 0, borderLeft: 1, borderColor: 'text.secondary' },
        }}
      >
        <Box sx={{ position: 'relative', height: 8 }}>{bar(low, 'workbench.distanceSoft')}</Box>
        <Box sx={{ position: 'relative', height: 8 }}>{bar(high, 'workbench.distance')}</Box>
      </Box>
      <Typography variant="figures" aria-label={`larger: ${change(high)}`} role="img">
        ↑ {change(high)}
      </Typography>
    </Box>
  );
}
