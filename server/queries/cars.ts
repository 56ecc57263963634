import type { CarDesign, Outcome } from '../../core/design/car-design.ts';
import type { ListedCar } from '../../core/files/stored.ts';
import type { Db } from '../database.ts';
import { documents } from './documents.ts';

export const carQueries = (db: Db) => {
  const cars = documents<CarDesign>(db, 'cars', 'design');
  const results = db.prepare<[], { id: string; run_count: number; best: string | null }>(`
    SELECT c.id,
      (SELECT count(*) FROM runs r WHERE r.car_id = c.id AND r.deleted_at IS NULL) AS run_count,
      (SELECT json_extract(r.record, '$.outcome') FROM runs r WHERE r.car_id = c.id AND r.deleted_at IS NULL
        ORDER BY json_extract(r.record, '$.outcome.distance') DESC LIMIT 1) AS best
    FROM cars c WHERE c.deleted_at IS NULL`);
  return {
    ...cars,
    list: (): ListedCar[] => {
      const resultOf = new Map(results.all().map((row) => [row.id, row]));
      return cars.all().map(({ content: design, ...car }) => {
        const { run_count: runCount, best } = resultOf.get(car.id)!;
        return { ...car, design, runCount, best: best === null ? null : (JSON.parse(best) as Outcome) };
      });
    },
  };
};
export type CarQueries = ReturnType<typeof carQueries>;
