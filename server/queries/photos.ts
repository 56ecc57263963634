import { readPhoto } from '../../core/files/read.ts';
import type { Photo } from '../../core/schema/generated/photo.ts';
import type { StoredPhoto } from '../../core/schema/stored.ts';
import type { Db } from '../database.ts';
import { documents } from './documents.ts';

/** ms after which a picture that no run names is taken for one that was left behind. */
const LEFT_BEHIND = 24 * 60 * 60 * 1000;

/** Pictures of runs. */
export function photoQueries(db: Db) {
  const ofCar = db.prepare<[string, string]>(`SELECT 1 FROM runs WHERE car_id = ? AND record ->> '$.photo' = ?`);
  const sweep = db.prepare(
    `DELETE FROM photos WHERE created_at < ? AND id NOT IN (SELECT record ->> '$.photo' FROM runs WHERE record ->> '$.photo' IS NOT NULL)`,
  );
  return {
    ...documents<Photo, StoredPhoto>(db, 'photo', readPhoto),
    /** Whether a run of this car names the picture. */
    isOfCar: (id: string, carId: string): boolean => ofCar.get(carId, id) !== undefined,
    /** Removes pictures that no run names; how many. Removed runs still name theirs. */
    sweep: (now: Date): number => sweep.run(new Date(now.getTime() - LEFT_BEHIND).toISOString()).changes,
  };
}
export type PhotoQueries = ReturnType<typeof photoQueries>;
