import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../core/car/car-design.ts';
import { simulatedReadings } from '../core/bench/simulated-readings.ts';
import { hiddenBuild } from '../core/rig/simulated-instruments.ts';
import { hiddenRun } from '../core/rig/simulated-rig.ts';
import { simulate } from '../core/run/simulate.ts';
import { builder, expectAccessible } from './builder.ts';
import { clickInFilm, LONG, PICTURE, setInFilm } from './film-clicks.ts';
import { setStage } from './stage.ts';

const ID = '5ce44000-0000-4000-8000-000000000003';
const TERN = `/cars/${ID}`;
const designOfTern = (page: Page): Promise<CarDesign> =>
  page.evaluate(async (id) => ((await (await fetch(`/api/cars/${id}`)).json()) as { design: CarDesign }).design, ID);

/** What is drawn by a test's own film, for each frame of some at 30 a second. */
type Kind = 'falls' | 'grows' | 'one-frame' | 'not-a-film';

/** Drops a film that the page records itself: four marks, and a dot that moves to the right. */
const dropFilm = (page: Page, kind: Kind): Promise<void> =>
  page.evaluate(async (kind) => {
    const drop = (file: File): void => {
      const dataTransfer = new DataTransfer();
      dataTransfer.items.add(file);
      window.dispatchEvent(new DragEvent('drop', { dataTransfer, cancelable: true }));
    };
    if (kind === 'not-a-film') return drop(new File(['no film'], 'run.mp4', { type: 'video/mp4' }));
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [640, 360];
    const context = canvas.getContext('2d', { alpha: false })!;
    const stream = canvas.captureStream(0);
    const [track] = stream.getVideoTracks() as CanvasCaptureMediaStreamTrack[];
    const recorder = new MediaRecorder(stream, { mimeType: 'video/webm;codecs=vp8', videoBitsPerSecond: 6e6 });
    const parts: Blob[] = [];
    recorder.ondataavailable = ({ data }) => parts.push(data);
    recorder.start();
    const disc = (x: number, y: number, radius: number, colour: string): void => {
      context.fillStyle = colour;
      context.beginPath();
      context.arc(x, y, radius, 0, 7);
      context.fill();
    };
    const frames = kind === 'one-frame' ? 1 : 75;
    for (let i = 0; i < frames; i++) {
      if (kind === 'grows' && i === 45) [canvas.width, canvas.height] = [320, 180];
      context.setTransform(1, 0, 0, 1, 0, 0);
      context.fillStyle = '#96928a';
      context.fillRect(0, 0, 640, 360);
      const turn = kind === 'falls' ? Math.max(0, i - 45) * 0.08 : 0;
      context.translate(320, 360);
      context.rotate(turn);
      context.translate(-320, -360);
      for (const [x, y] of [
        [80, 300],
        [560, 300],
        [480, 180],
        [160, 180],
      ] as const) {
        disc(x, y, 9, '#f4f2ea');
        disc(x, y, 4, '#26242a');
      }
      const time = i / 30;
      disc(150 + 60 * Math.max(0, time - 0.5) ** 2, 240, 8, '#eb5a28');
      track!.requestFrame();
      await new Promise((resolve) => setTimeout(resolve, 33));
    }
    await new Promise((resolve) => {
      recorder.onstop = resolve;
      recorder.stop();
    });
    drop(new File(parts, 'film.webm', { type: 'video/webm' }));
  }, kind);

/** Sets the marks and the dot of a test's own film. */
async function setInOwnFilm(page: Page): Promise<void> {
  await page.waitForSelector(PICTURE, LONG);
  for (const at of [
    [80, 300],
    [560, 300],
    [480, 180],
    [160, 180],
    [150, 240],
  ] as const)
    await clickInFilm(page, at, 640);
}

describe('a run from a film', () => {
  const stage = setStage();

  it('is recorded, marked, followed, used, and tells the same as the hidden car did', async () => {
    const page = await stage.open(`${TERN}/track`);
    const tern = builder(page);
    await tern.openTab('Go');
    await page.click('::-p-aria([name="a film"][role="button"])');
    await tern.follow('Measure from a film');
    await tern.sees('Make the film');
    await expectAccessible(page);
    await tern.press('Film a run');
    await setInFilm(page);
    await tern.sees('By the marks the phone stands 3.4');
    await tern.press('Follow the dot');
    await page.waitForSelector('#film-result', LONG);
    await tern.sees('The camera stood still.');
    await expectAccessible(page);
    await tern.press('Use these times');
    await tern.sees('From the film:');
    const design = await designOfTern(page);
    const splits = await page.evaluate(
      (id) => (JSON.parse(localStorage.getItem('track-forms')!) as Record<string, { splits: { at: number; time: number }[] }>)[id]!.splits,
      ID,
    );
    const setup = hiddenRun({ design, wind: { kind: 'full' }, seed: 7, run: 1 });
    const outcome = simulate({ ...setup, marks: splits.map(({ at }) => at) }, {});
    if (outcome.kind === 'refused') throw new Error('The hidden car does not run.');
    const offs = splits.map(({ at, time }) => time - outcome.result.marks.find(({ distance }) => distance === at)!.time);
    expect(splits.length).toBeGreaterThan(6);
    // A frame is late by as long as this machine is busy: within a frame and a half.
    for (const off of offs) expect(Math.abs(off)).toBeLessThan(0.05);
    // The film ends before the stop: how far it came is measured by tape.
    await tern.type('Distance, m (or 35 ft, 12 m 40 cm)', `${outcome.result.distance.toFixed(2)} m`);
    await tern.press('Log this run');
    await tern.sees('Run logged');
    await page.click('[aria-label^="Along run"]');
    await tern.sees('Resistance against the expected value');
    await tern.sees('without films');
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
    expect(Math.abs(Number(told) - truth)).toBeLessThan(0.5 * truth);
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
});
