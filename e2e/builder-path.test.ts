import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { DESKTOP, PHONE, startProgram } from './browser.ts';
import { builder, expectAccessible } from './builder.ts';
import { demoCar, setStage } from './stage.ts';

const stage = setStage();
const { open } = stage;

const KELP = demoCar(1);

describe('from the Garage to a logged run', () => {
  let page: Page;
  let car: ReturnType<typeof builder>;
  let carPath = '';

  it('shows the demo cars with what is predicted and the best measured', async () => {
    page = await open('/');
    car = builder(page);
    await car.sees('Kelp Runner');
    await car.sees('Slow Ferry');
    await car.sees('at least 18.50');
    await expectAccessible(page);
  });

  it('makes a new car that already runs', async () => {
    await car.press('New car');
    await car.choose('With a snap trap and a lever');
    await car.sees('predicted distance, fully wound');
    expect(await car.distance()).toBeGreaterThan(5);
    carPath = new URL(page.url()).pathname.replace('/design', '');
    await expectAccessible(page);
  });

  it('takes a size in either unit system, typed or slid, and predicts at once', async () => {
    const before = await car.distance();
    await car.type('Lever length, mm', '8 1/2 in');
    expect(await car.valueOf('Lever length, mm')).toBe('215.9');
    expect(await car.distance()).not.toBe(before);
    await car.focusSlider('Lever length');
    await page.keyboard.press('ArrowLeft');
    const stepped = Number(await car.valueOf('Lever length, mm'));
    expect(stepped).toBeLessThan(215.9);
    // Ten steps at once, and back.
    await page.keyboard.down('Shift');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.up('Shift');
    expect(Number(await car.valueOf('Lever length, mm')) - stepped).toBeCloseTo((10 * (500 - 40)) / 400, 0);
    await car.press('in·oz·ft');
    await car.type('Axle (spool) ⌀, in', '4 mm');
    await car.press('mm·g·m');
    expect(await car.valueOf('Axle (spool) ⌀, mm')).toBe('4');
  });

  it('names what is wrong with an entry and keeps it for correction', async () => {
    await car.type('Wheelbase, mm', 'long');
    await car.sees('“long” is not a number');
    expect(await car.valueOf('Wheelbase, mm')).toBe('long');
    await car.type('Wheelbase, mm', '310');
    await car.seesNot('“long” is not a number');
    await car.type('Drive wheels ⌀, mm', '3 m');
    await car.sees('3000 mm must be at most 2000 mm');
    // What could not be taken is still there after something else was looked at.
    expect(await car.valueOf('Wheelbase, mm')).toBe('310');
    expect(await car.valueOf('Drive wheels ⌀, mm')).toBe('3 m');
    await car.type('Drive wheels ⌀, mm', '120');
  });

  it('undoes and redoes', async () => {
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    await car.press('Undo');
    expect(await car.valueOf('Wheelbase, mm')).toBe('260');
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    await page.keyboard.down('Control');
    await page.keyboard.press('y');
    await page.keyboard.up('Control');
    expect(await car.valueOf('Wheelbase, mm')).toBe('310');
  });

  it('shows an impossible position as such, and what to change', async () => {
    await car.type('Trap to drive axle, mm', '20 mm');
    await car.sees('It cannot run like this');
    await car.press('Undo');
    await car.seesNot('It cannot run like this');
  });

  it('is still there after a reload, and after the program was restarted', async () => {
    await car.saved();
    await page.reload();
    await car.sees('predicted distance, fully wound');
    expect(await car.valueOf('Wheelbase, mm')).toBe('310');
    const { folder } = stage.program;
    const port = Number(new URL(stage.program.url).port);
    await stage.program.stop();
    // Edited while the program is away: kept in the browser, sent when it is back.
    await car.type('Wheelbase, mm', '320');
    await car.sees('saved in this browser');
    stage.program = await startProgram({ demo: true, folder, port });
    await car.saved();
    await page.reload();
    await car.sees('predicted distance, fully wound');
    expect(await car.valueOf('Wheelbase, mm')).toBe('320');
  });

  it('tells a stale second tab, and keeps both versions', async () => {
    const stored = (await (await fetch(`${stage.program.url}/api${carPath}`)).json()) as { version: number; design: object };
    await fetch(`${stage.program.url}/api${carPath}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        baseVersion: stored.version,
        design: { ...stored.design, wheelbase: 0.3, trackWidth: 0.222, tyre: 'cut-glove' },
      }),
    });
    await car.type('Wheelbase, mm', '330');
    await car.sees('This car was changed elsewhere');
    await car.sees('222 mm');
    await car.sees('cut glove or balloon');
    await expectAccessible(page);
    await car.press('Keep both');
    await car.sees('Yours was saved as');
    expect(await car.valueOf('Track width, mm')).toBe('222');
    await car.follow('Garage');
    await car.sees('New car (mine)');
  });

  it('follows quietly what another tab saves while nothing is unsaved here', async () => {
    await page.goto(`${stage.program.url}${carPath}/design`);
    await car.sees('predicted distance, fully wound');
    const other = await open(`${carPath}/design`);
    await builder(other).type('Ready-to-run weight, g', '240');
    await builder(other).saved();
    await other.close();
    await page.bringToFront();
    await car.sees('changed elsewhere; you see the newest version');
    expect(await car.valueOf('Ready-to-run weight, g')).toBe('240');
  });

  it('logs a run beside the prediction for just that wind', async () => {
    await car.follow('Track no run yet');
    await car.sees('No run yet');
    await car.press('number of turns');
    await car.type('Turns of the drive axle', '10');
    await car.sees('Predicted distance, 10 turns');
    await car.press('Log this run');
    await car.sees('Type a number');
    await car.type('Distance, m (or 35 ft, 12 m 40 cm)', '6 m 20 cm');
    await car.press('drifted left');
    await car.type('Note', 'tape on the floor');
    await page.reload();
    await car.sees('Predicted distance, 10 turns');
    await car.press('Log this run');
    await car.sees('Run logged');
    await car.sees('drifted left · tape on the floor');
    await car.type('Distance, m (or 35 ft, 12 m 40 cm)', '5,8');
    await car.press('Log this run');
    // Two runs: mean 6.00, standard deviation 0.2828 (by hand).
    await car.sees('± 0.28 m');
    await expectAccessible(page);
  });

  it('corrects a run, and takes one away with undo', async () => {
    const button = async (start: string) => (await page.waitForSelector(`button[aria-label^="${start}"]`))!;
    await (await button('Correct run 5.80')).click();
    await car.sees('Correct this run');
    await car.press('hit the wall at');
    await car.press('Save the correction');
    await car.sees('at least 5.80');
    await (await button('Remove run 6.20')).click();
    await car.seesNot('tape on the floor');
    await car.press('Undo');
    await car.sees('tape on the floor');
  });

  it('removes a car with undo', async () => {
    await car.follow('Garage');
    await car.press('More for New car (mine)');
    await page.locator('::-p-aria([name="Remove"][role="menuitem"])').click();
    await car.sees('was removed');
    await car.press('Undo');
    await car.sees('New car (mine)');
    await page.close();
  });
});

describe('on a phone', () => {
  it('logs a run with one thumb: nothing runs off the side, nothing to press is small', async () => {
    const page = await open(`${KELP}/track`, PHONE);
    const car = builder(page);
    await car.sees('Next run');
    const { overflow, small } = await page.evaluate(() => ({
      overflow: document.documentElement.scrollWidth > window.innerWidth,
      small: [...document.querySelectorAll('main button, main input, nav a')]
        .filter((element) => element.closest('[aria-label="Units"]') === null && element.getBoundingClientRect().height > 0)
        .filter(
          (element) =>
            Math.max(element.getBoundingClientRect().height, element.closest('.MuiInputBase-root')?.getBoundingClientRect().height ?? 0) <
            44,
        )
        .map(({ outerHTML }) => outerHTML.slice(0, 90)),
    }));
    expect(overflow).toBe(false);
    expect(small).toEqual([]);
    await car.press('hit the wall at');
    await car.type('Distance, m (or 35 ft, 12 m 40 cm)', '18.5');
    await car.press('Log this run');
    await car.sees('Run logged: at least 18.50');
    await expectAccessible(page);
    await page.close();
  });
});

describe('in the dark, by keyboard and by address', () => {
  it('is as accessible in the dark scheme', async () => {
    const page = await open(`${KELP}/design`);
    await builder(page).press('Dark');
    await expectAccessible(page);
    await builder(page).press('Light');
    await page.close();
  });
  it('reads the pull curve by keyboard and as a table, and lists its keys', async () => {
    const page = await open(`${KELP}/design`);
    const car = builder(page);
    await (await page.waitForSelector('[role=slider][aria-label^="Along the pull curve"]'))!.focus();
    await page.keyboard.press('ArrowRight');
    await car.sees('resistance 0.0');
    expect(await page.evaluate(() => document.activeElement!.getAttribute('aria-valuetext'))).toMatch(/^at [\d.]+.m, .*pulled along$/);
    await car.press('as a table');
    await car.sees('grip limit, N');
    await car.sees('pulled along');
    await expectAccessible(page);
    // Back and forth, the curve is there again.
    for (const press of [1, 2, 3]) {
      await car.press('as a table');
      if (press !== 2) await page.waitForSelector('[role=slider][aria-label^="Along the pull curve"] svg path');
    }
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press('?');
    await car.sees('undo the last change');
    await page.close();
  });
  it('says so where nothing stands', async () => {
    const told: string[] = [];
    const page = await open('/cars/00000000-0000-4000-8000-000000000000/design', DESKTOP, told);
    await builder(page).sees('There is nothing at this address');
    expect(told.filter((text) => !text.includes('404'))).toEqual([]);
    await page.close();
  });
});
