import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Typography from '@mui/material/Typography';
import { proxy } from 'comlink';
import { useMemo, useState } from 'react';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { describeChanges } from '../../../../core/car/difference.ts';
import { goalOf } from '../../../../core/brief/goal.ts';
import { goalRecord, hasFallenShort } from '../../../../core/brief/goals.ts';
import { goalFigures } from '../../../../core/brief/judge.ts';
import { minutesOf, partsToGet } from '../../../../core/explore/parts-to-get.ts';
import { SEARCH_TRIES, type Candidate, type OfferedCar, type Search } from '../../../../core/explore/best-car.ts';
import {
  type Format,
  formatIn,
  formatPredicted,
  unitOf,
  type UnitSystem,
  unitValue,
  USUAL_HALF_WIDTH,
} from '../../../../core/units/quantity.ts';
import { useTokens } from '../../../app/theme.ts';
import type { Tokens } from '../../../ui/tokens.ts';
import { Chart } from '../../../charts/chart.tsx';
import { ChartExport } from '../../../charts/chart-export.tsx';
import { pooled } from '../../../workers/explore.ts';
import { useUnits } from '../../../ui/use-units.ts';
import type { Edit } from '../../../open-car/design-slice.ts';
import { useMergedChange } from '../../../open-car/use-merged-change.ts';
import { useOwnParts } from '../../../open-car/use-own-parts.ts';
import { useVersions } from '../../../open-car/use-versions.ts';
import { acrossName, axisText, upName } from '../../../charts/axis-text.ts';
import { JobBar } from '../../../workers/job-bar.tsx';
import { useJob } from '../../../workers/use-job.ts';

interface BestPanelProps {
  readonly carId: string;
  readonly design: CarDesign;
  readonly edit: Edit;
}

