import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo, useRef, useState } from 'react';
import { goalOf } from '../../../../core/brief/goal.ts';
import { formatScore } from '../../../../core/brief/judge.ts';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { findSize } from '../../../../core/car/sizes.ts';
import { bestCell, growingMap, type MapRequest } from '../../../../core/explore/map.ts';
import { evenlySpaced } from '../../../../core/explore/sweep.ts';
import { formatPredicted, formatQuantity } from '../../../../core/units/quantity.ts';
import { useTokens } from '../../../app/theme.ts';
import { Chart } from '../../../charts/chart.tsx';
import { ChartExport } from '../../../charts/chart-export.tsx';
import { useUnits } from '../../../ui/use-units.ts';
import type { Edit } from '../../../open-car/design-slice.ts';
import { sizeHead } from './axes.ts';
import { JobBar } from '../../../workers/job-bar.tsx';
import { cellAt, mapOption, paintField, spins, type MapPicture } from './map-option.ts';
import { exploredRange } from './ranges.ts';
import { splitRows } from './split-rows.ts';
import { SizeChoice } from './size-choice.tsx';
import { useSizesToChoose } from './use-sizes-to-choose.ts';
import { QUIET, useJob } from '../../../workers/use-job.ts';

const SIDE = 121;
const ROWS_A_TASK = 5;
/** ms between pictures while a map grows: each takes time from the work. */
const BETWEEN_PICTURES = 400;

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
  const job = useJob<MapPicture>();
  const { progress, result, run } = job;
  const [cursor, setCursor] = useState<number | null>(null);
  /** Moved by keys it is told aloud; not at every move of the pointer. */
  const [isByKey, setByKey] = useState(false);

  // The first begins at once; while sizes change it waits until they are quiet.
  const quiet = useRef(0);

  useEffect(() => {
    const request: MapRequest = {
      design,
      across: { id: acrossId, values: evenlySpaced(...exploredRange(findSize(design, acrossId), design), SIDE) },
      up: { id: upId, values: evenlySpaced(...exploredRange(findSize(design, upId), design), SIDE) },
    };
    const timer = setTimeout(() => {
      run(async (report) => {
        const map = growingMap(SIDE * SIDE, SIDE);
        const tasks = Math.ceil(SIDE / ROWS_A_TASK);
        let done = 0;
        let drawn = performance.now();
        const picture = (): MapPicture => ({ request, cars: map, isWhole: done === tasks });
        await splitRows(
          tasks,
          (worker, i) => worker.mapRows(request, i * ROWS_A_TASK, Math.min((i + 1) * ROWS_A_TASK, SIDE)),
          (rows) => {
            map.add(rows);
            done++;
            const isDue = performance.now() - drawn > BETWEEN_PICTURES;
            if (isDue) drawn = performance.now();
            return report(isDue ? picture() : null, done / tasks);
          },
        );
        return picture();
      });
    }, quiet.current);
    quiet.current = QUIET;
    return () => clearTimeout(timer);
  }, [design, acrossId, upId, run]);

  const picture = result?.request.across.id === acrossId && result.request.up.id === upId ? result : null;
  const best = useMemo(() => (picture?.isWhole ? bestCell(picture.cars) : null), [picture]);
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
  const valuesAt = (cell: number): readonly [number, number] => [
    picture!.request.across.values[cell % SIDE]!,
    picture!.request.up.values[Math.floor(cell / SIDE)]!,
  ];
  const take = (cell: number): void => {
    const [x, y] = valuesAt(cell);
    edit((car) => upSize.write(acrossSize.write(car, x), y));
  };
  const words = (cell: number): string => {
    const [x, y] = valuesAt(cell);
    const distance = picture!.cars.distance[cell]!;
    const stop = picture!.cars.stop[cell]!;
    const stopped = stop > 0 ? `✕ ${picture!.cars.stops[stop - 1]!}` : spins(picture!.cars, cell) ? 'wheels spin' : '';
    const run = [Number.isFinite(distance) ? formatPredicted(distance, 'distance', units) : '', stopped].filter(Boolean).join(', ');
    return `${acrossSize.label} ${formatQuantity(x, acrossSize.quantity, units)}, ${upSize.label} ${formatQuantity(y, upSize.quantity, units)}: ${run}`;
  };
  const moveByKey = (event: React.KeyboardEvent): void => {
    if (!picture) return;
    const step = event.shiftKey ? 10 : 1;
    const from = cursor ?? best ?? 0;
    const [column, row] = [from % SIDE, Math.floor(from / SIDE)];
    const moves: Record<string, readonly [number, number]> = {
      ArrowRight: [step, 0],
      ArrowLeft: [-step, 0],
      ArrowUp: [0, step],
      ArrowDown: [0, -step],
    };
    const move = moves[event.key];
    if (move) {
      event.preventDefault();
      setByKey(true);
      const within = (value: number): number => Math.min(Math.max(value, 0), SIDE - 1);
      setCursor(within(column + move[0]) + SIDE * within(row + move[1]));
    } else if (event.key === 'Enter' && cursor !== null) take(cursor);
    else if (event.key === 'Escape') setCursor(null);
  };
  const nearest = (x: number, y: number): number | null => (picture ? cellAt(picture, acrossSize, upSize, units, x, y) : null);
  return (
    <Box sx={{ display: 'grid', gridTemplateRows: 'auto auto minmax(0, 1fr)', height: '100%', minHeight: 0 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center' }}>
        <SizeChoice sizes={sizes} label="Across" value={acrossId} onChange={setAcross} />
        <SizeChoice sizes={sizes} label="Up" value={upId} onChange={setUp} />
        {best !== null && (
          <Button size="small" variant="contained" onClick={() => take(best)}>
            Apply the best: {formatScore(goalOf(design.aim), picture!.cars.score[best]!, units)}
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
                  ...valuesAt(i),
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
      {progress !== null || job.isBroken ? (
        <JobBar job={job} label="Mapping" />
      ) : (
        <Typography
          variant="caption"
          color="text.secondary"
          aria-live={isByKey ? 'polite' : 'off'}
          sx={{ minHeight: 32, alignContent: 'center' }}
        >
          {cursor !== null && picture
            ? `${words(cursor)}. Press Enter or click to apply.`
            : 'Darker: further. Red hatching: stopped by a check or rule. Amber: the wheels spin. Blank: cannot run. Point, or move with the arrow keys.'}
        </Typography>
      )}
      {picture && option && (
        <Chart
          option={option}
          tabIndex={0}
          role="application"
          aria-label={`Map of distance over ${acrossSize.label} and ${upSize.label}${best !== null ? `; best ${words(best)}` : ''}. Arrow keys move, Enter applies.`}
          onKeyDown={moveByKey}
          onPlace={(place) => {
            setByKey(false);
            setCursor(place && nearest(...place));
          }}
          onTake={(place) => {
            const cell = nearest(...place);
            if (cell !== null) take(cell);
          }}
          sx={{ minHeight: 160, height: '100%', cursor: 'crosshair' }}
        />
      )}
    </Box>
  );
}
