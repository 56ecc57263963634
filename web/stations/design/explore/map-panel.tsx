import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { aimWords } from '../../../../core/brief/aim-words.ts';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { findSize } from '../../../../core/car/sizes.ts';
import { formatPredicted, formatQuantity } from '../../../../core/units/quantity.ts';
import { useTokens } from '../../../app/theme.ts';
import { Chart } from '../../../charts/chart.tsx';
import { ChartExport } from '../../../charts/chart-export.tsx';
import { useUnits } from '../../../ui/use-units.ts';
import type { Edit } from '../../../open-car/design-slice.ts';
import { sizeHead } from './axes.ts';
import { JobBar } from '../../../workers/job-bar.tsx';
import { cellAt, mapOption, paintField, spins } from './map-option.ts';
import { SizeChoice } from './size-choice.tsx';
import { useSizesToChoose } from './use-sizes-to-choose.ts';
import { useMap, valuesAt, cellByKey } from './use-map.ts';

interface MapPanelProps {
  readonly design: CarDesign;
  readonly edit: Edit;
}

/** Two sizes at once: how far each pair would go, where the wheels would spin, the best pair, and any of them to take. */
export function MapPanel({ design, edit }: MapPanelProps) {
  const units = useUnits();
  const tokens = useTokens();
  const sizes = useSizesToChoose(design);
  const names = sizes.map(({ id }) => id);
  const [across, setAcross] = useState(names[0]!);
  const [up, setUp] = useState('driveWheels');
  const acrossId = names.includes(across) ? across : names[0]!;
  const upId = names.includes(up) && up !== acrossId ? up : names.find((id) => id !== acrossId)!;
  const [acrossSize, upSize] = [findSize(design, acrossId), findSize(design, upId)];
  const { job, picture, best } = useMap(design, acrossId, upId);
  const [cursor, setCursor] = useState<number | null>(null);
  /** A move by keys is announced; not every move of the pointer. */
  const [isByKey, setByKey] = useState(false);

  const field = useMemo(() => picture && paintField(picture, units, tokens), [picture, units, tokens]);
  const option = useMemo(
    () =>
      picture &&
      field &&
      mapOption({
        picture,
        field,
        acrossSize,
        upSize,
        present: [acrossSize.read(design), upSize.read(design)],
        best,
        cursor,
        units,
        tokens,
      }),
    [picture, field, acrossSize, upSize, design, best, cursor, units, tokens],
  );
  const apply = (cell: number): void => {
    const [x, y] = valuesAt(picture!, cell);
    edit((car) => upSize.write(acrossSize.write(car, x), y));
  };
  const describeCell = (cell: number): string => {
    const [x, y] = valuesAt(picture!, cell);
    const distance = picture!.cars.distance[cell]!;
    const stop = picture!.cars.stop[cell]!;
    const stopped = stop > 0 ? `✕ ${picture!.cars.stops[stop - 1]!}` : spins(picture!.cars, cell) ? 'wheels spin' : '';
    const run = [Number.isFinite(distance) ? formatPredicted(distance, 'distance', units) : '', stopped].filter(Boolean).join(', ');
    return `${acrossSize.label} ${formatQuantity(x, acrossSize.quantity, units)}, ${upSize.label} ${formatQuantity(y, upSize.quantity, units)}: ${run}`;
  };
  const moveByKey = (event: React.KeyboardEvent): void => {
    if (!picture) return;
    const cell = cellByKey(cursor ?? best ?? 0, event);
    if (cell !== null) {
      event.preventDefault();
      setByKey(true);
      setCursor(cell);
    } else if (event.key === 'Enter' && cursor !== null) apply(cursor);
    else if (event.key === 'Escape') setCursor(null);
  };
  const nearest = (x: number, y: number): number | null => (picture ? cellAt(picture, acrossSize, upSize, units, x, y) : null);
  return (
    <Box sx={{ display: 'grid', gridTemplateRows: 'auto auto minmax(0, 1fr)', height: '100%', minHeight: 0 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center' }}>
        <SizeChoice sizes={sizes} label="Across" value={acrossId} onChange={setAcross} />
        <SizeChoice sizes={sizes} label="Up" value={upId} onChange={setUp} />
        {best !== null && (
          <Button size="small" variant="contained" onClick={() => apply(best)}>
            Apply the best: {aimWords(design.aim, units).formatScore(picture!.cars.score[best]!)}
          </Button>
        )}
        {picture && option && (
          <Box sx={{ ml: 'auto' }}>
            <ChartExport
              name={`${design.name} map`}
              option={option}
              table={() => ({
                head: [sizeHead(acrossSize), sizeHead(upSize), 'distance m', 'time s', 'launch grip', 'stopped by'],
                rows: Array.from(picture.cars.distance, (d, i) => [
                  ...valuesAt(picture, i),
                  d,
                  picture.cars.time[i]!,
                  picture.cars.launchGripRatio[i]!,
                  picture.cars.stops[picture.cars.stop[i]! - 1] ?? '',
                ]),
              })}
            />
          </Box>
        )}
      </Box>
      {job.progress !== null || job.isBroken ? (
        <JobBar job={job} label="Mapping" />
      ) : (
        <Typography
          variant="caption"
          color="text.secondary"
          aria-live={isByKey ? 'polite' : 'off'}
          sx={{ minHeight: 32, alignContent: 'center' }}
        >
          {cursor !== null && picture
            ? `${describeCell(cursor)}. Press Enter or click to apply.`
            : 'Darker: further. Red hatching: stopped by a check or rule. Amber: the wheels spin. Blank: cannot run. Point, or move with the arrow keys.'}
        </Typography>
      )}
      {picture && option && (
        <Chart
          option={option}
          tabIndex={0}
          role="application"
          aria-label={`Map of distance over ${acrossSize.label} and ${upSize.label}${best !== null ? `; best ${describeCell(best)}` : ''}. Arrow keys move, Enter applies.`}
          onKeyDown={moveByKey}
          onPlace={(place) => {
            setByKey(false);
            setCursor(place && nearest(...place));
          }}
          onTake={(place) => {
            const cell = nearest(...place);
            if (cell !== null) apply(cell);
          }}
          sx={{ minHeight: 160, height: '100%', cursor: 'crosshair' }}
        />
      )}
    </Box>
  );
}
