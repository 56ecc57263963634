import { describe, expect, it } from 'vitest';
import { PHONE } from './browser.ts';
import { builder, expectAccessible } from './builder.ts';
import { demoCar, setStage } from './stage.ts';

/** The two ends of what 8 in 10 such cars come to, as the page tells it. */
const RANGE = /8 in 10 such cars come (\d+(?:\.\d+)?) to (\d+(?:\.\d+)?)/;

describe('a builder at the Bench station', () => {
  const stage = setStage();
  const kelp = demoCar(1);

  it('measures the trap with the simulated scale, sees the range narrow, and undoes it', async () => {
    const page = await stage.open(`${kelp}/bench`);
    const car = builder(page);
    await car.sees('takes away');
    const width = async (): Promise<number> => {
      const told = RANGE.exec((await page.evaluate(() => document.querySelector('main')!.innerText)).replaceAll('\u00a0', ' '))!;
      return Number(told[2]) / Number(told[1]);
    };
    const before = await width();
    await expectAccessible(page);
    // What leads the list, then the trap itself.
    for (const name of ['Roll from a book', 'Pull of the lever']) {
      await (await page.waitForSelector(`button ::-p-text(${name})`))!.click();
      await page.waitForFunction((title) => document.getElementById('measure-title')?.textContent === title, {}, name);
      await car.press('Try it without a bench');
      await car.sees('well known');
      await expectAccessible(page);
      await car.press('Put it into the car');
      await car.sees(`Kept as “measured: ${name}”`);
      await car.saved();
      // They count once.
      await car.sees('These readings are in the car.');
    }
    await page.waitForFunction(
      (wide) => {
        const told = /8 in 10 such cars come (\d+(?:\.\d+)?) to (\d+(?:\.\d+)?)/.exec(
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
        const told = /8 in 10 such cars come (\d+(?:\.\d+)?) to (\d+(?:\.\d+)?)/.exec(
          document.querySelector('main')!.innerText.replaceAll('\u00a0', ' '),
        );
        return told !== null && Math.abs(Number(told[2]) / Number(told[1]) - wide) < 1e-9;
      },
      {},
      before,
    );
    await page.close();
  });

  it('keeps what was typed through a reload, and says what is wrong with it', async () => {
    const page = await stage.open(`${kelp}/bench?measure=roll-out`);
    const car = builder(page);
    await car.type('turns, row 1', '5');
    await car.type('way, row 1', 'far');
    await car.sees('way, row 1:');
    await car.type('way, row 1', '1.88');
    await car.sees('rolling radius');
    await page.reload();
    await car.sees('rolling radius');
    expect(await car.valueOf('way, row 1')).toBe('1.88');
    await car.press('Clear the table');
    await car.sees('Type readings');
    await page.close();
  });

  it('prints blank sheets, one a measurement, with its caution', async () => {
    const page = await stage.open(`${kelp}/bench`);
    const car = builder(page);
    await car.follow('Sheets for pen and paper');
    await car.sees('Kelp Runner: Pull of the lever');
    await car.sees('A snap trap breaks skin');
    await expectAccessible(page);
    await page.close();
  });

  it('fits a phone', async () => {
    const page = await stage.open(`${demoCar(5)}/bench`, PHONE);
    const phone = builder(page);
    await phone.sees('takes away');
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
    await expectAccessible(page);
    await page.close();
  });
});
