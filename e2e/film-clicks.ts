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
