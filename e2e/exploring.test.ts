import { describe, expect, it } from 'vitest';
import { builder, downloadsOf, expectAccessible } from './builder.ts';
import { designOf, newCarWith, setStage } from './stage.ts';

const stage = setStage();
const { open } = stage;

describe('exploring at the Design station', () => {
  it('finds the best lever by a sweep', async () => {
    const page = await open(designOf(1));
    const kelp = builder(page);
    const before = await kelp.distance();
    await kelp.openGroup('Goal');
    await kelp.pick('Judged by', 'the round shown');
    await kelp.openTab('Sweep');
    const best = await page.waitForFunction(
      () => [...document.querySelectorAll('button')].find(({ innerText }) => innerText.startsWith('Apply the best'))?.innerText,
      { timeout: 20_000 },
    );
    const [, promised] = /→ about ([\d.]+)/.exec((await best.jsonValue())!)!;
    await page.locator('::-p-text(Apply the best)').click();
    await kelp.predictsOtherThan(before);
    expect(await kelp.distance()).toBeGreaterThan(before);
    // Told no finer than it is known, and up to the wall of its hall: what it would go beyond does not count.
    const HALL = 18.5;
    expect(Math.abs(Number(promised) / Math.min(await kelp.distance(), HALL) - 1)).toBeLessThan(0.1);
    await expectAccessible(page);
    await page.close();
  });

  it('takes a point of the map by keyboard', async () => {
    const page = await open(designOf(2));
    const ferry = builder(page);
    await ferry.openTab('Map');
    const map = (await page.waitForSelector('[role=application]', { timeout: 20_000 }))!;
    await page.waitForFunction(
      () => [...document.querySelectorAll('button')].some(({ innerText }) => innerText.startsWith('Apply the best')),
      { timeout: 20_000 },
    );
    await map.focus();
    await page.keyboard.press('ArrowDown');
    await ferry.sees('Press Enter or click to apply');
    const told = await page.$eval('#lower-panel [aria-live=polite]', (element) => element.textContent ?? '');
    await page.keyboard.press('Enter');
    const [, promised] = /: ([\d.]+)\s*m/.exec(told.replaceAll('\u00a0', ' '))!;
    await page.waitForFunction(
      // A map tells the way up to the wall of the hall.
      (wanted) => {
        const { metres } = (document.querySelector('[data-testid=predicted-distance]') as HTMLElement).dataset;
        return Math.abs(Math.min(Number(metres), 18.5) - Number(wanted)) < 0.05 * Number(wanted);
      },
      {},
      promised!,
    );
    await expectAccessible(page);
    await page.close();
  });

  it('stops a map that is being made, makes another, and takes a point of it by the mouse', async () => {
    const page = await open(designOf(2));
    const ferry = builder(page);
    await ferry.openTab('Map');
    await page.waitForSelector('::-p-aria([name="Mapping"][role="progressbar"])');
    await ferry.press('Stop');
    await ferry.sees('Darker: further');
    await ferry.seesNot('Apply the best');
    await ferry.pick('Up', 'Wheelbase');
    await ferry.sees('Apply the best');
    const before = await ferry.valueOf('Wheelbase, mm');
    const { x, y, width, height } = (await (await page.waitForSelector('[role=application] canvas'))!.boundingBox())!;
    await page.mouse.move(x + width / 2, y + height / 4);
    await ferry.sees('Press Enter or click to apply');
    await page.mouse.click(x + width / 2, y + height / 4);
    await page.waitForFunction(
      (was) => document.querySelector<HTMLInputElement>('input[aria-label="Wheelbase, mm"]')!.value !== was,
      {},
      before,
    );
    await ferry.press('Undo');
    expect(await ferry.valueOf('Wheelbase, mm')).toBe(before);
    await page.close();
  });

  it('lays a carpet and a twig on the way, and finds the load that is carried furthest', async () => {
    const { page, car: kelp } = await newCarWith(stage, 'a snap trap and a lever');
    await kelp.sees('Cars built like this');
    const before = await kelp.distance();
    await page.click('#group-floor');
    await kelp.press('Add a stretch');
    await kelp.pick('Floor of the stretch', 'short carpet');
    await kelp.predictsOtherThan(before);
    expect(await kelp.distance()).toBeLessThan(before);
    await kelp.press('Add a twig or step');
    await kelp.sees('twigs and steps');
    await kelp.sees('short carpet');
    await expectAccessible(page);
    await kelp.press('Undo');
    await kelp.seesNot('twigs and steps');
    await kelp.openTab('Sweep');
    await page.waitForSelector('::-p-aria([name="Size to sweep"][role="combobox"])');
    await kelp.pick('Size to sweep', 'Load carried');
    await kelp.press('load × distance');
    await kelp.sees('Apply the best');
    await page.close();
  });

  it('searches for the best car and keeps what was found as a version', async () => {
    const { page, car: tern } = await newCarWith(stage, 'bands on the axle');
    const before = await tern.distance();
    await tern.openTab('Best car');
    await tern.press('Search');
    await tern.press('Save car 1 as a version');
    await tern.sees('Saved as “found:');
    expect(await tern.distance()).toBe(before);
    await tern.press('Apply car 1');
    await page.waitForFunction(() => document.querySelector('header button')?.textContent?.startsWith('found:'));
    expect(await tern.distance()).toBeGreaterThan(before);
    await expectAccessible(page);
    await page.close();
  });

  it('puts a sleeve on the axle as told', async () => {
    const { page, car: tern } = await newCarWith(stage, 'bands on the axle');
    const before = await tern.distance();
    await tern.openTab('Winding');
    await tern.sees('under the last');
    await expectAccessible(page);
    await tern.press('Apply this winding');
    await tern.predictsOtherThan(before);
    expect(await tern.distance()).toBeGreaterThan(before);
    await tern.seesNot('Wheelspin limits this car.');
    await page.close();
  });

  it('races cars side by side by keys, on a floor of the brief, and keeps the picture', async () => {
    const page = await open('/');
    const host = builder(page);
    const taken = await downloadsOf(page);
    await host.follow('Race');
    await host.sees('Kelp Runner');
    await expectAccessible(page);
    const time = await page.waitForSelector('input[type=range]');
    const words = (): Promise<string> => page.$eval('#race-lanes', ({ textContent }) => textContent ?? '');
    const atTheLine = await words();
    expect(atTheLine).toContain('0.00');
    await time!.focus();
    for (let i = 0; i < 40; i++) await page.keyboard.press('ArrowRight');
    await page.waitForFunction((was) => document.querySelector('#race-lanes')!.textContent !== was, {}, atTheLine);
    await page.keyboard.press('End');
    await page.waitForFunction(() => /stands|is at the wall/.test(document.querySelector('#race-lanes')!.textContent ?? ''));
    // One car alone is no race.
    const boxes = await page.$$('fieldset input');
    for (const box of boxes) if (await box.evaluate((one) => (one as HTMLInputElement).checked)) await box.click();
    await host.sees('Choose two cars or more.');
    await boxes[0]!.click();
    await boxes[1]!.click();
    await page.waitForSelector('#race-lanes');
    await host.press('Save the race as SVG');
    expect((await taken('race.svg')).toString()).toContain('<svg');
    await host.pick('Floor', 'the boarding ramp (Skerrow Lull Trophy)');
    await host.sees('The most likely run of each car');
    await page.close();
  });
});
