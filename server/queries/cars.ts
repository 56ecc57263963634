import type { CarDesign, Outcome } from '../../core/car/car-design.ts';
import { readCarDesign } from '../../core/files/read.ts';
import { isReadable, type EarlierDesign, type Listed, type ListedCar, type StoredCar } from '../../core/schema/stored.ts';
import type { Db } from '../database.ts';
import { documents } from './documents.ts';
import { readRow } from './rows.ts';

interface EarlierRow {
  readonly version: number;
  readonly saved_at: string;
  readonly design: string;
}

export const carQueries = (db: Db) => {
  const cars = documents<CarDesign, StoredCar>(db, 'car', readCarDesign);
  const countRuns = db.prepare<[string], { count: number }>('SELECT ifnull(sum(runs), 0) AS count FROM run_tallies WHERE car_id = ?');
  const furthest = db.prepare<[string], { kind: Outcome['kind']; distance: number }>(
    `SELECT outcome AS kind, distance FROM runs
     WHERE car_id = ? AND deleted_at IS NULL AND distance IS NOT NULL ORDER BY distance DESC LIMIT 1`,
  );
  const earlier = db.prepare<[string, number, number], EarlierRow>(
    'SELECT version, saved_at, design FROM car_history WHERE car_id = ? AND version < ? ORDER BY version DESC LIMIT ?',
  );
  const insertEarlier = db.prepare(
    'INSERT OR IGNORE INTO car_history (car_id, version, design, saved_at) SELECT id, @version, @design, @savedAt FROM cars WHERE id = @id AND version > @version',
  );
  const countFrom = db.prepare('UPDATE cars SET version = @version + 1 WHERE id = @id AND version <= @version');
  return {
    ...cars,
    /** Adds a design that a car had before, under the count of its save, unless that is taken; `isAhead`: the car then counts on from there. */
    keepEarlier: (id: string, { version, savedAt, design }: EarlierDesign, isAhead: boolean): boolean => {
      if (isAhead) countFrom.run({ id, version });
      return insertEarlier.run({ id, version, savedAt, design: JSON.stringify(design) }).changes === 1;
    },
    list: (): Listed<ListedCar>[] =>
      cars.all().map((car) => {
        if (!isReadable(car)) return car;
        return { ...car, runCount: countRuns.get(car.id)!.count, best: furthest.get(car.id) ?? null };
      }),
    /** Designs of a car that later saves replaced, newest first: those before version `before`, at most `most`. */
    earlier: (id: string, before: number, most: number): EarlierDesign[] =>
      earlier.all(id, before, most).flatMap(({ version, saved_at: savedAt, design }) => {
        const read = readRow(
          { id, version },
          design,
          () => JSON.parse(design),
          readCarDesign,
          (value) => ({ id, version, savedAt, design: value }),
        );
        return isReadable(read) ? [{ version, savedAt, design: read.design }] : [];
      }),
  };
};
export type CarQueries = ReturnType<typeof carQueries>;
