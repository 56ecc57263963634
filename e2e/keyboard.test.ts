import { PNG } from 'pngjs';
import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { TOKENS } from '../web/ui/tokens.ts';
import { DESKTOP } from './browser.ts';
import { builder } from './builder.ts';
import { demoCar, setStage } from './stage.ts';

const stage = setStage();
const { open } = stage;

const KELP = demoCar(1);

/** What has the focus, in words; null when nothing has. */
const focused = (page: Page): Promise<string | null> =>
  page.evaluate(() => {
    const at = document.activeElement;
    return !at || at === document.body
      ? null
      : `${at.getAttribute('role') ?? at.tagName} ${at.getAttribute('aria-label') ?? at.textContent ?? ''}`;
  });

/** Pixels of the ring's colour about what has the focus, in a picture of it and a little around. */
async function ringPixels(page: Page, box: { x: number; y: number; width: number; height: number }, colour: string): Promise<number> {
  const shot = PNG.sync.read(Buffer.from(await page.screenshot({ clip: box, captureBeyondViewport: false, optimizeForSpeed: true })));
  const [r, g, b] = [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16)) as [number, number, number];
  let count = 0;
  for (let i = 0; i < shot.data.length; i += 4) {
    const apart = Math.abs(shot.data[i]! - r) + Math.abs(shot.data[i + 1]! - g) + Math.abs(shot.data[i + 2]! - b);
    if (apart < 24) count++;
  }
  return count;
}
/** Takes every ring away, or gives them back, and leaves the focus where it is. */
const showRings = (page: Page, areShown: boolean): Promise<void> =>
  page.evaluate((shown) => {
    const none = new CSSStyleSheet();
    none.replaceSync(':not(#a):not(#b) { outline: 0 !important }');
    document.adoptedStyleSheets = shown ? [] : [none];
  }, areShown);

/** What decides the look of what has the focus: its kind and its classes. */
const styleOfFocused = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const at = document.activeElement!;
    return [at.tagName, at.getAttribute('role'), at.getAttribute('type'), ...at.classList].join(' ');
  });

const AROUND = 8;
const LOOKS = 4;
const boxOfFocused = (page: Page) =>
  page.evaluate(
    async (around, { width, height }) => {
      // What was scrolled to stands where it is seen.
      await new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)));
      const at = document.activeElement!;
      const { left, top, right, bottom } = (at.closest('.MuiInputBase-root') ?? at).getBoundingClientRect();
      const [x, y] = [Math.max(left - around, 0), Math.max(top - around, 0)];
      return { x, y, width: Math.min(right + around, width) - x, height: Math.min(bottom + around, height) - y };
    },
    AROUND,
    DESKTOP,
  );

describe('the keyboard', () => {
  it.each([
    ['the Garage', 'light', '/'],
    ['Design', 'light', `${KELP}/design`],
    ['Design', 'dark', `${KELP}/design`],
    ['the Brief', 'light', `${KELP}/brief`],
    ['Track', 'light', `${KELP}/track`],
  ] as const)('shows in %s, %s, where it is: every stop has its ring', async (_name, scheme, path) => {
    const page = await open('/');
    await page.evaluate((mode) => localStorage.setItem('mui-mode', mode), scheme);
    await page.goto(stage.program.url + path);
    const car = builder(page);
    await car.sees(
      path === '/'
        ? 'Bobbin Eel'
        : path.endsWith('design')
          ? 'Cars built like this'
          : path.endsWith('brief')
            ? 'What counts'
            : 'All runs, newest first',
    );
    const without: string[] = [];
    let stops = 0;
    // Things that are styled alike have their ring alike: twice each is looked at, the first and one on.
    const seen = new Map<string, number>();
    for (; stops < 70; stops++) {
      await page.keyboard.press('Tab');
      const name = await focused(page);
      if (name === null) break;
      const style = await styleOfFocused(page);
      seen.set(style, (seen.get(style) ?? 0) + 1);
      if (seen.get(style)! > 2) continue;
      // What was scrolled to may still be laid out: looked at again before it is called missing.
      let missing = '';
      for (let look = 0; look < LOOKS && (look === 0 || missing !== ''); look++) {
        const box = await boxOfFocused(page);
        const withRing = await ringPixels(page, box, TOKENS[scheme].distance);
        await showRings(page, false);
        const gained = withRing - (await ringPixels(page, box, TOKENS[scheme].distance));
        await showRings(page, true);
        missing = gained < 2 * (box.width - 2 * AROUND) ? `${name}: ${gained} px of ring, then at ${await focused(page)}` : '';
      }
      if (missing !== '') without.push(missing);
    }
    expect(without).toEqual([]);
    expect(stops).toBeGreaterThan(20);
    // A whole station is gone through in few: groups are one stop each.
    expect(stops).toBeLessThan(53);
    await page.close();
  });

  it('skips to the station, and goes from part to part of it', async () => {
    const page = await open(`${KELP}/design`);
    await builder(page).sees('Checks');
    await page.keyboard.press('Tab');
    expect(await focused(page)).toContain('Skip to the station');
    await page.keyboard.press('Enter');
    expect(await page.evaluate(() => document.activeElement!.id)).toBe('station');
    const visited: string[] = [];
    for (let k = 0; k < 12; k++) {
      await page.keyboard.press('F6');
      visited.push((await focused(page))!);
    }
    for (const part of ['Name of the car', 'Find a size or part', 'type another', 'Pull curve', 'predicted distance, fully wound'])
      expect(
        visited.slice(0, 9).some((name) => name.includes(part)),
        `${part} in ${visited.join('; ')}`,
      ).toBe(true);
    await page.close();
  });

  it('goes through a group by its arrows, and moves a handle of the drawing to its ends', async () => {
    const page = await open(`${KELP}/design`);
    const car = builder(page);
    await car.sees('Checks');
    await page.focus('#group-body');
    await page.keyboard.press('Enter');
    await car.sees('Body longer than the wheelbase by');
    await page.focus('input[aria-label="Wheelbase, mm"]');
    await page.keyboard.press('ArrowDown');
    expect(await focused(page)).toContain('Ready-to-run weight, g');
    await page.keyboard.press('Tab');
    await page.keyboard.down('Control');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.up('Control');
    expect(await focused(page)).toBe('INPUT On the drive wheels');
    const handle = (await page.waitForSelector('[role=slider][aria-label^="lever"]'))!;
    const value = (): Promise<number[]> =>
      handle.evaluate((slider) => ['now', 'min', 'max'].map((which) => Number(slider.getAttribute(`aria-value${which}`))));
    await handle.evaluate((slider) => (slider as SVGElement).focus());
    const [before] = await value();
    await page.keyboard.press('PageUp');
    await page.waitForFunction((was) => Number(document.activeElement!.getAttribute('aria-valuenow')) > was, {}, before!);
    for (const [key, which] of [
      ['End', 2],
      ['Home', 1],
    ] as const) {
      await page.keyboard.press(key);
      const wanted = (await value())[which]!;
      await page.waitForFunction((end) => Number(document.activeElement!.getAttribute('aria-valuenow')) === end, {}, wanted);
    }
    await page.close();
  });
});
