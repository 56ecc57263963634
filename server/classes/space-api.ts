import express, { type RequestHandler } from 'express';
import type { Store } from '../database.ts';
import { sendProblem } from '../problem.ts';
import { meetChannel } from '../routes/meets.ts';
import { storedApi } from '../stored-api.ts';
import type { Presence } from './presence.ts';
import type { Space } from './spaces.ts';

/** Bytes that the space of one crew may take: some hundred pictures and thousands of runs. */
export const MOST_OF_SPACE = 64 * 2 ** 20;

/** What would make a full space larger is turned away; things can still be seen and removed. */
const whereRoom =
  ({ db }: Store, most: number): RequestHandler =>
  ({ method, headers }, response, next) => {
    if (method !== 'PUT' && method !== 'POST') return next();
    const pages = db.pragma('page_count', { simple: true }) as number;
    const size = pages * (db.pragma('page_size', { simple: true }) as number);
    if (size + Number(headers['content-length'] ?? 0) <= most) return next();
    sendProblem(response, {
      status: 507,
      title: 'The space of this crew is full',
      detail: `A crew has ${Math.round(most / 2 ** 20)} MB. Remove photos or runs that are not needed, or ask the leader.`,
    });
  };

interface SpaceApiParts {
  readonly crewId: string;
  readonly store: Store;
  readonly presence: Presence;
  /** Told that the crew saved something. */
  readonly onCrew: (crewId: string) => void;
  /** Bytes that it may take. */
  readonly most?: number;
}

/** What is asked in the space of a crew: the same as of the owner's data, its news told to its own devices. */
export function spaceApi({ crewId, store, presence, onCrew, most = MOST_OF_SPACE }: SpaceApiParts): Omit<Space, 'store'> {
  const live = meetChannel();
  const api = express.Router();
  api.use('/meets/live', presence.follow);
  api.use(whereRoom(store, most));
  api.use(
    storedApi({
      store,
      live,
      onWritten: (written) => {
        live.tell({ kind: 'stored', ...written }, 'written');
        onCrew(crewId);
      },
    }),
  );
  return { api, live };
}
