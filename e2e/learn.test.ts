import { describe, expect, it } from 'vitest';
import { PHONE } from './browser.ts';
import { builder, downloadsOf, expectAccessible } from './builder.ts';
import { demoCar, setStage } from './stage.ts';

describe('a learner', () => {
  const stage = setStage();
  const kelp = demoCar(1);

  it('answers five questions, sees why on this car, and how it stands', async () => {
    const page = await stage.open(`${kelp}/learn`);
    const learner = builder(page);
    await learner.sees('Predict first: what would it do?');
    await expectAccessible(page);
    const asked = new Set<string>();
    for (let n = 0; n < 5; n++) {
      asked.add(await page.$eval('#question-title', (title) => title.textContent ?? ''));
      await learner.press('more');
      await page.locator('input[name=reason]').click();
      await learner.press('Check');
      await learner.sees('On this car:');
      if (n === 0) await expectAccessible(page);
      await learner.press('Next question');
      await page.waitForFunction(() => !document.body.innerText.includes('On this car:'));
    }
    expect(asked.size).toBeGreaterThanOrEqual(4);
    await page.waitForSelector('a[aria-label$=" right"]');
    await page.reload();
    await learner.sees('Start over');
    await page.close();
  });

  it('draws what a change would do, and sees both curves', async () => {
    const page = await stage.open(`${kelp}/learn`);
    const learner = builder(page);
    // From the first question on, whatever was answered before.
    await learner.press('Start over');
    // By keys; dragging does the same.
    await (await page.waitForSelector('input[type=range][id$=strong]'))!.focus();
    for (let n = 0; n < 20; n++) await page.keyboard.press('ArrowLeft');
    await learner.sees('You drew: less.');
    const [x, y] = await page.$eval('circle[class*=handle]', (handle) => {
      const { left, top, width, height } = handle.getBoundingClientRect();
      return [left + width / 2, top + height / 2] as const;
    });
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x, y - 90, { steps: 4 });
    await page.mouse.up();
    await learner.sees('You drew: more.');
    await expectAccessible(page);
    await page.locator('input[name=reason]').click();
    await learner.press('Check');
    await learner.sees('thick: with the change');
    await learner.sees('It is less.');
    await page.close();
  });

  it('reads ten ideas and tries each on this car', async () => {
    const page = await stage.open(`${kelp}/learn?view=ideas`);
    const learner = builder(page);
    await learner.sees('is stored.');
    await expectAccessible(page);
    await learner.follow('Pull against distance');
    await learner.sees('260 mm (this car)');
    await (await page.waitForSelector('input[type=range]'))!.focus();
    await page.keyboard.press('ArrowRight');
    await learner.sees('299 mm');
    await expectAccessible(page);
    await learner.follow('Luck and averages');
    await learner.press('Run them again');
    await learner.sees('8 in 10 are within');
    await expectAccessible(page);
    await page.close();
  });

  it('comes to a word from any screen, with its picture and number', async () => {
    const page = await stage.open(`${kelp}/design`);
    const learner = builder(page);
    await learner.press('Glossary');
    await learner.sees('Glossary of this screen');
    await expectAccessible(page);
    await learner.follow('drive axle');
    await page.waitForFunction(() => document.activeElement?.id === 'word-drive-axle');
    await learner.sees('mechanical advantage');
    await expectAccessible(page);
    await page.close();
  });

  it('takes sheets for a class, and its runs as a data set', async () => {
    const page = await stage.open(`${kelp}/learn?view=class`);
    const teacher = builder(page);
    await teacher.sees('Quiz: Kelp Runner');
    await teacher.sees('Answers: Kelp Runner');
    await expectAccessible(page);
    const taken = await downloadsOf(page);
    await teacher.press('Export CSV of the class’s runs');
    const rows = (await taken('.csv')).toString().trim().split('\r\n');
    expect(rows[0]).toContain('car,ran at,drive');
    expect(rows).toHaveLength(33);
    await page.close();
  });

  it('learns on an example of any kind without a car', async () => {
    const page = await stage.open('/learn?view=ideas&idea=pull');
    const learner = builder(page);
    await learner.sees('Example car');
    await learner.sees('Try it: lever');
    await expectAccessible(page);
    await learner.pick('Motor', 'bands on the axle');
    await learner.sees('Try it: bands end to end');
    await page.close();
  });

  it('fits a phone', async () => {
    const page = await stage.open(`${demoCar(3)}/learn`, PHONE);
    await builder(page).sees('Because');
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
    await expectAccessible(page);
    await page.close();
  });
});
