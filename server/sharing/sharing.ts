import { randomInt } from 'node:crypto';
import { once } from 'node:events';
import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { networkInterfaces } from 'node:os';
import { HALL_ROLES, type HallRole, type Joined, type JoinedHall, type JoinedSpace, type SharingState } from '../../core/schema/sharing.ts';
import { boundSockets } from '../bounded-sockets.ts';
import type { Db } from '../database.ts';
import { limitAttempts } from './attempts.ts';
import { trustedProxy } from './proxy.ts';
import { hashOf, isSameCode, newToken } from './tokens.ts';

/** Lets phones of the local network join, from a press until a press; off at first. */
export interface Sharing {
  readonly state: () => SharingState;
  /** Begins, answering phones by `app`; while it goes on, draws new codes: those that were shown before are good no more. Throws `CannotShare`. */
  readonly begin: (app: RequestListener) => Promise<SharingState>;
  /** Begins again with the codes and phones from before a restart, where its owner wished so. */
  readonly resume: (app: RequestListener) => Promise<void>;
  /** Whether codes and phones outlive a restart. */
  readonly keep: (isKept: boolean) => SharingState;
  /** Ends: no phone is joined any more. */
  readonly end: () => void;
  /** Stops listening, as the program does; what is stored stays. */
  readonly close: () => void;
  /** A token for who types a code; null for a wrong one, 'wait' after too many. */
  readonly join: (code: unknown, from: string) => string | 'wait' | null;
  /** As what whoever has this token joined; null of nobody. */
  readonly joinedBy: (token: string | undefined) => Joined | null;
  /** Says once what a crew's phone is for; false where it is for another already. */
  readonly choose: (token: string, choice: Pick<JoinedHall, 'carId' | 'entry'>) => boolean;
  /** Where it listens on this machine; null while it does not. */
  readonly listensAt: () => AddressInfo | null;
  /** The address told that a Host is of; null where it is of none. */
  readonly addressOf: (host: string | undefined) => string | null;
}

/** How devices of crews are let in, by their own cards. */
export interface CrewDoor {
  readonly join: (code: string) => string | null;
  readonly joinedBy: (token: string) => JoinedSpace | null;
}

/** Phones cannot be let in, with the reason and the remedy. */
export class CannotShare extends Error {}

/** Figures of a code, typed in by hand. */
const FIGURES = 6;
/** The port for phones, always the same: runs that wait on a phone find the program again. */
const USUAL_PORT = 4811;
/** Wrong codes in a minute, of one address and of all: at this rate one of three codes is guessed in about a week. */
const WRONG_CODES = { window: 60_000, each: 5, all: 30 };
/** What phones may hold of this machine: a class of eighty devices, with a stream and the requests of a page each. ms. */
const SOCKETS = { most: 800, mostOfAddress: 48, quiet: 45_000 };

/** Where this machine is on the local network, IPv4; or the one that the surroundings name. */
function addressesHere(): string[] {
  // Behind a proxy of this machine nothing is heard of the network but by that.
  if (trustedProxy()) return ['127.0.0.1'];
  const named = process.env.NIMBLE_AXLE_SHARE_ON?.trim();
  if (named) return [named];
  return Object.values(networkInterfaces())
    .flatMap((of) => of ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address);
}

/** The port that phones are told, or what is wrong with the one that is set. */
export function sharePort(): number {
  const set = process.env.NIMBLE_AXLE_SHARE_PORT?.trim();
  const port = set ? Number(set) : USUAL_PORT;
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new CannotShare(`NIMBLE_AXLE_SHARE_PORT: "${set}" is not a port number (0 to 65535)`);
  return port;
}

type Codes = Readonly<Record<HallRole, string>>;
interface Shared {
  readonly server: Server;
  readonly addresses: readonly string[];
  readonly codes: Codes;
  /** By the hash of a phone's token: the token itself is with the phone alone. */
  readonly joined: Map<string, JoinedHall>;
}
interface StoredState {
  readonly codes: Codes;
  readonly joined: readonly (readonly [string, JoinedHall])[];
}

/** A code for each role, no two alike. */
function drawnCodes(): Codes {
  const codes = new Set<string>();
  while (codes.size < HALL_ROLES.length) codes.add(String(randomInt(10 ** FIGURES)).padStart(FIGURES, '0'));
  return Object.fromEntries([...codes].map((code, i) => [HALL_ROLES[i]!, code])) as Codes;
}

