import { lazy } from 'react';

const waiting: (() => Promise<unknown>)[] = [];

/** A component that the first screen does without: its program is fetched when it is shown, or before that while the page is idle. */
export const lazyWithPreload: typeof lazy = (load) => {
  waiting.push(load);
  return lazy(load);
};

/** Fetches all that came later, so that it is there even when the server no longer is. */
export const preloadLazy = (): Promise<unknown> => Promise.allSettled(waiting.map((load) => load()));
