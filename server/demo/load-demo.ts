import { readFileSync } from 'node:fs';
import type { CarDesign, CarVersion, RunRecord } from '../../core/design/car-design.ts';
import type { Db } from '../database.ts';
import { carQueries } from '../queries/cars.ts';
import { runQueries, versionQueries } from '../queries/car-records.ts';

interface Demo {
  readonly cars: readonly {
    readonly id: string;
    readonly design: CarDesign;
    /** In the order they were kept, each grown from the one before unless it names another. */
    readonly versions: readonly { readonly id: string; readonly record: Omit<CarVersion, 'format' | 'version'> }[];
    readonly runs: readonly { readonly id: string; readonly record: Omit<RunRecord, 'format' | 'version' | 'design'> }[];
  }[];
}

/** The made-up cars and runs of the Skerrow ferry hall. Loaded once: what was changed or removed in the demo stays so. */
export function loadDemo(db: Db): void {
  const { cars } = JSON.parse(readFileSync(new URL('skerrow.json', import.meta.url), 'utf8')) as Demo;
  const [carTable, versionTable, runTable] = [carQueries(db), versionQueries(db), runQueries(db)];
  db.transaction(() => {
    cars.forEach(({ id, design, versions, runs }, index) => {
      // One second apart, so that they stand in this order.
      if (!carTable.write(id, 0, design, new Date(Date.UTC(2026, 10, 20, 18, 0, index)).toISOString())) return;
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
