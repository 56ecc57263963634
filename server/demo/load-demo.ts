import { readFileSync } from 'node:fs';
import type { CarDesign, CarVersion, RunRecord } from '../../core/car/car-design.ts';
import type { Brief } from '../../core/schema/generated/brief.ts';
import type { Meet } from '../../core/schema/generated/meet.ts';
import type { Session } from '../../core/schema/generated/session.ts';
import type { OwnPart } from '../../core/schema/generated/own-part.ts';
import type { Db } from '../database.ts';
import { briefQueries } from '../queries/briefs.ts';
import { carQueries } from '../queries/cars.ts';
import { meetQueries, resultQueries } from '../queries/meets.ts';
import { partQueries } from '../queries/parts.ts';
import { runQueries } from '../queries/runs.ts';
import { sessionQueries } from '../queries/sessions.ts';
import { versionQueries } from '../queries/versions.ts';

interface Demo {
  /** The evening on which all its runs were made. */
  readonly session: { readonly id: string; readonly session: Omit<Session, 'format' | 'version'> };
  readonly parts: readonly { readonly id: string; readonly part: Omit<OwnPart, 'format' | 'version'> }[];
  readonly cars: readonly {
    readonly id: string;
    readonly design: CarDesign;
    /** In the order they were stored, each grown from the one before unless it names another. */
    readonly versions: readonly { readonly id: string; readonly record: Omit<CarVersion, 'format' | 'version'> }[];
    readonly runs: readonly { readonly id: string; readonly record: Omit<RunRecord, 'format' | 'version' | 'design'> }[];
  }[];
}

/** The brief that the demo's cars work to, and the meet that was begun by it. */
const TROPHY = '5ce44000-0000-4000-8000-0000000000b1';
const MEET = '5ce44000-0000-4000-8000-0000000000d0';

const read = (file: string): unknown => JSON.parse(readFileSync(new URL(file, import.meta.url), 'utf8'));

/** The demo as it is written, with its brief, and times one second apart, so that things are in this order. */
export const readDemo = () => ({
  ...(read('skerrow.json') as Demo),
  brief: read('skerrow-lull-trophy.brief.json') as Brief,
  savedAt: (index: number): string => new Date(Date.UTC(2026, 10, 20, 18, 0, index)).toISOString(),
});

/** The made-up cars, parts, runs and brief of the Skerrow ferry hall. Loaded once: what was changed or removed in the demo stays so. */
export function loadDemo(db: Db): void {
  const { cars, parts, session, brief, savedAt: keptAt } = readDemo();
  const [carTable, partTable, versionTable, runTable] = [carQueries(db), partQueries(db), versionQueries(db), runQueries(db)];
  db.transaction(() => {
    briefQueries(db).write(TROPHY, 0, brief, keptAt(0));
    sessionQueries(db).write(session.id, 0, { format: 'nimble-axle/session', version: 1, ...session.session }, keptAt(0));
    const { results, ...meet } = read('skerrow-lull-trophy.meet.json') as Meet & Required<Pick<Meet, 'results'>>;
    meetQueries(db).write(MEET, 0, meet, keptAt(0));
    for (const { id, result } of results) resultQueries(db).write(id, MEET, 0, result, result.at);
    parts.forEach(({ id, part }, index) => partTable.write(id, 0, { format: 'nimble-axle/own-part', version: 1, ...part }, keptAt(index)));
    cars.forEach(({ id, design, versions, runs }, index) => {
      if (!carTable.write(id, 0, design, keptAt(index))) return;
      for (const { id: versionId, record } of versions)
        versionTable.write(versionId, id, 0, { format: 'nimble-axle/car-version', version: 1, ...record }, record.keptAt);
      for (const run of runs) {
        // A run was made with the version it names, else with the car as it is.
        const ranWith = versions.find((version) => version.id === run.record.carVersion)?.record.design ?? design;
        const record: RunRecord = { format: 'nimble-axle/run-record', version: 1, ...run.record, session: session.id, design: ranWith };
        runTable.write(run.id, id, 0, record, run.record.ranAt);
      }
    });
  })();
}
