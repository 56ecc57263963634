import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { RunRecord } from '../../core/car/car-design.ts';
import type { Photo } from '../../core/schema/generated/photo.ts';
import { isRefused, problemLine } from './api/problem.ts';
import { runsApi } from './api/runs-api.ts';
import { named } from '../ui/space.ts';
import type { AppDispatch } from './store.ts';

/** A run that stays in this browser until the program has stored it. */
export interface QueuedRun {
  readonly id: string;
  readonly carId: string;
  /** The version it corrects, 0 for a new one. */
  readonly baseVersion: number;
  readonly content: RunRecord;
  /** Why the program does not take it as it is; null while it only has to wait. */
  readonly problem: string | null;
  /** Why it has to wait where the program answered; null where it could not be reached. */
  readonly delay?: string | null;
}

/** A picture that stays in this browser until the program has stored it. */
export interface QueuedPhoto {
  readonly id: string;
  readonly content: Photo;
  /** Whether its run is stored: only then is it sent. Not told of those that were stored by an earlier program, which are sent. */
  readonly isReady?: boolean;
  /** Why the program does not take it; null while it only has to wait. */
  readonly problem?: string | null;
}

interface Waiting extends DBSchema {
  waiting: { key: string; value: QueuedRun };
  photos: { key: string; value: QueuedPhoto };
}
const STORES = ['waiting', 'photos'] as const;
type Store = (typeof STORES)[number];
type Row<S extends Store> = Waiting[S]['value'];

/** What became of a run: stored, waiting for the program, or not taken. */
export type SubmitOutcome =
  { readonly kind: 'stored' } | { readonly kind: 'waiting' } | { readonly kind: 'refused'; readonly error: unknown };

/** What waits, where the browser keeps nothing: until this page is closed. */
const inMemory: { readonly [S in Store]: Map<string, Row<S>> } = { waiting: new Map(), photos: new Map() };
const memoryOf = <S extends Store>(store: S) => inMemory[store] as Map<string, Row<S>>;
let isFailing = false;
/** Whether the browser's own database fails: what waits is lost when this page is closed. */
export const isMemoryOnly = (): boolean => isFailing;

let opened: Promise<IDBPDatabase<Waiting>> | null = null;
const database = (): Promise<IDBPDatabase<Waiting>> =>
  (opened ??= openDB<Waiting>(named('runs'), STORES.length, {
    upgrade: (db, before) => STORES.slice(before).forEach((store) => db.createObjectStore(store, { keyPath: 'id' })),
  }));

/** Works with the browser's database; where that fails, memory serves until it works again. */
async function inDatabase<T>(work: (db: IDBPDatabase<Waiting>) => Promise<T>): Promise<T | null> {
  try {
    const done = await work(await database());
    isFailing = false;
    return done;
  } catch (reason) {
    console.error(reason);
    opened = null;
    isFailing = true;
    return null;
  }
}
async function put<S extends Store>(store: S, row: Row<S>): Promise<void> {
  const isThere = (await inDatabase((db) => db.put(store, row))) !== null;
  if (isThere) inMemory[store].delete(row.id);
  else memoryOf(store).set(row.id, row);
}
async function remove(store: Store, id: string): Promise<void> {
  inMemory[store].delete(id);
  await inDatabase((db) => db.delete(store, id));
}
async function all<S extends Store>(store: S): Promise<readonly Row<S>[]> {
  const rows = (await inDatabase((db) => db.getAll(store))) as readonly Row<S>[] | null;
  const memory = memoryOf(store);
  return [...(rows ?? []).filter(({ id }) => !memory.has(id)), ...memory.values()];
}

/** Told when what waits has changed. */
const listeners = new Set<() => void>();
const tell = (): void => listeners.forEach((listen) => listen());
export const onQueueChange = (listen: () => void): (() => void) => {
  listeners.add(listen);
  return () => void listeners.delete(listen);
};

/** Runs that wait, the oldest first. */
export const queuedRuns = async (): Promise<readonly QueuedRun[]> =>
  (await all('waiting')).toSorted((a, b) => a.content.ranAt.localeCompare(b.content.ranAt));

/** Pictures that wait. */
export const queuedPhotos = (): Promise<readonly QueuedPhoto[]> => all('photos');

/** Removes a run that waits: it was given up, or goes back into the form to be mended. */
export async function discardQueuedRun(id: string): Promise<void> {
  await remove('waiting', id);
  tell();
}

/** A phone may join as another, and the car of a run may come back: a run waits for both. */
const PASSING: ReadonlySet<number> = new Set([403, 404]);

const statusOf = (error: unknown): number | null => {
  const { status } = error as { status?: unknown };
  return typeof status === 'number' ? status : null;
};
/** Whether an answer is about what was sent: it will be no other the next time. */
const isFinal = (error: unknown): boolean => isRefused(error) && !PASSING.has(statusOf(error)!);

