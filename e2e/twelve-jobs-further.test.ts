import { describe, expect, it } from 'vitest';
import { duel, holds, lastRun, openGroup, parts, sizes, toStation, withoutMotion } from './jobs.ts';
import { newCarWith, setStage } from './stage.ts';

const stage = setStage();

describe('what builders do, entered and told without a way round: jobs 7 to 12', () => {
  it('7: a bottle car with a single wheel that veers left: a spacer cures it', async () => {
    const { page, car } = await newCarWith(stage, 'bands on the axle');
    await withoutMotion(page);
    await parts(car, { Body: 'plastic bottle', 'Wheels on the other axle': 'one (three-wheeler)' });
    await sizes(car, { 'End play of the axles, mm': '1' });
    await toStation(page, car, 'track');
    await car.type('Distance, m (or 35 ft, 12 m 40 cm)', '9');
    await car.press('drifted left');
    await car.press('Log this run');
    await car.sees('Run logged: 9.00 m');
    expect((await lastRun(page)).design).toMatchObject({ endPlay: 0.001, layout: { otherWheelCount: 1 } });
    await page.close();
  });

  it('8: a spool roller: its washer and arm, a band as tyre, and what it says of an overwound band', async () => {
    const { page, car } = await newCarWith(stage, 'a twisted band, as a roller');
    await withoutMotion(page);
    await parts(car, { 'Washer under the band’s hook': 'slice of candle', 'Tyre on the drive wheels': 'rubber-band tyre' });
    await sizes(car, { 'Arm reaches back by, mm': '90' });
    const tight = Number(await car.valueOf('Turns of a full wind'));
    await car.type('Turns of a full wind', `${Math.round(2 * tight)}`);
    await car.sees('fixes “turns that the band takes”');
    await page.close();
  });

  it('9: thirty metres wanted and eight of room: batteries as ballast, the band stretched while it is wound, short runs', async () => {
    const { page, car } = await newCarWith(stage, 'bands on the axle');
    await withoutMotion(page);
    await parts(car, {
      Body: 'plastic bottle',
      'Drive wheels': 'card disc, two layers',
      'Other wheels': 'card disc, two layers',
      'Wound by': 'stretching the band while turning',
    });
    await sizes(car, { 'Drive wheels ⌀, mm': '125', 'Other wheels ⌀, mm': '125', 'Ballast, g': '4 AA' });
    expect(await car.valueOf('Ballast, g')).toBe('96');
    expect(await car.valueOf('Stretch by hand while winding')).toBe('2');
    await toStation(page, car, 'track');
    await car.press('hit the wall at');
    await car.type('Distance, m (or 35 ft, 12 m 40 cm)', '8');
    await car.type('Turns left on the axle (if seen)', '3');
    await car.press('Log this run');
    await car.sees('Run logged: at least 8.00 m');
    // 8 m on 125 mm are 20.4 turns: with three left it was wound 23.5.
    expect(await lastRun(page)).toMatchObject({ wind: { kind: 'turns', turns: 23.5 }, turnsLeft: 3 });
    await page.close();
  });

  it('10: a class workshop: sticks, reels as bearings, what comes apart is told by a press, the drawing is handed in', async () => {
    const { page, car } = await newCarWith(stage, 'bands on the axle');
    await withoutMotion(page);
    await parts(car, {
      Body: 'craft sticks',
      'Outline of the body': 'a triangle, narrow at the other axle',
      Axles: 'wooden dowel',
      Bearing: 'thread reel',
    });
    // Two kinds of bands were left in the box.
    await car.browse();
    await car.press('Add bands of another size');
    await car.sees('3 bands end to end');
    await toStation(page, car, 'track');
    await car.type('Distance, m (or 35 ft, 12 m 40 cm)', '6');
    await car.press('fell apart');
    await car.press('Log this run');
    await car.sees('came apart');
    const run = await lastRun(page);
    expect(run.inOnePiece).toBe(false);
    expect(run.design).toMatchObject({ body: { outline: 'triangle' }, motor: { further: [{ series: 1 }] } });
    await page.goto(page.url().replace('track', 'build'));
    await car.sees('First angle');
    await page.close();
  });

  it('11: a duel over wet trays, stones, twigs, a slide and the flat: the large wheels go over what stops the small caps', async () => {
    const { page, car } = await newCarWith(stage, 'bands on the axle');
    await withoutMotion(page);
    await parts(car, { 'Drive wheels': 'card disc, two layers', 'Other wheels': 'card disc, two layers' });
    await sizes(car, { 'Drive wheels ⌀, mm': '180', 'Other wheels ⌀, mm': '180' });
    for (const floor of ['smooth floor, wet', 'gravel path', 'smooth floor or linoleum']) await car.pick('Floor', floor);
    await openGroup(page, car, 'Floor and room');
    await car.press('Add a stretch');
    await car.sees('Stretch 2');
    await car.press('Add a twig or step');
    const far = await car.distance();
    await parts(car, { 'Drive wheels': 'bottle cap', 'Other wheels': 'bottle cap' });
    await sizes(car, { 'Drive wheels ⌀, mm': '30', 'Other wheels ⌀, mm': '30' });
    await car.predictsOtherThan(far);
    expect(await car.distance()).toBeLessThan(far);
    await page.close();
  });

  it('12: a tubing racer: its loop by cut length and knot, weight over the drivers; 10 to 20 m', async () => {
    const { page, car } = await newCarWith(stage, 'bands on the axle');
    await withoutMotion(page);
    await car.pick('Bands', 'latex tubing');
    await car.pick('Bands end to end', '1');
    await sizes(car, {
      'Tubing: cut length, with the knot, mm': '450',
      'Anchor hook to axle, mm': '220',
      'Wheelbase, mm': '260',
      'Winding width, mm': '40',
      'Ballast, g': '20',
    });
    await holds(page, 15);
    await toStation(page, car, 'build?view=steps');
    await car.sees('to 450 mm. Tie both ends together in one overhand knot');
    await car.sees('the loop is 200 mm long when it lies flat');
    await page.goto(new URL(await duel(stage.program.url), page.url()).href);
    await car.press('Lane 2: Limpet');
    await car.press('Lane 1: Tern');
    await car.press('Save the order');
    await car.sees('1st across the mark, not timed');
    await car.sees('2nd across the mark, not timed');
    await page.close();
  });
});
