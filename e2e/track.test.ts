import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { PHONE, startProgram } from './browser.ts';
import { builder, expectAccessible } from './builder.ts';
import { demoCar, setStage } from './stage.ts';

const runsOf = async (url: string, car: string) => {
  const { runs } = (await (await fetch(`${url}/api${car}/runs`)).json()) as {
    runs: { id: string; record: { outcome: { distance: number }; session?: string; drift?: number; splits?: object[] } }[];
  };
  return runs;
};

/** Hands a file to the field of this name. */
const give = async (page: Page, name: string, file: string): Promise<void> => {
  const input = (await page.waitForSelector(`input[aria-label="${name}"]`)) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(file);
};

describe('an afternoon on a phone', () => {
  const stage = setStage();
  const tern = demoCar(3);

  it('goes from the list before a run over the wind and the watch to what is written down', async () => {
    const page = await stage.open(`${tern}/track`, PHONE);
    const phone = builder(page);
    await page.locator('summary ::-p-text(No session)').click();
    await phone.press('Start a session');
    await phone.sees('Skerrow Lull Trophy');
    await phone.openTab('Wind');
    await phone.sees('turns to the safe limit');
    for (let n = 0; n < 4; n++) await phone.press('One turn');
    await phone.press('+ half');
    await phone.sees('pull at the tyre now');
    await expectAccessible(page);
    await phone.press('Use 4.5 turns');
    await phone.sees('its turns side by side');
    await expectAccessible(page);
    await phone.press('To the stopwatch');
    await phone.press('Go');
    // The marks that the brief’s rounds set.
    await phone.press('5.00\u00a0m');
    await phone.press('Undo last press');
    await phone.press('5.00\u00a0m');
    await phone.press('Stop now');
    await expectAccessible(page);
    await phone.press('Use this time');
    expect(await phone.valueOf('Turns of the drive axle')).toBe('4.5');
    await phone.type('Distance, m (or 35 ft, 12 m 40 cm)', '6.4');
    await page.locator('summary ::-p-text(More about this run)').click();
    await phone.type('Drift off the line, m', '0.3');
    await expectAccessible(page);
    await phone.press('Log this run');
    await phone.sees('Run logged: 6.40 m');
    await phone.sees('luck');
    await phone.sees('0.30 m to the left');
    const [newest] = await runsOf(stage.program.url, tern);
    expect(newest!.record).toMatchObject({ outcome: { distance: 6.4 }, drift: -0.3, session: expect.any(String), splits: [{ at: 5 }] });
    await page.close();
  });

  it('tells with two presses that it spun on the spot, or was still going at the mark', async () => {
    const page = await stage.open(`${tern}/track`, PHONE);
    const phone = builder(page);
    await phone.press('did not start');
    await phone.press('spun on the spot');
    await expectAccessible(page);
    await phone.press('Log this run');
    await phone.sees('did not start');
    await phone.press('hit the wall at');
    await phone.press('it passed the mark');
    await phone.type('Distance, m (or 35 ft, 12 m 40 cm)', '6');
    await phone.press('Log this run');
    await phone.sees('passed the mark');
    const [passed, stuck] = await runsOf(stage.program.url, tern);
    expect(passed!.record.outcome).toEqual({ kind: 'hit-wall', distance: 6, by: 'mark' });
    expect(stuck!.record).toMatchObject({ outcome: { kind: 'stopped', distance: 0 }, seen: ['spun'] });
    await page.close();
  });

  it('says where to stop for a short room', async () => {
    const page = await stage.open(`${demoCar(1)}/track`, PHONE);
    const phone = builder(page);
    await phone.openTab('Wind');
    await phone.sees('in 10 stop before the wall');
    for (let n = 0; n < 19; n++) await phone.press('One turn');
    await phone.sees('Stop here for this room');
    await page.close();
  });

  it('loses no run while the program is gone, and stores it once when it is back', async () => {
    const { program } = stage;
    const told: string[] = [];
    const page = await stage.open(`${tern}/track`, PHONE, told);
    const phone = builder(page);
    await phone.sees('All runs, newest first');
    const before = (await runsOf(program.url, tern)).length;
    await program.stop();
    await phone.type('Distance, m (or 35 ft, 12 m 40 cm)', '7.7');
    await phone.press('Log this run');
    await phone.sees('waits in this browser until the program can be reached');
    const port = Number(new URL(program.url).port);
    stage.program = await startProgram({ folder: program.folder, port, demo: true });
    await phone.sees('The queued run is saved');
    await phone.seesNot('waits in this browser');
    const after = await runsOf(stage.program.url, tern);
    expect(after).toHaveLength(before + 1);
    expect(after.filter(({ record }) => record.outcome.distance === 7.7)).toHaveLength(1);
    await page.close();
  });
});

