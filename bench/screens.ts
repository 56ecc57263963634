/** How fast the screens answer: first screen usable, and from a slider's key to the new prediction painted. Prints a table. */
import { DESKTOP, startBrowser, startProgram } from '../e2e/browser.ts';

const median = (values: number[]): number => values.sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

const program = await startProgram({ demo: true });
const { browser, stop } = await startBrowser();
try {
  const firsts: number[] = [];
  for (let k = 0; k < 7; k++) {
    const context = await browser.createBrowserContext();
    const page = await context.newPage();
    await page.setViewport(DESKTOP);
    await page.goto(program.url, { waitUntil: 'domcontentloaded' });
    await page.waitForFunction(() => document.querySelectorAll('main li').length > 0);
    firsts.push(await page.evaluate(() => performance.now()));
    await context.close();
  }
  const page = await browser.newPage();
  await page.setViewport(DESKTOP);
  await page.goto(`${program.url}/cars/5ce44000-0000-4000-8000-000000000001/design`);
  await page.waitForSelector('[data-testid=predicted-distance]');
  await (await page.waitForSelector('input[type=range][aria-label="Drive wheels ⌀"]'))!.focus();
  await page.evaluate(() => {
    const noted: number[] = [];
    (window as unknown as { noted: number[] }).noted = noted;
    addEventListener(
      'keydown',
      () => {
        const pressed = performance.now();
        requestAnimationFrame(() => setTimeout(() => noted.push(performance.now() - pressed)));
      },
      true,
    );
  });
  for (let k = 1; k <= 40; k++) {
    await page.keyboard.press('ArrowRight');
    await page.waitForFunction((count) => (window as unknown as { noted: number[] }).noted.length === count, { polling: 20 }, k);
  }
  const frames = await page.evaluate(() => (window as unknown as { noted: number[] }).noted);
  console.table({
    'first screen usable, ms': { median: Math.round(median(firsts)), slowest: Math.round(Math.max(...firsts)) },
    'slider to painted prediction, ms': { median: Math.round(median(frames)), slowest: Math.round(Math.max(...frames)) },
  });
} finally {
  await stop();
  await program.stop();
}
