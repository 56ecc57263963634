import { isSameContent } from '../car/same-design.ts';
import { MEASUREMENTS } from './measurements.ts';
import type { Measurement } from './measured.ts';

/** Columns of a measurement as they are typed; letting back beside the same places. */
export const columnsOf = (measurement: Measurement): Readonly<Record<string, unknown>> => ({
  ...measurement.readings,
  ...('back' in measurement && measurement.back?.force && { back: measurement.back.force }),
});

/** Whether two measurements were read alike, row by row: readings count once. */
export const isSameReading = (a: Measurement, b: Measurement): boolean =>
  a.kind === b.kind && MEASUREMENTS[a.kind].columns.every(({ key }) => isSameContent(columnsOf(a)[key], columnsOf(b)[key]));
