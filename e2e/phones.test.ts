import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { SMALL_JPEG } from '../core/files/reference/small-jpeg.ts';
import type { SharingState } from '../core/schema/sharing.ts';
import { PHONE } from './browser.ts';
import { builder, expectAccessible } from './builder.ts';
import { demoCar, setStage } from './stage.ts';

type Shared = NonNullable<SharingState['shared']>;
const DISTANCE = 'Distance, m (or 35 ft, 12 m 40 cm)';
const picture = join(mkdtempSync(join(tmpdir(), 'nimble-axle-picture-')), 'at the wall.jpg');
writeFileSync(picture, Buffer.from(SMALL_JPEG, 'base64'));

describe('a phone in a hall', () => {
  // On the machine itself: a test may be run where there is no other network.
  process.env.NIMBLE_AXLE_SHARE_ON = '127.0.0.1';
  const stage = setStage();
  /** Draws codes, as the owner does. */
  const draw = async (): Promise<Shared> =>
    (
      (await (
        await fetch(`${stage.program.url}/api/sharing`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: '{}' })
      ).json()) as { shared: Shared }
    ).shared;
  const enter = async (page: Page, code: string): Promise<void> => {
    await builder(page).type('Code', code);
    await builder(page).press('Join');
  };
  const log = async (page: Page, metres: string, withPicture = false): Promise<void> => {
    const phone = builder(page);
    if (withPicture) {
      await page.$$eval('details', (parts) => parts.forEach((part) => (part.open = true)));
      const input = (await page.waitForSelector('input[type=file][accept="image/*"]')) as ElementHandle<HTMLInputElement>;
      await input.uploadFile(picture);
      await phone.sees('Another photo');
    }
    await phone.type(DISTANCE, metres);
    await phone.press('Log this run');
    await page.waitForFunction(
      (label) => (document.querySelector(`input[aria-label="${label}"]`) as HTMLInputElement | null)?.value === '',
      {},
      DISTANCE,
    );
  };

  it('joins, loses the network, is locked out by new codes and joins again: 20 runs and 5 pictures are stored once', async () => {
    const { addresses, codes } = await draw();
    const page = await stage.openPhone(`${addresses[0]!}${demoCar(1)}/track`);
    const phone = builder(page);
    await enter(page, codes.crew);
    await phone.tick('Kelp Runner');
    await phone.press('Use this car');
    await phone.sees('Next run');
    const metres = Array.from({ length: 20 }, (_, i) => (5 + i / 10).toFixed(2));
    for (const [i, one] of metres.slice(0, 5).entries()) await log(page, one, i === 0);
    await page.setOfflineMode(true);
    for (const [i, one] of metres.slice(5, 13).entries()) await log(page, one, i < 2);
    await phone.sees('8 runs: wait in this browser until the program can be reached');
    // New codes: this phone is shown the door, and what waits on it stays.
    await draw();
    await page.setOfflineMode(false);
    await phone.sees('Join with this device');
    for (let tried = 0; tried < 5; tried++) {
      await enter(page, '000000');
      await phone.sees('This is not a code that is shown');
    }
    await enter(page, codes.crew);
    await phone.sees('Too many wrong codes');
    await enter(page, (await draw()).codes.crew);
    await phone.tick('Kelp Runner');
    await phone.press('Use this car');
    await phone.seesNot('wait in this browser');
    await phone.sees('Next run');
    for (const [i, one] of metres.slice(13).entries()) await log(page, one, i < 2);
    await expectAccessible(page);
    interface Listed {
      readonly runs: readonly { readonly record: { readonly outcome: { readonly distance: number }; readonly photo?: string } }[];
    }
    const read = async () =>
      ((await (await fetch(`${stage.program.url}/api${demoCar(1)}/runs?limit=60`)).json()) as Listed).runs.map(({ record }) => record);
    const ours = async () => (await read()).filter(({ outcome }) => metres.includes(outcome.distance.toFixed(2)) && outcome.distance < 7);
    // What waited is sent a few at a time, between others.
    await expect
      .poll(async () => (await ours()).map(({ outcome }) => outcome.distance.toFixed(2)).toSorted(), { timeout: 30_000 })
      .toEqual(metres.toSorted());
    const photos = (await ours()).flatMap(({ photo }) => photo ?? []);
    expect(photos).toHaveLength(5);
    const pictureOf = async (id: string): Promise<number> => (await fetch(`${stage.program.url}/api/photos/${id}/picture`)).status;
    await expect.poll(async () => (await Promise.all(photos.map(pictureOf))).join(), { timeout: 15_000 }).toBe('200,200,200,200,200');
    await page.close();
  });

  it('keeps counted turns and a running watch through other stages, a reload and a locked screen', async () => {
    const page = await stage.open(`${demoCar(3)}/track`, PHONE);
    const phone = builder(page);
    await phone.openTab('Wind');
    for (let n = 0; n < 5; n++) await phone.press('One turn');
    await phone.openTab('Go');
    await phone.press('Go');
    await phone.openTab('Wind');
    expect(await page.$eval('[role=status]', (count) => count.textContent)).toContain('5');
    await page.reload();
    await phone.sees('5 turns');
    // A locked screen: the page is frozen, and goes on.
    const session = await page.createCDPSession();
    await session.send('Page.setWebLifecycleState', { state: 'frozen' });
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await session.send('Page.setWebLifecycleState', { state: 'active' });
    await phone.openTab('Go');
    const shown = await page.$eval('[role=timer]', (timer) => Number.parseFloat(timer.textContent!));
    expect(shown).toBeGreaterThan(1.5);
    await phone.press('Stop');
    await phone.press('Use this time');
    await phone.sees('Next run');
    await page.close();
  });
});
