import { useSyncExternalStore } from 'react';
import { readLocalStorage } from '../ui/use-local-storage.ts';
import { spaceStorage } from '../ui/space.ts';

const listeners = new Set<() => void>();
const keyOf = (carId: string): string => `built-${carId}`;
const listen = (tell: () => void): (() => void) => {
  listeners.add(tell);
  window.addEventListener('storage', tell);
  return () => {
    listeners.delete(tell);
    window.removeEventListener('storage', tell);
  };
};

/** Says that a car is built, or not yet after all. */
export function markBuilt(carId: string, isBuilt: boolean): void {
  if (isBuilt) spaceStorage.setItem(keyOf(carId), 'true');
  else spaceStorage.removeItem(keyOf(carId));
  listeners.forEach((tell) => tell());
}

/** Whether it was said in this browser that a car is built. */
export const useIsBuilt = (carId: string): boolean =>
  useSyncExternalStore(
    listen,
    () => readLocalStorage(keyOf(carId), false),
    () => false,
  );
