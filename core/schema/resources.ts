/** What is stored of one kind, as its addresses, its place in an archive and the list of what was removed have it. */
export interface ResourceShape {
  /** In addresses and in an archive: `cars`. */
  readonly plural: string;
  /** The key under which its content is sent and answered. */
  readonly key: string;
  /** What it belongs to: it is reached, and comes and goes, with that. */
  readonly owner: 'car' | 'meet' | null;
  /** Whether it can be removed by itself, and is then listed until it is brought back. */
  readonly isRemovable: boolean;
  /** Written once: what replaces it is a record of its own. */
  readonly isImmutable?: true;
  /** Whether what it was before a change is stored, and shown. */
  readonly hasHistory?: true;
}

/**
 * Every kind of thing that is stored. From this one list come tables, routes, rights, archive, removed list, the page's requests and the
 * command line; a test walks it.
 */
export const RESOURCES = {
  car: { plural: 'cars', key: 'design', owner: null, isRemovable: true, hasHistory: true },
  version: { plural: 'versions', key: 'record', owner: 'car', isRemovable: true },
  run: { plural: 'runs', key: 'record', owner: 'car', isRemovable: true, hasHistory: true },
  part: { plural: 'parts', key: 'part', owner: null, isRemovable: true },
  brief: { plural: 'briefs', key: 'brief', owner: null, isRemovable: true },
  session: { plural: 'sessions', key: 'session', owner: null, isRemovable: true },
  photo: { plural: 'photos', key: 'photo', owner: null, isRemovable: false, isImmutable: true },
  meet: { plural: 'meets', key: 'meet', owner: null, isRemovable: true },
  entry: { plural: 'entries', key: 'entry', owner: 'meet', isRemovable: false, hasHistory: true },
  result: { plural: 'results', key: 'result', owner: 'meet', isRemovable: false, isImmutable: true, hasHistory: true },
  class: { plural: 'classes', key: 'class', owner: null, isRemovable: true },
} as const satisfies Readonly<Record<string, ResourceShape>>;

export type ResourceKind = keyof typeof RESOURCES;
type With<K, V> = { [Kind in ResourceKind]: (typeof RESOURCES)[Kind] extends Readonly<Record<K & string, V>> ? Kind : never }[ResourceKind];
export type RemovableKind = With<'isRemovable', true>;
export type OfMeetKind = With<'owner', 'meet'>;
export type OfCarKind = With<'owner', 'car'>;
/** What stands alone: an address and a file of an archive each. */
export type DocumentKind = Exclude<ResourceKind, OfCarKind | 'car'>;

export const RESOURCE_KINDS = Object.keys(RESOURCES) as readonly ResourceKind[];

/** A value for each kind of thing. `byKind(() => 0).run // 0` */
export const byKind = <T>(make: (kind: ResourceKind) => T): Record<ResourceKind, T> =>
  Object.fromEntries(RESOURCE_KINDS.map((kind) => [kind, make(kind)])) as Record<ResourceKind, T>;

/** The address of a list, below the API: `addressOf('run', CAR) // '/cars/CAR/runs'`. */
export function addressOf(kind: ResourceKind, ownerId?: string): string {
  const { plural, owner } = RESOURCES[kind];
  return owner === null ? `/${plural}` : `/${RESOURCES[owner].plural}/${ownerId}/${plural}`;
}
