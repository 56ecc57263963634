import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { proxy } from 'comlink';
import { useMemo } from 'react';
import type { CarDesign } from '../../../../core/design/car-design.ts';
import { sizesOf } from '../../../../core/design/sizes.ts';
import type { Candidate, Search } from '../../../../core/explore/best-car.ts';
import { printQuantity, unitOf, unitValue, type UnitSystem } from '../../../../core/units/quantity.ts';
import { useTokens } from '../../../app/theme.ts';
import type { Tokens } from '../../../app/tokens.ts';
import { Chart } from '../../../ui/chart.tsx';
import { hand } from '../../../workers/explore.ts';
import { useUnits } from '../../../ui/use-units.ts';
import type { Edit } from '../design-slice.ts';
import { acrossName, axisText, upName } from './axes.ts';
import { JobBar } from './job-bar.tsx';
import { useJob } from './use-job.ts';

/** The few sizes in which a found car differs most from the present one. */
function changeWords(found: CarDesign, present: CarDesign, units: UnitSystem): string {
  return sizesOf(present.motor.kind)
    .map((size) => ({ size, from: size.read(present), to: size.read(found) }))
    .filter(({ from, to }) => Math.abs(to - from) > 0.03 * Math.max(Math.abs(from), 1e-9))
    .sort((a, b) => Math.abs(Math.log(b.to / b.from)) - Math.abs(Math.log(a.to / a.from)))
    .slice(0, 4)
    .map(({ size, to }) => `${size.label.toLowerCase()} ${printQuantity(to, size.quantity, units)}`)
    .join(', ');
}

/** A search for the car's aim: how quickness is traded for distance, and three good cars that differ. */
export function BestPanel({ design, edit }: { readonly design: CarDesign; readonly edit: Edit }) {
  const units = useUnits();
  const tokens = useTokens();
  const { progress, result, run, stop } = useJob<Search>();
  const search = (): void =>
    run((report) =>
      hand(0).work.bestCar(
        design,
        proxy((share: number) => void report(null, share)),
      ),
    );
  const option = useMemo(() => result && frontOption(result.front, units, tokens), [result, units, tokens]);
  const take = (found: Candidate): void => edit((car) => ({ ...found.design, name: car.name }));
  return (
    <Box sx={{ display: 'grid', gridTemplateRows: 'auto auto minmax(0, 1fr)', height: '100%', minHeight: 0 }}>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap' }}>
        <Button size="small" variant="contained" onClick={search} disabled={progress !== null}>
          Search
        </Button>
        <Typography variant="body2" color="text.secondary">
          Tries 1200 cars with other levers, wheels, axles, winds and ballast. The same car always gets the same answer.
        </Typography>
      </Box>
      <JobBar progress={progress} label="Searching" onStop={stop} />
      {result && option && (
        <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1fr)', gap: 3, minHeight: 0 }}>
          <Chart
            option={option}
            role="img"
            aria-label={`Quickness against distance, from ${printQuantity(result.front.at(-1)?.distance ?? 0, 'distance', units)} to ${printQuantity(result.front[0]?.distance ?? 0, 'distance', units)}`}
            sx={{ minHeight: 160, height: '100%' }}
          />
          <Box component="ol" sx={{ m: 0, p: 0, listStyle: 'none', overflow: 'auto' }}>
            {result.best.map((found, i) => (
              <Box key={i} component="li" sx={{ py: 1.5, borderTop: i === 0 ? 0 : 1, borderColor: 'divider' }}>
                <Box sx={{ display: 'flex', alignItems: 'center', gap: 2 }}>
                  <Typography variant="figures">
                    {printQuantity(found.distance, 'distance', units)} in {printQuantity(found.time, 'time', units)}
                  </Typography>
                  <Button size="small" variant="outlined" sx={{ ml: 'auto' }} aria-label={`Take car ${i + 1}`} onClick={() => take(found)}>
                    Take
                  </Button>
                </Box>
                <Typography variant="body2">{changeWords(found.design, design, units)}</Typography>
              </Box>
            ))}
            {result.best.length === 0 && <Typography variant="body2">No car near this one passes every check.</Typography>}
          </Box>
        </Box>
      )}
    </Box>
  );
}

function frontOption(front: readonly Candidate[], units: UnitSystem, tokens: Tokens) {
  const far = unitValue('distance', units);
  return {
    animation: false,
    grid: { left: 50, right: 16, top: 28, bottom: 40 },
    xAxis: {
      type: 'value',
      name: `time to the stop, s`,
      ...acrossName(tokens),
      axisLabel: axisText(tokens),
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      name: `distance, ${unitOf('distance', units)}`,
      ...upName(tokens, 40),
      axisLabel: axisText(tokens),
      splitLine: { lineStyle: { color: tokens.rule, width: 0.7 } },
    },
    series: [
      {
        type: 'line',
        step: 'end',
        data: [...front].reverse().map(({ time, distance }) => [time, distance / far]),
        symbol: 'circle',
        symbolSize: 5,
        silent: true,
        animation: false,
        lineStyle: { color: tokens.distance, width: 2 },
        itemStyle: { color: tokens.distance },
      },
    ],
  };
}