/** What of sharing outlives a restart: one row of the database. */
function storedSharing(db: Db) {
  const find = db.prepare<[], { state: string }>('SELECT state FROM sharing');
  const put = db.prepare('INSERT INTO sharing (one, state) VALUES (1, ?) ON CONFLICT (one) DO UPDATE SET state = excluded.state');
  const remove = db.prepare('DELETE FROM sharing');
  return {
    get: (): StoredState | null => {
      const row = find.get();
      return row ? (JSON.parse(row.state) as StoredState) : null;
    },
    put: (state: StoredState): void => void put.run(JSON.stringify(state)),
    remove: (): void => void remove.run(),
  };
}

export function makeSharing(db: Db, crews: CrewDoor): Sharing {
  const stored = storedSharing(db);
  const attempts = limitAttempts(WRONG_CODES);
  let shared: Shared | null = null;
  let isKept = stored.get() !== null;

  const save = (): void => {
    if (shared && isKept) stored.put({ codes: shared.codes, joined: [...shared.joined] });
    else stored.remove();
  };
  const state = (): SharingState => {
    if (shared === null) return { shared: null };
    const { addresses, codes, joined } = shared;
    const count = (role: HallRole): number => [...joined.values()].filter((one) => one.role === role).length;
    return { shared: { addresses, codes, isKept, joined: { crew: count('crew'), official: count('official'), board: count('board') } } };
  };
  const close = (): void => {
    shared?.server.close();
    shared?.server.closeAllConnections();
    shared = null;
  };
  const listen = async (app: RequestListener, { codes, joined }: StoredState): Promise<void> => {
    const hosts = addressesHere();
    if (hosts.length === 0)
      throw new CannotShare('This machine is not on a network that a phone could reach. Join the hall’s network, then try again');
    const port = sharePort();
    const server = createServer(app);
    const proxy = trustedProxy();
    // A proxy stands for all devices.
    boundSockets(server, proxy ? { ...SOCKETS, mostOfAddress: SOCKETS.most } : SOCKETS);
    server.listen(port, hosts.length === 1 ? hosts[0] : '0.0.0.0');
    try {
      await once(server, 'listening');
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') throw error;
      throw new CannotShare(`Port ${port} is taken by another program. Stop that program, or set NIMBLE_AXLE_SHARE_PORT to another port`);
    }
    server.on('error', (error) => console.error(error));
    const bound = (server.address() as { port: number }).port;
    const addresses = proxy ? [proxy.address] : hosts.map((host) => `http://${host}:${bound}`);
    shared = { server, addresses, codes, joined: new Map(joined) };
  };
  return {
    state,
    close,
    begin: async (app) => {
      attempts.reset();
      if (shared) {
        // Phones that joined by the codes so far are shown the door; the address stays.
        shared = { ...shared, codes: drawnCodes(), joined: new Map() };
        shared.server.closeAllConnections();
      } else await listen(app, { codes: drawnCodes(), joined: [] });
      save();
      return state();
    },
    resume: async (app) => {
      const before = stored.get();
      if (before) await listen(app, before);
    },
    keep: (wanted) => {
      isKept = wanted;
      save();
      return state();
    },
    end: () => {
      close();
      save();
    },
    join: (code, from) => {
      if (shared === null) return null;
      if (!attempts.mayTry(from)) return 'wait';
      const typed = typeof code === 'string' ? code : '';
      // Each is compared, whichever fits.
      const fitting = HALL_ROLES.filter((role) => isSameCode(typed, shared!.codes[role]));
      if (fitting.length === 0) {
        const token = typeof code === 'string' ? crews.join(code) : null;
        if (token === null) attempts.count(from);
        return token;
      }
      const token = newToken();
      shared.joined.set(hashOf(token), { role: fitting[0]!, carId: null, entry: null });
      save();
      return token;
    },
    joinedBy: (token) => (token === undefined ? null : (shared?.joined.get(hashOf(token)) ?? crews.joinedBy(token))),
    choose: (token, choice) => {
      const found = shared?.joined.get(hashOf(token));
      if (!shared || found?.role !== 'crew') return false;
      const isChosen = found.carId !== null || found.entry !== null;
      if (isChosen && (found.carId !== choice.carId || found.entry?.id !== choice.entry?.id)) return false;
      shared.joined.set(hashOf(token), { role: 'crew', ...choice });
      save();
      return true;
    },
    listensAt: () => (shared?.server.address() ?? null) as AddressInfo | null,
    addressOf: (host) => shared?.addresses.find((address) => address.replace(/^https?:\/\//, '') === host) ?? null,
  };
}
