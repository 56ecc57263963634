import { readFileSync } from 'node:fs';
import type { CarDesign, CarVersion, RunRecord } from '../../core/car/car-design.ts';
import type { OwnPart } from '../../core/schema/generated/own-part.ts';
import type { Db } from '../database.ts';
import { carQueries } from '../queries/cars.ts';
import { partQueries } from '../queries/parts.ts';
import { runQueries } from '../queries/runs.ts';
import { versionQueries } from '../queries/versions.ts';

interface Demo {
  readonly parts: readonly { readonly id: string; readonly part: Omit<OwnPart, 'format' | 'version'> }[];
  readonly cars: readonly {
    readonly id: string;
    readonly design: CarDesign;
    /** In the order they were kept, each grown from the one before unless it names another. */
    readonly versions: readonly { readonly id: string; readonly record: Omit<CarVersion, 'format' | 'version'> }[];
    readonly runs: readonly { readonly id: string; readonly record: Omit<RunRecord, 'format' | 'version' | 'design'> }[];
  }[];
}

/** The made-up cars, parts and runs of the Skerrow ferry hall. Loaded once: what was changed or removed in the demo stays so. */
export function loadDemo(db: Db): void {
  const { cars, parts } = JSON.parse(readFileSync(new URL('skerrow.json', import.meta.url), 'utf8')) as Demo;
  const [carTable, partTable, versionTable, runTable] = [carQueries(db), partQueries(db), versionQueries(db), runQueries(db)];
  // One second apart, so that they stand in this order.
  const keptAt = (index: number): string => new Date(Date.UTC(2026, 10, 20, 18, 0, index)).toISOString();
  db.transaction(() => {
    parts.forEach(({ id, part }, index) => partTable.write(id, 0, { format: 'nimble-axle/own-part', version: 1, ...part }, keptAt(index)));
    cars.forEach(({ id, design, versions, runs }, index) => {
      if (!carTable.write(id, 0, design, keptAt(index))) return;
      for (const { id: versionId, record } of versions)
        versionTable.write(versionId, id, 0, { format: 'nimble-axle/car-version', version: 1, ...record }, record.keptAt);
      for (const run of runs) {
        // A run was made with the version it names, else with the car as it stands.
        const ranWith = versions.find((version) => version.id === run.record.carVersion)?.record.design ?? design;
        runTable.write(run.id, id, 0, { format: 'nimble-axle/run-record', version: 1, ...run.record, design: ranWith }, run.record.ranAt);
      }
    });
  })();
}
