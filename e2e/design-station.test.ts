import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { DESKTOP, openPage, startBrowser, startProgram, type Program } from './browser.ts';
import { builder, expectAccessible } from './builder.ts';

let program: Program;
let browser: Browser;
let stopBrowser: () => Promise<void>;
const complaints: string[] = [];
const open = (path: string): Promise<Page> => openPage(browser, program.url + path, DESKTOP, complaints);
const demoCar = (n: number): string => `/cars/5ce44000-0000-4000-8000-00000000000${n}/design`;

beforeAll(async () => {
  program = await startProgram({ demo: true });
  ({ browser, stop: stopBrowser } = await startBrowser());
});
afterAll(async () => {
  await stopBrowser?.();
  await program?.stop();
  expect(complaints).toEqual([]);
});

describe('a builder at the Design station', () => {
  it('cures a spinning band car by the remedy that is offered', async () => {
    const page = await open(demoCar(4));
    const limpet = builder(page);
    await limpet.sees('Wheelspin holds this car back.');
    await limpet.sees('What would help');
    await limpet.sees('8 in 10 such cars');
    const before = await limpet.distance();
    const [offered] = await page.$$eval('button[aria-label^="Try: Tyres"]', (buttons) =>
      buttons.map((button) => button.previousElementSibling!.textContent ?? ''),
    );
    await page.locator('button[aria-label^="Try: Tyres"]').click();
    await limpet.seesNot('Wheelspin holds this car back.');
    expect(await limpet.distance()).toBeGreaterThan(1.5 * before);
    expect(parseFloat(offered!.replace(/[^\d.]/g, ''))).toBeCloseTo(await limpet.distance(), 1);
    await limpet.press('Undo');
    await limpet.sees('Wheelspin holds this car back.');
    expect(await limpet.distance()).toBe(before);
    await expectAccessible(page);
    await page.close();
  });

  it.each([
    ['bands on the axle', 'Turns of a full wind, '],
    ['a twisted band, as a roller', 'Trailing arm, mm'],
  ])('makes a car with %s that already runs', async (kind, field) => {
    const page = await open('/');
    const car = builder(page);
    await car.press('New car');
    await car.choose(`With ${kind}`);
    await car.sees('predicted, fully wound');
    expect(await car.distance()).toBeGreaterThan(2);
    expect(Number(await car.valueOf(field.trim().replace(/,$/, '')))).toBeGreaterThan(1);
    await expectAccessible(page);
    await page.close();
  });
});
