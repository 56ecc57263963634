/** Set up before all end-to-end tests: one browser, which every file of tests connects to. */
import type { TestProject } from 'vitest/node';
import { startBrowser } from './browser.ts';

declare module 'vitest' {
  export interface ProvidedContext {
    /** Where the browser listens. */
    browser: string;
  }
}

export default async function setup({ provide }: TestProject): Promise<() => Promise<void>> {
  const { browser, stop } = await startBrowser();
  provide('browser', browser.wsEndpoint());
  return stop;
}
