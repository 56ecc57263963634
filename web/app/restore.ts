import type { Removed } from '../../core/schema/stored.ts';
import { api } from './api.ts';
import type { AppDispatch } from './store.ts';

/** Brings something back that was removed: what went wrong, or nothing. */
export async function bringBack(
  dispatch: AppDispatch,
  { what, id, carId }: Pick<Removed, 'what' | 'id' | 'carId'>,
): Promise<{ error?: unknown }> {
  const { restoreCar, restoreBrief, restoreMeet, restorePart, restoreRun, restoreSession, restoreVersion } = api.endpoints;
  switch (what) {
    case 'car':
      return dispatch(restoreCar.initiate(id));
    case 'brief':
      return dispatch(restoreBrief.initiate(id));
    case 'meet':
      return dispatch(restoreMeet.initiate(id));
    case 'session':
      return dispatch(restoreSession.initiate(id));
    case 'part':
      return dispatch(restorePart.initiate(id));
    case 'run':
      return dispatch(restoreRun.initiate({ carId: carId!, id }));
    case 'version':
      return dispatch(restoreVersion.initiate({ carId: carId!, id }));
  }
}
