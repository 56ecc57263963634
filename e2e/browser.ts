import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import puppeteer, { type Browser, type BrowserContext, type Page } from 'puppeteer-core';

const root = fileURLToPath(new URL('..', import.meta.url));

export interface Program {
  readonly url: string;
  /** The data folder, still there after `stop`. */
  readonly folder: string;
  readonly process: ChildProcess;
  readonly stop: (signal?: NodeJS.Signals) => Promise<void>;
}

/** Starts the built program on a free port, with its data in `folder` or a new temporary one. */
export async function startProgram(
  options: { readonly demo?: boolean; readonly folder?: string; readonly port?: number; readonly sharePort?: number } = {},
): Promise<Program> {
  const folder = options.folder ?? mkdtempSync(join(tmpdir(), 'nimble-axle-'));
  const process_ = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts', ...(options.demo ? ['--demo'] : [])], {
    cwd: root,
    env: {
      ...process.env,
      PORT: String(options.port ?? 0),
      NIMBLE_AXLE_DATA: folder,
      // Tests run beside each other: phones get a free port, unless a test asks for its own.
      NIMBLE_AXLE_SHARE_PORT: String(options.sharePort ?? 0),
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const url = await new Promise<string>((resolve, reject) => {
    process_.stdout!.on('data', (chunk: Buffer) => {
      const found = /http:\/\/127\.0\.0\.1:\d+/.exec(chunk.toString());
      if (found) resolve(found[0]);
    });
    process_.once('exit', (code) => reject(new Error(`the program ended with ${code} before it listened`)));
  });
  const stop = (signal: NodeJS.Signals = 'SIGTERM'): Promise<void> =>
    new Promise((resolve) => {
      if (process_.exitCode !== null || process_.signalCode !== null) return resolve();
      process_.once('exit', () => resolve());
      process_.kill(signal);
    });
  return { url, folder, process: process_, stop };
}

/** Debian's Chromium without a window, in a profile of its own. */
export async function startBrowser(): Promise<{ browser: Browser; stop: () => Promise<void> }> {
  const profile = mkdtempSync(join(tmpdir(), 'nimble-axle-profile-'));
  const browser = await puppeteer.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    userDataDir: profile,
    args: [
      '--headless',
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      // The address bar's own pages, which every window would load: half of all the work.
      '--disable-features=WebUIOmniboxPopup,WebUIOmniboxAimPopup,WebUIOmniboxFullPopup',
    ],
  });
  const stop = async (): Promise<void> => {
    await browser.close();
    rmSync(profile, { recursive: true, force: true, maxRetries: 5 });
  };
  return { browser, stop };
}

/** ms that a test waits for a page to show something; a busy machine is slow. */
export const PATIENCE = 30_000;

export const DESKTOP = { width: 1280, height: 800 };
export const PHONE = { width: 390, height: 844, isMobile: true, hasTouch: true, deviceScaleFactor: 2 };

/** Waits until a station stands, fonts are there and nothing is being fetched. */
export async function settle(page: Page): Promise<void> {
  // The worker that all tabs share is asked for by the first of them, and never told to have come.
  await page.waitForNetworkIdle({ idleTime: 150, concurrency: 1 });
  await page.evaluate(() => document.fonts.ready.then(() => undefined));
}

/**
 * Opens a page and waits until its station is shown.
 * @param device the browser profile that it is opened in
 * @param complaints gets what the page reports on the console as an error
 */
export async function openPage(
  device: Browser | BrowserContext,
  url: string,
  viewport: Parameters<Page['setViewport']>[0],
  complaints: string[],
): Promise<Page> {
  const page = await device.newPage();
  page.setDefaultTimeout(PATIENCE);
  page.on('pageerror', (error) => complaints.push(String(error)));
  page.on(
    'console',
    (message) =>
      message.type() === 'error' &&
      !/409|Failed to fetch|ERR_CONNECTION/.test(message.text()) &&
      complaints.push(`${message.text()} ${message.location().url ?? ''}`),
  );
  // Its focus is its own, whichever pages are opened or closed beside it.
  await page.emulateFocusedPage(true);
  await page.setViewport(viewport);
  await page.goto(url);
  await page.waitForSelector('h1');
  await settle(page);
  return page;
}