describe('a phone that joins', () => {
  // On the machine itself: a test may be run where there is no other network.
  process.env.NIMBLE_AXLE_SHARE_ON = '127.0.0.1';
  const stage = setStage();
  it('types the code and logs a run; with a wrong code it is kept out, and so it is once that is turned off', async () => {
    const page = await stage.open(`${demoCar(1)}/track`);
    const host = builder(page);
    await host.press('Let a phone join');
    await host.press('Turn on');
    const code = await (await page.waitForSelector('[data-testid=join-code-crew]'))!.evaluate((shown) => shown.textContent!);
    const [address] = ((await (await fetch(`${stage.program.url}/api/sharing`)).json()) as { shared: { addresses: string[] } }).shared
      .addresses;
    await expectAccessible(page);
    const other = await stage.openPhone(`${address}${demoCar(1)}/track`);
    const phone = builder(other);
    await phone.sees('Join with this device');
    await expectAccessible(other);
    await phone.type('Code', code === '123456' ? '123457' : '123456');
    await phone.press('Join');
    await phone.sees('This is not a code that is shown');
    await phone.type('Code', code);
    await phone.press('Join');
    await phone.tick('Kelp Runner');
    await phone.press('Use this car');
    await phone.sees('Next run');
    // What a crew may not do is not there.
    for (const name of ['Design', 'Tune', 'Garage', 'Start a session', 'Import CSV']) await phone.seesNot(name);
    await expectAccessible(other);
    await host.sees('As crew, 1 phone has joined.');
    await phone.type('Distance, m (or 35 ft, 12 m 40 cm)', '11.1');
    await phone.press('Log this run');
    await phone.sees('Run logged: 11.10 m');
    await phone.seesNot('Let a phone join');
    expect((await runsOf(stage.program.url, demoCar(1)))[0]!.record.outcome.distance).toBe(11.1);
    await host.press('Turn off');
    await host.sees('Turn on');
    await expect(fetch(`${address}/api/cars`)).rejects.toThrow();
    await other.close();
    await page.close();
  });
});

describe('gates and sensors', () => {
  const stage = setStage();
  const tern = demoCar(3);
  it('fill a run by the simulated rig, and by lines that a program posts; a broken line is told by its number', async () => {
    const page = await stage.open(`${tern}/track`);
    const track = builder(page);
    await track.press('Start a session');
    await track.sees('Change the session');
    await track.openTab('Go');
    await track.press('gates or sensors');
    await track.press('Run it');
    await track.sees('stopped at, by its turns');
    await expectAccessible(page);
    await track.press('Use these times');
    await track.press('Log this run');
    await track.sees('Run logged');
    const [logged] = await runsOf(stage.program.url, tern);
    expect(logged!.record.splits!.length).toBeGreaterThan(0);
    await track.openTab('Go');
    await track.pick('Lines come from', 'a program that posts lines to /api/lines');
    await track.sees('No line yet.');
    const post = async (body: string) =>
      (
        (await (
          await fetch(`${stage.program.url}/api/lines`, { method: 'POST', headers: { 'content-type': 'text/plain' }, body })
        ).json()) as { listening: number }
      ).listening;
    while ((await post('# is anybody there')) === 0) await new Promise((resolve) => setImmediate(resolve));
    await post('t=1 gate=0\nt=2,5 gate=1\nt=3.5 gate=1');
    await track.sees('has no number');
    await track.sees('2 readings');
    await track.sees('2.5 s');
    await page.close();
  });
});

