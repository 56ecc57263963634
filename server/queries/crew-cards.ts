import type { CrewReport } from '../../core/schema/generated/crew-report.ts';
import type { Db } from '../database.ts';

/** The card of a crew, and what the crew chose and told of itself. */
export interface CrewCard {
  readonly crewId: string;
  readonly classId: string;
  readonly code: string;
  /** The car that it hands in; null for the one that it worked on last. */
  readonly carId: string | null;
  readonly report: CrewReport | null;
}

interface CardRow {
  readonly crew_id: string;
  readonly class_id: string;
  readonly code: string;
  readonly car_id: string | null;
  readonly report: string | null;
}
const cardOf = ({ crew_id: crewId, class_id: classId, code, car_id: carId, report }: CardRow): CrewCard => ({
  crewId,
  classId,
  code,
  carId,
  report: report === null ? null : (JSON.parse(report) as CrewReport),
});

/** Devices of one crew; its oldest gives way to one more. */
const MOST_DEVICES = 20;

/** Cards of crews, and the devices that joined by them; a device is known by the hash of its token. */
export function crewCardQueries(db: Db) {
  const all = db.prepare<[], CardRow>('SELECT * FROM crew_cards');
  const ofClass = db.prepare<[string], CardRow>('SELECT * FROM crew_cards WHERE class_id = ?');
  const find = db.prepare<[string], CardRow>('SELECT * FROM crew_cards WHERE crew_id = ?');
  const insert = db.prepare('INSERT OR IGNORE INTO crew_cards (crew_id, class_id, code, drawn_at) VALUES (@crewId, @classId, @code, @now)');
  const redraw = db.prepare('UPDATE crew_cards SET code = @code, drawn_at = @now WHERE crew_id = @crewId');
  const remove = db.prepare('DELETE FROM crew_cards WHERE crew_id = ?');
  const choose = db.prepare('UPDATE crew_cards SET car_id = @carId WHERE crew_id = @crewId');
  const report = db.prepare('UPDATE crew_cards SET report = @report WHERE crew_id = @crewId');
  const addDevice = db.prepare('INSERT INTO crew_devices (token_hash, crew_id, joined_at, seen_at) VALUES (@hash, @crewId, @now, @now)');
  const crowdOut = db.prepare(
    `DELETE FROM crew_devices WHERE crew_id = @crewId AND token_hash NOT IN
       (SELECT token_hash FROM crew_devices WHERE crew_id = @crewId ORDER BY seen_at DESC LIMIT ${MOST_DEVICES})`,
  );
  const device = db.prepare<[string], { crew_id: string }>('SELECT crew_id FROM crew_devices WHERE token_hash = ?');
  const see = db.prepare('UPDATE crew_devices SET seen_at = @now WHERE token_hash = @hash');
  const dropDevices = db.prepare('DELETE FROM crew_devices WHERE crew_id = ?');
  const lastSeen = db.prepare<[string], { at: string | null }>('SELECT max(seen_at) AS at FROM crew_devices WHERE crew_id = ?');
  return {
    all: (): CrewCard[] => all.all().map(cardOf),
    ofClass: (classId: string): CrewCard[] => ofClass.all(classId).map(cardOf),
    get: (crewId: string): CrewCard | null => {
      const row = find.get(crewId);
      return row ? cardOf(row) : null;
    },
    /** False where the crew has one already, or the code is another's. */
    add: (crewId: string, classId: string, code: string, now: string): boolean => insert.run({ crewId, classId, code, now }).changes === 1,
    /** Gives a crew another code: whoever joined by the one before has to join again. */
    redraw: db.transaction((crewId: string, code: string, now: string): void => {
      redraw.run({ crewId, code, now });
      dropDevices.run(crewId);
    }),
    remove: (crewId: string): void => void remove.run(crewId),
    choose: (crewId: string, carId: string | null): void => void choose.run({ crewId, carId }),
    report: (crewId: string, told: CrewReport): void => void report.run({ crewId, report: JSON.stringify(told) }),
    addDevice: db.transaction((hash: string, crewId: string, now: string): void => {
      addDevice.run({ hash, crewId, now });
      crowdOut.run({ crewId });
    }),
    crewOfDevice: (hash: string): string | null => device.get(hash)?.crew_id ?? null,
    see: (hash: string, now: string): void => void see.run({ hash, now }),
    lastSeen: (crewId: string): string | null => lastSeen.get(crewId)?.at ?? null,
  };
}
export type CrewCardQueries = ReturnType<typeof crewCardQueries>;
