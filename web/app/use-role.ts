import type { Joined, JoinedAs, Role } from '../../core/schema/sharing.ts';
import { isGone } from './api/problem.ts';
import { useGetJoinedQuery } from './api/sharing-api.ts';

/** Pages that phones may open, by what they joined as; the owner may open all. */
const OPEN_TO: Readonly<Record<Role, readonly RegExp[]>> = {
  crew: [/^\/cars\/[^/]+\/(track(\/(sheet|film))?|learn)$/, /^\/meets(\/[^/]+(\/print|\/board)?)?$/, /^\/learn$/],
  official: [/^\/cars\/[^/]+\/(track(\/(sheet|film))?|learn)$/, /^\/meets(\/[^/]+(\/print|\/board)?)?$/, /^\/learn$/],
  board: [/^\/meets(\/[^/]+(\/print|\/board)?)?$/],
};

/** As what this page joined, with what that is for; null until it is known. Without an answer it is taken for the owner's: phones need one. */
export function useJoined(): JoinedAs | null {
  const { data, error } = useGetJoinedQuery();
  return data ?? (error && isGone(error) ? { role: 'host' } : null);
}
export const useRole = (): Role | 'host' | null => useJoined()?.role ?? null;
/** Whether what only the owner may do is shown: until the role is known too, since most pages are the owner's. */
export const useIsOwner = (): boolean => {
  const role = useRole();
  return role === null || role === 'host';
};

/** Whether a page is open to a phone; a crew's own car's alone. */
export function mayOpen({ role, carId }: Joined, path: string): boolean {
  const ofCar = /^\/cars\/([^/]+)\//.exec(path)?.[1];
  return OPEN_TO[role].some((one) => one.test(path)) && (ofCar === undefined || role !== 'crew' || ofCar === carId);
}
