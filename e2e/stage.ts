import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect } from 'vitest';
import { builder } from './builder.ts';
import { DESKTOP, openPage, startBrowser, startProgram, type Program } from './browser.ts';

/** A program with the demo cars and a browser before it, for the tests of one file. */
export interface Stage {
  program: Program;
  browser: Browser;
  /** What pages said went wrong: at the end there must be nothing. */
  readonly complaints: string[];
  readonly open: (path: string, viewport?: Parameters<Page['setViewport']>[0], told?: string[]) => Promise<Page>;
}

/** Sets the stage before the tests of a file and clears it after them. `start` begins the program, where it has to be another than the demo's. */
export function setStage(start: () => Promise<Program> = () => startProgram({ demo: true })): Stage {
  const complaints: string[] = [];
  let stopBrowser: () => Promise<void>;
  const stage: Stage = {
    program: undefined as unknown as Program,
    browser: undefined as unknown as Browser,
    complaints,
    open: (path, viewport = DESKTOP, told = complaints) => openPage(stage.browser, stage.program.url + path, viewport, told),
  };
  beforeAll(async () => {
    stage.program = await start();
    ({ browser: stage.browser, stop: stopBrowser } = await startBrowser());
  });
  afterAll(async () => {
    await stopBrowser?.();
    await stage.program?.stop();
    expect(complaints).toEqual([]);
  });
  return stage;
}

/** Where the demo's nth car is. */
export const demoCar = (n: number): string => `/cars/5ce44000-0000-4000-8000-00000000000${n}`;
/** Where it is designed. */
export const designOf = (n: number): string => `${demoCar(n)}/design`;

/** A new car driven by this, opened. */
export async function newCarWith({ open }: Stage, motor: string) {
  const page = await open('/');
  const car = builder(page);
  await car.press('New car');
  await car.choose(`With ${motor}`);
  // The Garage says much the same of its cars: the station is there when its big number is.
  await car.distance();
  return { page, car };
}
