import { describe, expect, it } from 'vitest';
import { builder, downloadsOf, expectAccessible } from './builder.ts';
import { setStage } from './stage.ts';

const FERRY = '/cars/5ce44000-0000-4000-8000-000000000002';
const MEET = '/meets/5ce44000-0000-4000-8000-0000000000d0';

describe('a car that is built for all rounds of its brief', () => {
  const stage = setStage();

  it('is told its points, searched for all rounds, and set up for each', async () => {
    const page = await stage.open(`${FERRY}/design`);
    const ferry = builder(page);
    await ferry.sees('points in all rounds');
    await expectAccessible(page);
    await ferry.openTab('Best car');
    await ferry.press('Search');
    await page.waitForSelector('[aria-label="Save car 1 as a version"]', { timeout: 150_000 });
    const now = Number(/about ([\d.]+) points/.exec(await page.$eval('#rounds-title', (title) => title.parentElement!.innerText))![1]);
    const offered = await page.$$eval('ol > li', (items) =>
      items.map((item) => /at least ([\d.]+) points/.exec(item.textContent ?? '')?.[1]).find(Boolean),
    );
    expect(Number(offered)).toBeGreaterThan(now);
    // Round by round now and then, and two rounds against each other.
    expect(await page.$eval('table[aria-label="Car 1, round by round"]', ({ rows }) => rows.length)).toBe(5);
    await ferry.press('Find set-ups');
    await page.waitForSelector('section[aria-label="A set-up for each round"] table');
    await ferry.pick('Second round', 'Up the ramp');
    await page.waitForSelector('[aria-label="Apply car 1 of both rounds"]');
    await expectAccessible(page);
    await ferry.press('Apply car 1');
    await page.waitForFunction(
      (before) =>
        Number(/about ([\d.]+) points/.exec(document.querySelector('#rounds-title')!.parentElement!.innerText)?.[1] ?? 0) > before,
      {},
      now,
    );
    await ferry.saved();
    await page.close();
  });

  it('is ranked by one round where that is chosen', async () => {
    const page = await stage.open(`${FERRY}/design`);
    const ferry = builder(page);
    await ferry.sees('points in all rounds');
    await ferry.openGroup('Goal');
    await ferry.pick('Judged by', 'the round shown');
    await ferry.seesNot('points in all rounds');
    await ferry.saved();
    await page.reload();
    await ferry.sees('Furthest');
    await ferry.seesNot('points in all rounds');
    await page.close();
  });

  it('is forecast with the others before the evening, and what would bring it most', async () => {
    const page = await stage.open('/cars/5ce44000-0000-4000-8000-000000000004/brief');
    const limpet = builder(page);
    await limpet.sees('If they ran it now');
    await limpet.sees('Best single change');
    await expectAccessible(page);
    await page.close();
  });

  it('is seen by the chances over the evening, on the board where the crews agree, and in a race of the last heat', async () => {
    const page = await stage.open(MEET);
    const host = builder(page);
    await host.openTab('Chances');
    await host.sees('Chances to win over the evening');
    await host.openTab('Rules and scoring');
    await page.click('input[type=checkbox]');
    await page.waitForFunction(() => document.querySelector<HTMLInputElement>('input[type=checkbox]')!.checked);
    await host.follow('The board');
    await host.sees('Likeliest to win');
    await expectAccessible(page);
    const taken = await downloadsOf(page);
    await host.follow('Race the last heat as it was timed');
    await host.sees('as it was timed');
    const slider = await page.waitForSelector('input[type=range]');
    await slider!.focus();
    await page.keyboard.press('End');
    await page.waitForFunction(() => document.querySelector('#race-lanes')!.textContent!.includes('6.00'));
    await host.press('Save the race as SVG');
    expect((await taken('race.svg')).toString()).toContain('<svg');
    await page.close();
  });

  it('races a run that was timed against its model, and a version against the car', async () => {
    const page = await stage.open(`${FERRY}/tune`);
    const ferry = builder(page);
    await ferry.openTab('Runs');
    await ferry.follow('race it against its model');
    await ferry.sees('its model');
    await ferry.sees('as timed');
    await expectAccessible(page);
    await page.close();
  });

  it('is told the same next thing in Design and in Garage before it ever ran', async () => {
    const page = await stage.open('/');
    const copied = builder(page);
    await page.click('[aria-label="More for Kelp Runner"]');
    await copied.choose('Make a copy');
    await copied.sees('points in all rounds');
    const next = await page.waitForFunction(
      () => [...document.querySelectorAll('p')].map(({ textContent }) => /^Next: (.*) \(/.exec(textContent)?.[1]).find(Boolean),
      { timeout: 60_000 },
    );
    const told = (await next.jsonValue())!;
    const { pathname } = new URL(page.url());
    await page.goto(new URL('/', page.url()).href);
    const card = await page.waitForSelector(`li a[class*=large][href^="${pathname.replace('/design', '')}/"]`, { timeout: 60_000 });
    expect((await card!.evaluate(({ textContent }) => textContent)).toLowerCase()).toContain(told.toLowerCase());
    await page.close();
  });
});
