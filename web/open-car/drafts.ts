import type { CarDesign } from '../../core/car/car-design.ts';
import { tabId } from '../app/tab.ts';

/** An edit not yet acknowledged by the server, kept in the browser so that a reload or crash loses nothing. */
export interface Draft {
  readonly baseVersion: number;
  readonly design: CarDesign;
}

export const PREFIX = 'draft:';
export const keyOf = (carId: string, tab: string): string => `${PREFIX}${carId}:${tab}`;

export const keepDraft = (carId: string, draft: Draft): void => localStorage.setItem(keyOf(carId, tabId()), JSON.stringify(draft));
export const dropDraft = (carId: string): void => localStorage.removeItem(keyOf(carId, tabId()));