/** A search for the car's aim: how quickness is traded for distance, and three good cars that differ. */
export function BestPanel({ carId, design, edit }: BestPanelProps) {
  const units = useUnits();
  const tokens = useTokens();
  const merged = useMergedChange();
  const { parts } = useOwnParts();
  const { keep } = useVersions(carId, design, edit);
  const [onlyOwn, setOnlyOwn] = useState(false);
  const [asTable, setAsTable] = useState(false);
  const job = useJob<Search>();
  const { progress, result, run } = job;
  const own = parts.map(({ part }) => part);
  /** The car that was searched from: what was changed since stays when an offer is taken. */
  const [searched, setSearched] = useState(design);
  const search = (): void => {
    setSearched(design);
    run((report) =>
      pooled(0).work.bestCar(
        design,
        { own, onlyOwn },
        proxy((share: number) => void report(null, share)),
      ),
    );
  };
  const option = useMemo(() => result && frontOption(result.front, units, tokens), [result, units, tokens]);
  const runWords = ({ distance, time }: Candidate): string =>
    `${formatPredicted(distance, 'distance', units)} in ${formatPredicted(time, 'time', units)}`;
  const goal = goalOf(design.aim);
  const format: Format = formatIn(units);
  const score = (value: number): string => {
    const { figure, unit } = goalFigures(goal, USUAL_HALF_WIDTH * Math.abs(value), units);
    return `${figure(Math.abs(value))} ${unit}`;
  };
  const inTen = (share: number): string => `${Math.floor(10 * share + 1e-9)} of 10 builds`;
  /** What most cars built so reach: the aim says what that is; on a floor with a wall, how many get there. */
  const sureWords = ({ sure, atWall }: OfferedCar): string => {
    if (hasFallenShort(sure)) return 'fewer than 8 in 10 reach the goal';
    const wall = design.floor.roomLength;
    if (wall !== null && sure >= wall && !goalRecord(goal).isLess)
      return `reaches the wall at ${format(wall, 'distance')} in ${inTen(atWall)} (now in ${Math.floor(10 * (result?.now?.atWall ?? 0) + 1e-9)})`;
    const bound = goalRecord(goal).isLess ? 'at most' : 'at least';
    const now = result?.now && result.stoppedBy === null && !hasFallenShort(result.now.lower) ? ` (now ${score(result.now.lower)})` : '';
    return `${bound} ${score(sure)} ${goalRecord(goal).of(goal, format)} in 8 of 10 builds${now}`;
  };
  const aloneWords = (alone: number | null): string =>
    alone === null ? 'only together with the others' : `${alone < 0 ? '−' : '+'}${score(alone)} by itself`;
  /** What has to be got for it, and what lies in the drawer. */
  const needWords = ({ design: to, changes }: OfferedCar): string => {
    const needed = partsToGet(design, to, own, format);
    const list = (isAtHand: boolean): string =>
      needed
        .filter((part) => part.isAtHand === isAtHand)
        .map(({ name, count }) => `${count > 1 ? `${count} × ` : ''}${name}`)
        .join('; ');
    const parts = [list(false) && `To get: ${list(false)}.`, list(true) && `In My parts: ${list(true)}.`];
    return [`About ${minutesOf(changes.length, needed)} minutes.`, ...(needed.length === 0 ? ['Nothing to get.'] : parts)]
      .filter(Boolean)
      .join(' ');
  };
  const take = (found: Candidate): void => {
    const made = merged(searched, found.design);
    edit((car) => ({ ...made, name: car.name }));
  };
  return (
    <Box sx={{ display: 'grid', gridTemplateRows: 'auto auto minmax(0, 1fr)', height: '100%', minHeight: 0 }}>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap' }}>
        <Button size="small" variant="contained" onClick={search} disabled={progress !== null}>
          Search
        </Button>
        <FormControlLabel
          control={<Checkbox size="small" checked={onlyOwn} onChange={(_event, only) => setOnlyOwn(only)} />}
          label="only my tyres and bands"
          slotProps={{ typography: { variant: 'body2' } }}
        />
        <Box sx={{ flex: 1 }} />
        {result && option && (
          <>
            <Button size="small" aria-pressed={asTable} onClick={() => setAsTable(!asTable)}>
              as a table
            </Button>
            <ChartExport
              name={`${design.name} quickness and distance`}
              option={option}
              table={() => ({
                head: ['distance m', 'time s', 'change'],
                rows: result.front.map((found) => [found.distance, found.time, describeChanges(design, found.design, units)]),
              })}
            />
          </>
        )}
      </Box>
      {progress === null && !job.isBroken ? (
        <Typography variant="caption" color="text.secondary" sx={{ py: 1 }}>
          Tries {SEARCH_TRIES} cars with other levers, spools, sleeves, wheels, tyres, bands and ballast, within the limits. Offers changes
          that make 8 in 10 builds better: four at most, or more where they gain clearly more. The same car gets the same answer.
        </Typography>
      ) : (
        <JobBar job={job} label="Searching" />
      )}
      {result && option && (
        <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1.1fr)', gap: 3, minHeight: 0 }}>
          {asTable ? (
            <Box sx={{ overflow: 'auto' }} tabIndex={0} role="region" aria-label="Quickness against distance as a table">
              <Box component="table" sx={{ typography: 'figures', '& td, & th': { px: 2, textAlign: 'right' } }}>
                <thead>
                  <tr>
                    <th scope="col">distance</th>
                    <th scope="col">time</th>
                  </tr>
                </thead>
                <tbody>
                  {result.front.map((found, i) => (
                    <tr key={i}>
                      <td>{formatPredicted(found.distance, 'distance', units)}</td>
                      <td>{formatPredicted(found.time, 'time', units)}</td>
                    </tr>
                  ))}
                </tbody>
              </Box>
            </Box>
          ) : (
            <Chart
              option={option}
              role="img"
              aria-label={`Quickness against distance, from ${formatPredicted(result.front.at(-1)?.distance ?? 0, 'distance', units)} to ${formatPredicted(result.front[0]?.distance ?? 0, 'distance', units)}`}
              sx={{ minHeight: 160, height: '100%' }}
            />
          )}
          <Box component="ol" sx={{ m: 0, p: 0, listStyle: 'none', overflow: 'auto' }}>
            {result.stoppedBy !== null && result.best.length > 0 && (
              <Typography component="li" variant="body2" sx={{ pb: 1 }}>
                “{result.stoppedBy}” stops this car. Each of these passes every check.
              </Typography>
            )}
            {result.best.map((found, i) => (
              <Box key={i} component="li" sx={{ py: 1.5, borderTop: i === 0 ? 0 : 1, borderColor: 'divider' }}>
                <Box sx={{ display: 'flex', alignItems: 'center', gap: 2 }}>
                  <Typography variant="figures">{sureWords(found)}</Typography>
                  <Button size="small" variant="outlined" sx={{ ml: 'auto' }} aria-label={`Apply car ${i + 1}`} onClick={() => take(found)}>
                    Apply
                  </Button>
                  <Button
                    size="small"
                    aria-label={`Save car ${i + 1} as a version`}
                    onClick={() =>
                      void keep(`found: ${runWords(found)}`.replaceAll('\u00a0', ' '), 'Found by a search for the goal.', found.design)
                    }
                  >
                    Save
                  </Button>
                </Box>
                <Box component="ol" sx={{ m: 0, pl: 5, typography: 'body2' }}>
                  {found.changes.map((change, k) => (
                    <li key={k}>
                      {describeChanges(design, change.design, units)}
                      {found.changes.length > 1 && ` · ${aloneWords(change.alone)}`}
                    </li>
                  ))}
                </Box>
                <Typography variant="caption" color="text.secondary">
                  {needWords(found)}
                </Typography>
              </Box>
            ))}
            {result.best.length === 0 && (
              <Typography variant="body2">
                No other car near this one is surely better and passes every check. {result.passed} of {SEARCH_TRIES} tried pass.
              </Typography>
            )}
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
      name: `time, s`,
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
