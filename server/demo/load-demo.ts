import { readFileSync } from 'node:fs';
import type { CarDesign, RunRecord } from '../../core/design/car-design.ts';
import type { Db } from '../database.ts';
import { carQueries } from '../queries/cars.ts';
import { runQueries } from '../queries/runs.ts';

interface Demo {
  readonly cars: readonly {
    readonly id: string;
    readonly design: CarDesign;
    readonly runs: readonly { readonly id: string; readonly record: Omit<RunRecord, 'format' | 'version' | 'design'> }[];
  }[];
}

/** The made-up cars and runs of the Skerrow ferry hall. Loaded once: what was changed or removed in the demo stays so. */
export function loadDemo(db: Db): void {
  const { cars } = JSON.parse(readFileSync(new URL('skerrow.json', import.meta.url), 'utf8')) as Demo;
  const [carTable, runTable] = [carQueries(db), runQueries(db)];
  db.transaction(() => {
    cars.forEach(({ id, design, runs }, index) => {
      // One second apart, so that they stand in this order.
      if (!carTable.write(id, 0, design, new Date(Date.UTC(2026, 10, 20, 18, 0, index)).toISOString())) return;
      for (const run of runs)
        runTable.write(run.id, id, 0, { format: 'nimble-axle/run-record', version: 1, ...run.record, design }, run.record.ranAt);
    });
  })();
}
