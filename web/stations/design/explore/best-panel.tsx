import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Typography from '@mui/material/Typography';
import { proxy } from 'comlink';
import { useMemo, useState } from 'react';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { describeChanges } from '../../../../core/car/difference.ts';
import { SEARCH_TRIES, type OfferedCar, type Search } from '../../../../core/explore/best-car.ts';
import { formatPredicted } from '../../../../core/units/quantity.ts';
import { useTokens } from '../../../app/theme.ts';
import { Chart } from '../../../charts/chart.tsx';
import { ChartExport } from '../../../charts/chart-export.tsx';
import { pooled } from '../../../workers/explore.ts';
import { useUnits } from '../../../ui/use-units.ts';
import type { Edit } from '../../../open-car/design-slice.ts';
import { useMergedChange } from '../../../open-car/use-merged-change.ts';
import { useOwnParts } from '../../../open-car/use-own-parts.ts';
import { useVersions } from '../../../open-car/use-versions.ts';
import { JobBar } from '../../../workers/job-bar.tsx';
import { useJob } from '../../../workers/use-job.ts';
import { describeCandidate } from './describe-offer.ts';
import { frontOption } from './front-option.ts';
import { FrontTable } from './front-table.tsx';
import { OffersList } from './offers-list.tsx';
import { SetUps } from './set-ups.tsx';
import { TwoRounds } from './two-rounds.tsx';
import { useBriefOf } from '../../../open-car/design-with-brief.ts';

interface BestPanelProps {
  readonly carId: string;
  readonly design: CarDesign;
  readonly edit: Edit;
  /** All rounds are the aim, and the field is not known yet. */
  readonly isWaiting: boolean;
}

/** A search for the car's aim: how quickness is traded for distance, and three good cars that differ. */
export function BestPanel({ carId, design, edit, isWaiting }: BestPanelProps) {
  const units = useUnits();
  const tokens = useTokens();
  const merged = useMergedChange();
  const { parts } = useOwnParts();
  const { keep } = useVersions(carId, design, edit);
  const [onlyOwn, setOnlyOwn] = useState(false);
  const [asTable, setAsTable] = useState(false);
  const job = useJob<Search>();
  const { progress, result: found, run } = job;
  const own = parts.map(({ part }) => part);
  /** The car that the search began from: an offer that is applied keeps what was changed since. */
  const [searched, setSearched] = useState(design);
  const search = (): void => {
    setSearched(design);
    run((report) =>
      pooled(0).work.bestCar(
        design,
        { own, onlyOwn },
        proxy((fraction: number) => void report(null, fraction)),
      ),
    );
  };
  const isOfAll = design.aim.contest !== undefined;
  const worksTo = useBriefOf(design);
  // What was searched for by another aim is not shown beside this one.
  const result = found && Boolean(searched.aim.contest) === isOfAll ? found : null;
  const option = useMemo(() => result && frontOption(result.front, units, tokens), [result, units, tokens]);
  const apply = ({ design: offered }: Pick<OfferedCar, 'design'>): void => {
    const changed = merged(searched, offered);
    edit((car) => ({ ...changed, name: car.name }));
  };
  const save = (offer: OfferedCar): void =>
    void keep(`found: ${describeCandidate(offer, units)}`.replaceAll('\u00a0', ' '), 'Found by a search for the goal.', offer.design);
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateRows: isOfAll ? 'auto' : 'auto auto minmax(0, 1fr)',
        gap: isOfAll ? 2 : 0,
        height: isOfAll ? 'auto' : '100%',
        minHeight: 0,
      }}
    >
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap' }}>
        <Button size="small" variant="contained" onClick={search} disabled={progress !== null || isWaiting}>
          Search
        </Button>
        <FormControlLabel
          control={<Checkbox size="small" checked={onlyOwn} onChange={(_event, only) => setOnlyOwn(only)} />}
          label="only my tyres and bands"
          slotProps={{ typography: { variant: 'body2' } }}
        />
        <Box sx={{ flex: 1 }} />
        {result && option && !isOfAll && (
          <>
            <Button size="small" aria-pressed={asTable} onClick={() => setAsTable(!asTable)}>
              as a table
            </Button>
            <ChartExport
              name={`${design.name} quickness and distance`}
              option={option}
              table={() => ({
                head: ['distance m', 'time s', 'change'],
                rows: result.front.map((candidate) => [
                  candidate.distance,
                  candidate.time,
                  describeChanges(design, candidate.design, units),
                ]),
              })}
            />
          </>
        )}
      </Box>
      {progress === null && !job.isBroken ? (
        <Typography variant="caption" color="text.secondary" sx={{ py: 1 }}>
          Tries {SEARCH_TRIES} cars with other levers, spools, sleeves, wheels, tyres, bands and ballast, within the limits. Offers changes
          that make 8 in 10 builds better: four at most, or more where they gain clearly more. The same car gets the same answer.
          {isOfAll && ' A car is ranked by its points in all rounds of the brief.'}
        </Typography>
      ) : (
        <JobBar job={job} label="Searching" />
      )}
      {result && option && (
        <Box
          sx={
            isOfAll
              ? { display: 'grid', gap: 3 }
              : { display: 'grid', gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1.1fr)', gap: 3, minHeight: 0 }
          }
        >
          {!isOfAll &&
            (asTable ? (
              <FrontTable front={result.front} />
            ) : (
              <Chart
                option={option}
                role="img"
                aria-label={`Quickness against distance, from ${formatPredicted(result.front.at(-1)?.distance ?? 0, 'distance', units)} to ${formatPredicted(result.front[0]?.distance ?? 0, 'distance', units)}`}
                sx={{ minHeight: 160, height: '100%' }}
              />
            ))}
          <OffersList design={isOfAll ? searched : design} search={result} own={own} onApply={apply} onSave={save} />
          {isOfAll && <TwoRounds design={searched} front={result.front} onApply={apply} />}
        </Box>
      )}
      {isOfAll && worksTo && <SetUps design={design} change={worksTo.brief.rules.change} />}
    </Box>
  );
}
