import { isSameContent } from '../../core/car/same-design.ts';
import type { CarDesign } from '../../core/car/car-design.ts';
import type { Draft } from './drafts.ts';

/** How a car is opened with what was left unsaved of it in this browser. */
export interface OpenedAs {
  /** What to go on with; null where the car stands as it was saved. */
  readonly draft: CarDesign | null;
  /** Whether the draft has grown from an older version: which of the two goes on is asked. */
  readonly isConflict: boolean;
}

/** A draft that says no more than what was saved is none. */
export function openedAs(car: { readonly version: number; readonly design: CarDesign }, draft: Draft | null): OpenedAs {
  if (!draft || isSameContent(draft.design, car.design)) return { draft: null, isConflict: false };
  return { draft: draft.design, isConflict: draft.baseVersion !== car.version };
}
