import { useCallback } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { WhatToMeasure } from '../../../core/bench/what-to-measure.ts';
import { pooled } from '../../workers/explore.ts';
import { useJob, useWhenQuiet } from '../../workers/use-job.ts';

/** What each measurement would bring on a car, worked out beside the page whenever the car has changed. */
export function useWhatToMeasure(design: CarDesign) {
  const job = useJob<WhatToMeasure>();
  const { run } = job;
  useWhenQuiet(useCallback(() => run(() => pooled(0).work.whatToMeasure(design)), [run, design]));
  return job;
}
