import type { Kept, Listed } from '../../core/schema/stored.ts';

/** Where things of one kind are kept. */
export interface Place<K extends Kept, T> {
  readonly get: (id: string) => Listed<K> | undefined;
  /** Writes over version `base` (0: makes it). False when another version stands there. */
  readonly write: (id: string, base: number, content: T, now: string) => boolean;
  readonly remove: (id: string, at: string) => boolean;
  readonly restore: (id: string) => boolean;
}

/** What is kept below cars, asked for with the car's id. */
interface BelowCars<K extends Kept, T> {
  readonly get: (id: string, carId: string) => Listed<K> | undefined;
  readonly write: (id: string, carId: string, base: number, content: T, now: string) => boolean;
  readonly remove: (id: string, carId: string, at: string) => boolean;
  readonly restore: (id: string, carId: string) => boolean;
}

/** The place of what belongs to one car. */
export const placeOfCar = <K extends Kept, T>(kept: BelowCars<K, T>, carId: string): Place<K, T> => ({
  get: (id) => kept.get(id, carId),
  write: (id, base, content, now) => kept.write(id, carId, base, content, now),
  remove: (id, at) => kept.remove(id, carId, at),
  restore: (id) => kept.restore(id, carId),
});
