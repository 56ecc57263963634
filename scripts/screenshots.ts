/** Remakes docs/screenshots/ from the demo data: one picture of each main view. */
import { mkdirSync, rmSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { Page } from 'puppeteer-core';
import { setInFilm } from '../e2e/film-clicks.ts';
import { DESKTOP, PHONE, settle, startBrowser, startProgram } from '../e2e/browser.ts';

const KELP = '5ce44000-0000-4000-8000-000000000001';
const TERN = '5ce44000-0000-4000-8000-000000000003';
const EEL = '5ce44000-0000-4000-8000-000000000005';
const MEET = '5ce44000-0000-4000-8000-0000000000d0';
const CLASS = '5ce44000-0000-4000-8000-0000000000e0';

interface View {
  readonly name: string;
  readonly path: string;
  readonly viewport: typeof DESKTOP;
  readonly scheme: 'light' | 'dark';
  /** What is pressed before the picture, by role and name, and the words that then stand there. */
  readonly open?: readonly (readonly [role: string, name: string])[];
  readonly wait?: string;
  /** What else is done before it. */
  readonly act?: (page: Page) => Promise<void>;
}

const VIEWS: readonly View[] = [
  { name: 'garage', path: '/', viewport: DESKTOP, scheme: 'light', wait: 'If they ran it now' },
  { name: 'brief', path: `/cars/${KELP}/brief`, viewport: DESKTOP, scheme: 'light', wait: 'Best single change' },
  { name: 'design', path: `/cars/${KELP}/design`, viewport: DESKTOP, scheme: 'light' },
  { name: 'design-roller', path: `/cars/${EEL}/design`, viewport: DESKTOP, scheme: 'light' },
  { name: 'explore-map', path: `/cars/${KELP}/design`, viewport: DESKTOP, scheme: 'light', open: [['tab', 'Map']], wait: 'Apply the best' },
  {
    name: 'explore-best',
    path: `/cars/${TERN}/design`,
    viewport: DESKTOP,
    scheme: 'light',
    open: [
      ['tab', 'Best car'],
      ['button', 'Search'],
    ],
    wait: 'of 10 builds',
  },
  { name: 'parts', path: `/cars/${TERN}/design`, viewport: DESKTOP, scheme: 'light', open: [['button', 'My parts']], wait: 'moss-green' },
  {
    name: 'versions',
    path: `/cars/${TERN}/design`,
    viewport: DESKTOP,
    scheme: 'light',
    open: [['button', 'one taped turn']],
    wait: 'Compare',
  },
  {
    name: 'in-the-round',
    path: `/cars/${KELP}/design`,
    viewport: DESKTOP,
    scheme: 'light',
    open: [['button', 'in the round']],
    wait: 'Take apart',
  },
  {
    name: 'build',
    path: `/cars/${KELP}/build`,
    viewport: DESKTOP,
    scheme: 'light',
    wait: 'First angle',
  },
  {
    name: 'bench',
    path: `/cars/${KELP}/bench?measure=lever-pull`,
    viewport: DESKTOP,
    scheme: 'light',
    open: [['button', 'Simulate readings']],
    wait: 'well determined',
  },
  { name: 'tune', path: `/cars/${TERN}/tune`, viewport: DESKTOP, scheme: 'light', wait: 'Ruled out' },
  {
    name: 'class',
    path: `/classes/${CLASS}`,
    viewport: DESKTOP,
    scheme: 'light',
    // Each crew that has a car is worked out in its turn.
    act: async (page) => void (await page.waitForFunction(() => document.body.innerText.split('Through the gap').length === 4)),
  },
  { name: 'track', path: `/cars/${KELP}/track`, viewport: DESKTOP, scheme: 'light' },
  {
    name: 'film',
    path: `/cars/${TERN}/track/film`,
    viewport: DESKTOP,
    scheme: 'light',
    open: [['button', 'Film a run']],
    act: async (page) => {
      await setInFilm(page);
      await (await page.waitForSelector('::-p-aria([name="Follow the dot"][role="button"])'))!.click();
      await page.waitForSelector('#film-result');
      const slider = await page.waitForSelector('input[aria-label="Time in the film"]:not([disabled])');
      await slider!.focus();
      for (let i = 0; i < 45; i++) await page.keyboard.press('ArrowLeft');
    },
  },
  {
    name: 'track-wind-phone',
    path: `/cars/${KELP}/track`,
    viewport: PHONE,
    scheme: 'light',
    open: [
      ['tab', 'Wind'],
      ['button', 'One turn'],
    ],
    wait: 'in 10 stop before the wall',
  },
  { name: 'learn', path: `/cars/${KELP}/learn`, viewport: DESKTOP, scheme: 'light', wait: 'Because' },
  { name: 'meet-board', path: `/meets/${MEET}/board`, viewport: DESKTOP, scheme: 'dark', wait: 'Records of the evening' },
  { name: 'track-phone', path: `/cars/${KELP}/track`, viewport: PHONE, scheme: 'light' },
];

/** ms that the longest work, a search for all rounds, may take. */
const LONGEST = 120_000;

const target = fileURLToPath(new URL('../docs/screenshots/', import.meta.url));
mkdirSync(target, { recursive: true });
const only = process.argv.slice(2);

const program = await startProgram({ demo: true });
const { browser, stop } = await startBrowser();
try {
  for (const { name, path, viewport, scheme, open, wait, act } of VIEWS) {
    if (only.length > 0 && !only.includes(name)) continue;
    // A device of its own for each picture: a page keeps its stage and its turns on the device.
    const device = await browser.createBrowserContext();
    const page = await device.newPage();
    page.on('console', (message) => message.type() === 'error' && console.error(`${name}: ${message.text()}`));
    page.on('pageerror', (error) => console.error(`${name}: ${String(error)}`));
    await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: scheme }]);
    await page.setViewport(viewport);
    await page.goto(program.url + path);
    await page.waitForSelector('h1');
    await settle(page);
    if (path.endsWith('/design')) await page.waitForFunction(() => document.body.innerText.includes('8 in 10'));
    // Every round of a brief is worked out beside the page.
    await page.waitForFunction(
      () =>
        ![...document.querySelectorAll('main dd, main li, aside li, section li, section[aria-labelledby=rounds-title] button')].some(
          (told) => told.textContent?.endsWith('…'),
        ),
    );
    await page.waitForFunction(() => !document.body.innerText.includes('Working out the points'));
    for (const [role, named] of open ?? []) await (await page.waitForSelector(`::-p-aria([name="${named}"][role="${role}"])`))!.click();
    if (wait) await page.waitForFunction((words) => document.body.innerText.includes(words), { timeout: LONGEST }, wait);
    await act?.(page);
    if (open) await new Promise((resolve) => setTimeout(resolve, 800));
    await page.screenshot({ path: `${target}${name}.png` });
    await device.close();
    console.log(`docs/screenshots/${name}.png`);
  }
} finally {
  await stop();
  await program.stop();
  rmSync(program.folder, { recursive: true, force: true });
}
