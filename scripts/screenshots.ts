/** Remakes docs/screenshots/ from the demo data: one picture of each main view. */
import { mkdirSync, rmSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { DESKTOP, PHONE, settle, startBrowser, startProgram } from '../e2e/browser.ts';

const KELP = '5ce44000-0000-4000-8000-000000000001';
const FERRY = '5ce44000-0000-4000-8000-000000000002';
const LIMPET = '5ce44000-0000-4000-8000-000000000004';
const EEL = '5ce44000-0000-4000-8000-000000000005';

const VIEWS = [
  { name: 'garage', path: '/', viewport: DESKTOP, scheme: 'light' },
  { name: 'design', path: `/cars/${KELP}/design`, viewport: DESKTOP, scheme: 'light' },
  { name: 'design-band', path: `/cars/${LIMPET}/design`, viewport: DESKTOP, scheme: 'light' },
  { name: 'design-roller', path: `/cars/${EEL}/design`, viewport: DESKTOP, scheme: 'light' },
  { name: 'design-dark', path: `/cars/${FERRY}/design`, viewport: DESKTOP, scheme: 'dark' },
  { name: 'track', path: `/cars/${KELP}/track`, viewport: DESKTOP, scheme: 'light' },
  { name: 'track-phone', path: `/cars/${KELP}/track`, viewport: PHONE, scheme: 'light' },
] as const;

const target = fileURLToPath(new URL('../docs/screenshots/', import.meta.url));
mkdirSync(target, { recursive: true });
const only = process.argv.slice(2);

const program = await startProgram({ demo: true });
const { browser, stop } = await startBrowser();
try {
  for (const { name, path, viewport, scheme } of VIEWS) {
    if (only.length > 0 && !only.includes(name)) continue;
    const page = await browser.newPage();
    page.on('console', (message) => message.type() === 'error' && console.error(`${name}: ${message.text()}`));
    page.on('pageerror', (error) => console.error(`${name}: ${String(error)}`));
    await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: scheme }]);
    await page.setViewport(viewport);
    await page.goto(program.url + path);
    await page.waitForSelector('h1');
    await settle(page);
    await page.screenshot({ path: `${target}${name}.png` });
    await page.close();
    console.log(`docs/screenshots/${name}.png`);
  }
} finally {
  await stop();
  await program.stop();
  rmSync(program.folder, { recursive: true, force: true });
}
