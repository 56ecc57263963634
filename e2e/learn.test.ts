import { describe, expect, it } from 'vitest';
import { PHONE } from './browser.ts';
import { builder, expectAccessible } from './builder.ts';
import { demoCar, setStage } from './stage.ts';

describe('a learner', () => {
  const stage = setStage();
  const kelp = demoCar(1);

  it('answers five questions, sees why on this car, and how it stands', async () => {
    const page = await stage.open(`${kelp}/learn`);
    const learner = builder(page);
    await learner.sees('Say first: what would it do?');
    await expectAccessible(page);
    const asked = new Set<string>();
    for (let n = 0; n < 5; n++) {
      asked.add(await page.$eval('#question-title', (title) => title.textContent ?? ''));
      await (await page.waitForSelector('input[name=answer]'))!.click();
      await (await page.waitForSelector('input[name=reason]'))!.click();
      await learner.press('Then see');
      await learner.sees('On this car:');
      if (n === 0) await expectAccessible(page);
      await learner.press('Next question');
      await page.waitForFunction(() => !document.body.innerText.includes('On this car:'));
    }
    expect(asked.size).toBeGreaterThanOrEqual(4);
    await learner.sees('right');
    await page.reload();
    await learner.sees('Begin anew');
    await page.close();
  });

  it('finds ten ideas, the words and sheets for a class, with this car’s own figures', async () => {
    const page = await stage.open(`${kelp}/learn?view=ideas`);
    const learner = builder(page);
    await learner.sees('10. Luck and averages');
    await learner.sees('is wound in;');
    await expectAccessible(page);
    await learner.openTab('Words');
    await learner.sees('mechanical advantage');
    await expectAccessible(page);
    await learner.openTab('For a class');
    await learner.sees('Quiz: Kelp Runner');
    await learner.sees('Answers: Kelp Runner');
    await expectAccessible(page);
    await page.close();
  });

  it('fits a phone', async () => {
    const page = await stage.open(`${demoCar(3)}/learn`, PHONE);
    await builder(page).sees('And why?');
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
    await expectAccessible(page);
    await page.close();
  });
});
