import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { PHONE, startProgram } from './browser.ts';
import { builder, expectAccessible } from './builder.ts';
import { demoCar, designOf, setStage } from './stage.ts';

/** What is kept of a brief by its name. */
async function keptBrief(url: string, name: string) {
  const briefs = (await (await fetch(`${url}/api/briefs`)).json()) as {
    brief: { name: string; rounds: { goal: object }[]; floors: { floor: { roomLength: number } }[] };
  }[];
  return briefs.find(({ brief }) => brief.name === name)?.brief;
}

describe('a new builder’s first minute', () => {
  const stage = setStage(() => startProgram());
  it('answers three questions and has a brief, and a car that keeps it and runs', async () => {
    const page = await stage.open('/');
    const first = builder(page);
    await first.sees('Answer three questions');
    await expectAccessible(page);
    await first.pick('Motor', 'bands on the axle');
    await first.pick('Goal', 'be quickest to …');
    await first.type('Goal distance, m', '4');
    await first.type('Room from the line to the wall (0: no wall), m', '15 ft');
    await first.press('Create my brief and my car');
    expect(await first.distance()).toBeGreaterThan(2);
    await first.sees('quickest to 4.00 m');
    await first.sees('Cars built like this');
    await first.follow('Garage');
    await first.sees('✓ follows every rule');
    await first.sees('My first brief');
    const kept = await keptBrief(stage.program.url, 'My first brief');
    expect(kept?.rounds).toMatchObject([{ goal: { kind: 'quickest-to', distance: 4 } }]);
    expect(kept?.floors[0]!.floor.roomLength).toBeCloseTo(4.572, 4);
    await page.close();
  });
});

