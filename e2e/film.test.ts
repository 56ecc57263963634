import { spawnSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../core/car/car-design.ts';
import { frameAt } from '../core/film/simulated-film.ts';
import { sceneOfPush, SMALL_CHAIR } from '../core/rig/simulated-phone.ts';
import { simulatedReadings } from '../core/bench/simulated-readings.ts';
import { hiddenBuild } from '../core/rig/simulated-instruments.ts';
import { hiddenRun } from '../core/rig/simulated-rig.ts';
import { simulate } from '../core/run/simulate.ts';
import { builder, expectAccessible } from './builder.ts';
import { dropFilm, LONG, PICTURE, setInFilm, setInOwnFilm } from './film-clicks.ts';
import { setStage } from './stage.ts';

const ID = '5ce44000-0000-4000-8000-000000000003';
const TERN = `/cars/${ID}`;
/** What a film puts into the form of a run. */
interface FilmedForm {
  readonly splits: readonly { readonly at: number; readonly time: number; readonly deviation: number }[];
  readonly film: { readonly startDeviation: number };
}

const designOfTern = (page: Page): Promise<CarDesign> =>
  page.evaluate(async (id) => ((await (await fetch(`/api/cars/${id}`)).json()) as { design: CarDesign }).design, ID);

describe('a run from a film', () => {
  const stage = setStage();

  it('is recorded, marked, followed, used, and tells the same as the hidden car did', async () => {
    const page = await stage.open('/');
    const tern = builder(page);
    // A car of its own, that never ran.
    const design = await designOfTern(page);
    const [id, { origin }] = [crypto.randomUUID(), new URL(page.url())];
    await fetch(`${origin}/api/cars/${id}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ baseVersion: 0, design: { ...design, name: 'Filmed' } }),
    });
    await page.goto(`${origin}/cars/${id}/track`);
    await tern.openTab('Go');
    await page.click('::-p-aria([name="a film"][role="button"])');
    await tern.follow('Measure from a film');
    await tern.sees('Make the film');
    await expectAccessible(page);
    await tern.press('Film a run');
    await setInFilm(page);
    await tern.sees('From the marks: the phone is 3.4');
    await tern.press('Follow the dot');
    await page.waitForSelector('#film-result', LONG);
    await tern.sees('The camera stood still.');
    await expectAccessible(page);
    await tern.press('Use these times');
    await tern.sees('From the film:');
    const { splits, film } = await page.evaluate(
      (car) => (JSON.parse(localStorage.getItem('track-forms')!) as Record<string, FilmedForm>)[car]!,
      id,
    );
    const setup = hiddenRun({ design, wind: { kind: 'full' }, seed: 7, run: 1 });
    const outcome = simulate({ ...setup, marks: splits.map(({ at }) => at) }, {});
    if (outcome.kind === 'refused') throw new Error('The hidden car does not run.');
    const offs = splits.map(({ at, time }) => time - outcome.result.marks.find(({ distance }) => distance === at)!.time);
    expect(splits.length).toBeGreaterThan(6);
    // Each within three standard deviations, with that of the release.
    offs.forEach((off, i) => expect(Math.abs(off)).toBeLessThan(3 * Math.hypot(splits[i]!.deviation, film.startDeviation)));
    // The film ends before the stop: how far it came is measured by tape.
    await tern.type('Distance, m (or 35 ft, 12 m 40 cm)', `${outcome.result.distance.toFixed(2)} m`);
    await tern.press('Log this run');
    await tern.sees('Run logged');
    await page.click('[aria-label^="Along run"]');
    await tern.sees('Resistance against the expected value');
    await tern.sees('without films');
    // And Tune tells its full winding so that the hidden car's lies within.
    await page.goto(`${origin}/cars/${id}/tune`);
    const told = await page.waitForFunction(
      () => /Fully wound on a long floor: ([\d.]+)–([\d.]+)\sm on average/.exec(document.body.innerText)?.slice(1, 3),
      LONG,
    );
    const [low, high] = ((await told.jsonValue()) as string[]).map(Number);
    expect(outcome.result.distance).toBeGreaterThan(low!);
    expect(outcome.result.distance).toBeLessThan(high!);
    await page.close();
  });

  it('is refused, with what to do, where it is no film, has no length, or changes its size; and told where the camera falls over', async () => {
    const page = await stage.open(`${TERN}/track/film`);
    const tern = builder(page);
    await tern.sees('Make the film');
    await dropFilm(page, 'not-a-film');
    await tern.sees('This file is not a film.');
    await dropFilm(page, 'one-frame');
    await tern.sees('This film has no length.');
    await dropFilm(page, 'falls');
    await setInOwnFilm(page);
    await tern.press('Follow the dot');
    await tern.sees('The camera moved at');
    await tern.press('End here');
    await page.waitForSelector('#film-result');
    await dropFilm(page, 'grows');
    await page.waitForFunction(() => !document.querySelector('#film-result'), LONG);
    await setInOwnFilm(page);
    await tern.press('Follow the dot');
    await tern.sees('The picture changes its size at');
    await page.close();
  });

  it('is measured by keys alone', async () => {
    const page = await stage.open(`${TERN}/track/film`);
    await builder(page).sees('Make the film');
    await dropFilm(page, 'falls');
    await page.waitForSelector(PICTURE, LONG);
    for (const [name, right, down] of [
      ['1: start, near side', -240, 120],
      ['2: end, near side', 240, 120],
      ['3: end, far side', 160, 0],
      ['4: start, far side', -160, 0],
      ['Dot of the car', -170, 60],
    ] as const) {
      const button = await page.waitForSelector(`::-p-aria([name="${name}"][role="button"])`);
      await button!.focus();
      await page.keyboard.press('Enter');
      const label = name === 'Dot of the car' ? name : `Mark ${name[0]}`;
      const target = await page.waitForSelector(`g[aria-label^="${label}, at"]`);
      await target!.evaluate((element) => (element as SVGElement).focus());
      for (const [key, count] of [
        [right < 0 ? 'ArrowLeft' : 'ArrowRight', Math.abs(right)],
        ['ArrowDown', down],
      ] as const)
        for (let left = count; left > 0; left -= left >= 10 ? 10 : 1) {
          if (left >= 10) await page.keyboard.down('Control');
          await page.keyboard.press(key);
          if (left >= 10) await page.keyboard.up('Control');
        }
    }
    expect(await page.$eval('g[aria-label^="Mark 1, at"]', (element) => element.getAttribute('aria-label'))).toBe('Mark 1, at 80.0, 300.0');
    const follow = await page.waitForSelector('::-p-aria([name="Follow the dot"][role="button"])');
    await follow!.focus();
    await page.keyboard.press('Enter');
    await builder(page).sees('The camera moved at');
    await page.close();
  });

  it('coasting goes from a film into the table of the bench', async () => {
    const page = await stage.open(`${TERN}/bench?measure=coast`);
    const bench = builder(page);
    await bench.follow('Measure from a film');
    await bench.press('Film a push');
    await setInFilm(page);
    await bench.press('Follow the dot');
    await bench.sees('of coasting.');
    await expectAccessible(page);
    await bench.press('Use these times');
    // What it slows by comes from the fit of the table.
    await bench.sees('deceleration by rolling');
    const design = await designOfTern(page);
    const truth = simulatedReadings('coast', hiddenBuild(design), 1)!.truth.a0!;
    const told = await page.evaluate(() => /deceleration by rolling\s*([\d.]+)/.exec(document.body.innerText)?.[1]);
    expect(Math.abs(Number(told) - truth)).toBeLessThan(0.3 * truth);
    await page.close();
  });

  it('is played where the page may not decode it frame by frame', async () => {
    const page = await stage.open(`${TERN}/track/film`);
    await page.evaluate(() => Reflect.deleteProperty(window, 'VideoDecoder'));
    await dropFilm(page, 'falls');
    await setInOwnFilm(page);
    await builder(page).press('Follow the dot');
    await builder(page).sees('The camera moved at');
    await page.close();
  });

  it.runIf(spawnSync('ffmpeg', ['-version']).status === 0)('of a phone’s kind (H.264 in MP4) is read, too', async () => {
    const scene = { ...sceneOfPush(0.2, 0.02, 0.05, 2.5), camera: SMALL_CHAIR };
    const [width, height] = SMALL_CHAIR.picture;
    const frames = Array.from({ length: 75 }, (_, i) => Buffer.from(frameAt(scene, i).data));
    const file = join(mkdtempSync(join(tmpdir(), 'nimble-axle-film-')), 'run.mp4');
    const shape = ['-f', 'rawvideo', '-pix_fmt', 'rgba', '-s', `${width}x${height}`, '-r', '30', '-i', '-'];
    const { status } = spawnSync('ffmpeg', ['-y', ...shape, '-c:v', 'libx264', '-crf', '18', '-pix_fmt', 'yuv420p', file], {
      input: Buffer.concat(frames),
    });
    expect(status).toBe(0);
    const page = await stage.open(`${TERN}/track/film`);
    await builder(page).sees('Make the film');
    const field = (await page.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>;
    await field.uploadFile(file);
    await setInFilm(page);
    await builder(page).press('Follow the dot');
    await builder(page).sees('Followed through 75 frames. The camera stood still.');
    // It is pushed to 1.2 m/s.
    const told = await page.evaluate(() => /top speed\s*([\d.]+)/.exec(document.body.innerText)?.[1]);
    expect(Number(told)).toBeCloseTo(1.2, 1);
    await page.close();
  });
});
