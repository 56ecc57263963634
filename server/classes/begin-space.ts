import { randomUUID } from 'node:crypto';
import type { CarDesign } from '../../core/schema/generated/car-design.ts';
import type { CrewClass } from '../../core/schema/generated/crew-class.ts';
import type { Db } from '../database.ts';
import { briefQueries } from '../queries/briefs.ts';
import { carQueries } from '../queries/cars.ts';
import { partQueries } from '../queries/parts.ts';

/** A car as crews of a class get it: it works to the class’s brief, whose id is the class’s. */
export const withBriefOf = (classId: string, design: CarDesign): CarDesign => ({ ...design, brief: { id: classId, round: 0 } });

/** Gives a crew what its class begins with, once: the brief, the parts of the kit, and the starting car. */
export function beginSpace(db: Db, classId: string, { brief, kit, startingCar }: CrewClass, now: string): void {
  db.transaction(() => {
    const isNew = db.prepare<[string]>('SELECT 1 FROM briefs WHERE id = ?').get(classId) === undefined;
    if (!isNew) return;
    briefQueries(db).write(classId, 0, brief, now);
    for (const part of kit) partQueries(db).write(randomUUID(), 0, part, now);
    if (startingCar) carQueries(db).write(randomUUID(), 0, withBriefOf(classId, startingCar), now);
  })();
}
