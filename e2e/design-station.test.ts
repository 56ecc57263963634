import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { newCar } from '../core/car/new-car.ts';
import { readCarDesign } from '../core/files/read.ts';
import { builder, downloadsOf, expectAccessible } from './builder.ts';
import { PHONE } from './browser.ts';
import { designOf, newCarWith, setStage } from './stage.ts';

const stage = setStage();
const { open } = stage;

describe('a builder at the Design station', () => {
  it('cures a spinning band car by the remedy that is offered', async () => {
    const page = await open(designOf(4));
    const limpet = builder(page);
    await limpet.sees('Wheelspin limits this car.');
    await limpet.sees('What would help');
    await limpet.sees('Cars built like this');
    const before = await limpet.distance();
    const [offered] = await page.$$eval('button[aria-label^="Apply: Tyres"]', (buttons) =>
      buttons.map((button) => button.previousElementSibling!.textContent ?? ''),
    );
    await page.locator('button[aria-label^="Apply: Tyres"]').click();
    await limpet.seesNot('Wheelspin limits this car.');
    expect(await limpet.distance()).toBeGreaterThan(1.5 * before);
    // Told no finer than it is known.
    expect(Math.abs(parseFloat(offered!.replace(/[^\d.]/g, '')) / (await limpet.distance()) - 1)).toBeLessThan(0.1);
    await limpet.press('Undo');
    await limpet.sees('Wheelspin limits this car.');
    expect(await limpet.distance()).toBe(before);
    await expectAccessible(page);
    await page.close();
  });

  it.each([
    ['bands on the axle', 'Turns of a full wind, '],
    ['a twisted band, as a roller', 'Arm reaches back by, mm'],
  ])('makes a car with %s that already runs', async (kind, field) => {
    const page = await open('/');
    const car = builder(page);
    await car.press('New car');
    await car.choose(`With ${kind}`);
    await car.sees('predicted distance, fully wound');
    expect(await car.distance()).toBeGreaterThan(2);
    expect(Number(await car.valueOf(field.trim().replace(/,$/, '')))).toBeGreaterThan(1);
    await expectAccessible(page);
    await page.close();
  });

  it('gives what is explored the whole middle by the handle between it and the drawing, and as it was left when it is opened again', async () => {
    const page = await open(designOf(3));
    const tern = builder(page);
    await tern.distance();
    const heightOf = (): Promise<number> =>
      page.$eval('section[aria-label="Drawing"]', (drawing) => drawing.getBoundingClientRect().height);
    // Once it can be moved it says how far.
    const handle = '[aria-label="Height of the drawing"][aria-valuenow]';
    await page.waitForSelector(handle);
    const before = await heightOf();
    await page.focus(handle);
    await page.keyboard.press('ArrowUp');
    await page.waitForFunction(
      (was) => document.querySelector('section[aria-label="Drawing"]')!.getBoundingClientRect().height < was - 20,
      {},
      before,
    );
    const smaller = await heightOf();
    await expectAccessible(page);
    await page.reload();
    await tern.distance();
    await page.waitForSelector('section[aria-label="Drawing"] svg');
    await page.waitForSelector(handle);
    expect(await heightOf()).toBeCloseTo(smaller, 0);
    await page.focus(handle);
    await page.keyboard.press('Enter');
    await page.waitForSelector('[aria-label="Height of the drawing"][aria-valuenow="0"]');
    await page.keyboard.press('Enter');
    await page.waitForSelector('[aria-label="Height of the drawing"]:not([aria-valuenow="0"])');
    await page.evaluate(() => localStorage.removeItem('design-drawing-height'));
    await page.close();
  });

  it('drags a part on the drawing, types a size there, and turns an axle from above', async () => {
    const page = await open(designOf(3));
    const tern = builder(page);
    const hook = (await page.waitForSelector('[aria-label="anchor hook, on the drawing"]'))!;
    const { x, y, width, height } = (await hook.boundingBox())!;
    await page.mouse.move(x + width / 2, y + height / 2);
    await page.mouse.down();
    await page.mouse.move(x + width / 2 - 20, y + height / 2, { steps: 4 });
    await page.mouse.up();
    expect(Number(await tern.valueOf('Anchor hook to axle, mm'))).toBeLessThan(200);
    await page.locator('text[aria-label^="240"][aria-label$="type another"]').click();
    await page.waitForSelector('input[aria-label="Wheelbase on the drawing, mm"]');
    await page.keyboard.type('25 cm');
    await page.keyboard.press('Enter');
    expect(await tern.valueOf('Wheelbase, mm')).toBe('250');
    await tern.press('from above');
    const end = (await page.waitForSelector('[aria-label="drive axle end, on the drawing"]'))!;
    await end.evaluate((handle) => (handle as HTMLElement).focus());
    await page.keyboard.press('ArrowRight');
    await tern.sees('to the right in 5.00 m');
    await expectAccessible(page);
    await page.close();
  });

  it('turns the car in the round by keys and by dragging, and takes it apart', async () => {
    const page = await open(designOf(1));
    const kelp = builder(page);
    await kelp.press('in the round');
    const picture = (): Promise<string> => page.$eval('#car-drawing', (svg) => svg.innerHTML);
    const changesFrom = (before: string) =>
      page.waitForFunction((was) => document.querySelector('#car-drawing')?.innerHTML !== was, { polling: 60 }, before);
    for (const slider of ['Turn', 'Tilt', 'Take apart']) {
      const before = await picture();
      const field = (await page.waitForSelector(`::-p-aria([name="${slider}"][role="slider"])`))!;
      await field.focus();
      for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowRight');
      await changesFrom(before);
    }
    const before = await picture();
    const { x, y, width, height } = (await (await page.waitForSelector('#car-drawing'))!.boundingBox())!;
    await page.mouse.move(x + width / 2, y + height / 2);
    await page.mouse.down();
    await page.mouse.move(x + width / 2 + 60, y + height / 2 + 20, { steps: 4 });
    await page.mouse.up();
    await changesFrom(before);
    await expectAccessible(page);
    await kelp.press('from the side');
    await page.waitForSelector('#car-drawing [data-of=body]');
    await page.close();
  });

  it('opens the group of what is pressed on the drawing, and finds what is looked for', async () => {
    const page = await open(designOf(1));
    const kelp = builder(page);
    await kelp.sees('Lever of');
    const press = async (group: string): Promise<void> => {
      const thing = (await page.waitForSelector(`#car-drawing [data-of=${group}]:not([role=slider])`))!;
      await thing.evaluate((element) => element.dispatchEvent(new PointerEvent('pointerdown', { bubbles: true })));
    };
    await press('body');
    await kelp.sees('Ballast to drive axle');
    await kelp.seesNot('Lever of');
    await press('driveAxle');
    await kelp.sees('Tyre on the drive wheels');
    await page.type('input[type=search]', 'glove');
    await kelp.sees('1 found');
    await kelp.sees('Tyre on the drive wheels');
    await expectAccessible(page);
    await page.type('input[type=search]', ' box');
    await kelp.sees('Nothing here has this name.');
    await kelp.browse();
    await kelp.sees('Body and weight');
    await page.close();
  });

  it('keeps a version, goes back to an old one and loses nothing', async () => {
    const page = await open(designOf(5));
    const eel = builder(page);
    await eel.type('Turns of a full wind', '16');
    await eel.sees('changed since saved');
    await eel.press('changed since saved');
    await eel.sees('turns of a full wind 18 → 16');
    await expectAccessible(page);
    await eel.press('Restore: card washer');
    await eel.sees('Restored “card washer”');
    await eel.sees('before going back to card washer');
    await eel.press('Restore: before going back to card washer');
    await eel.press('Close');
    expect(await eel.valueOf('Turns of a full wind')).toBe('16');
    await page.close();
  });

  it('lays earlier versions behind the curve', async () => {
    const page = await open(designOf(4));
    const limpet = builder(page);
    await limpet.press('first build');
    await limpet.press('show behind the curve: band tyres');
    await limpet.press('show behind the curve: 28 g over the axle');
    await limpet.press('Close');
    const curve = (): Promise<string> => page.$eval('#lower-panel svg', (svg) => svg.textContent ?? '');
    expect(await curve()).toContain('band tyres');
    expect(await curve()).toContain('28 g over the axle');
    await limpet.press('first build');
    await limpet.press('hide from the curve: band tyres');
    await limpet.press('Close');
    expect(await curve()).not.toContain('band tyres');
    await page.close();
  });

  it('adds a part of their own, fits it, and finds it measured in the prediction', async () => {
    const page = await open(designOf(4));
    const limpet = builder(page);
    const before = await limpet.distance();
    await limpet.press('My parts');
    await limpet.sees('moss-green balloon, cut');
    await limpet.press('Add a part');
    await limpet.press('Save part');
    await limpet.sees('Give it a name');
    await limpet.type('Name of the part', 'harbour rubber');
    await limpet.type('grip on a smooth floor, before it slides', '1,05');
    await limpet.type('grip while it slides', '0.9');
    await limpet.type('Number in stock', '1');
    await limpet.press('Save part');
    await limpet.sees('harbour rubber');
    await expectAccessible(page);
    await limpet.press('Close');
    await limpet.pick('Tyre on the drive wheels', 'harbour rubber · estimated · 1 in stock');
    await limpet.sees('! 2 needed, 1 in stock');
    await limpet.seesNot('Wheelspin limits this car.');
    expect(await limpet.distance()).toBeGreaterThan(1.5 * before);
    expect(await limpet.valueOf('grip of the tyre before it slides')).toBe('1.05');
    await limpet.press('changed since saved');
    await limpet.sees('→ harbour rubber (1.05, 0.9)');
    await limpet.press('Close');
    await limpet.press('My parts');
    await limpet.press('Remove harbour rubber');
    await limpet.sees('harbour rubber was removed.');
    await limpet.press('Undo');
    await limpet.sees('tyre, 1 in stock, estimated');
    await limpet.press('Close');
    await limpet.press('Undo');
    await limpet.sees('Wheelspin limits this car.');
    await limpet.saved();
    await page.close();
  });

  it('keeps the answer in view on a phone while a size far down is moved', async () => {
    const page = await open(designOf(1), PHONE);
    const kelp = builder(page);
    await kelp.sees('Cars built like this');
    const answer = await page.waitForSelector('[data-testid="predicted-distance"]');
    await page.locator('#group-body').click();
    const slider = (await page.waitForSelector('input[type=range][aria-label^="Ballast"]'))!;
    await slider.evaluate((element) => element.scrollIntoView({ block: 'center' }));
    expect(await answer!.isIntersectingViewport({ threshold: 1 })).toBe(true);
    const before = await kelp.distance();
    await slider.focus();
    for (let k = 0; k < 3; k++) await page.keyboard.press('ArrowRight');
    await kelp.predictsOtherThan(before);
    expect(await answer!.isIntersectingViewport({ threshold: 1 })).toBe(true);
    await expectAccessible(page);
    await page.close();
  });

  it('sees what a remedy would do before taking it, and moves the car along the curve', async () => {
    const page = await open(designOf(4));
    const limpet = builder(page);
    await limpet.sees('no wheelspin ·');
    await (await page.waitForSelector('button[aria-label^="Apply: Tyres"]'))!.focus();
    await page.waitForFunction(() => document.querySelector('#lower-panel svg')?.textContent?.includes('Tyres: '));
    expect(await page.$eval('#lower-panel svg', (svg) => svg.textContent)).toContain('useful work');
    const curve = (await page.waitForSelector('#lower-panel [role=slider]'))!;
    await curve.focus();
    await page.keyboard.press('ArrowRight');
    await limpet.sees(': wheels spin');
    await page.keyboard.press('End');
    await limpet.sees(': coasts');
    await page.keyboard.press('Escape');
    await limpet.sees('smooth floor or linoleum');
    await page.close();
  });

  it('types the sizes of bands that are in no list', async () => {
    const { page, car: tern } = await newCarWith(stage, 'bands on the axle');
    const before = await tern.distance();
    await tern.pick('Bands', 'own sizes');
    await tern.type('Band: width, mm', '1/4 in');
    await tern.predictsOtherThan(before);
    await tern.type('Band: width, mm', '90');
    await tern.sees('Must be above 0 and at most 50 mm.');
    await page.close();
  });

  it('takes away the car, its drawing, and charts with their figures, and opens the car again by dropping it', async () => {
    const { page, car: kelp } = await newCarWith(stage, 'a snap trap and a lever');
    const name = await page.$eval('h1 input', (field) => (field as HTMLInputElement).value);
    const file = name.toLowerCase().replaceAll(' ', '-');
    const saved = await downloadsOf(page);
    await kelp.press('save car');
    const car = JSON.parse((await saved(`${file}.car.json`)).toString()) as { name: string };
    expect(readCarDesign(car)).toMatchObject({ kind: 'read', value: { name } });
    await kelp.press('save drawing');
    const drawing = (await saved(`${file}.svg`)).toString();
    expect(drawing).toMatch(/^<svg[^>]*xmlns="http:\/\/www.w3.org\/2000\/svg"/);
    expect(drawing).toContain('190 mm');
    expect(drawing).not.toMatch(/var\(--|&nbsp;/);
    // It stands by itself: another program can read it.
    expect(
      await page.evaluate((text) => new DOMParser().parseFromString(text, 'image/svg+xml').querySelector('parsererror'), drawing),
    ).toBeNull();
    const curveMenu = async (): Promise<void> =>
      (await page.waitForSelector('section[aria-labelledby=curve-title] button[aria-haspopup=menu]'))!.click();
    await curveMenu();
    await kelp.choose('Figures (CSV)');
    const [head, ...rows] = (await saved(`${file}-pull.csv`)).toString().split(/\r?\n/);
    expect(head).toBe('distance m,time s,speed m/s,pull N,grip limit N,resistance N,phase');
    expect(rows.length).toBeGreaterThan(50);
    expect(rows[0]).toMatch(/^0,0,0,0\.\d+,/);
    await curveMenu();
    await kelp.choose('Picture (PNG)');
    expect((await saved(`${file}-pull.png`)).subarray(1, 4).toString()).toBe('PNG');
    await kelp.openTab('Sweep');
    await kelp.sees('Apply the best');
    await page.locator('#lower-panel button[aria-haspopup=menu]').click();
    await kelp.choose('Picture (SVG)');
    expect((await saved(`${file}-lever-length.svg`)).toString()).toContain('<svg');
    // Dropped on the window, the file is a car again, under a free name.
    await page.evaluate((text) => {
      const data = new DataTransfer();
      data.items.add(new File([text], 'kelp.json', { type: 'application/json' }));
      window.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
    }, JSON.stringify(car));
    await page.waitForFunction((was) => document.querySelector<HTMLInputElement>('h1 input')?.value === `${was} 2`, {}, name);
    await page.close();
  });

  it('is told what is wrong with a broken file, and where', async () => {
    const page = await open('/');
    const garage = builder(page);
    const folder = mkdtempSync(join(tmpdir(), 'nimble-axle-file-'));
    const file = join(folder, 'broken.json');
    writeFileSync(file, JSON.stringify({ ...newCar('Broken'), wheelbase: 'long' }));
    const input = (await page.$('input[aria-label="Car or brief file, or archive"]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(file);
    await garage.sees('wheelbase: must be a number');
    await page.close();
  });
});
