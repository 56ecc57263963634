import { mkdtempSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import type { ElementHandle, Page } from 'puppeteer-core';
import { expect, vi } from 'vitest';

/** Waits until nothing on the page grows, fades or moves. */
export const standsStill = (page: Page) =>
  page.waitForFunction(() => document.getAnimations().every(({ playState }) => playState !== 'running'), { polling: 'raf' });

/** How long a page may take to say something, and how often it is looked at: every frame would keep a busy page busier. */
const PATIENCE = { timeout: 20_000, polling: 60 };

/** What a builder does on a page, by the words on it. */
export const builder = (page: Page) => {
  /** Waits for what is so called: asked again where the page was on its way when it was asked, which a waiting selector does not survive. */
  const byName = async (role: string, name: string): Promise<ElementHandle> => {
    for (const begun = Date.now(); Date.now() - begun < PATIENCE.timeout; await setTimeout(PATIENCE.polling)) {
      const found = await page.$(`::-p-aria([name="${name}"][role="${role}"])`).catch(() => null);
      if (found) return found;
    }
    throw new Error(`There is no ${role} “${name}” on ${page.url()}.`);
  };
  /** Clicks what is so called; found again where what comes late has put another in its place meanwhile. */
  const clickOn = async (role: string, name: string, tries = 3): Promise<void> => {
    const found = await byName(role, name);
    try {
      await found.click();
    } catch (problem) {
      if (tries === 1 || !String(problem).includes('detached')) throw problem;
      await clickOn(role, name, tries - 1);
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
    press: (name: string) => clickOn('button', name),
    /** Opens a tab; where the click fell beside it as the page moved, again. */
    openTab: async (name: string): Promise<void> => {
      for (let tries = 0; tries < 4; tries++) {
        await clickOn('tab', name);
        const isOpen = await page
          .waitForSelector(`[role=tab][aria-selected=true]::-p-aria([name="${name}"])`, { timeout: 2000 })
          .catch(() => null);
        if (isOpen) return;
      }
    },
    /** Chooses from a menu that is open. */
    choose: async (name: string) => {
      const item = await byName('menuitem', name);
      // A menu that still grows would be missed.
      await standsStill(page);
      await item.click();
      await page.waitForSelector('[role=menu]', { hidden: true });
    },
    /** Opens a list and chooses from it. */
    pick: async (label: string, option: string) => {
      await reach(label);
      await (await byName('combobox', label)).click();
      // A list that still opens would be missed by the mouse.
      await (await byName('option', option)).evaluate((item) => (item as HTMLElement).click());
      await page.waitForSelector('[role=listbox]', { hidden: true });
    },
    /** Chooses one of several that are all shown. */
    tick: (name: string) => clickOn('radio', name),
    /** Follows a link; where the click fell beside it as the page moved, again. */
    follow: async (name: string): Promise<void> => {
      for (let tries = 0; tries < 3; tries++) {
        const leads = await (
          await byName('link', name)
        ).evaluate((link) => {
          const { href, download, target } = link as HTMLAnchorElement;
          return download === '' && !link.hasAttribute('download') && target === '' && new URL(href).pathname !== location.pathname
            ? href
            : null;
        });
        const from = page.url();
        await clickOn('link', name);
        if (leads === null) return;
        const isGone = await page
          .waitForFunction((before) => location.href !== before, { timeout: 4000 }, from)
          .then(
            () => true,
            () => false,
          );
        if (isGone) return;
      }
    },
    /** Types into a field, in place of what stood there, and takes it. */
    type: async (label: string, text: string) => {
      await reach(label);
      const field = await byName('textbox', label);
      await field.click();
      // Where it moved away under the mouse after all.
      await field.evaluate((element) => (element as HTMLElement).focus());
      await page.keyboard.down('Control');
      await page.keyboard.press('a');
      await page.keyboard.up('Control');
      await page.keyboard.type(text);
      await page.keyboard.press('Tab');
    },
    valueOf: async (label: string): Promise<string> => {
      await reach(label);
      return (await byName('textbox', label)).evaluate((field) => (field as HTMLInputElement).value);
    },
    focusSlider: async (name: string) => {
      await reach(name);
      const slider = await page.waitForSelector(`input[type=range][aria-label="${name}"]`);
      await slider!.focus();
    },
    /** Waits until the page says `text` somewhere. */
    sees: (text: string) =>
      page.waitForFunction((wanted) => document.body.innerText.replaceAll('\u00a0', ' ').includes(wanted), PATIENCE, text),
    seesNot: (text: string) =>
      page.waitForFunction((unwanted) => !document.body.innerText.replaceAll('\u00a0', ' ').includes(unwanted), PATIENCE, text),
    /** What stands behind the big number of the verdict, m to the centimetre. */
    distance: async (): Promise<number> => {
      const shown = await page.waitForSelector('[data-testid=predicted-distance]');
      return Number(await shown!.evaluate((element) => (element as HTMLElement).dataset.metres));
    },
    /** Waits until another distance is predicted. */
    predictsOtherThan: (before: number) =>
      page.waitForFunction(
        (was) => (document.querySelector('[data-testid=predicted-distance]') as HTMLElement | null)?.dataset.metres !== was,
        PATIENCE,
        before.toFixed(2),
      ),
    saved: () => page.waitForFunction(() => document.querySelector('header [role=status]')?.textContent === 'saved', PATIENCE),
  };
};

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** Nothing for axe-core to find (WCAG 2.2 A and AA, and its best practices). */
export async function expectAccessible(page: Page): Promise<void> {
  // What fades in has not its colours yet.
  await standsStill(page);
  await page.evaluate(axe);
  const found = await page.evaluate(async () => {
    const { violations } = await (
      window as unknown as {
        axe: { run: () => Promise<{ violations: { id: string; nodes: { html: string; failureSummary: string }[] }[] }> };
      }
    ).axe.run();
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
  await session.send('Browser.setDownloadBehavior', { behavior: 'allowAndName', downloadPath: folder, eventsEnabled: true });
  const begun = new Map<string, string>();
  const whole = new Map<string, string>();
  session.on('Browser.downloadWillBegin', ({ guid, suggestedFilename }) => begun.set(guid, suggestedFilename));
  session.on('Browser.downloadProgress', ({ guid, state }) => state === 'completed' && whole.set(begun.get(guid)!, guid));
  return async (end) => {
    const find = (): string | undefined => [...whole].find(([name]) => name.endsWith(end))?.[1];
    await vi.waitUntil(find, { timeout: 20_000 });
    return readFileSync(join(folder, find()!));
  };
}
