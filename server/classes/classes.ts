import { randomInt } from 'node:crypto';
import { CARD_LENGTH, CARD_SIGNS, readCardCode } from '../../core/schema/card-code.ts';
import type { CrewStanding } from '../../core/schema/crew-standing.ts';
import type { CrewClass } from '../../core/schema/generated/crew-class.ts';
import { isReadable, type StoredClass } from '../../core/schema/stored.ts';
import type { JoinedSpace } from '../../core/schema/sharing.ts';
import type { Store } from '../database.ts';
import { classQueries } from '../queries/classes.ts';
import { crewCardQueries } from '../queries/crew-cards.ts';
import { hashOf, isSameCode, newToken } from '../sharing/tokens.ts';
import { beginSpace } from './begin-space.ts';
import { NOT_BEGUN, standingQueries, type SpaceStanding } from './crew-standing.ts';
import type { Presence } from './presence.ts';
import type { Space, Spaces } from './spaces.ts';

/** ms between two notes of when a device was last there. */
const NOTED = 60_000;

const drawnCode = (): string => Array.from({ length: CARD_LENGTH }, () => CARD_SIGNS[randomInt(CARD_SIGNS.length)]).join('');

/** A crew with the class that it belongs to. */
export interface CrewOfClass {
  readonly classId: string;
  readonly stored: StoredClass;
  readonly crew: CrewClass['crews'][number];
}

interface ClassParts {
  readonly store: Store;
  readonly spaces: Spaces;
  readonly presence: Presence;
}

/** Classes with their crews: who is in which, by what card, and how far each has come. */
export function makeClasses({ store: { db }, spaces, presence }: ClassParts) {
  const classes = classQueries(db);
  const cards = crewCardQueries(db);
  const versionOf = db.prepare<[string], { version: number }>('SELECT version FROM classes WHERE id = ? AND deleted_at IS NULL');
  const withMeet = db.prepare<[string], { id: string }>(
    "SELECT id FROM classes WHERE deleted_at IS NULL AND class ->> '$.meet' = ? AND class ->> '$.opened.results'",
  );
  /** Read once for each version: every request of a crew asks for its class. */
  const known = new Map<string, StoredClass>();
  const get = (classId: string): StoredClass | null => {
    const version = versionOf.get(classId)?.version;
    const present = known.get(classId);
    if (version !== undefined && present?.version === version) return present;
    known.delete(classId);
    const stored = version === undefined ? undefined : classes.get(classId);
    if (!stored || !isReadable<StoredClass>(stored)) return null;
    known.set(classId, stored);
    return stored;
  };
  const now = (): string => new Date().toISOString();
  const crewOf = (crewId: string): CrewOfClass | null => {
    const card = cards.get(crewId);
    const stored = card && get(card.classId);
    const crew = stored && stored.class.crews.find(({ id }) => id === crewId);
    return crew ? { classId: stored.id, stored, crew } : null;
  };
  const spaceOf = ({ classId, stored, crew }: CrewOfClass): Space => {
    const isNew = !spaces.isThere(crew.id);
    const space = spaces.at(crew.id);
    if (isNew) beginSpace(space.store.db, classId, stored.class, now());
    return space;
  };
  /** Every crew has a card, and nobody else: one that left the class is let in no more. */
  const dealCards = (classId: string): void => {
    const stored = get(classId);
    if (!stored) return;
    const crews = new Set(stored.class.crews.map(({ id }) => id));
    const dealt = new Set<string>();
    for (const { crewId } of cards.ofClass(classId)) {
      if (crews.has(crewId)) dealt.add(crewId);
      else cards.remove(crewId);
    }
    // A crew of another class stays there.
    for (const crewId of crews)
      if (!dealt.has(crewId) && cards.get(crewId) === null) while (!cards.add(crewId, classId, drawnCode(), now()));
  };
  const seenAt = new Map<string, number>();
  const standings = new WeakMap<Space, ReturnType<typeof standingQueries>>();
  const queriesOf = (space: Space) => {
    const made = standings.get(space) ?? standingQueries(space.store.db);
    standings.set(space, made);
    return made;
  };
  const inSpace = (crewId: string, chosen: string | null): SpaceStanding =>
    spaces.isThere(crewId) ? queriesOf(spaces.at(crewId)).standing(chosen) : NOT_BEGUN;
  return {
    get,
    crewOf,
    spaceOf,
    dealCards,
    dealAll: (): void => classes.all().forEach(({ id }) => dealCards(id)),
    cards: (classId: string) => cards.ofClass(classId).map(({ crewId, code }) => ({ crewId, code })),
    card: cards.get,
    /** Classes whose crews see the results of a meet. */
    ofMeet: (meet: string): readonly string[] => withMeet.all(meet).map(({ id }) => id),
    forget: cards.remove,
    choose: cards.choose,
    report: cards.report,
    /** A new card for a crew: the old one, and who joined by it, is let in no more. */
    redraw: (crewId: string): void => cards.redraw(crewId, drawnCode(), now()),
    /** Writes a class over the version that is here; false where it was changed meanwhile. */
    write: (classId: string, base: number, content: CrewClass): boolean => classes.write(classId, base, content, now()),
    /** Lets a device in by the code of a card: the token that it is known by from then on, or null for no card’s code. */
    join: (typed: string): string | null => {
      const code = readCardCode(typed) ?? '';
      // Each is compared, whichever fits.
      const [card] = cards.all().filter(({ code: right }) => isSameCode(code, right));
      if (!card || !crewOf(card.crewId)) return null;
      const token = newToken();
      cards.addDevice(hashOf(token), card.crewId, now());
      return token;
    },
    joinedBy: (token: string): JoinedSpace | null => {
      const hash = hashOf(token);
      const crewId = cards.crewOfDevice(hash);
      const found = crewId === null ? null : crewOf(crewId);
      if (!found) return null;
      if (performance.now() - (seenAt.get(hash) ?? -Infinity) > NOTED) {
        seenAt.set(hash, performance.now());
        cards.see(hash, now());
      }
      return {
        role: found.stored.class.handedInAt === undefined ? 'class-crew' : 'handed-in',
        classId: found.classId,
        crewId: found.crew.id,
      };
    },
    /** The leader in the space of a crew, as it was asked for. */
    leaderIn: ({ classId, crew }: CrewOfClass): JoinedSpace => ({
      role: presence.isHelping(crew.id) ? 'helper' : 'onlooker',
      classId,
      crewId: crew.id,
    }),
    /** The car that a crew hands in; null for none. */
    carOf: (crewId: string): CrewStanding['car'] =>
      spaces.isThere(crewId) ? queriesOf(spaces.at(crewId)).carOf(cards.get(crewId)?.carId ?? null) : null,
    /** Every crew of a class as its leader sees it, in the order of the class. */
    standings: ({ id: classId, class: { crews } }: StoredClass): readonly CrewStanding[] => {
      const byCrew = new Map(cards.ofClass(classId).map((card) => [card.crewId, card]));
      return crews.map(({ id: crewId }) => {
        const card = byCrew.get(crewId);
        const seen = cards.lastSeen(crewId);
        return {
          crewId,
          ...inSpace(crewId, card?.carId ?? null),
          hasJoined: seen !== null,
          seenAt: seen,
          devices: presence.devices(crewId),
          report: card?.report ?? null,
        };
      });
    },
  };
}
export type Classes = ReturnType<typeof makeClasses>;
