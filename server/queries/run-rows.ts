import { readCarDesign, readRunRecord } from '../../core/files/read.ts';
import type { Designs, Listed, StoredRun } from '../../core/schema/stored.ts';
import type { designQueries } from './designs.ts';
import { readRow } from './rows.ts';

/** A stored run. */
export interface RunRow {
  readonly id: string;
  readonly car_id: string;
  readonly version: number;
  readonly record: string;
  readonly design_id: string | null;
}

/** The readable designs of runs, each by its id. */
export type DesignsOf = (ids: Iterable<string | null>) => Designs;

/** Reads the designs that runs refer to. */
export function designsOfRuns(designs: ReturnType<typeof designQueries>): DesignsOf {
  return (ids) => {
    const readable: Record<string, Designs[string]> = {};
    for (const id of new Set(ids)) {
      const text = id === null ? undefined : designs.get(id);
      const read = text === undefined ? null : readCarDesign(JSON.parse(text));
      if (id !== null && read?.kind === 'read') readable[id] = read.value;
    }
    return readable;
  };
}

/** A run with its design, or that it cannot be read. */
export const storedRunOf = (row: RunRow, designs: Designs): Listed<StoredRun> =>
  readRow(
    row,
    row.record,
    () => ({ ...(JSON.parse(row.record) as object), ...(row.design_id !== null && { design: designs[row.design_id] }) }),
    readRunRecord,
    (record) => ({ id: row.id, carId: row.car_id, version: row.version, record }),
  );
