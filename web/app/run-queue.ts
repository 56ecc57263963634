import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { RunRecord } from '../../core/car/car-design.ts';
import type { Photo } from '../../core/schema/generated/photo.ts';
import { api, problemLine } from './api.ts';
import type { AppDispatch } from './store.ts';

/** A run that is kept in this browser until the program has stored it. */
export interface WaitingRun {
  readonly id: string;
  readonly carId: string;
  /** The version it corrects, 0 for a new one. */
  readonly baseVersion: number;
  readonly content: RunRecord;
  /** Why the program does not take it; null while it only cannot be reached. */
  readonly problem: string | null;
}

/** A picture that is kept in this browser until the program has stored it. */
export interface WaitingPhoto {
  readonly id: string;
  readonly content: Photo;
}

interface Waiting extends DBSchema {
  waiting: { key: string; value: WaitingRun };
  photos: { key: string; value: WaitingPhoto };
}
const STORES = ['waiting', 'photos'] as const;

/** What became of a run: stored, waiting for the program to be back, or not taken. */
export type Kept = { readonly kind: 'stored' } | { readonly kind: 'waiting' } | { readonly kind: 'refused'; readonly error: unknown };

let opened: Promise<IDBPDatabase<Waiting>> | null = null;
const database = (): Promise<IDBPDatabase<Waiting>> =>
  (opened ??= openDB<Waiting>('runs', STORES.length, {
    upgrade: (db, before) => STORES.slice(before).forEach((store) => db.createObjectStore(store, { keyPath: 'id' })),
  }));

/** Told when what waits has changed. */
const listeners = new Set<() => void>();
const tell = (): void => listeners.forEach((listen) => listen());
export const onWaiting = (listen: () => void): (() => void) => {
  listeners.add(listen);
  return () => void listeners.delete(listen);
};

/** Runs that wait, the oldest first. */
export const waitingRuns = async (): Promise<readonly WaitingRun[]> =>
  (await (await database()).getAll('waiting')).toSorted((a, b) => a.content.ranAt.localeCompare(b.content.ranAt));

/** Pictures that wait. */
export const waitingPhotos = async (): Promise<readonly WaitingPhoto[]> => (await database()).getAll('photos');

/** Gives a run up that the program does not take. */
export async function dropWaiting(id: string): Promise<void> {
  await (await database()).delete('waiting', id);
  tell();
}

/** Whether an answer is the program's own: it will be no other the next time. */
const isFinal = (error: unknown): boolean => {
  const { status } = error as { status?: unknown };
  return typeof status === 'number' && status >= 400 && status < 500;
};

async function send(dispatch: AppDispatch, { id, carId, baseVersion, content }: WaitingRun): Promise<Kept> {
  const { error } = await dispatch(api.endpoints.saveRun.initiate({ carId, id, baseVersion, content }));
  if (!error) return { kind: 'stored' };
  return isFinal(error) ? { kind: 'refused', error } : { kind: 'waiting' };
}

/** Keeps a run: first in this browser, then with the program. Sent twice under one id it is stored once. What the program refuses is with whoever logs it again. */
export async function keepRun(dispatch: AppDispatch, run: Omit<WaitingRun, 'problem'>): Promise<Kept> {
  const db = await database();
  const waiting: WaitingRun = { ...run, problem: null };
  await db.put('waiting', waiting);
  const kept = await send(dispatch, waiting);
  if (kept.kind !== 'waiting') await db.delete('waiting', run.id);
  tell();
  return kept;
}

/** Whether the program has a picture now: then it need not wait here any longer. */
async function sendPhoto(dispatch: AppDispatch, { id, content }: WaitingPhoto): Promise<boolean> {
  const { error } = await dispatch(api.endpoints.savePhoto.initiate({ id, baseVersion: 0, content }));
  if (error && !isFinal(error)) return false;
  await (await database()).delete('photos', id);
  tell();
  return true;
}

/** Keeps a picture in this browser, from where it goes to the program. */
export async function keepPhoto(dispatch: AppDispatch, photo: WaitingPhoto): Promise<void> {
  await (await database()).put('photos', photo);
  tell();
  void sendPhoto(dispatch, photo);
}

let isSending = false;

/** Sends what waits; what is refused stays, with its reason. How many were stored. */
export async function sendWaiting(dispatch: AppDispatch): Promise<number> {
  if (isSending) return 0;
  isSending = true;
  let stored = 0;
  try {
    for (const photo of await waitingPhotos()) if (!(await sendPhoto(dispatch, photo))) break;
    for (const waiting of await waitingRuns()) {
      const kept = await send(dispatch, waiting);
      // The program is not there: the others would wait as well.
      if (kept.kind === 'waiting') break;
      const db = await database();
      if (kept.kind === 'stored') {
        stored++;
        await db.delete('waiting', waiting.id);
      } else await db.put('waiting', { ...waiting, problem: problemLine(kept.error) });
    }
  } finally {
    isSending = false;
  }
  tell();
  return stored;
}
