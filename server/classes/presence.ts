import type { RequestHandler, Response } from 'express';
import { isInSpace } from '../../core/schema/sharing.ts';
import { joinedOf } from '../rights.ts';

/** How the leader of a class is with a crew: looks at its work, or helps; null while neither. */
export type LeaderIs = 'look' | 'help' | null;

/** Who follows the space of each crew just now: devices of the crew, and the leader. `onChange` is told of the crew. */
export function makePresence(onChange: (crewId: string) => void) {
  const counts = new Map<string, { devices: number; leaders: number; isHelping: boolean }>();
  const of = (crewId: string) => {
    const found = counts.get(crewId) ?? { devices: 0, leaders: 0, isHelping: false };
    counts.set(crewId, found);
    return found;
  };
  const leaderOf = (crewId: string): LeaderIs => {
    const found = counts.get(crewId);
    return !found || found.leaders === 0 ? null : found.isHelping ? 'help' : 'look';
  };
  const isLeader = (response: Response): boolean => {
    const role = joinedOf(response)?.role;
    return role === 'onlooker' || role === 'helper';
  };
  /** Counts whoever opens the stream of a space, as long as it is open. */
  const follow: RequestHandler = (request, response, next) => {
    const joined = joinedOf(response);
    if (request.method !== 'GET' || !isInSpace(joined)) return next();
    const { crewId } = joined;
    const kind = isLeader(response) ? 'leaders' : 'devices';
    of(crewId)[kind]++;
    onChange(crewId);
    response.once('close', () => {
      const found = of(crewId);
      found[kind]--;
      // Who left helps no more.
      if (found.leaders === 0) found.isHelping = false;
      onChange(crewId);
    });
    next();
  };
  return {
    follow,
    devices: (crewId: string): number => counts.get(crewId)?.devices ?? 0,
    leaderOf,
    isHelping: (crewId: string): boolean => counts.get(crewId)?.isHelping ?? false,
    help: (crewId: string, isHelping: boolean): void => {
      of(crewId).isHelping = isHelping;
      onChange(crewId);
    },
  };
}
export type Presence = ReturnType<typeof makePresence>;
