import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { PHONE } from './browser.ts';
import { builder, expectAccessible, FOLLOWED } from './builder.ts';
import { demoCar, designOf, setStage } from './stage.ts';

/** The two ends of the predicted range, as the page tells it. */
const RANGE = /Cars built like this: (\d+(?:\.\d+)?)–(\d+(?:\.\d+)?)/;

function fileOf(name: string, text: string) {
  const folder = mkdtempSync(join(tmpdir(), 'bench-'));
  const path = join(folder, name);
  writeFileSync(path, text);
  return { path, remove: () => rmSync(folder, { recursive: true }) };
}

describe('a builder at the Bench station', () => {
  const stage = setStage();
  const kelp = demoCar(1);

  it('measures the trap with the simulated scale, sees the range narrow, and undoes it', async () => {
    const page = await stage.open(`${kelp}/bench`);
    const car = builder(page);
    await car.sees('Cuts the uncertainty');
    const width = async (): Promise<number> => {
      const told = RANGE.exec((await page.evaluate(() => document.querySelector('main')!.innerText)).replaceAll('\u00a0', ' '))!;
      return Number(told[2]) / Number(told[1]);
    };
    const before = await width();
    await expectAccessible(page);
    // What leads the list, then the trap itself.
    for (const name of ['Roll down from a book', 'Force on the lever']) {
      await car.clickUntil(`button ::-p-text(${name})`, () =>
        page.waitForFunction((title) => document.getElementById('measure-title')?.textContent === title, { timeout: FOLLOWED }, name),
      );
      await car.press('Simulate readings');
      await car.sees('well determined');
      await expectAccessible(page);
      await car.press('Apply to the car');
      await car.sees(`Saved as “measured: ${name}”`);
      await car.saved();
      // They count once.
      await car.sees('These readings are in the car.');
    }
    await page.waitForFunction(
      (wide) => {
        const told = /Cars built like this: (\d+(?:\.\d+)?)–(\d+(?:\.\d+)?)/.exec(
          document.querySelector('main')!.innerText.replaceAll('\u00a0', ' '),
        );
        return told !== null && Number(told[2]) / Number(told[1]) < 1 + 0.6 * (wide - 1);
      },
      {},
      before,
    );
    // What was measured stands in Design, and is undone like any other edit.
    await car.press('Undo');
    await car.press('Undo');
    await car.saved();
    await page.waitForFunction(
      (wide) => {
        const told = /Cars built like this: (\d+(?:\.\d+)?)–(\d+(?:\.\d+)?)/.exec(
          document.querySelector('main')!.innerText.replaceAll('\u00a0', ' '),
        );
        return told !== null && Math.abs(Number(told[2]) / Number(told[1]) - wide) < 1e-9;
      },
      {},
      before,
    );
    await page.close();
  });

  it('reads a simulated scale place by place, leaves a slip out, and keeps the trap as a part that both cars with it know', async () => {
    // Two cars with one trap of the builder's own.
    const page = await stage.open(`${kelp}/bench?measure=lever-pull`);
    const car = builder(page);
    await car.sees('Cuts the uncertainty');
    await car.press('Read an instrument');
    for (let place = 0; place < 6; place++) {
      await car.press('Hold it at the next position');
      await page.waitForFunction((lines) => document.body.innerText.includes(`${lines} line`), {}, place + 1);
      await car.press('Use this reading');
    }
    await car.sees('spring rate');
    await car.type('force, row 3', '30');
    await car.press('Leave row 3 out');
    await car.sees('Row 3 is left out.');
    await car.seesNot('times as far from the fit');
    await expectAccessible(page);
    await car.press('Save as my part “household snap trap of Kelp Runner”');
    await car.sees('These readings are in the car.');
    await car.sees('in my part “household snap trap of Kelp Runner”');
    await car.saved();
    // Another car is given that trap; what is known of it afterwards is known there too.
    const slow = await stage.open(designOf(2));
    const other = builder(slow);
    await other.distance();
    await other.pick('Trap', 'household snap trap of Kelp Runner · measured · 1 in stock');
    await other.saved();
    await slow.close();
    await car.press('Clear the table');
    await car.press('Simulate readings');
    await car.press('Apply to my “household snap trap of Kelp Runner”');
    await car.sees('is updated in Slow Ferry too');
    // The drawer tells where it is, splits and copies it.
    await car.press('My parts');
    await car.sees('In Kelp Runner, Slow Ferry: ! 2 for all at once, 1 in stock');
    await expectAccessible(page);
    await car.press('Change household snap trap of Kelp Runner');
    await car.type('Number in stock', '5');
    await car.press('Save part');
    await car.sees('snap trap, 5 in stock, measured');
    await car.press('Split household snap trap of Kelp Runner');
    await car.type('Number in stock', '5');
    await car.press('Save part');
    await car.sees('There are 5: split off fewer.');
    await car.type('Number in stock', '2');
    await car.press('Save part');
    await car.sees('snap trap, 3 in stock, measured');
    await car.sees('household snap trap of Kelp Runner 2');
    await car.press('Close');
    // Taken back, the car is as before; the readings can be shown again.
    for (const left of [1, 0]) {
      await page.evaluate(() =>
        [...document.querySelectorAll<HTMLElement>('ul[aria-label="Earlier measurements"] button')]
          .find((one) => one.innerText === 'Withdraw')!
          .click(),
      );
      await page.waitForFunction(
        (wanted) =>
          [...document.querySelectorAll<HTMLElement>('ul[aria-label="Earlier measurements"] button')].filter(
            (one) => one.innerText === 'Withdraw',
          ).length === wanted,
        {},
        left,
      );
    }
    await car.sees('Not used in the car now');
    await page.close();
  });

  it('lays the pull that was measured at the rim over the curve in Design', async () => {
    const page = await stage.open(`${demoCar(3)}/bench?measure=rim-pull`);
    const tern = builder(page);
    await tern.sees('Cuts the uncertainty');
    await tern.press('Simulate readings');
    await tern.press('Apply to the car');
    await tern.sees('These readings are in the car.');
    await tern.saved();
    await tern.follow('To the design');
    await page.waitForFunction(() =>
      [...document.querySelectorAll('svg text')].some((text) => text.textContent?.includes('measured at the rim')),
    );
    await page.close();
  });

  it('fills the drawer from the kit list of a brief, and by CSV', async () => {
    const page = await stage.open(`${kelp}/bench`);
    const car = builder(page);
    await page.evaluate(async () => {
      const [{ id, version, brief }] = (await (await fetch('/api/briefs')).json()) as [
        { id: string; version: number; brief: { rules: object } },
      ];
      await fetch(`/api/briefs/${id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({
          baseVersion: version,
          brief: {
            ...brief,
            rules: {
              ...brief.rules,
              kit: [
                { name: 'optical discs', count: 8 },
                { name: 'm of twine', count: 1 },
              ],
            },
          },
        }),
      });
    });
    await page.reload();
    await car.press('My parts');
    await car.press('Add from a kit list');
    await car.press('Add to My parts');
    await car.sees('1 of 2 things of the kit were added to My parts');
    await car.sees('wheel, 8 in stock, estimated');
    const chooser = page.waitForFileChooser();
    await car.press('Import CSV');
    const { path, remove } = fileOf('parts.csv', 'kind,name,like,count\ntrap,spare,large,3\ntrap,odd,tiny,1\n');
    await (await chooser).accept([path]);
    await car.sees('1 of 2 parts of parts.csv imported. line 3: like');
    await car.sees('snap trap, 3 in stock, estimated');
    remove();
    await page.close();
  });

  it('keeps what was typed through a reload, and says what is wrong with it', async () => {
    const page = await stage.open(`${kelp}/bench?measure=roll-out`);
    const car = builder(page);
    await car.type('turns, row 1', '5');
    await car.type('distance, row 1', 'far');
    await car.sees('distance, row 1:');
    await car.type('distance, row 1', '1.88');
    await car.sees('rolling radius');
    await page.reload();
    await car.sees('rolling radius');
    expect(await car.valueOf('distance, row 1')).toBe('1.88');
    await car.press('Clear the table');
    await car.sees('Type readings');
    await page.close();
  });

  it('prints blank sheets, one a measurement, with its caution', async () => {
    const page = await stage.open(`${kelp}/bench`);
    const car = builder(page);
    await car.follow('Print bench sheets');
    await car.sees('Kelp Runner: Force on the lever');
    await car.sees('A snap trap breaks skin');
    await expectAccessible(page);
    await page.close();
  });

  it('fits a phone', async () => {
    const page = await stage.open(`${demoCar(5)}/bench`, PHONE);
    const phone = builder(page);
    await phone.sees('Cuts the uncertainty');
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
    await expectAccessible(page);
    await page.close();
  });
});
