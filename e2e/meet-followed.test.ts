import { createServer, connect, type AddressInfo, type Socket } from 'node:net';
import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { randomGenerator } from '../core/numerics/low-discrepancy.ts';
import type { Brief } from '../core/brief/brief.ts';
import type { MeetOutcome } from '../core/meet/meet.ts';
import { newEntry, newMeet } from '../core/meet/new-meet.ts';
import type { ResultPage, StoredResult } from '../core/schema/stored.ts';
import { startProgram } from './browser.ts';
import { builder } from './builder.ts';
import { setStage } from './stage.ts';

/** s in which connections are cut now and then. */
const CUT_FOR = Number(process.env.CUT_SECONDS ?? 12);

/** A way to the program on which connections break at random; it is whole again once it is told so. */
async function brokenWay(port: number) {
  const random = randomGenerator(1);
  const pairs = new Set<Socket>();
  let isBroken = true;
  const server = createServer((near) => {
    const far = connect(port, '127.0.0.1');
    for (const [one, other] of [
      [near, far],
      [far, near],
    ] as const) {
      pairs.add(one);
      one.on('error', () => undefined);
      one.on('close', () => {
        pairs.delete(one);
        other.destroy();
      });
      one.pipe(other);
    }
  });
  server.listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  let cuts = 0;
  const cut = (): void => {
    if (!isBroken) return;
    for (const socket of pairs) if (random() < 0.5 && ++cuts) socket.destroy();
    setTimeout(cut, 300 + 1500 * random());
  };
  cut();
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    cuts: () => cuts,
    mend: () => void (isBroken = false),
    close: () => {
      isBroken = false;
      pairs.forEach((socket) => socket.destroy());
      server.close();
    },
  };
}

