import { createHash } from 'node:crypto';
import type { CarVersion, RunRecord } from '../../core/car/car-design.ts';
import { isReadable, type StoredCar, type StoredRun, type StoredVersion } from '../../core/schema/stored.ts';
import type { Db } from '../database.ts';
import { carQueries } from '../queries/cars.ts';
import { runQueries } from '../queries/runs.ts';
import { versionQueries } from '../queries/versions.ts';

/**
 * The id of what is copied from the space of a crew: always the same for the same thing, and another for every crew, whose things may have
 * equal ids. A UUID of version 8 (RFC 9562) from a hash.
 */
export function idOfCopy(crewId: string, id: string): string {
  const hex = createHash('sha256').update(`${crewId} ${id}`).digest('hex');
  const variant = ((parseInt(hex[16]!, 16) & 3) | 8).toString(16);
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-${variant}${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

/** Letters that a name has at most. */
const MOST_OF_NAME = 80;

interface CopyTask {
  readonly from: Db;
  readonly to: Db;
  readonly crew: { readonly id: string; readonly name: string };
  readonly carId: string;
  readonly now: string;
}

/**
 * Copies a car of a crew with its versions and runs; copied again, it comes to the same copy, brought up to date. Pictures and sessions stay
 * with the crew. Answers what the copy is called, and its id; null where the crew has no such car.
 */
export function copyCar({ from, to, crew, carId, now }: CopyTask): { readonly id: string; readonly name: string } | null {
  const car = carQueries(from).get(carId);
  if (!car || !isReadable<StoredCar>(car)) return null;
  const of = (id: string): string => idOfCopy(crew.id, id);
  const id = of(carId);
  const name = `${car.design.name}, ${crew.name}`.slice(0, MOST_OF_NAME);
  const [cars, versions, runs] = [carQueries(to), versionQueries(to), runQueries(to)];
  const sourceRuns = runQueries(from);
  to.transaction(() => {
    const here = cars.get(id);
    cars.restore(id);
    cars.write(id, here?.version ?? 0, { ...car.design, name }, now);
    for (const version of versionQueries(from).ofCar(carId).toReversed()) {
      if (!isReadable<StoredVersion>(version)) continue;
      const { parent, bench: _measured, ...record } = version.record;
      const copied: CarVersion = { ...record, parent: parent === null ? null : of(parent) };
      versions.write(of(version.id), id, versions.get(of(version.id), id)?.version ?? 0, copied, now);
    }
    const ids = from.prepare<[string], { id: string }>('SELECT id FROM runs WHERE car_id = ? AND deleted_at IS NULL').all(carId);
    for (const { id: runId } of ids) {
      const run = sourceRuns.get(runId, carId);
      if (!run || !isReadable<StoredRun>(run)) continue;
      const { photo: _picture, session: _evening, carVersion, ...record } = run.record;
      const copied: RunRecord = { ...record, ...(carVersion !== undefined && { carVersion: of(carVersion) }) };
      runs.write(of(runId), id, runs.get(of(runId), id)?.version ?? 0, copied, now);
    }
  })();
  return { id, name };
}
