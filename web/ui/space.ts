/** The space of a crew that a page is in, by its address: `/crews/ID/cars` is the Garage of a crew, looked at by the leader of its class. */
const VISITED = /^\/crews\/([0-9a-f-]{36})(?=\/|$)/;
/** The crew that this browser joined as, as the program notes it. */
const JOINED = /(?:^|; )crew=([0-9a-f-]{36})/;

interface SpaceHere {
  /** The crew whose space the leader visits; null elsewhere. */
  readonly visited: string | null;
  /** Before every address of a page, and of the program. */
  readonly base: string;
  readonly api: string;
  /** Before the name of whatever this browser stores: what is of one crew is not met by another on the same device. Empty for the owner. */
  readonly prefix: string;
}

/** Where a page is. `spaceOf('/crews/ID/cars', '').api // '/api/crews/ID'` */
export function spaceOf(path: string, cookie: string): SpaceHere {
  const visited = VISITED.exec(path)?.[1] ?? null;
  const crew = visited ?? JOINED.exec(cookie)?.[1] ?? null;
  const base = visited === null ? '' : `/crews/${visited}`;
  return { visited, base, api: `/api${base}`, prefix: crew === null ? '' : `${crew}/` };
}

const isPage = typeof window !== 'undefined' && typeof document !== 'undefined';
export const SPACE: SpaceHere = isPage ? spaceOf(window.location.pathname, document.cookie) : spaceOf('/', '');

/** The name of what this browser stores, apart for each crew. */
export const named = (name: string): string => SPACE.prefix + name;

/** Told of what is stored, or removed (null), in this browser. */
type StorageListener = (key: string, value: string | null) => void;
const listeners = new Set<StorageListener>();
export const onStored = (listen: StorageListener): void => void listeners.add(listen);

/** What this browser stores in the space that the page is in. */
export const spaceStorage = {
  getItem: (key: string): string | null => localStorage.getItem(named(key)),
  setItem: (key: string, value: string): void => {
    localStorage.setItem(named(key), value);
    for (const listen of listeners) listen(key, value);
  },
  removeItem: (key: string): void => {
    localStorage.removeItem(named(key));
    for (const listen of listeners) listen(key, null);
  },
  /** The keys that begin so, without what keeps spaces apart. */
  keys: (start: string): readonly string[] =>
    Object.keys(localStorage)
      .filter((key) => key.startsWith(named(start)))
      .map((key) => key.slice(SPACE.prefix.length)),
};
