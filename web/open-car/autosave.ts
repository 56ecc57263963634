import { createListenerMiddleware, isAnyOf, type ThunkDispatch, type UnknownAction } from '@reduxjs/toolkit';
import { api, problemLine, problemOf, type StoredCar } from '../app/api.ts';
import { dropDraft, keepDraft } from './drafts.ts';
import {
  carOpened,
  changedElsewhere,
  edited,
  mineChosen,
  redone,
  saveFailed,
  saveLanded,
  saveSettled,
  saveStarted,
  undone,
  type DesignState,
} from './design-slice.ts';

/** Quiet time after an edit before it is sent, and wait before a failed save is tried again, ms. */
const QUIET = 350;
const RETRY = 3000;

interface WithDesign {
  readonly design: DesignState | null;
}
type AppDispatch = ThunkDispatch<unknown, unknown, UnknownAction>;
const designOf = (state: unknown): DesignState | null => (state as WithDesign).design;

/** Tells this program's other tabs that a car has a new version. */
const channel = new BroadcastChannel('cars');
export const onSavedElsewhere = (listen: (carId: string) => void): (() => void) => {
  const handle = ({ data }: MessageEvent<string>): void => listen(data);
  channel.addEventListener('message', handle);
  return () => channel.removeEventListener('message', handle);
};

export const autosave = createListenerMiddleware();

const isEdit = isAnyOf(edited, undone, redone);

/** At once: the edit is safe in the browser. */
autosave.startListening({
  matcher: isEdit,
  effect: (_action, { getState }) => {
    const design = designOf(getState());
    if (design) keepDraft(design.carId, { baseVersion: design.baseVersion, design: design.present });
  },
});

/** One save at a time: the answer to each carries the version the next is based on. */
let isSaving = false;

async function saveUntilSettled(getState: () => unknown, dispatch: AppDispatch): Promise<void> {
  for (;;) {
    const design = designOf(getState());
    if (!design || design.save === 'conflict') return;
    if (design.present === design.base) {
      dispatch(saveSettled());
      return dropDraft(design.carId);
    }
    const { carId, present: sent } = design;
    dispatch(saveStarted());
    const answer = await dispatch(api.endpoints.saveCar.initiate({ id: carId, baseVersion: design.baseVersion, content: sent }));
    if (answer.data) {
      channel.postMessage(carId);
      dispatch(saveLanded({ car: answer.data, sent }));
      continue;
    }
    const { current } = problemOf(answer.error);
    if (current) return void dispatch(changedElsewhere(current as StoredCar));
    dispatch(saveFailed(problemLine(answer.error)));
    await new Promise((resolve) => setTimeout(resolve, RETRY));
  }
}

/** Once quiet: it is sent, over the version it was based on; tried again while the server cannot be reached. */
autosave.startListening({
  matcher: isAnyOf(edited, undone, redone, carOpened, mineChosen),
  effect: async (_action, { cancelActiveListeners, delay, dispatch, getState }) => {
    cancelActiveListeners();
    await delay(QUIET);
    // A loop already running takes the newest edit along when its answer comes.
    if (isSaving) return;
    isSaving = true;
    try {
      await saveUntilSettled(getState, dispatch as AppDispatch);
    } finally {
      isSaving = false;
    }
  },
});

/** Sends what is unsaved before another car takes this one's place; should that fail, the draft stays in the browser. */
export async function flush(getState: () => unknown, dispatch: AppDispatch): Promise<void> {
  const design = designOf(getState());
  if (!design || design.save === 'conflict' || design.present === design.base || isSaving) return;
  const answer = await dispatch(
    api.endpoints.saveCar.initiate({ id: design.carId, baseVersion: design.baseVersion, content: design.present }),
  );
  if (answer.data) dropDraft(design.carId);
}