describe('a meet that is followed', () => {
  const stage = setStage();
  const RUNS = Math.min(20, Math.ceil(CUT_FOR / 2.5));
  const CARS = ['Kelp Runner', 'Slow Ferry', 'Tern', 'Limpet'];

  const begin = async (): Promise<string> => {
    const { url } = stage.program;
    const [{ brief }] = (await (await fetch(`${url}/api/briefs`)).json()) as [{ brief: Brief }];
    const round = { ...brief.rounds[0]!, name: 'Furthest', goal: { kind: 'furthest' as const }, runs: RUNS, points: [10, 7, 5, 3] };
    const meet = newMeet({
      name: 'Winter evening',
      date: '2026-11-21',
      brief: { ...brief, rounds: [round], rules: { ...brief.rules, ties: 'shared' } },
      seed: 7,
      lanes: 2,
      entries: CARS.map((car, i) => newEntry({ id: crypto.randomUUID(), crew: `crew ${i + 1}`, car })),
    });
    const id = crypto.randomUUID();
    const answer = await fetch(`${url}/api/meets/${id}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ baseVersion: 0, meet }),
    });
    expect(answer.status).toBe(200);
    return `/meets/${id}`;
  };
  const resultsOf = async (path: string): Promise<readonly StoredResult[]> =>
    ((await (await fetch(`${stage.program.url}/api${path}/results?limit=500`)).json()) as ResultPage).results as StoredResult[];
  /** Read in one go: rows that were found and read one after the other could have moved between. */
  const standings = (page: Page): Promise<string[]> =>
    page.evaluate(() =>
      [...document.querySelectorAll('table tbody tr')].map((row) => [...row.children].map((cell) => cell.textContent!.trim()).join(' ')),
    );
  const settled = async (page: Page, path: string, view: string): Promise<void> => {
    await page.goto(new URL(`${path}${view}`, page.url()).href);
    await page.waitForSelector('table tbody tr');
  };

  it(
    'by two officials and a board over a network that breaks again and again: nothing is lost, and all three end alike',
    { timeout: 300_000 },
    async () => {
      const path = await begin();
      const way = await brokenWay(Number(new URL(stage.program.url).port));
      const told: string[] = [];
      const pages: Page[] = [];
      for (const view of ['?view=run', '?view=run', '/board']) {
        const page = await stage.device.newPage();
        page.setDefaultTimeout(60_000);
        for (;;) {
          const isThere = await page
            .goto(`${way.url}${path}${view}`, { timeout: 5000 })
            .then(
              () => page.waitForSelector('h1', { timeout: 5000 }),
              () => null,
            )
            .catch(() => null);
          if (isThere) break;
        }
        pages.push(page);
      }
      const [first, second, board] = pages as [Page, Page, Page];
      const acknowledged: string[] = [];
      const end = Date.now() + 1000 * CUT_FOR;
      /** Saves results of one lane until all are made. */
      const official = async (page: Page, lane: number): Promise<void> => {
        const look = (at: number): string | null => {
          if (document.body.innerText.includes('All results are saved')) return null;
          const forms = [...document.querySelectorAll('form[aria-label^="Result of "]')];
          return (forms[at] ?? forms[0])?.getAttribute('aria-label')!.replace('Result of ', '') ?? '';
        };
        /** Types and presses within the page: three pages at once cannot all be in front. */
        const saveResult = (name: string, metres: string): boolean => {
          const field = document.querySelector<HTMLInputElement>(`input[aria-label="${name}: distance"]`);
          const button = document.querySelector<HTMLElement>(`button[aria-label="Save result: ${name}"]`);
          if (!field || !button) return false;
          Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(field, metres);
          field.dispatchEvent(new Event('input', { bubbles: true }));
          setTimeout(() => button.click(), 100);
          return true;
        };
        const isEmpty = (name: string): boolean => {
          const field = document.querySelector<HTMLInputElement>(`input[aria-label="${name}: distance"]`);
          return field === null || field.value === '';
        };
        let nothing = 0;
        for (let n = 0; ; n++) {
          if (Date.now() > end) way.mend();
          const car = await page.evaluate(look, lane).catch(() => '');
          if (car === null) return;
          nothing = car === '' ? nothing + 1 : 0;
          // Where the page itself did not come through, it is loaded again, as anybody would.
          if (nothing > 3) await page.reload({ timeout: 4000 }).catch(() => undefined);
          if (car !== '') {
            const metres = (6 + lane + n / 100).toFixed(2);
            const isTyped = await page.evaluate(saveResult, car, metres).catch(() => false);
            await new Promise((resolve) => setTimeout(resolve, 300));
            const isDone = await page.waitForFunction(isEmpty, { timeout: 12_000, polling: 200 }, car).then(
              () => true,
              () => false,
            );
            if (isTyped && isDone) acknowledged.push(metres);
          }
          await new Promise((resolve) => setTimeout(resolve, Date.now() < end ? 900 : 100));
        }
      };
      await Promise.all([official(first, 0), official(second, 1)]);
      way.mend();
      expect(way.cuts()).toBeGreaterThan(10);
      const stored = await resultsOf(path);
      const distances = stored.map(({ result }) => (result.outcome as MeetOutcome).distance!.toFixed(2));
      // What an official saw taken is there, once.
      for (const metres of acknowledged) expect([metres, distances.filter((one) => one === metres)]).toEqual([metres, [metres]]);
      expect(new Set(stored.map(({ result }) => `${result.entry} ${result.run}`)).size).toBe(CARS.length * RUNS);
      await builder(board).seesNot('Not connected');
      await expect.poll(async () => (await standings(board)).length, { timeout: 40_000 }).toBe(CARS.length);
      await board.waitForFunction(() => document.body.innerText.includes('all runs are made'), { timeout: 40_000 });
      const now = await standings(board);
      await settled(first, path, '/board');
      await settled(second, path, '/board');
      expect(await standings(first)).toEqual(now);
      expect(await standings(second)).toEqual(now);
      expect(told).toEqual([]);
      for (const page of pages) await page.close();
      way.close();
    },
  );

  it('by many tabs and many visits stands each time, and a board follows on after the program was started anew', async () => {
    const path = await begin();
    const tabs = await Promise.all(Array.from({ length: 8 }, () => stage.open(`${path}/board`)));
    for (const tab of tabs) await builder(tab).sees('Standings');
    const [board, visitor] = tabs as [Page, Page];
    for (let visit = 0; visit < 8; visit++) {
      await visitor.goto(`${stage.program.url}${path}?view=run`);
      await builder(visitor).sees('Now: Furthest');
      await visitor.goto(`${stage.program.url}/meets`);
      await builder(visitor).sees('Meets');
    }
    const { folder, url } = stage.program;
    await stage.program.stop();
    await builder(board).sees('Not connected since');
    stage.program = await startProgram({ folder, port: Number(new URL(url).port), demo: true });
    await builder(board).seesNot('Not connected since');
    await visitor.goto(`${stage.program.url}${path}?view=run`);
    await builder(visitor).sees('Now: Furthest');
    const [car] = await visitor.$$eval('form[aria-label^="Result of "]', (forms) =>
      forms.map((form) => form.getAttribute('aria-label')!.replace('Result of ', '')),
    );
    await visitor.bringToFront();
    await builder(visitor).type(`${car!}: distance`, '9.87');
    await builder(visitor).press(`Save result: ${car!}`);
    for (const tab of tabs.filter((one) => one !== visitor)) await builder(tab).sees('9.87 m');
    // The demo's stage expects no complaints of a program that was gone on purpose.
    stage.complaints.splice(0);
    for (const tab of tabs) await tab.close();
  });

  it('leaves nothing behind in a page that goes through its views for long', async () => {
    const path = await begin();
    const page = await stage.open(path);
    const devtools = await page.createCDPSession();
    const goTo = async (address: string, sight: string) => {
      await page.evaluate((to) => {
        history.pushState({}, '', to);
        dispatchEvent(new PopStateEvent('popstate'));
      }, address);
      await builder(page).sees(sight);
    };
    const held = async (rounds: number) => {
      for (let round = 0; round < rounds; round++) {
        await goTo(`${path}?view=run`, 'Now: Furthest');
        await goTo(`${path}/board`, 'Standings');
        await goTo('/meets', 'Meets');
      }
      await devtools.send('HeapProfiler.collectGarbage');
      const { Nodes, JSEventListeners, JSHeapUsedSize } = await page.metrics();
      return { nodes: Nodes!, listeners: JSEventListeners!, heap: JSHeapUsedSize! / 1e6 };
    };
    // What is fetched once, while the page is idle, is there by then.
    const early = await held(16);
    const late = await held(16);
    expect(late.nodes).toBeLessThan(early.nodes + 200);
    expect(late.listeners).toBeLessThan(early.listeners + 20);
    expect(late.heap).toBeLessThan(early.heap + 2);
    await page.close();
  });
});
