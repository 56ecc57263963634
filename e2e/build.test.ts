import { describe, expect, it } from 'vitest';
import { PHONE } from './browser.ts';
import { builder, downloadsOf, expectAccessible } from './builder.ts';
import { demoCar, designOf, setStage } from './stage.ts';

describe('a builder at the Build station', () => {
  const stage = setStage();
  const tern = demoCar(3);

  it('takes a car from Design through parts and steps to its inspection: 3 mm on one side, its drift, its cure, and the car as built', async () => {
    const page = await stage.open(designOf(3));
    const car = builder(page);
    await car.distance();
    await car.follow('Build');
    await car.sees('First angle');
    await expectAccessible(page);
    await car.openTab('Parts');
    await car.sees('drive wheels: optical disc');
    await car.press('Alternatives: drive wheels: optical disc');
    await car.sees('Alternatives to the drive wheels');
    await expectAccessible(page);
    await car.openTab('Steps');
    await car.sees('0 of ');
    const first = await page.waitForSelector('input[type=checkbox]');
    await first!.click();
    await car.sees('1 of ');
    await expectAccessible(page);
    await page.reload();
    await car.sees('1 of ');
    await car.openTab('Inspection');
    await car.type('wheelbase, left, mm', '243');
    await car.type('wheelbase, right, mm', '240');
    await car.sees('to the right after');
    await car.sees('Move the right end of the drive axle 2.1 mm back at its bearing.');
    await expectAccessible(page);
    await car.type('wheelbase, right, mm', 'long');
    await car.sees('✕');
    await car.type('wheelbase, right, mm', '240');
    await car.press('Save as built');
    await car.sees('Saved as “as built”');
    await car.saved();
    await car.sees('as built');
    // Design predicts the car that was built.
    await car.follow('Design');
    await car.sees('as built');
    const built = (await page.evaluate(async (path) => (await fetch(`/api${path}`)).json(), tern)) as {
      design: { wheelbase: number; alignment: { otherToe: number } };
    };
    expect(built.design.wheelbase).toBeCloseTo(0.2415, 9);
    expect(built.design.alignment.otherToe).toBeCloseTo(-0.003 / 0.11, 6);
    await page.close();
  });

  it('saves the drawing as PDF, SVG and DXF, and prints it at full size', async () => {
    const page = await stage.open(`${tern}/build`);
    const car = builder(page);
    const taken = await downloadsOf(page);
    await car.sees('First angle');
    await car.press('Save as PDF');
    expect((await taken('drawing.pdf')).subarray(0, 5).toString()).toBe('%PDF-');
    await car.press('Save as SVG: Tern, views');
    expect((await taken('-1.svg')).toString()).toContain('297mm');
    await car.press('Save as DXF');
    expect((await taken('drawing-1.dxf')).toString()).toContain('LWPOLYLINE');
    await car.openTab('Templates');
    await car.sees('Print at 100 %');
    await expectAccessible(page);
    await car.follow('Print');
    await page.waitForSelector('article svg');
    await expectAccessible(page);
    const width = await page.$eval('article svg', (svg) => svg.getBoundingClientRect().width);
    // 210 mm at 96 to the inch.
    expect(width).toBeCloseTo((210 / 25.4) * 96, 0);
    await page.close();
  });

  it('prints its own notes on the drawing, and saves what a 3D printer makes', async () => {
    const page = await stage.open(`${demoCar(1)}/build`);
    const car = builder(page);
    const taken = await downloadsOf(page);
    await car.sees('First angle');
    await car.type('Your notes on the drawing', 'Hubs from the green box.');
    await page.waitForFunction(() =>
      [...document.querySelectorAll('figure text')].some(({ textContent }) => textContent === 'Hubs from the green box.'),
    );
    await car.saved();
    await page.reload();
    await page.waitForFunction(() =>
      [...document.querySelectorAll('figure text')].some(({ textContent }) => textContent === 'Hubs from the green box.'),
    );
    await car.openTab('3D print');
    await car.sees('4 × hub of the wheels');
    await expectAccessible(page);
    await car.press('Save all as 3MF');
    expect((await taken('.3mf')).subarray(0, 2).toString()).toBe('PK');
    await car.press('Save as STL: lever holder');
    const stl = await taken('lever-holder.stl');
    expect(stl.length).toBe(84 + 50 * stl.readUInt32LE(80));
    await page.close();
  });

  it.each([
    ['a lever on card', 1, ['Cut the deck', 'Hubs for the wheels', 'Place the trap', 'String']],
    ['bands under a bottle', 4, ['Holes in the bottle', 'Blocks between body and bearings', 'Chain the bands']],
    ['a roller', 5, ['A hole through the middle', 'Thread the band', 'Washer and arm']],
  ] as const)('follows the steps of %s to its first run, each with its picture', async (_name, number, titles) => {
    const page = await stage.open(`${demoCar(number)}/build?view=steps`);
    const car = builder(page);
    await car.sees('of work left');
    const told = await page.$$eval('ol > li label', (labels) => labels.map(({ textContent }) => textContent ?? ''));
    const places = titles.map((title) => told.findIndex((text) => text.includes(title)));
    // In this order, and none left out.
    expect(places).toEqual([...places].sort((a, b) => a - b));
    expect(places).not.toContain(-1);
    const pictures = await page.$$eval('ol > li [role=img]', (all) => all.map(({ innerHTML }) => innerHTML));
    expect(new Set(pictures).size).toBeGreaterThan(told.length - 3);
    for (let i = 0; i < told.length; i++) {
      await car.sees(`${i} of ${told.length} done`);
      const box = (await page.$$('ol > li input[type=checkbox]'))[i]!;
      await box.focus();
      await page.keyboard.press('Space');
    }
    await car.sees('All steps are done');
    await car.sees('✓ built');
    await car.follow('Inspect the car');
    await page.waitForFunction(() => [...document.querySelectorAll('button')].some(({ textContent }) => textContent === 'Save as built'));
    await page.close();
  });

  it('fits a phone', async () => {
    const page = await stage.open(`${demoCar(2)}/build?view=steps`, PHONE);
    await builder(page).sees('of work left');
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
    await expectAccessible(page);
    await page.close();
  });
});
