import { describe, expect, it } from 'vitest';
import { holds, lastRun, openGroup, parts, says, sizes, toStation, withoutMotion } from './jobs.ts';
import { newCarWith, setStage } from './stage.ts';

const stage = setStage();

describe('what builders do, entered and told without a way round: jobs 1 to 6', () => {
  it('1: a plain trap car with a ruler as lever; its lever longer and its axles freed it goes further', async () => {
    const { page, car } = await newCarWith(stage, 'a snap trap and a lever');
    await withoutMotion(page);
    await parts(car, {
      'Lever of': 'wooden ruler',
      'Drive wheels': 'jar lid',
      'Tyre on the drive wheels': 'bare plastic disc edge',
      'Build quality': 'rough: it rubs and wobbles',
    });
    await sizes(car, { 'Drive wheels ⌀, mm': '85', 'Lever length, mm': '100' });
    await holds(page, 10.7);
    const before = await car.distance();
    await car.pick('Build quality', 'ordinary');
    await car.predictsOtherThan(before);
    expect(await car.distance()).toBeGreaterThan(before);
    await page.close();
  });

  it('2: a kit trap car on magnets, a brass tube as lever, a moulded stepped spool', async () => {
    const { page, car } = await newCarWith(stage, 'a snap trap and a lever');
    await withoutMotion(page);
    await parts(car, {
      Body: 'balsa',
      Axles: 'steel rod',
      'Lever of': '3 mm brass tube',
      Bearing: 'held by a magnet on a point (small magnets must never be swallowed)',
      'End of the string': 'drops off its hook',
    });
    await openGroup(page, car, 'Drive axle');
    await car.press('Add a spool step');
    await car.sees('Spool, pulls at the launch');
    await car.pick('Made of', 'moulded spool');
    await car.press('Add a spool step');
    await car.sees('Spool, step 1');
    await toStation(page, car, 'build?view=steps');
    await car.sees('keeper of thin steel behind each magnet');
    await car.sees('Fit the spool: moulded spool');
    await page.goto(page.url().replace('view=steps', 'view=parts'));
    await car.sees('3 mm brass tube');
    await car.sees('string');
    await page.close();
  });

  it('3: three bands wound until tight in a kitchen of 5 m: it spins bare, and passes the mark with a glove round the rims', async () => {
    const { page, car } = await newCarWith(stage, 'bands on the axle');
    await withoutMotion(page);
    await parts(car, { 'Bands end to end': '3', Bands: 'size 64 (3½ × 1/4 in)', 'Tyre on the drive wheels': 'bare plastic disc edge' });
    await openGroup(page, car, 'Floor and room');
    await car.type('Lane width (0: none), m', '0.75');
    await car.sees('wheelspin');
    await toStation(page, car, 'track');
    await car.press('did not start');
    await car.press('spun on the spot');
    await car.press('Log this run');
    await car.sees('Run logged: did not start');
    expect(await lastRun(page)).toMatchObject({
      seen: ['spun'],
      outcome: { distance: 0 },
      wind: { kind: 'full' },
      design: { motor: { fullWinding: 'tight' } },
    });
    await page.goto(page.url().replace('track', 'design?find=tyre'));
    await car.pick('Tyre on the drive wheels', 'cut glove or balloon');
    await toStation(page, car, 'track');
    await car.press('hit the wall at');
    await car.press('it passed the mark');
    await car.type('Distance, m (or 35 ft, 12 m 40 cm)', '5');
    await car.press('Log this run');
    await car.sees('Run logged: at least 5.00 m');
    expect(await lastRun(page)).toMatchObject({ outcome: { kind: 'hit-wall', by: 'mark', distance: 5 } });
    await page.close();
  });

  it('4: a jug on rollers folds under its pull: the stick that the check names is glued on, and the check is good', async () => {
    const { page, car } = await newCarWith(stage, 'bands on the axle');
    await withoutMotion(page);
    await parts(car, {
      Body: 'milk-jug plastic',
      Axles: 'pencil',
      Bearing: 'hole in plastic',
      'Drive wheels': 'rubber-covered roller',
      'Other wheels': 'bottle cap',
    });
    await sizes(car, { 'Body width or diameter, mm': '80', 'Ballast, g': '20 x 3 g', 'Ballast to drive axle, mm': '10' });
    expect(await car.valueOf('Ballast, g')).toBe('60');
    await car.sees('body under the pull');
    expect(await says(page)).not.toMatch(/✓\s*body under the pull/);
    await car.pick('Reinforced by', '2 × pencil');
    await page.waitForFunction(() => /✓\s*body under the pull/.test(document.body.innerText), { timeout: 30_000, polling: 60 });
    await page.close();
  });

  it('5: a card tube on cup bottoms: a 75 mm tube, further on carpet and with rubber, a load in a basket, ran backwards once', async () => {
    const { page, car } = await newCarWith(stage, 'bands on the axle');
    await withoutMotion(page);
    await parts(car, {
      Body: 'card tube',
      'Drive wheels': 'cup bottom',
      'Other wheels': 'cup bottom',
      'Tyre on the drive wheels': 'bare plastic disc edge',
      'Build quality': 'rough: it rubs and wobbles',
    });
    await sizes(car, { 'Body width or diameter, mm': '75', 'Drive wheels ⌀, mm': '70', 'Other wheels ⌀, mm': '70' });
    expect(Number(await car.valueOf('Girth of the body, mm'))).toBeCloseTo(235.6, 0);
    const bare = await car.distance();
    await car.pick('Floor', 'short carpet');
    await car.predictsOtherThan(bare);
    expect(await car.distance()).toBeGreaterThan(bare);
    await parts(car, { Floor: 'smooth floor or linoleum', 'Tyre on the drive wheels': 'rubber-band tyre', 'Load rides': 'in a basket' });
    await holds(page, 5.5);
    await toStation(page, car, 'track');
    await car.press('did not start');
    await car.press('ran backwards');
    await car.press('Log this run');
    await car.sees('Run logged: did not start');
    expect((await lastRun(page)).seen).toEqual(['backwards']);
    await page.close();
  });

  it('6: card wheels of 250 mm and one band', async () => {
    const { page, car } = await newCarWith(stage, 'bands on the axle');
    await withoutMotion(page);
    await parts(car, {
      'Drive wheels': 'card disc, two layers',
      'Other wheels': 'card disc, two layers',
      Bands: 'size 19 (3½ × 1/16 in)',
      'Bands end to end': '1',
      'Tyre on the drive wheels': 'card edge',
      'Build quality': 'rough: it rubs and wobbles',
    });
    await sizes(car, { 'Drive wheels ⌀, mm': '250', 'Other wheels ⌀, mm': '250', 'Wheelbase, mm': '270', 'Anchor hook to axle, mm': '95' });
    await holds(page, 3);
    await page.close();
  });
});
