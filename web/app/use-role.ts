import { mayReach, rightsOf, type Surface } from '../../core/schema/rights.ts';
import type { ResourceKind } from '../../core/schema/resources.ts';
import type { Verb } from '../../core/schema/rights.ts';
import { isInSpace, type Joined, type JoinedAs, type JoinedSpace, type Role } from '../../core/schema/sharing.ts';
import { isGone } from './api/problem.ts';
import { useGetCrewClassQuery } from './api/classes-api.ts';
import { useGetJoinedQuery } from './api/sharing-api.ts';

/** What a role must be able to do for a page to be open to it, where not all stations are. */
const PAGES: readonly (readonly [address: RegExp, kind: ResourceKind, verb: Verb])[] = [
  [/^\/cars\/[^/]+\/track(\/(sheet|film))?$/, 'run', 'add'],
  [/^\/cars\/[^/]+\/learn$|^\/learn$/, 'car', 'see'],
  [/^\/meets(\/[^/]+(\/print|\/board)?)?$/, 'meet', 'see'],
];

/** As what this page joined, with what that is for; null until it is known. Without an answer it is taken for the owner's: phones need one. */
export function useJoined(): JoinedAs | null {
  const { data, error } = useGetJoinedQuery();
  return data ?? (error && isGone(error) ? { role: 'host' } : null);
}
export const useRole = (): Role | 'host' | null => useJoined()?.role ?? null;
/** Whether what the owner of the data may do is shown, as in the space of a crew: until the role is known too, since most pages are the owner's. */
export const useIsOwner = (): boolean => useMayReach('stations');
/** Whether something that is no thing by itself is shown; until the role is known, as the owner's. */
export const useMayReach = (surface: Surface): boolean => mayReach(useRole() ?? 'host', surface);

/** Whose space this page is in; null for the owner's own and for phones in the hall. */
export function useJoinedSpace(): JoinedSpace | null {
  const joined = useJoined();
  return joined !== null && isInSpace(joined) ? joined : null;
}
/** The class of the crew whose space this page is in; null elsewhere, and until it is known. */
export function useCrewClass() {
  const isCrew = useJoinedSpace() !== null;
  return useGetCrewClassQuery(undefined, { skip: !isCrew }).data ?? null;
}

/** The station that an address is of: `stationAt('/cars/1/track/film') // 'track'`. */
export const stationAt = (path: string): string | undefined =>
  /^\/cars\/[^/]+\/(\w+)/.exec(path)?.[1] ??
  { meets: 'meet', briefs: 'brief', learn: 'learn' }[/^\/(meets|briefs|learn)/.exec(path)?.[1] ?? ''];

/** Whether a page is open to who joined: in the hall, on a crew's phone, of its own car alone. `closed`: stations that the leader of a class closed. */
export function mayOpen(joined: Joined, path: string, closed: readonly string[] = []): boolean {
  if (isInSpace(joined)) return !/^\/classes/.test(path) && !closed.includes(stationAt(path) ?? '');
  const { role, carId } = joined;
  const ofCar = /^\/cars\/([^/]+)\//.exec(path)?.[1];
  const isOpen = PAGES.some(([address, kind, verb]) => address.test(path) && rightsOf(role, kind)[verb] !== undefined);
  return isOpen && (ofCar === undefined || role !== 'crew' || ofCar === carId);
}
