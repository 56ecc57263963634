import { randomUUID } from 'node:crypto';
import type { CarDesign } from '../../core/schema/generated/car-design.ts';
import { isReadable, type StoredCar, type StoredClass, type StoredVersion } from '../../core/schema/stored.ts';
import type { Store } from '../database.ts';
import { briefQueries } from '../queries/briefs.ts';
import { carQueries } from '../queries/cars.ts';
import { versionQueries } from '../queries/versions.ts';
import { withBriefOf } from './begin-space.ts';
import type { Classes } from './classes.ts';
import { copyCar } from './copy-car.ts';

/** Lets others have their turn between two crews. */
const turn = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/** Saves a version of the car of every crew: what it hands in. Crews without a car hand in nothing. */
export async function handIn(classes: Classes, { class: { crews } }: StoredClass, now: string): Promise<void> {
  for (const { id: crewId } of crews) {
    const car = classes.carOf(crewId);
    const crew = classes.crewOf(crewId);
    if (!car || !crew) continue;
    const { db } = classes.spaceOf(crew).store;
    const stored = carQueries(db).get(car.id);
    if (!stored || !isReadable<StoredCar>(stored)) continue;
    const versions = versionQueries(db);
    const parent = versions.ofCar(car.id).find((version) => isReadable<StoredVersion>(version))?.id ?? null;
    const record = {
      format: 'nimble-axle/car-version',
      version: 1,
      name: 'Handed in',
      note: '',
      keptAt: now,
      parent,
      change: '',
      design: stored.design,
    } as const;
    versions.write(randomUUID(), car.id, 0, record, now);
    await turn();
  }
}

/** A car of a crew as it is entered in a meet of the owner. */
export interface HandedInCar {
  readonly crew: string;
  readonly carId: string;
  readonly car: string;
}

/** Copies the car of every crew to the owner’s Garage, with its versions and runs, and the class’s brief beside them. */
export async function copyHandedIn(classes: Classes, store: Store, stored: StoredClass, now: string): Promise<readonly HandedInCar[]> {
  const copied: HandedInCar[] = [];
  const briefs = briefQueries(store.db);
  if (!briefs.restore(stored.id)) briefs.write(stored.id, 0, stored.class.brief, now);
  for (const crew of stored.class.crews) {
    const car = classes.carOf(crew.id);
    const found = classes.crewOf(crew.id);
    if (!car || !found) continue;
    const copy = copyCar({ from: classes.spaceOf(found).store.db, to: store.db, crew, carId: car.id, now });
    if (copy) copied.push({ crew: crew.name, carId: copy.id, car: car.name });
    await turn();
  }
  return copied;
}

/** Gives every crew of a class a car; how many got it. */
export async function sendCar(classes: Classes, { id, class: { crews } }: StoredClass, design: CarDesign, now: string): Promise<number> {
  let sent = 0;
  for (const { id: crewId } of crews) {
    const crew = classes.crewOf(crewId);
    if (!crew) continue;
    const { store, live } = classes.spaceOf(crew);
    const carId = randomUUID();
    if (carQueries(store.db).write(carId, 0, withBriefOf(id, design), now)) sent++;
    live.tell({ kind: 'stored', what: 'car', id: carId, by: null }, 'written');
    await turn();
  }
  return sent;
}
