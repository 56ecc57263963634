import { useCallback } from 'react';
import { useStore } from 'react-redux';
import type { CarDesign } from '../../core/car/car-design.ts';
import { threeWay } from '../../core/schema/three-way.ts';
import type { AppStore } from '../app/store.ts';
import { toasted } from '../app/toasts-slice.ts';
import { openDesign } from './design-with-brief.ts';

/**
 * What was computed from a design some time ago, as a change of the car as it is now: what was changed meanwhile stays. Where both changed one
 * value, the computed one stands, and is reported.
 */
export function useMergedChange(): (from: CarDesign, to: CarDesign) => CarDesign {
  const store = useStore() as AppStore;
  return useCallback(
    (from, to) => {
      const { merged, conflicts } = threeWay(from, to, openDesign(store.getState()) ?? from);
      if (conflicts.length > 0)
        store.dispatch(
          toasted(`The car was changed meanwhile. These values were replaced: ${conflicts.join(', ')}. Undo brings them back.`),
        );
      return merged;
    },
    [store],
  );
}
