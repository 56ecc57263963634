import { useCallback } from 'react';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { findSize } from '../../../../core/car/sizes.ts';
import { evenlySpaced, type BoundedSweepPoint } from '../../../../core/explore/sweep.ts';
import { useJob, useWhenQuiet } from '../../../workers/use-job.ts';
import { exploredRange } from './ranges.ts';
import { splitRows } from './split-rows.ts';

const POINTS = 41;
const POINTS_PER_TASK = 3;

/** A design with one size through its range. The first sweep begins at once; while sizes change it waits until they are quiet. */
export function useSweep(design: CarDesign, sizeId: string) {
  const job = useJob<{ readonly sizeId: string; readonly points: readonly BoundedSweepPoint[] }>();
  const { result, run } = job;
  const begin = useCallback(() => {
    const [low, high] = exploredRange(findSize(design, sizeId), design);
    const values = evenlySpaced(low, high, POINTS);
    const chunks = Array.from({ length: Math.ceil(POINTS / POINTS_PER_TASK) }, (_, i) =>
      values.slice(i * POINTS_PER_TASK, (i + 1) * POINTS_PER_TASK),
    );
    run(async (report) => {
      const parts: BoundedSweepPoint[][] = chunks.map(() => []);
      let done = 0;
      await splitRows(
        chunks.length,
        (worker, i) => worker.boundedSweep(design, sizeId, chunks[i]!),
        (points, i) => {
          parts[i] = points;
          return report(null, ++done / chunks.length);
        },
      );
      return done === chunks.length ? { sizeId, points: parts.flat() } : null;
    });
  }, [design, sizeId, run]);
  useWhenQuiet(begin);

  return { job, points: result?.sizeId === sizeId ? result.points : null };
}
