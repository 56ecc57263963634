import { nanoid } from '@reduxjs/toolkit';

/** Each tab has a name that outlives a reload, and holds a lock by that name for as long as it lives. */
const KEY = 'tab';
const lockOf = (tab: string): string => `tab:${tab}`;
let name = '';

const claim = (tab: string): Promise<boolean> =>
  new Promise((resolve) => {
    void navigator.locks.request(lockOf(tab), { ifAvailable: true }, (lock) => {
      resolve(lock !== null);
      // Held until the tab is gone.
      return lock ? new Promise<never>(() => {}) : undefined;
    });
  });

/** Takes the tab's name before anything is stored under it. A duplicated tab finds its name taken and gets a new one. */
export async function claimTab(): Promise<void> {
  // Over plain http from another machine there are no locks: each tab there has a name of its own.
  if (!navigator.locks) {
    name = nanoid();
    return;
  }
  name = sessionStorage.getItem(KEY) ?? nanoid();
  if (!(await claim(name))) {
    name = nanoid();
    await claim(name);
  }
  sessionStorage.setItem(KEY, name);
}

export const tabId = (): string => name;

export async function isAlive(tab: string): Promise<boolean> {
  if (!navigator.locks) return true;
  const { held } = await navigator.locks.query();
  return held?.some((lock) => lock.name === lockOf(tab)) ?? false;
}
