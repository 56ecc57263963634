import type { Page } from 'puppeteer-core';
import type { Pixels } from '../core/film/homography.ts';
import { seenBy } from '../core/film/simulated-film.ts';
import { SMALL_CHAIR, STANDS, TAPED } from '../core/rig/simulated-phone.ts';

/** The picture of a film that is measured. */
export const PICTURE = '[aria-label="Picture of the film"]';
/** ms that recording and following may take. */
export const LONG = { timeout: 60_000 };
/** m that the dot of a simulated film stands to the left, and over the floor. */
const [ASIDE, HEIGHT] = [0.45, 0.075];

/** Clicks in the picture of a film, at its own pixels. */
export async function clickInFilm(page: Page, [u, v]: Pixels, width: number): Promise<void> {
  const [left, top, shown] = await page.$eval(PICTURE, (element) => {
    const box = element.getBoundingClientRect();
    return [box.left, box.top, box.width];
  });
  const scale = shown! / width;
  await page.mouse.click(left! + u * scale, top! + v * scale);
}

/** Sets marks and dot in the film of the simulated phone, once it is there. */
export async function setInFilm(page: Page): Promise<void> {
  await page.waitForSelector(PICTURE, LONG);
  const look = seenBy(SMALL_CHAIR);
  const [width] = SMALL_CHAIR.picture;
  for (const place of TAPED) await clickInFilm(page, look([...place, 0]).pixels, width);
  await clickInFilm(page, look([STANDS, ASIDE, HEIGHT]).pixels, width);
}

/** What is drawn by a test's own film, for each frame of some at 30 a second. */
export type OwnFilm = 'stands' | 'falls' | 'grows' | 'one-frame' | 'not-a-film';

/** Drops a film that the page records itself: four marks, and a dot that moves to the right. */
export const dropFilm = (page: Page, kind: OwnFilm, width = 640, seconds = 2.5): Promise<void> =>
  page.evaluate(
    async (kind, width, seconds) => {
      const drop = (file: File): void => {
        const dataTransfer = new DataTransfer();
        dataTransfer.items.add(file);
        window.dispatchEvent(new DragEvent('drop', { dataTransfer, cancelable: true }));
      };
      if (kind === 'not-a-film') return drop(new File(['no film'], 'run.mp4', { type: 'video/mp4' }));
      const canvas = document.createElement('canvas');
      const scale = width / 640;
      [canvas.width, canvas.height] = [width, (width * 9) / 16];
      const context = canvas.getContext('2d', { alpha: false })!;
      const stream = canvas.captureStream(0);
      const [track] = stream.getVideoTracks() as CanvasCaptureMediaStreamTrack[];
      const recorder = new MediaRecorder(stream, { mimeType: 'video/webm;codecs=vp8', videoBitsPerSecond: 6e6 * scale });
      const parts: Blob[] = [];
      recorder.ondataavailable = ({ data }) => parts.push(data);
      recorder.start();
      const disc = (x: number, y: number, radius: number, colour: string): void => {
        context.fillStyle = colour;
        context.beginPath();
        context.arc(x, y, radius, 0, 7);
        context.fill();
      };
      const frames = kind === 'one-frame' ? 1 : Math.round(30 * seconds);
      for (let i = 0; i < frames; i++) {
        if (kind === 'grows' && i === 45) [canvas.width, canvas.height] = [320, 180];
        context.setTransform(scale, 0, 0, scale, 0, 0);
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
        // To 330 pixels further at the end.
        disc(150 + 330 * (Math.max(0, time - 0.5) / Math.max(seconds - 0.5, 1)) ** 2, 240, 8, '#eb5a28');
        track!.requestFrame();
        await new Promise((resolve) => setTimeout(resolve, 33));
      }
      await new Promise((resolve) => {
        recorder.onstop = resolve;
        recorder.stop();
      });
      drop(new File(parts, 'film.webm', { type: 'video/webm' }));
    },
    kind,
    width,
    seconds,
  );

/** Sets the marks and the dot of a test's own film. */
export async function setInOwnFilm(page: Page, width = 640): Promise<void> {
  await page.waitForSelector(PICTURE, LONG);
  for (const at of [
    [80, 300],
    [560, 300],
    [480, 180],
    [160, 180],
    [150, 240],
  ] as const)
    await clickInFilm(page, [(at[0] * width) / 640, (at[1] * width) / 640], width);
}