describe('the page without the program', () => {
  const stage = setStage();
  it('opens once it was opened: cars, brief and runs as they were, and a run waits', async () => {
    const page = await stage.open(`${demoCar(3)}/track`, PHONE, []);
    const phone = builder(page);
    await phone.sees('All runs, newest first');
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await page.reload();
    await phone.sees('All runs, newest first');
    await stage.program.stop();
    await page.reload();
    await phone.sees('All runs, newest first');
    await phone.type('Distance, m (or 35 ft, 12 m 40 cm)', '7.9');
    await phone.press('Log this run');
    await phone.sees('waits in this browser until the program can be reached');
    await page.reload();
    await phone.sees('waits in this browser until the program can be reached');
    // Another car, which was not opened while the program was there, takes runs one after the other.
    await page.goto(`${stage.program.url}${demoCar(4)}/track`);
    await phone.sees('Next run');
    for (const metres of ['3.1', '3.2']) {
      await page.evaluate(() => document.querySelector('main')!.scrollTo(0, 0));
      await phone.type('Distance, m (or 35 ft, 12 m 40 cm)', metres);
      await phone.press('Log this run');
      await phone.sees(`Run logged: ${metres}0 m`);
    }
    await phone.sees('2 runs: wait in this browser');
    await phone.press('More');
    await phone.choose('Brief');
    await phone.sees('The longest distance counts.');
    await page.close();
  });
});