describe('the Brief station', () => {
  const stage = setStage();
  const { open } = stage;

  it('reads as a page, tells cars that keep it and one that does not, and is changed where it stands', async () => {
    const page = await open(`${demoCar(1)}/brief`);
    const trophy = builder(page);
    await trophy.sees('It has to go through a gap 0.80 m wide, 5.00 m from the line.');
    await trophy.sees('! close to the limit · length: 569.2 mm of 580 mm allowed');
    await page.locator('section[aria-label="Kelp Runner"] summary ::-p-text(Six metres)').click();
    await trophy.sees('over 99 % likely; about');
    await trophy.press('Change the rules');
    await trophy.type('Longest allowed (0: any), mm', '55 cm');
    await trophy.sees('✕ broken · length: 569.2 mm of 550 mm allowed');
    await trophy.sees('rule broken');
    await expectAccessible(page);
    await trophy.type('Longest allowed (0: any), mm', '62 cm');
    await trophy.seesNot('✕ broken · length');
    await page.locator('section[aria-label="Kelp Runner"] summary ::-p-text(rules met)').click();
    await trophy.sees('✓ met · length: 569.2 mm of 620 mm allowed');
    await trophy.sees('At most 620 mm long.');
    await trophy.type('Kit, one thing a line, such as “8 luggage labels”', '8 luggage labels\n4 net needles');
    await trophy.sees('Made of: 8 luggage labels, 4 net needles.');
    await expectAccessible(page);
    await trophy.saved();
    await page.reload();
    await trophy.sees('At most 620 mm long.');
    await page.close();
  });

  it('judges cars by a round that was changed at once, in Design too; undone, it is as it was', async () => {
    const page = await open(`${demoCar(3)}/brief`);
    const trophy = builder(page);
    await trophy.press('Change Round 1, Furthest');
    await trophy.pick('Goal', 'carry the heaviest load over …');
    await trophy.type('Carried over, m', '4');
    await trophy.sees('The heaviest load that is carried 4.00 m counts.');
    await trophy.saved();
    await trophy.follow('To the design');
    await page.waitForSelector('[data-testid=asked-figure]');
    await trophy.sees('carried over 4.00 m');
    const weight = await page.$eval('[data-testid=asked-figure]', (figure) => figure.textContent ?? '');
    expect(weight.replaceAll('\u00a0', ' ')).toMatch(/^about \d+ g$/);
    await page.goBack();
    await trophy.press('Undo');
    await trophy.press('Undo');
    await trophy.sees('The longest distance counts.');
    await trophy.seesNot('The heaviest load');
    await trophy.saved();
    await page.close();
  });

  it('moves the wall on the drawing of a floor by keyboard, and refuses what cannot be', async () => {
    const page = await open(`${demoCar(2)}/brief`);
    const trophy = builder(page);
    const wall = (await page.waitForSelector('::-p-aria([name="The wall, the hall’s linoleum"][role="slider"])'))!;
    await wall.evaluate((handle) => (handle as HTMLElement).focus());
    await page.keyboard.press('ArrowLeft');
    await trophy.sees('18.40 m to the wall');
    await trophy.press('Change the hall’s linoleum');
    await trophy.type('Name of the floor', 'the boarding ramp');
    await trophy.sees('Another floor has this name.');
    await page.keyboard.press('Escape');
    await trophy.saved();
    await page.close();
  });

  it('moves stretches of a floor past each other: none is lost, and one drag is one step to undo; a round that is moved moves on', async () => {
    const page = await open(`${demoCar(2)}/brief`);
    const trophy = builder(page);
    const mat = 'linoleum with the mat by the doors';
    await trophy.press(`Change ${mat}`);
    await trophy.press('Add a stretch');
    const handles = () => page.$$(`[role=slider][aria-label$="begins, ${mat}"]`);
    const places = () =>
      page.$$eval(`[role=slider][aria-label$="begins, ${mat}"]`, (all) => all.map((one) => Number(one.getAttribute('aria-valuenow'))));
    expect(await places()).toEqual([7, 9]);
    const [first] = await handles();
    await first!.evaluate((handle) => handle.scrollIntoView({ block: 'center' }));
    const { x, y, width, height } = (await first!.boundingBox())!;
    const perMetre = await page.evaluate((name) => {
      const [a, b] = [...document.querySelectorAll(`[role=slider][aria-label$="begins, ${name}"]`)].map((one) => ({
        x: one.getBoundingClientRect().x,
        at: Number(one.getAttribute('aria-valuenow')),
      }));
      return (b!.x - a!.x) / (b!.at - a!.at);
    }, mat);
    await page.mouse.move(x + width / 2, y + height / 2);
    await page.mouse.down();
    await page.mouse.move(x + width / 2 + 4 * perMetre, y + height / 2, { steps: 40 });
    await page.mouse.up();
    expect((await places()).toSorted((a, b) => a - b)).toEqual([9, 11]);
    await trophy.press('Undo');
    expect((await places()).toSorted((a, b) => a - b)).toEqual([7, 9]);
    await trophy.press('Undo');
    expect(await places()).toEqual([7]);
    // Pressed twice, a round goes two places earlier.
    const rounds = () => page.$$eval('ol > li h3', (heads) => heads.map((head) => head.textContent!.split('. ')[1]!.split(', on')[0]));
    const before = await rounds();
    await trophy.press(`Change Round ${before.length}, ${before.at(-1)!}`);
    for (const _time of [1, 2]) {
      await page.evaluate(() =>
        [...document.querySelectorAll('button')]
          .filter((one) => one.textContent === 'Move up')
          .at(-1)!
          .click(),
      );
    }
    expect((await rounds()).indexOf(before.at(-1)!)).toBe(before.length - 3);
    for (const _time of [1, 2]) await trophy.press('Undo');
    await trophy.saved();
    await page.close();
  });

  it('lets a car work to a brief from a template, and to none', async () => {
    const page = await open(`${demoCar(5)}/brief`);
    const eel = builder(page);
    await eel.sees('Choose a brief for Bobbin Eel');
    await expectAccessible(page);
    await eel.press('Use this template: Kitchen floor');
    await eel.sees('The stop nearest to the mark at 3.00 m counts.');
    await page.locator('section[aria-label="Bobbin Eel"] summary ::-p-text(To the mark)').click();
    await eel.sees('from the mark at 3.00 m');
    await eel.press('More');
    await eel.choose('Choose another brief for Bobbin Eel');
    await eel.sees('Choose a brief for Bobbin Eel');
    await eel.press('Use this brief: Skerrow Lull Trophy');
    await eel.sees('cannot tell');
    await page.close();
  });

  it('leads the verdict by the round that is chosen, on its floor and with its load', async () => {
    const page = await open(designOf(4));
    const limpet = builder(page);
    await limpet.sees('points by place: 10, 7, 5, 3, 1');
    const [round] = await page.$$('::-p-xpath(//button[contains(., "Through the gap")])');
    await round!.click();
    await page.waitForSelector('[data-testid=chance]');
    await limpet.sees('through 0.80 m at 5.00 m:');
    await limpet.sees('coir matting');
    await limpet.saved();
    await limpet.press('Undo');
    await limpet.sees('Cars built like this');
    await page.close();
  });

  it('is handed on as a file and opened again, and prints without what is pressed', async () => {
    const page = await open('/briefs');
    const all = builder(page);
    const input = (await page.waitForSelector('input[type=file][aria-label="Brief file"]'))!;
    await (input as typeof input & { uploadFile: (path: string) => Promise<void> }).uploadFile(
      'server/demo/skerrow-lull-trophy.brief.json',
    );
    await all.sees('No car uses this brief yet');
    const file = JSON.parse(readFileSync('server/demo/skerrow-lull-trophy.brief.json', 'utf8')) as object;
    const briefs = (await (await fetch(`${stage.program.url}/api/briefs`)).json()) as { brief: object }[];
    expect(briefs.at(-1)!.brief).toEqual(file);
    await page.emulateMediaType('print');
    const shown = await page.$$eval('button', (buttons) =>
      buttons.filter((button) => button.getClientRects().length > 0).map((button) => button.textContent),
    );
    expect(shown).toEqual([]);
    await all.sees('Skerrow Lull Trophy, set by the winter committee of Skerrow');
    await page.emulateMediaType('screen');
    await all.press('More');
    await all.choose('Remove');
    await all.sees('was removed');
    await page.close();
  });

  it.each(['/', '/briefs', `${demoCar(1)}/brief`, designOf(1)])('fits a phone: %s', async (path) => {
    const page = await open(path, PHONE);
    await page.waitForSelector('h1');
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
    // Five stations at most; the others are behind “More”.
    const stations = await page.$$eval('nav[aria-label=Stations] a', (links) => links.map((link) => link.textContent ?? ''));
    expect(stations[0]).toBe('Garage');
    expect(stations.length).toBeLessThanOrEqual(5);
    await builder(page).press('More');
    await page.waitForSelector('[role=menuitem]::-p-text(Glossary)');
    await page.keyboard.press('Escape');
    await page.waitForSelector('[role=menu]', { hidden: true });
    await expectAccessible(page);
    await page.close();
  });
});
