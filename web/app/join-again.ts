import { isRejectedWithValue, type Middleware } from '@reduxjs/toolkit';
import { baseApi } from './api/base-api.ts';

/** A phone that is told that it has not joined asks once as what it is here: the page then shows where to type a code. */
export const joinAgain: Middleware =
  ({ dispatch }) =>
  (next) =>
  (action) => {
    if (isRejectedWithValue(action)) {
      const { status } = (action.payload ?? {}) as { status?: unknown };
      const { endpointName } = ((action.meta as { arg?: unknown }).arg ?? {}) as { endpointName?: string };
      if (status === 401 && endpointName !== 'getJoined') (dispatch as (action: unknown) => void)(baseApi.util.invalidateTags(['joined']));
    }
    return next(action);
  };
