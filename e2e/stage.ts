import puppeteer, { type Browser, type BrowserContext, type Page, type Viewport } from 'puppeteer-core';
import { afterAll, beforeAll, expect, inject } from 'vitest';
import { builder } from './builder.ts';
import { DESKTOP, openPage, PATIENCE, PHONE, startProgram, type Program } from './browser.ts';

/** A program with the demo cars and a device before it, for the tests of one file. */
export interface Stage {
  program: Program;
  /** The browser profile of the file's pages. */
  device: BrowserContext;
  /** What pages reported as errors: at the end there must be none. */
  readonly complaints: string[];
  readonly open: (path: string, viewport?: Viewport, complaints?: string[]) => Promise<Page>;
  /** A device of its own, at an address; what it is refused before it has joined is no complaint. */
  readonly openDevice: (url: string, viewport?: Viewport) => Promise<Page>;
  /** A phone of its own, at an address. */
  readonly openPhone: (url: string) => Promise<Page>;
}

/** Sets the stage before the tests of a file and clears it after them. `start` begins the program, where it has to be another than the demo's. */
export function setStage(start: () => Promise<Program> = () => startProgram({ demo: true })): Stage {
  const complaints: string[] = [];
  const devices: BrowserContext[] = [];
  let browser: Browser;
  const newDevice = async (): Promise<BrowserContext> => {
    const device = await browser.createBrowserContext();
    devices.push(device);
    return device;
  };
  const stage: Stage = {
    program: undefined as unknown as Program,
    device: undefined as unknown as BrowserContext,
    complaints,
    open: (path, viewport = DESKTOP, told = complaints) => openPage(stage.device, stage.program.url + path, viewport, told),
    openDevice: async (url, viewport = DESKTOP) => openPage(await newDevice(), url, viewport, []),
    openPhone: async (url) => {
      const page = await (await newDevice()).newPage();
      page.setDefaultTimeout(PATIENCE);
      await page.emulateFocusedPage(true);
      await page.setViewport(PHONE);
      await page.goto(url);
      return page;
    },
  };
  beforeAll(async () => {
    stage.program = await start();
    browser = await puppeteer.connect({ browserWSEndpoint: inject('browser') });
    stage.device = await newDevice();
  });
  afterAll(async () => {
    for (const device of devices) await device.close();
    await browser?.disconnect();
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
