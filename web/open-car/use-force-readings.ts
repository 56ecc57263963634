import { useMemo } from 'react';
import { measurementHistory } from '../../core/bench/measurement-history.ts';
import { forceReadings, type ForceReading } from '../../core/bench/force-readings.ts';
import type { CarDesign } from '../../core/car/car-design.ts';
import type { StoredVersion } from '../../core/schema/stored.ts';
import { useListVersionsQuery } from '../app/api/versions-api.ts';

const NONE: readonly ForceReading[] = [];
const NO_VERSIONS: readonly StoredVersion[] = [];
const isRimPull = ({ record }: StoredVersion): boolean => record.bench?.measurement.kind === 'rim-pull';

/** The pulls that were last read at the rim of a car, while it is known by them; none otherwise. The same list while a size is dragged. */
export function useForceReadings(carId: string, design: CarDesign): readonly ForceReading[] {
  const versions = useListVersionsQuery(carId).data?.readable;
  const measured = useMemo(() => (versions?.some(isRimPull) ? versions : NO_VERSIONS), [versions]);
  const last = useMemo(
    () => measurementHistory(measured, design).findLast((one) => one.isIn && one.measurement.kind === 'rim-pull'),
    [measured, design],
  );
  const [measurement, known] = [last?.measurement, last?.to];
  return useMemo(() => (measurement?.kind === 'rim-pull' && known ? forceReadings(measurement, known) : NONE), [measurement, known]);
}