async function send(
  dispatch: AppDispatch,
  { id, carId, baseVersion, content }: QueuedRun,
): Promise<SubmitOutcome & { readonly delay?: string | null }> {
  const { error } = await dispatch(runsApi.endpoints.saveRun.initiate({ carId, id, baseVersion, content }));
  if (!error) return { kind: 'stored' };
  if (isFinal(error)) return { kind: 'refused', error };
  return { kind: 'waiting', delay: statusOf(error) === null ? null : problemLine(error) };
}

/** Sends a picture; whether others may be sent after it. */
async function sendPhoto(dispatch: AppDispatch, photo: QueuedPhoto): Promise<boolean> {
  const { error } = await dispatch(runsApi.endpoints.savePhoto.initiate({ id: photo.id, baseVersion: 0, content: photo.content }));
  if (!error) await remove('photos', photo.id);
  else if (isFinal(error)) await put('photos', { ...photo, problem: problemLine(error) });
  tell();
  return !error || statusOf(error) !== null;
}

/** The run is stored: it need not wait any longer, and its picture may follow it. One without its run would belong to nobody. */
async function settle({ id, content }: Pick<QueuedRun, 'id' | 'content'>): Promise<QueuedPhoto | null> {
  const photo = content.photo === undefined ? undefined : (await queuedPhotos()).find((one) => one.id === content.photo);
  const ready = photo ? { ...photo, isReady: true } : null;
  // The picture first: should the page be closed in between, the run is sent again, and stored once.
  if (ready) await put('photos', ready);
  await remove('waiting', id);
  return ready;
}

/** Saves a run: first in this browser, then with the program, and its picture after it. Sent twice under one id it is stored once. What the program refuses for what it says is with whoever logs it again. */
export async function submitRun(dispatch: AppDispatch, run: Omit<QueuedRun, 'problem' | 'delay'>): Promise<SubmitOutcome> {
  const waiting: QueuedRun = { ...run, problem: null };
  await put('waiting', waiting);
  const { delay, ...kept } = { delay: null, ...(await send(dispatch, waiting)) };
  if (kept.kind === 'waiting') await put('waiting', { ...waiting, delay });
  else if (kept.kind === 'refused') await remove('waiting', run.id);
  else {
    const photo = await settle(run);
    if (photo) void sendPhoto(dispatch, photo);
  }
  tell();
  return kept;
}

/** Keeps a picture in this browser, from where it goes to the program once its run is there. */
export async function submitPhoto(photo: Pick<QueuedPhoto, 'id' | 'content'>): Promise<void> {
  await put('photos', { ...photo, isReady: false, problem: null });
  tell();
}
/** Removes a picture that waits. */
export async function discardQueuedPhoto(id: string): Promise<void> {
  await remove('photos', id);
  tell();
}
const maySend = ({ isReady = true, problem = null }: QueuedPhoto): boolean => isReady && problem === null;
/** Whether something waits that may be sent now and then. */
export const isToBeSent = (runs: readonly QueuedRun[], photos: readonly QueuedPhoto[]): boolean =>
  runs.some(({ problem }) => problem === null) || photos.some(maySend);

let isSending = false;

/** Sends what waits; what is refused for what it says stays, with its reason. How many runs were stored. */
export async function sendQueued(dispatch: AppDispatch): Promise<number> {
  if (isSending) return 0;
  isSending = true;
  let stored = 0;
  try {
    const runs = await queuedRuns();
    for (const waiting of runs) {
      if (waiting.problem !== null) continue;
      const outcome = await send(dispatch, waiting);
      if (outcome.kind === 'stored') {
        stored++;
        const photo = await settle(waiting);
        if (photo) await sendPhoto(dispatch, photo);
      } else if (outcome.kind === 'refused') await put('waiting', { ...waiting, problem: problemLine(outcome.error), delay: null });
      else {
        if (outcome.delay !== waiting.delay) await put('waiting', { ...waiting, delay: outcome.delay ?? null });
        // The program is not there: the others would wait as well.
        if (!outcome.delay) break;
      }
    }
    for (const photo of await queuedPhotos()) if (maySend(photo) && !(await sendPhoto(dispatch, photo))) break;
  } finally {
    isSending = false;
  }
  tell();
  return stored;
}

/** Sends what waits now; what was refused once more, as it is. */
export async function sendAgain(dispatch: AppDispatch): Promise<number> {
  for (const run of await queuedRuns()) if (run.problem !== null) await put('waiting', { ...run, problem: null });
  for (const photo of await queuedPhotos()) if (photo.problem) await put('photos', { ...photo, problem: null });
  return sendQueued(dispatch);
}
