import { randomBytes, randomInt, timingSafeEqual } from 'node:crypto';
import { createServer, type RequestListener, type Server } from 'node:http';
import { networkInterfaces } from 'node:os';
import type { Role, SharingState } from '../../core/schema/sharing.ts';

/** Lets phones of the local network join, from a press until a press or the program's end: off at first, nothing of it is kept. */
export interface Sharing {
  readonly state: () => SharingState;
  /** Begins, answering phones by `app`; codes that were told before are good no more. Throws `NoNetwork`. */
  readonly begin: (app: RequestListener) => Promise<SharingState>;
  /** Ends: no phone is joined any more. */
  readonly end: () => void;
  /** A token for who types a code, which tells the role; null for a wrong one. */
  readonly join: (code: unknown) => string | null;
  /** As what whoever has this token joined; null of nobody. */
  readonly roleOf: (token: string | undefined) => Role | null;
  /** Whether a Host is one of the addresses told. */
  readonly isHost: (host: string | undefined) => boolean;
}

/** There is no network to share on. */
export class NoNetwork extends Error {}

/** Figures of a code, typed in by hand; bytes of what a phone is known by afterwards. */
const FIGURES = 6;
const TOKEN_BYTES = 32;

/** Where this machine is on the local network, IPv4; or the one that the surroundings name. */
function addressesHere(): string[] {
  const named = process.env.NIMBLE_AXLE_SHARE_ON?.trim();
  if (named) return [named];
  return Object.values(networkInterfaces())
    .flatMap((of) => of ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address);
}

interface Shared {
  readonly server: Server;
  readonly addresses: readonly string[];
  readonly codes: Readonly<Record<Role, string>>;
  readonly roles: Map<string, Role>;
}

/** A code for each role, no two alike. */
function drawnCodes(): Readonly<Record<Role, string>> {
  const codes = new Set<string>();
  while (codes.size < 3) codes.add(String(randomInt(10 ** FIGURES)).padStart(FIGURES, '0'));
  const [crew, official, board] = [...codes] as [string, string, string];
  return { crew, official, board };
}

export function makeSharing(): Sharing {
  let shared: Shared | null = null;
  const state = (): SharingState => {
    if (shared === null) return { shared: null };
    const { addresses, codes, roles } = shared;
    const count = (role: Role): number => [...roles.values()].filter((one) => one === role).length;
    return { shared: { addresses, codes, joined: { crew: count('crew'), official: count('official'), board: count('board') } } };
  };
  const end = (): void => {
    shared?.server.close();
    shared?.server.closeAllConnections();
    shared = null;
  };
  return {
    state,
    end,
    begin: async (app) => {
      end();
      const hosts = addressesHere();
      if (hosts.length === 0) throw new NoNetwork('This machine is on no network that a phone could reach');
      const server = createServer(app);
      await new Promise<void>((resolve, reject) => {
        server.once('error', reject);
        server.listen(0, hosts.length === 1 ? hosts[0] : '0.0.0.0', resolve);
      });
      const { port } = server.address() as { port: number };
      shared = {
        server,
        addresses: hosts.map((host) => `http://${host}:${port}`),
        codes: drawnCodes(),
        roles: new Map(),
      };
      return state();
    },
    join: (code) => {
      if (shared === null || typeof code !== 'string' || !/^\d+$/.test(code) || code.length !== FIGURES) return null;
      const told = Buffer.from(code);
      // Each is compared, whichever fits: how long it takes tells nothing.
      const fitting = (Object.entries(shared.codes) as [Role, string][]).filter(([, one]) => timingSafeEqual(told, Buffer.from(one)));
      if (fitting.length === 0) return null;
      const token = randomBytes(TOKEN_BYTES).toString('hex');
      shared.roles.set(token, fitting[0]![0]);
      return token;
    },
    roleOf: (token) => (token === undefined ? null : (shared?.roles.get(token) ?? null)),
    isHost: (host) => shared !== null && shared.addresses.includes(`http://${host}`),
  };
}
