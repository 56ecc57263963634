import { useSyncExternalStore } from 'react';
import { keptHere } from '../ui/use-kept-here.ts';

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
export function sayBuilt(carId: string, isBuilt: boolean): void {
  if (isBuilt) localStorage.setItem(keyOf(carId), 'true');
  else localStorage.removeItem(keyOf(carId));
  listeners.forEach((tell) => tell());
}

/** Whether it was said in this browser that a car is built. */
export const useBuilt = (carId: string): boolean =>
  useSyncExternalStore(
    listen,
    () => keptHere(keyOf(carId), false),
    () => false,
  );
