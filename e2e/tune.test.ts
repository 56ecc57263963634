import { describe, expect, it } from 'vitest';
import { PHONE } from './browser.ts';
import { builder, downloadsOf, expectAccessible } from './builder.ts';
import { demoCar, newCarWith, setStage } from './stage.ts';

describe('a builder at the Tune station', () => {
  const stage = setStage();
  const tern = demoCar(3);

  it('is led there from the Garage, and told what the runs mean, why, and what to change', async () => {
    const page = await stage.open('/');
    const car = builder(page);
    await page.locator('li[aria-label="Tern"] a[href$="/tune"] ::-p-text(See why it ran like this)').click();
    await car.sees('Fully wound on a long floor');
    await car.sees('something rubs');
    await car.openTab('Fit');
    await car.sees('The most useful run for the full wind');
    await car.sees('than expected');
    await expectAccessible(page);
    // A check at the table ranks the causes again at once.
    await car.openTab('Causes');
    await car.press('Confirmed: something rubs');
    await car.sees('Most likely cause');
    await car.press('Ruled out: something rubs');
    await car.seesNot('Most likely cause');
    await page.close();
  });

  it('takes a change: a version and a plan of runs that Track knows, a verdict, and undone with one press', async () => {
    const page = await stage.open(`${tern}/tune`);
    const car = builder(page);
    await car.sees('points more in all rounds');
    const take = (await page.waitForSelector('button[aria-label^="Apply: "]'))!;
    const change = (await take.evaluate((button) => button.getAttribute('aria-label')))!.replace('Apply: ', '');
    await take.click();
    await car.sees('Planned to judge the change');
    await car.sees(change);
    await car.saved();
    await car.follow('Make them on the track');
    await car.sees('Planned to judge the change: 3 of the car as it is now');
    for (const distance of ['9.1', '9.3', '9.2']) {
      await car.type('Distance, m (or 35 ft, 12 m 40 cm)', distance);
      await car.press('Log this run');
      await car.sees(`Run logged: ${Number(distance).toFixed(2)} m`);
    }
    await page.goto(`${stage.program.url}${tern}/tune`);
    await car.openTab('Changes so far');
    await car.sees('Worse:');
    await page.locator('button ::-p-text(Undo it: restore)').click();
    await car.sees('Restored “');
    await car.saved();
    const saved = await downloadsOf(page);
    await car.openTab('Changes so far');
    await car.press('Export JSON');
    const log = JSON.parse((await saved('-tuning.json')).toString()) as { tried: { decided: string; why: string; came: string }[] };
    expect(log.tried[0]).toMatchObject({ decided: 'undone' });
    expect(log.tried[0]!.why).toMatch(/^Tune: expected [\d.]+ points more/);
    expect(log.tried[0]!.came).toMatch(/^Worse: /);
    await page.close();
  });

  it('puts what was fitted into the car, compares any two groups, and says where to go without runs', async () => {
    const page = await stage.open(`${demoCar(1)}/tune`);
    const car = builder(page);
    await car.openTab('Fit');
    await car.press('Apply the fitted values to the car');
    await car.sees('Saved as “fitted to 6 runs”');
    await car.saved();
    await page.goto(`${stage.program.url}${demoCar(4)}/tune`);
    for (const tab of ['Changes', 'Runs', 'Compare']) {
      await car.openTab(tab);
      await expectAccessible(page);
    }
    await expectAccessible(page);
    const { page: fresh, car: made } = await newCarWith(stage, 'a snap trap and a lever');
    await made.saved();
    await made.follow('Tune');
    await made.sees('Make three like runs on the track');
    await expectAccessible(fresh);
    await fresh.close();
    await page.close();
  });

  it('fits a phone', async () => {
    const page = await stage.open(`${tern}/tune`, PHONE);
    const phone = builder(page);
    await phone.sees('Fully wound on a long floor');
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
    await expectAccessible(page);
    await page.close();
  });
});