describe('the runs of a car', () => {
  const stage = setStage();
  const kelp = demoCar(1);

  it('are sorted as a table and drawn as a chart, in words too', async () => {
    const page = await stage.open(`${kelp}/track`);
    const track = builder(page);
    await track.sees('All runs, newest first');
    await track.press('table');
    await page.waitForSelector('[role=grid] [data-field=distance]');
    await page.locator('[role=columnheader][data-field=distance]').click();
    await page.waitForFunction(() =>
      document.querySelector('[role=row][data-rowindex="0"] [data-field=distance]')?.textContent?.startsWith('12'),
    );
    // What the heading tells under the pointer is no part of the page.
    await page.mouse.move(1, 1);
    await page.waitForSelector('[role=tooltip]', { hidden: true });
    await expectAccessible(page);
    for (const row of [0, 3]) await page.locator(`[role=row][data-rowindex="${row}"] input[type=checkbox]`).click();
    await track.sees('2 runs chosen');
    await expectAccessible(page);
    await track.press('chart');
    await track.sees('2 of them into the wall');
    await track.press('against turns');
    await track.sees('6 runs against turns');
    await expectAccessible(page);
    await page.close();
  });

  it('that were corrected tell what they were before, and can be so again', async () => {
    const page = await stage.open(`${kelp}/track`);
    const track = builder(page);
    await track.sees('All runs, newest first');
    const [newest] = await runsOf(stage.program.url, kelp);
    const was = newest!.record.outcome.distance;
    await page.locator('[aria-label^="Correct run"]').click();
    await track.sees('Correct this run');
    await track.type('Distance, m (or 35 ft, 12 m 40 cm)', '1.23');
    await track.press('Save the correction');
    await track.sees('Run corrected');
    await page.locator('[aria-label^="History of run"]').click();
    await page.waitForSelector('[aria-label="Earlier versions of this run"] li');
    await expectAccessible(page);
    await track.press('Restore version 1');
    await track.sees('The run was restored');
    await expect.poll(async () => (await runsOf(stage.program.url, kelp))[0]!.record.outcome.distance).toBe(was);
    await page.close();
  });

  it('are put together by what they share, and shown alone', async () => {
    const page = await stage.open(`${kelp}/track`);
    const track = builder(page);
    await track.pick('Group by', 'winding');
    await track.sees('20 turns');
    await page.locator('[role=group][aria-label="fully wound"] button').click();
    await track.sees('Runs fully wound');
    await track.pick('Group by', 'session');
    await track.sees('Waiting hall, 21 November');
    await track.sees('All runs, newest first');
    await page.close();
  });

  it('carry a photo, and times on the way from which speed, the end of the pull and the coasting are told', async () => {
    const page = await stage.open(`${kelp}/track`);
    const track = builder(page);
    const folder = mkdtempSync(join(tmpdir(), 'nimble-axle-way-'));
    const [way, picture] = [join(folder, 'way.csv'), join(folder, 'hall.png')];
    const times = [0, 0.7, 1.3, 1.8, 2.2, 2.65, 3.13, 3.66, 4.24, 4.9, 5.7];
    writeFileSync(way, `position;time\n${times.map((time, at) => `${at};${String(time).replace('.', ',')}`).join('\n')}\n`);
    writeFileSync(picture, await page.screenshot());
    await page.locator('details summary').click();
    await give(page, 'Photo of the run', way);
    await track.sees('this file is not a picture');
    await give(page, 'Positions and times of the run', way);
    await track.sees('10 times along the run');
    await give(page, 'Photo of the run', picture);
    await page.waitForSelector('img[alt="Photo of this run"]');
    await track.type('Distance, m (or 35 ft, 12 m 40 cm)', '11.2');
    await track.press('Log this run');
    await track.sees('Run logged: 11.20 m');
    await page.locator('button[aria-label^="Along run 11.20"]').click();
    await track.sees('Its pull ended between');
    await track.sees('Then it coasts and slows by');
    // The picture comes from the program, and is a picture.
    await page.waitForFunction(() => {
      const shown = document.querySelector<HTMLImageElement>('img[alt^="Photo of run 11.20"]');
      return shown !== null && shown.src.includes('/api/photos/') && shown.naturalWidth > 0;
    });
    await expectAccessible(page);
    await page.close();
  });

  it('are wound beside a turn sensor that counts', async () => {
    const page = await stage.open(`${demoCar(3)}/track`, PHONE);
    const phone = builder(page);
    await phone.openTab('Wind');
    await phone.press('follow a turn sensor');
    await phone.press('Wind it');
    await phone.sees('readings');
    await expectAccessible(page);
    await page.waitForFunction(() => /^\d+(\.\d)? turns/.test(document.querySelector('[role=tabpanel] [role=status]')!.textContent!));
    await page.close();
  });

  it('are taken in from a file: faults by line, columns by hand, the same run once', async () => {
    const page = await stage.open(`${kelp}/track`);
    const track = builder(page);
    const file = join(mkdtempSync(join(tmpdir(), 'nimble-axle-csv-')), 'runs.csv');
    writeFileSync(file, '\ufeffdate;weit;turns\n2026-11-22;9,40;16\n2026-11-22;9,40;16\n2026-11-22;far;16\n');
    const upload = () => give(page, 'Runs as CSV', file);
    await upload();
    await track.sees('0 new, 0 known already, 3 with errors');
    await track.press('Columns');
    await track.pick('distance m', 'weit');
    await track.sees('1 new, 1 known already, 1 with errors');
    await track.sees('“far” is not a number');
    await expectAccessible(page);
    await track.press('Import 1');
    await track.sees('1 run imported');
    await upload();
    await track.press('Columns');
    await track.pick('distance m', 'weit');
    await track.sees('0 new, 2 known already, 1 with errors');
    await track.press('Close');
    expect((await runsOf(stage.program.url, kelp)).filter(({ record }) => record.outcome.distance === 9.4)).toHaveLength(1);
    await page.close();
  });

  it('stand on a sheet to print, or a blank one', async () => {
    const page = await stage.open(`${kelp}/track/sheet`);
    const sheet = builder(page);
    await sheet.sees('Kelp Runner: runs');
    await sheet.sees('Into the far bench, still rolling.');
    await expectAccessible(page);
    await sheet.press('Blank, for pen and paper');
    await sheet.seesNot('Into the far bench');
    await page.close();
  });
});
