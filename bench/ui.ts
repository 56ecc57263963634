/** How fast the screens answer: first screen usable, and from a slider's key to the new prediction painted. Prints a table. */
import { DESKTOP, startBrowser, startProgram } from '../e2e/browser.ts';
import { addRuns } from '../e2e/many-runs.ts';

const median = (values: number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

const fraction = (values: number[], part: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(part * values.length))]!;
const round = (value: number): number => Number(value.toFixed(1));

/** Runs on the one car of which the track is opened. */
const RUNS = 100_000;
const LIMPET = '5ce44000-0000-4000-8000-000000000004';

const prepared = await startProgram({ demo: true });
await prepared.stop();
addRuns(prepared.folder, LIMPET, RUNS);
const program = await startProgram({ demo: true, folder: prepared.folder });
const { browser, stop } = await startBrowser();
try {
  const firsts: number[] = [];
  for (let k = 0; k < 7; k++) {
    const context = await browser.createBrowserContext();
    const page = await context.newPage();
    await page.setViewport(DESKTOP);
    // By the page's own clock, from asking for it until its list of cars is painted: asking from outside takes its time too.
    await page.evaluateOnNewDocument(() => {
      new MutationObserver((_changes, watch) => {
        if (document.querySelectorAll('main li').length === 0) return;
        watch.disconnect();
        requestAnimationFrame(() => setTimeout(() => performance.mark('usable')));
      }).observe(document, { childList: true, subtree: true });
    });
    await page.goto(program.url);
    await page.waitForFunction(() => performance.getEntriesByName('usable').length > 0);
    firsts.push(await page.evaluate(() => performance.getEntriesByName('usable')[0]!.startTime));
    await context.close();
  }
  const page = await browser.newPage();
  await page.setViewport(DESKTOP);
  await page.goto(`${program.url}/cars/5ce44000-0000-4000-8000-000000000001/design`);
  await page.waitForSelector('[data-testid=predicted-distance]');
  await (await page.waitForSelector('#group-driveAxle'))!.click();
  await (await page.waitForSelector('input[type=range][aria-label="Drive wheels ⌀"]'))!.focus();
  // What the page's one thread does for a step, as the browser counts it in time on the processor: script, style and layout.
  const session = await page.createCDPSession();
  await session.send('Performance.enable', { timeDomain: 'threadTicks' });
  // How fast this machine is just now: a fixed piece of work in the same page.
  const reference = (): Promise<number> =>
    page.evaluate(() => {
      const begun = performance.now();
      let sum = 0;
      for (let i = 0; i < 1e6; i++) sum += Math.sqrt(i);
      return sum > 0 ? performance.now() - begun : 0;
    });
  const counted = async (): Promise<number> => {
    const { metrics } = await session.send('Performance.getMetrics');
    const of = (name: string): number => metrics.find((metric) => metric.name === name)?.value ?? 0;
    return 1000 * (of('ScriptDuration') + of('LayoutDuration') + of('RecalcStyleDuration'));
  };
  const nextFrame = (): Promise<number> =>
    page.evaluate(() => {
      const asked = performance.now();
      return new Promise<number>((resolve) => requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - asked))));
    });
  const work: number[] = [];
  const references: number[] = [];
  for (let k = 1; k <= 100; k++) {
    const before = await counted();
    await page.keyboard.press(k % 40 < 20 ? 'ArrowRight' : 'ArrowLeft');
    await nextFrame();
    // The first few are compiled as they run.
    if (k > 20) work.push((await counted()) - before);
    references.push(await reference());
    await new Promise((resolve) => setTimeout(resolve, 150));
  }

  // From the press of its tab until the best of the whole map is reported.
  const mapped = await page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const begun = performance.now();
        const observer = new MutationObserver(() => {
          if ([...document.querySelectorAll('#lower-panel button')].some(({ textContent }) => textContent.startsWith('Take the best')))
            requestAnimationFrame(() => resolve(performance.now() - begun));
        });
        observer.observe(document.querySelector('#lower-panel')!, { childList: true, subtree: true });
        document.querySelector<HTMLElement>('#tab-map')!.click();
      }),
  );
  // Its track: from asking for it until runs are painted, and from the press of Log until the run is in the list.
  const listed: number[] = [];
  const logged: number[] = [];
  const track = await browser.newPage();
  await track.setViewport(DESKTOP);
  await track.evaluateOnNewDocument(() => {
    new MutationObserver((_changes, watch) => {
      if (!document.querySelector('main ul li')?.textContent.includes('predicted')) return;
      watch.disconnect();
      requestAnimationFrame(() => setTimeout(() => performance.mark('listed')));
    }).observe(document, { childList: true, subtree: true, characterData: true });
  });
  for (let k = 0; k < 5; k++) {
    await track.goto(`${program.url}/cars/${LIMPET}/track`);
    await track.waitForFunction(() => performance.getEntriesByName('listed').length > 0);
    listed.push(await track.evaluate(() => performance.getEntriesByName('listed')[0]!.startTime));
    await (await track.waitForSelector('main form input[aria-label^="Distance"]'))!.type(`7.${k}1`);
    logged.push(
      await track.evaluate(
        (distance) =>
          new Promise<number>((resolve) => {
            const begun = performance.now();
            const seen = new MutationObserver(() => {
              if (!document.querySelector('main ul li')?.textContent.includes(distance)) return;
              seen.disconnect();
              requestAnimationFrame(() => resolve(performance.now() - begun));
            });
            seen.observe(document.querySelector('main')!, { childList: true, subtree: true, characterData: true });
            document.querySelector<HTMLElement>('main form [type=submit]')!.click();
          }),
        `7.${k}1`,
      ),
    );
  }
  const row = (values: number[]) => ({
    median: round(median(values)),
    p95: round(fraction(values, 0.95)),
    slowest: round(Math.max(...values)),
  });
  console.table({
    'first screen usable, ms': row(firsts),
    'a slider step, main-thread work, ms': row(work),
    'reference: a million square roots, ms': row(references),
    'map of 121 × 121 runs, ms': row([mapped]),
    'track of 100,000 runs listed, ms': row(listed),
    'logged to listed there, ms': row(logged),
  });
} finally {
  await stop();
  await program.stop();
}
