import { useMemo } from 'react';
import { doneMeasurements } from '../../core/bench/done.ts';
import { pullsRead, type PullRead } from '../../core/bench/pulls-read.ts';
import type { CarDesign } from '../../core/car/car-design.ts';
import type { StoredVersion } from '../../core/schema/stored.ts';
import { useListVersionsQuery } from '../app/api.ts';

const NONE: readonly PullRead[] = [];
const NO_VERSIONS: readonly StoredVersion[] = [];
const isRimPull = ({ record }: StoredVersion): boolean => record.bench?.measurement.kind === 'rim-pull';

/** The pulls that were last read at the rim of a car, while it is known by them; none otherwise. The same list while a size is dragged. */
export function usePullsRead(carId: string, design: CarDesign): readonly PullRead[] {
  const versions = useListVersionsQuery(carId).data?.readable;
  const told = useMemo(() => (versions?.some(isRimPull) ? versions : NO_VERSIONS), [versions]);
  const last = useMemo(
    () => doneMeasurements(told, design).findLast((one) => one.isIn && one.measurement.kind === 'rim-pull'),
    [told, design],
  );
  const [measurement, known] = [last?.measurement, last?.to];
  return useMemo(() => (measurement?.kind === 'rim-pull' && known ? pullsRead(measurement, known) : NONE), [measurement, known]);
}
