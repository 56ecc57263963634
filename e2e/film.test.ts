import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../core/car/car-design.ts';
import { seenBy } from '../core/film/simulated-film.ts';
import { SMALL_CHAIR as CHAIR, STANDS, TAPED } from '../core/film/scene-of-run.ts';
import type { Pixels } from '../core/film/homography.ts';
import { hiddenRun } from '../core/rig/simulated-rig.ts';
import { simulate } from '../core/run/simulate.ts';
import { builder, expectAccessible } from './builder.ts';
import { setStage } from './stage.ts';

const TERN = '/cars/5ce44000-0000-4000-8000-000000000003';
const PICTURE = '[aria-label="Picture of the film"]';
/** ms that recording and following may take. */
const LONG = { timeout: 60_000 };

/** Clicks in the picture of a film, at its own pixels. */
async function clickAt(page: Page, [u, v]: Pixels, width = 960): Promise<void> {
  const [left, top, shown] = await page.$eval(PICTURE, (element) => {
    const box = element.getBoundingClientRect();
    return [box.left, box.top, box.width];
  });
  const scale = shown! / width;
  await page.mouse.click(left! + u * scale, top! + v * scale);
}

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
    await clickAt(page, at, 640);
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
    await page.waitForSelector(PICTURE, LONG);
    const look = seenBy(CHAIR);
    for (const place of TAPED) await clickAt(page, look([...place, 0]).pixels);
    await tern.sees('By the marks the phone stands 3.4');
    await clickAt(page, look([STANDS, 0.45, 0.075]).pixels);
    await tern.press('Follow the dot');
    await page.waitForSelector('#film-result', LONG);
    await tern.sees('The camera stood still.');
    await expectAccessible(page);
    await tern.press('Use these times');
    await tern.sees('times along the run, from a film');
    // The film ends before the stop: how far it came is measured by tape.
    const design = await page.evaluate(async () => {
      const answer = await fetch('/api/cars/5ce44000-0000-4000-8000-000000000003');
      return ((await answer.json()) as { design: CarDesign }).design;
    });
    const splits = await page.evaluate(
      () =>
        (JSON.parse(localStorage.getItem('track-forms')!) as Record<string, { splits: { at: number; time: number; deviation: number }[] }>)[
          '5ce44000-0000-4000-8000-000000000003'
        ]!.splits,
    );
    const setup = hiddenRun({ design, wind: { kind: 'full' }, seed: 7, run: 1 });
    const outcome = simulate({ ...setup, marks: splits.map(({ at }) => at) }, {});
    if (outcome.kind === 'refused') throw new Error('The hidden car does not run.');
    const offs = splits.map(({ at, time }) => time - outcome.result.marks.find(({ distance }) => distance === at)!.time);
    expect(splits.length).toBeGreaterThan(6);
    // A frame is late by as long as this machine is busy: within a frame and a half.
    for (const off of offs) expect(Math.abs(off)).toBeLessThan(0.05);
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
        for (let i = 0; i < count; i++) await page.keyboard.press(key);
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
    await bench.press('Film a run');
    await page.waitForSelector(PICTURE, LONG);
    await expectAccessible(page);
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
