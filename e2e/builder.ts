import { mkdtempSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { expect, vi } from 'vitest';
import { PATIENCE } from './browser.ts';

/** Waits until nothing on the page grows, fades or moves. */
export const standsStill = (page: Page) =>
  page.waitForFunction(() => document.getAnimations().every(({ playState }) => playState !== 'running'), { polling: 'raf' });

/** How long a page may take to say something, and how often it is looked at: every frame would keep a busy page busier. */
const LOOKING = { timeout: PATIENCE, polling: 60 };
/** ms after which a click that nothing followed is made once more. */
export const FOLLOWED = 3000;

/** What a builder does on a page, by the roles and names of what is on it. */
export const builder = (page: Page) => {
  const named = (role: string, name: string): string => `::-p-aria([name="${name}"][role="${role}"])`;
  const byName = (role: string, name: string) => page.locator(named(role, name));
  const clickOn = (role: string, name: string): Promise<void> => byName(role, name).click();
  /** Clicks until it had its effect: what comes late may move a thing away under the mouse. */
  const clickUntil = async (selector: string, hasEffect: () => Promise<unknown>): Promise<void> => {
    for (const begun = Date.now(); ;) {
      await page.locator(selector).click();
      const isDone = await hasEffect().then(
        () => true,
        () => false,
      );
      if (isDone) return;
      if (Date.now() - begun > PATIENCE) throw new Error(`Nothing followed a click on ${selector}.`);
    }
  };
  /** Brings a size or part to hand: in Design, what is in a closed group is looked for by its name. */
  const reach = async (label: string): Promise<void> => {
    const search = await page.$('input[type=search]');
    if (!search) return;
    // Its words may stand elsewhere too: what is reached for can be set.
    for (const role of ['combobox', 'textbox', 'slider']) if (await page.$(`::-p-aria([name="${label}"][role="${role}"])`)) return;
    await search.evaluate((field) => (field as HTMLInputElement).select());
    await search.type(label.replace(/, \S+$/, ''));
  };
  /** Gives groups the room again that a search took. */
  const browse = async (): Promise<void> => {
    await (await page.waitForSelector('input[type=search]'))!.focus();
    await page.keyboard.press('Escape');
  };
  return {
    browse,
    clickUntil,
    press: (name: string) => clickOn('button', name),
    /** Opens a group of the car’s sizes by the name it begins with. */
    openGroup: (name: string) =>
      page.locator(`::-p-xpath(//button[@aria-expanded="false" and starts-with(normalize-space(.), "${name}")])`).click(),
    openTab: (name: string) =>
      clickUntil(named('tab', name), () =>
        page.waitForSelector(`[role=tab][aria-selected=true]::-p-aria([name="${name}"])`, { timeout: FOLLOWED }),
      ),
    /** Chooses from a menu that is open. */
    choose: async (name: string) => {
      await clickOn('menuitem', name);
      await page.waitForSelector('[role=menu]', { hidden: true });
    },
    /** Opens a list and chooses from it. */
    pick: async (label: string, option: string) => {
      await reach(label);
      await clickUntil(named('combobox', label), () => page.waitForSelector('[role=listbox]', { timeout: FOLLOWED }));
      await clickOn('option', option);
      await page.waitForSelector('[role=listbox]', { hidden: true });
    },
    /** Chooses one of several that are all shown. */
    tick: (name: string) => clickOn('radio', name),
    /** Follows a link to another page of the program, or takes a file or a new tab by one. */
    follow: async (name: string): Promise<void> => {
      const link = await byName('link', name).waitHandle();
      const leadsTo = await link.evaluate((element) => {
        const { href, target } = element as HTMLAnchorElement;
        const { pathname } = new URL(href);
        return !element.hasAttribute('download') && target === '' && pathname !== location.pathname ? pathname : null;
      });
      if (leadsTo === null) return clickOn('link', name);
      await clickUntil(named('link', name), () =>
        page.waitForFunction((path) => location.pathname === path, { timeout: FOLLOWED }, leadsTo),
      );
    },
    /** Types into a field, in place of what stood there, and takes it. */
    type: async (label: string, text: string) => {
      await reach(label);
      const field = await byName('textbox', label).waitHandle();
      await field.focus();
      await page.keyboard.down('Control');
      await page.keyboard.press('a');
      await page.keyboard.up('Control');
      await page.keyboard.type(text);
      await page.keyboard.press('Tab');
    },
    valueOf: async (label: string): Promise<string> => {
      await reach(label);
      const field = await byName('textbox', label).waitHandle();
      return field.evaluate((element) => (element as HTMLInputElement).value);
    },
    focusSlider: async (name: string) => {
      await reach(name);
      const slider = await page.waitForSelector(`input[type=range][aria-label="${name}"]`);
      await slider!.focus();
    },
    /** Waits until the page says `text` somewhere. */
    sees: (text: string) =>
      page.waitForFunction((wanted) => document.body.innerText.replaceAll('\u00a0', ' ').includes(wanted), LOOKING, text),
    seesNot: (text: string) =>
      page.waitForFunction((unwanted) => !document.body.innerText.replaceAll('\u00a0', ' ').includes(unwanted), LOOKING, text),
    /** What stands behind the big number of the verdict, m to the centimetre. */
    distance: async (): Promise<number> => {
      const shown = await page.waitForSelector('[data-testid=predicted-distance]');
      return Number(await shown!.evaluate((element) => (element as HTMLElement).dataset.metres));
    },
    /** Waits until another distance is predicted. */
    predictsOtherThan: (before: number) =>
      page.waitForFunction(
        (was) => (document.querySelector('[data-testid=predicted-distance]') as HTMLElement | null)?.dataset.metres !== was,
        LOOKING,
        before.toFixed(2),
      ),
    saved: () => page.waitForFunction(() => document.querySelector('header [role=status]')?.textContent === 'saved', LOOKING),
  };
};

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** Nothing for axe-core to find (WCAG 2.2 A and AA, and its best practices). */
export async function expectAccessible(page: Page): Promise<void> {
  // What is on its way has no heading yet, and what fades in has not its colours.
  await page.waitForSelector('h1');
  await standsStill(page);
  await page.evaluate(axe);
  const found = await page.evaluate(async () => {
    const { violations } = await (
      window as unknown as {
        axe: { run: (options: object) => Promise<{ violations: { id: string; nodes: { html: string; failureSummary: string }[] }[] }> };
      }
    ).axe.run({ resultTypes: ['violations'] });
    return violations.map(
      ({ id, nodes }) => `${id}: ${nodes.map(({ html, failureSummary }) => `${html.slice(0, 160)} — ${failureSummary}`).join(' | ')}`,
    );
  });
  expect(found).toEqual([]);
}

/** What is downloaded from a page: called with the end of a file's name, it waits for that file's last byte (its name is there before). */
export async function downloadsOf(page: Page): Promise<(end: string) => Promise<Buffer>> {
  const folder = mkdtempSync(join(tmpdir(), 'nimble-axle-taken-'));
  const session = await page.createCDPSession();
  await session.send('Browser.setDownloadBehavior', {
    behavior: 'allowAndName',
    browserContextId: page.browserContext().id,
    downloadPath: folder,
    eventsEnabled: true,
  });
  const begun = new Map<string, string>();
  const whole = new Map<string, string>();
  session.on('Browser.downloadWillBegin', ({ guid, suggestedFilename }) => begun.set(guid, suggestedFilename));
  session.on('Browser.downloadProgress', ({ guid, state }) => state === 'completed' && whole.set(begun.get(guid)!, guid));
  return async (end) => {
    const find = (): string | undefined => [...whole].find(([name]) => name.endsWith(end))?.[1];
    await vi.waitUntil(find, { timeout: PATIENCE });
    return readFileSync(join(folder, find()!));
  };
}
