import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import type { Brief } from '../core/brief/brief.ts';
import { newEntry, newMeet } from '../core/meet/new-meet.ts';
import { PHONE } from './browser.ts';
import { builder, downloadsOf, expectAccessible } from './builder.ts';
import { setStage } from './stage.ts';

const CARS = ['Kelp Runner', 'Slow Ferry', 'Tern', 'Limpet', 'Bobbin Eel'] as const;

/** A meet of six cars on a brief of one round of one run each, made through the program’s own address; where it is. */
async function meetOfSix(page: Page): Promise<string> {
  const brief = await page.evaluate(async () => ((await (await fetch('/api/briefs')).json()) as [{ brief: Brief }])[0].brief);
  const round = { ...brief.rounds[0]!, name: 'Furthest', goal: { kind: 'furthest' as const }, runs: 1, points: [10, 7, 5, 3, 2, 1] };
  const meet = newMeet({
    name: 'Winter evening',
    date: '2026-11-21',
    brief: { ...brief, rounds: [round], rules: { ...brief.rules, ties: 'run-off' } },
    seed: 7,
    lanes: 2,
    entries: [...CARS, 'Gull'].map((car, i) =>
      newEntry({ id: crypto.randomUUID(), crew: `crew ${i + 1}`, car, predicted: 12, showsPrediction: true }),
    ),
  });
  return page.evaluate(async (made) => {
    const id = crypto.randomUUID();
    const answer = await fetch(`/api/meets/${id}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ baseVersion: 0, meet: made }),
    });
    if (!answer.ok) throw new Error(await answer.text());
    return `/meets/${id}`;
  }, meet);
}

const textOf = (page: Page): Promise<string> => page.evaluate(() => document.body.innerText.replaceAll('\u00a0', ' '));
/** The cars that run now. */
const now = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll('form[aria-label^="Result of "]')].map((form) =>
      form.getAttribute('aria-label')!.replace('Result of ', ''),
    ),
  );

describe('a meet', () => {
  const stage = setStage();

  it('of six cars is run by two officials and a phone, one result corrected, a tie broken, and the board follows', async () => {
    const first = await stage.open('/meets');
    await builder(first).sees('A new meet');
    await expectAccessible(first);
    const path = await meetOfSix(first);
    await first.goto(new URL(`${path}?view=run`, first.url()).href);
    const harbour = builder(first);
    await harbour.sees('Now: Furthest');
    await harbour.type('Recorded by', 'the harbour office');
    await expectAccessible(first);
    const board = await stage.open(`${path}/board`);
    await builder(board).sees('Standings');
    await expectAccessible(board);
    const second = await stage.open(`${path}?view=run`);
    const lull = builder(second);
    await lull.sees('Now: Furthest');
    const phone = await stage.open(`${path}?view=run`, PHONE);
    await builder(phone).sees('Now: Furthest');
    expect(await phone.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
    await expectAccessible(phone);
    // Two officials write down the two lanes of one heat at once.
    const distances: Record<string, string> = {};
    const writes = async (page: Page, car: string, metres: string): Promise<void> => {
      distances[car] = metres;
      const official = builder(page);
      await page.bringToFront();
      await official.type(`${car}: distance`, metres);
      await official.press(`Save result: ${car}`);
    };
    const heat = await now(first);
    expect(heat).toHaveLength(2);
    await writes(first, heat[0]!, '9.20');
    await second.waitForFunction((car) => !document.querySelector(`form[aria-label="Result of ${car}"]`), {}, heat[0]!);
    await writes(second, heat[1]!, '9.20');
    // The next heat on a phone.
    await phone.waitForFunction((car) => !document.querySelector(`form[aria-label="Result of ${car}"]`), {}, heat[1]!);
    const third = await now(phone);
    await phone.bringToFront();
    await builder(phone).press(`Broke a rule: ${third[0]!}`);
    await builder(phone).press(`Broke a rule: ${third[0]!}`);
    await builder(phone).sees('Name the rule that it broke.');
    await writes(phone, third[0]!, '7.10');
    // What is typed next has the focus, and what was written stands under it.
    await phone.waitForFunction((car) => document.activeElement?.getAttribute('aria-label') === `${car}: distance`, {}, third[1]!);
    await builder(phone).sees('Last results');
    await phone.waitForFunction((car) => !document.querySelector(`form[aria-label="Result of ${car}"]`), {}, third[0]!);
    await builder(phone).press(`It broke: ${third[1]!}`);
    await first.bringToFront();
    await first.waitForFunction((car) => !document.querySelector(`form[aria-label="Result of ${car}"]`), {}, third[1]!);
    const last = await now(first);
    await writes(first, last[0]!, '6.5');
    await first.waitForFunction((car) => !document.querySelector(`form[aria-label="Result of ${car}"]`), {}, last[0]!);
    await writes(first, last[1]!, '5');
    await harbour.sees('All results are saved.');
    // The two that lead alike run off.
    await harbour.sees('Run-off: Furthest');
    await writes(first, `${heat[0]!}, run-off`, '8');
    await first.waitForFunction((car) => !document.querySelector(`form[aria-label="Result of ${car}, run-off"]`), {}, heat[0]!);
    await writes(first, `${heat[1]!}, run-off`, '8.5');
    await harbour.seesNot('Run-off: Furthest');
    await harbour.openTab('Standings');
    await first.waitForFunction((car) => document.querySelector('table tbody tr')?.textContent?.includes(car), {}, heat[1]!);
    await expectAccessible(first);
    // One is corrected, with who and why; what stood before is kept.
    await harbour.openTab('Results');
    await harbour.press(`Correct: ${last[1]!}, Furthest, run 1`);
    await harbour.type('Corrected by', 'the harbour office');
    await harbour.type('Reason', 'tape slipped');
    await harbour.type(`correction of ${last[1]!}, Furthest, run 1: distance`, '9.9');
    await harbour.press(`Save result: correction of ${last[1]!}, Furthest, run 1`);
    await harbour.sees('corrected by the harbour office: tape slipped');
    await harbour.sees('before: 5.00 m');
    await expectAccessible(first);
    await board.bringToFront();
    await board.waitForFunction((car) => document.querySelector('table tbody tr')?.textContent?.includes(car), {}, last[1]!);
    expect(await textOf(board)).toContain('9.90 m');
    // Taken back it stands no more.
    await first.bringToFront();
    await harbour.press(`Withdraw: ${last[1]!}, Furthest, run 1`);
    await harbour.openTab('Run');
    await harbour.sees(`Now: Furthest`);
    expect(await now(first)).toContain(last[1]!);
    // A file of it opens elsewhere.
    const taken = await downloadsOf(first);
    await harbour.press('More');
    await harbour.choose('Save as a file');
    const file = JSON.parse((await taken('.json')).toString()) as { format: string; results: unknown[] };
    expect([file.format, file.results.length]).toEqual(['nimble-axle/meet', 10]);
    await harbour.press('More');
    await harbour.choose('Export CSV');
    expect((await taken('.csv')).toString()).toContain('place,car,crew');
    for (const page of [first, second, phone, board]) await page.close();
  });

  it('lets a phone join as what its code says; what an official types is not lost to another who is quicker', async () => {
    // On the machine itself: a test may be run where there is no other network.
    process.env.NIMBLE_AXLE_SHARE_ON = '127.0.0.1';
    const page = await stage.open('/briefs');
    const path = await meetOfSix(page);
    await page.goto(`${stage.program.url}${path}?view=run`);
    const host = builder(page);
    await host.sees('Now: Furthest');
    await host.press('Let a phone join');
    await host.press('Turn on');
    await host.sees('As official, no phone has joined yet.');
    await expectAccessible(page);
    const codeFor = (role: string): Promise<string> => page.$eval(`[data-testid=join-code-${role}]`, (shown) => shown.textContent!);
    const [address] = ((await (await fetch(`${stage.program.url}/api/sharing`)).json()) as { shared: { addresses: [string] } }).shared
      .addresses;
    const joined = async (role: string): Promise<Page> => {
      const other = await stage.openPhone(`${address}${path}`);
      await builder(other).type('Code', await codeFor(role));
      await builder(other).press('Join');
      return other;
    };
    const official = await joined('official');
    await builder(official).sees('Now: Furthest');
    await builder(official).seesNot('Let a phone join');
    const crew = await joined('crew');
    await builder(crew).sees('Which car is this phone for?');
    const heat = await now(official);
    await expectAccessible(crew);
    await builder(crew).tick(`${heat[0]!}, crew ${1 + [...CARS, 'Gull'].indexOf(heat[0]!)}`);
    await builder(crew).press('Use this car');
    await builder(crew).sees('It runs now');
    await expectAccessible(crew);
    expect(await crew.$$eval('[role=tab]', (tabs) => tabs.map((tab) => tab.textContent))).toEqual(['Your car', 'Standings', 'Chances']);
    const board = await joined('board');
    await builder(board).sees('Last run');
    // The host types, and the phone is quicker.
    await page.keyboard.press('Escape');
    await page.bringToFront();
    await host.type(`${heat[0]!}: distance`, '9.4');
    // In other units it keeps its own.
    await host.press('in·oz·ft');
    await page.waitForFunction(
      (label) => (document.querySelector(`input[aria-label="${label}"]`) as HTMLInputElement).value === '9.4 m',
      {},
      `${heat[0]!}: distance`,
    );
    await host.press('mm·g·m');
    await host.type(`${heat[0]!}: distance`, '9.4');
    // A reload, or a look at the standings, loses nothing of it.
    await host.openTab('Standings');
    await host.openTab('Run');
    expect(await host.valueOf(`${heat[0]!}: distance`)).toBe('9.4');
    await official.bringToFront();
    await builder(official).type(`${heat[0]!}: distance`, '9.3');
    await builder(official).press(`Save result: ${heat[0]!}`);
    await builder(official).press(`It broke: ${heat[1]!}`);
    await page.bringToFront();
    await host.sees('Another official saved 9.30 m meanwhile.');
    await page.reload();
    await host.sees('Another official saved 9.30 m meanwhile.');
    expect(await host.valueOf(`${heat[0]!}: distance`)).toBe('9.4');
    await expectAccessible(page);
    await host.press(`discard what is typed: ${heat[0]!}`);
    // A run timed by hand goes into its result, and how it was timed is kept.
    await page.waitForSelector('form[aria-label^="Result of "]');
    await page.waitForFunction((car) => !document.querySelector(`form[aria-label="Result of ${car}"]`), {}, heat[0]!);
    const [timed] = await now(page);
    await page.locator('summary').click();
    await host.pick('Timed', 'by hand, with a stopwatch');
    await host.type('Times are taken at, m (6, 12)', '3');
    for (const press of ['Go', '3.00\u00a0m', 'Stop']) await host.press(press);
    await host.press('Into the result');
    await host.sees('timed by hand: 3.00 m in');
    await host.type(`${timed!}: distance`, '5');
    await expectAccessible(page);
    await host.press(`Save result: ${timed!}`);
    await host.openTab('Results');
    await host.sees('timed by hand: 3.00 m in');
    await crew.bringToFront();
    await builder(crew).sees('It has made all its runs');
    await builder(crew).sees('Furthest, run 1: 9.30 m');
    for (const one of [page, official, crew, board]) await one.close();
  });

  it('is made from a brief, cars enter from the Garage and are inspected', async () => {
    const page = await stage.open('/meets');
    const official = builder(page);
    await official.press('Create meet');
    await official.sees('Enter a car');
    await official.type('Crew', 'the night watch');
    await page.waitForFunction(() => document.body.innerText.includes('Or from the Garage'));
    await official.pick('Or from the Garage', 'Kelp Runner');
    await official.sees('the night watch');
    await official.sees('to check');
    await official.press('Kelp Runner');
    await official.type('length of Kelp Runner, measured', '600 mm');
    await official.sees('would pass');
    await expectAccessible(page);
    await official.press('Close');
    await official.sees('breaks a rule');
    await expectAccessible(page);
    await official.openTab('Rules and scoring');
    await official.type('Worst rounds of each car that do not count', '1');
    await page.reload();
    await official.sees('Worst rounds of each');
    expect(await official.valueOf('Worst rounds of each car that do not count')).toBe('1');
    await expectAccessible(page);
    await page.close();
  });

  it('tells the chances of each place, which move with a result, and what a car needs', async () => {
    const page = await stage.open('/meets');
    const host = builder(page);
    await host.press('Create meet');
    await host.sees('Enter a car');
    for (const [crew, car] of [
      ['the night watch', 'Kelp Runner'],
      ['the day watch', 'Tern'],
    ] as const) {
      await host.type('Crew', crew);
      await page.waitForFunction(() => document.body.innerText.includes('Or from the Garage'));
      await host.pick('Or from the Garage', car);
      await host.sees(crew);
    }
    await host.openTab('Chances');
    await host.sees('its own runs');
    await expectAccessible(page);
    /** Points expected of a car, from the first table. */
    const pointsOf = (car: string): Promise<number> =>
      page.$$eval(
        'table:first-of-type tr',
        (rows, wanted) =>
          Number(rows.find((row) => row.querySelector('td,th')?.textContent === wanted)?.querySelectorAll('td,th')[1]?.textContent ?? NaN),
        car,
      );
    const before = await pointsOf('Tern');
    expect(before).toBeGreaterThanOrEqual(0);
    // Tern goes farther than anything else here ever did.
    const meetId = new URL(page.url()).pathname.split('/')[2]!;
    await page.evaluate(async (meet) => {
      const entries = (await (await fetch(`/api/meets/${meet}/entries`)).json()) as {
        id: string;
        entry: { entry: { id: string; car: string } };
      }[];
      const tern = entries.find(({ entry }) => entry.entry.car === 'Tern')!.entry.entry.id;
      const result = {
        format: 'nimble-axle/meet-result',
        version: 1,
        meet,
        entry: tern,
        round: 0,
        run: 0,
        lane: 0,
        at: new Date().toISOString(),
        by: 'the harbour office',
        outcome: { kind: 'ran', distance: 200 },
        corrects: null,
        why: '',
      };
      await fetch(`/api/meets/${meet}/results/${crypto.randomUUID()}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ baseVersion: 0, result }),
      });
    }, meetId);
    await host.sees('Kelp Runner needs');
    await page.waitForFunction(
      (was) => {
        const rows = [...document.querySelectorAll('table:first-of-type tr')];
        const row = rows.find((one) => one.querySelector('td,th')?.textContent === 'Tern');
        return Number(row?.querySelectorAll('td,th')[1]?.textContent) > was;
      },
      {},
      before,
    );
    await page.close();
  });
});
