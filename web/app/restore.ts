import type { Removed } from '../../core/schema/stored.ts';
import { carsApi } from './api/cars-api.ts';
import { documentsApi } from './api/documents-api.ts';
import { meetsApi } from './api/meets-api.ts';
import { runsApi } from './api/runs-api.ts';
import { versionsApi } from './api/versions-api.ts';
import type { AppDispatch } from './store.ts';

/** Restores something that was removed: what went wrong, or nothing. */
export async function bringBack(
  dispatch: AppDispatch,
  { what, id, carId }: Pick<Removed, 'what' | 'id' | 'carId'>,
): Promise<{ error?: unknown }> {
  switch (what) {
    case 'car':
      return dispatch(carsApi.endpoints.restoreCar.initiate(id));
    case 'brief':
      return dispatch(documentsApi.endpoints.restoreBrief.initiate(id));
    case 'meet':
      return dispatch(meetsApi.endpoints.restoreMeet.initiate(id));
    case 'session':
      return dispatch(documentsApi.endpoints.restoreSession.initiate(id));
    case 'class':
      return dispatch(documentsApi.endpoints.restoreClass.initiate(id));
    case 'part':
      return dispatch(documentsApi.endpoints.restorePart.initiate(id));
    case 'run':
      return dispatch(runsApi.endpoints.restoreRun.initiate({ carId: carId!, id }));
    case 'version':
      return dispatch(versionsApi.endpoints.restoreVersion.initiate({ carId: carId!, id }));
  }
}
