import { randomBytes, randomInt, timingSafeEqual } from 'node:crypto';
import { createServer, type RequestListener, type Server } from 'node:http';
import { networkInterfaces } from 'node:os';

/** Whether phones may join now, and how: `shared` is null while they may not. */
export interface SharingState {
  readonly shared: { readonly addresses: readonly string[]; readonly code: string; readonly joined: number } | null;
}

/** Lets phones of the local network join, from a press until a press or the program's end: off at first, nothing of it is kept. */
export interface Sharing {
  readonly state: () => SharingState;
  /** Begins, answering phones by `app`; a code that was told before is good no more. Throws `NoNetwork`. */
  readonly begin: (app: RequestListener) => Promise<SharingState>;
  /** Ends: no phone is joined any more. */
  readonly end: () => void;
  /** A token for who types the code; null for a wrong one. */
  readonly join: (code: unknown) => string | null;
  readonly hasJoined: (token: string | undefined) => boolean;
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
  readonly code: string;
  readonly tokens: Set<string>;
}

export function makeSharing(): Sharing {
  let shared: Shared | null = null;
  const state = (): SharingState => ({
    shared: shared && { addresses: shared.addresses, code: shared.code, joined: shared.tokens.size },
  });
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
        code: String(randomInt(10 ** FIGURES)).padStart(FIGURES, '0'),
        tokens: new Set(),
      };
      return state();
    },
    join: (code) => {
      if (shared === null || typeof code !== 'string' || !/^\d+$/.test(code) || code.length !== FIGURES) return null;
      if (!timingSafeEqual(Buffer.from(code), Buffer.from(shared.code))) return null;
      const token = randomBytes(TOKEN_BYTES).toString('hex');
      shared.tokens.add(token);
      return token;
    },
    hasJoined: (token) => token !== undefined && shared !== null && shared.tokens.has(token),
    isHost: (host) => shared !== null && shared.addresses.includes(`http://${host}`),
  };
}
