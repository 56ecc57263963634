import { useCallback, useMemo } from 'react';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { findSize } from '../../../../core/car/sizes.ts';
import { bestCell, growingMap, type MapRequest } from '../../../../core/explore/map.ts';
import { evenlySpaced } from '../../../../core/explore/sweep.ts';
import { useJob, useWhenQuiet } from '../../../workers/use-job.ts';
import type { MapPicture } from './map-option.ts';
import { exploredRange } from './ranges.ts';
import { splitRows } from './split-rows.ts';

/** Cells along each side of a map. */
export const MAP_SIDE = 121;
const ROWS_PER_TASK = 5;
/** ms between pictures while a map grows: each takes time from the work. */
const PICTURE_INTERVAL = 400;

/** The map of a design over two sizes. The first begins at once; while sizes change it waits until they are quiet. */
export function useMap(design: CarDesign, acrossId: string, upId: string) {
  const job = useJob<MapPicture>();
  const { result, run } = job;
  const begin = useCallback(() => {
    const request: MapRequest = {
      design,
      across: { id: acrossId, values: evenlySpaced(...exploredRange(findSize(design, acrossId), design), MAP_SIDE) },
      up: { id: upId, values: evenlySpaced(...exploredRange(findSize(design, upId), design), MAP_SIDE) },
    };
    run(async (report) => {
      const map = growingMap(MAP_SIDE * MAP_SIDE, MAP_SIDE);
      const tasks = Math.ceil(MAP_SIDE / ROWS_PER_TASK);
      let done = 0;
      let drawn = performance.now();
      const picture = (): MapPicture => ({ request, cars: map, isWhole: done === tasks });
      await splitRows(
        tasks,
        (worker, i) => worker.mapRows(request, i * ROWS_PER_TASK, Math.min((i + 1) * ROWS_PER_TASK, MAP_SIDE)),
        (rows) => {
          map.add(rows);
          done++;
          const isDue = performance.now() - drawn > PICTURE_INTERVAL;
          if (isDue) drawn = performance.now();
          return report(isDue ? picture() : null, done / tasks);
        },
      );
      return picture();
    });
  }, [design, acrossId, upId, run]);
  useWhenQuiet(begin);

  const picture = result?.request.across.id === acrossId && result.request.up.id === upId ? result : null;
  const best = useMemo(() => (picture?.isWhole ? bestCell(picture.cars) : null), [picture]);
  return { job, picture, best };
}

/** The two values at a cell, SI. */
export const valuesAt = ({ request }: MapPicture, cell: number): readonly [across: number, up: number] => [
  request.across.values[cell % MAP_SIDE]!,
  request.up.values[Math.floor(cell / MAP_SIDE)]!,
];

/** The cell that an arrow key leads to from another, ten cells with Shift; null for other keys. */
export function cellByKey(from: number, { key, shiftKey }: { readonly key: string; readonly shiftKey: boolean }): number | null {
  const step = shiftKey ? 10 : 1;
  const moves: Readonly<Record<string, readonly [number, number]>> = {
    ArrowRight: [step, 0],
    ArrowLeft: [-step, 0],
    ArrowUp: [0, step],
    ArrowDown: [0, -step],
  };
  const move = moves[key];
  if (!move) return null;
  const within = (value: number): number => Math.min(Math.max(value, 0), MAP_SIDE - 1);
  return within((from % MAP_SIDE) + move[0]) + MAP_SIDE * within(Math.floor(from / MAP_SIDE) + move[1]);
}
