import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { DESKTOP, PHONE, startProgram } from './browser.ts';
import { builder, expectAccessible } from './builder.ts';
import { freePort } from '../testing/free-port.ts';
import { setStage } from './stage.ts';

const DEMO_CLASS = '5ce44000-0000-4000-8000-0000000000e0';

describe('a class', () => {
  // On the machine itself: a test may be run where there is no other network.
  process.env.NIMBLE_AXLE_SHARE_ON = '127.0.0.1';
  let sharePort = 0;
  const stage = setStage(async () => startProgram({ demo: true, sharePort: (sharePort = await freePort()) }));
  const address = (): string => `http://127.0.0.1:${sharePort}`;
  const api = async <T>(path: string): Promise<T> => (await (await fetch(`${stage.program.url}/api${path}`)).json()) as T;
  interface Class {
    readonly class: { readonly crews: readonly { readonly id: string; readonly name: string }[] };
  }
  /** The class that was made last, and the code of each of its crews by name. */
  const made = async () => {
    const classes = await api<readonly (Class & { readonly id: string })[]>('/classes');
    const { id, class: content } = classes.at(-1)!;
    const cards = await api<readonly { readonly crewId: string; readonly code: string }[]>(`/classes/${id}/cards`);
    const codeOf = (name: string): string => {
      const crew = content.crews.find((one) => one.name === name)!;
      return cards.find(({ crewId }) => crewId === crew.id)!.code;
    };
    return { id, codeOf };
  };
  const crews: Page[] = [];
  let leader: Page;
  const wheelbase = async (page: Page): Promise<string> => {
    await builder(page).distance();
    return builder(page).valueOf('Wheelbase, mm');
  };
  /** Sets the wheelbase of the car that is open, and waits until it is saved. */
  const setWheelbase = async (page: Page, to: string): Promise<void> => {
    const car = builder(page);
    await car.distance();
    await car.type('Wheelbase, mm', to);
    await car.saved();
  };

  it('is made from a brief: three crews join by their cards from browsers of their own, and each works alone', async () => {
    leader = await stage.open('/classes');
    const page = builder(leader);
    await page.type('Crews, one name a line', 'Gulls\nTerns\nEiders');
    await page.pick('Starting car', 'Kelp Runner');
    await page.type('Name of the class', 'Tuesday class');
    await page.press('Create class');
    await page.sees('Gulls');
    await page.press('Let crews join');
    await page.sees(`Crews join at ${address()}`);
    await page.follow('Print cards');
    await page.sees('Scan, or open');
    await expectAccessible(leader);
    const { codeOf } = await made();
    // One by the picture on its card, the others by typing.
    crews.push(await stage.openDevice(`${address()}/#${codeOf('Gulls')}`));
    await builder(crews[0]!).press('Join');
    await builder(crews[0]!).sees('Garage');
    for (const name of ['Terns', 'Eiders']) {
      const device = await stage.openDevice(address(), name === 'Eiders' ? PHONE : DESKTOP);
      crews.push(device);
      await builder(device).sees('Join with this device');
      if (name === 'Terns') await expectAccessible(device);
      await builder(device).type('Code', codeOf(name).toLowerCase());
      await builder(device).press('Join');
      await builder(device).sees('Kelp Runner');
    }
    const [gulls, terns] = crews as [Page, Page, Page];
    await builder(gulls).sees('Kelp Runner');
    await builder(gulls).seesNot('Slow Ferry');
    for (const [device, size] of [
      [gulls, '310 mm'],
      [terns, '330 mm'],
    ] as const) {
      await builder(device).follow('Design');
      await setWheelbase(device, size);
    }
    await gulls.reload();
    expect(await wheelbase(gulls)).toBe('310');
    expect(await wheelbase(terns)).toBe('330');
    await expectAccessible(gulls);
  });

  it('two devices of one crew work on one car: what one saves the other shows, and different changes are merged', async () => {
    const { codeOf } = await made();
    const [, terns] = crews as [Page, Page, Page];
    const path = new URL(terns.url()).pathname;
    const second = await stage.openDevice(`${address()}${path}#${codeOf('Terns')}`);
    await builder(second).press('Join');
    await builder(second).distance();
    await setWheelbase(second, '340 mm');
    await builder(terns).sees('you see the newest version');
    await terns.bringToFront();
    expect(await wheelbase(terns)).toBe('340');
    // Both at once, of different sizes: neither is lost.
    await terns.setOfflineMode(true);
    await builder(terns).type('Track width, mm', '120 mm');
    await second.bringToFront();
    await setWheelbase(second, '350 mm');
    await terns.bringToFront();
    await terns.setOfflineMode(false);
    await builder(terns).saved();
    await expect.poll(() => wheelbase(terns)).toBe('350');
    expect(await builder(terns).valueOf('Track width, mm')).toBe('120');
    await second.close();
  });

  it('is seen by its leader as it goes on, who looks, helps, sends a message and a lesson, and closes a station', async () => {
    const { id } = await made();
    const [gulls, terns] = crews as [Page, Page, Page];
    await leader.bringToFront();
    await leader.goto(`${stage.program.url}/classes/${id}`);
    const page = builder(leader);
    await page.sees('design');
    await page.sees('1 device here');
    await expectAccessible(leader);
    const { class: content } = await api<Class>(`/classes/${id}`);
    const visit = await stage.open(`/crews/${content.crews[0]!.id}`);
    await builder(visit).sees('you only look');
    await gulls.bringToFront();
    await builder(gulls).sees('Your leader looks at your work');
    await visit.bringToFront();
    await builder(visit).press('Help');
    await builder(visit).sees('you help');
    await builder(visit).follow('Design');
    await setWheelbase(visit, '320 mm');
    await gulls.bringToFront();
    await builder(gulls).sees('Your leader helps with your car');
    await expect.poll(() => wheelbase(gulls)).toBe('320');
    await visit.close();
    await builder(gulls).seesNot('Your leader helps');
    await leader.bringToFront();
    await page.openTab('Send and open');
    await page.type('Message to all crews', 'Ten minutes left');
    await page.press('Send message');
    await page.sees('on every crew’s screen');
    await page.press('Send lesson');
    await expectAccessible(leader);
    await page.openTab('Settings');
    await leader.locator('::-p-aria([name="Bench"][role="checkbox"])').click();
    await expectAccessible(leader);
    for (const device of [gulls, terns]) {
      await device.bringToFront();
      await builder(device).sees('Ten minutes left');
      await builder(device).sees('Predict first');
      await builder(device).seesNot('Bench');
    }
    await gulls.goto(gulls.url().replace('/design', '/bench'));
    await builder(gulls).sees('Your leader has closed this station');
  });

  it('gives a lost card anew: who had the old one is out, and the crew finds its work with the new one', async () => {
    const { id, codeOf } = await made();
    const [, , eiders] = crews as [Page, Page, Page];
    const lost = codeOf('Eiders');
    await leader.bringToFront();
    await leader.goto(`${stage.program.url}/classes/${id}/cards`);
    await builder(leader).press('Lost: draw a new card for Eiders');
    await builder(leader).sees('Eiders has a new card');
    await eiders.bringToFront();
    await eiders.reload();
    await builder(eiders).sees('Join with this device');
    await builder(eiders).type('Code', lost);
    await builder(eiders).press('Join');
    await builder(eiders).sees('This is not a code that is shown');
    await builder(eiders).type('Code', (await made()).codeOf('Eiders'));
    await builder(eiders).press('Join');
    await builder(eiders).sees('Kelp Runner');
    await expectAccessible(eiders);
  });

  it('goes on after the program was killed and started again: all come back by themselves, and nothing is lost', async () => {
    const [gulls, terns] = crews as [Page, Page, Page];
    await terns.bringToFront();
    const { folder, url } = stage.program;
    await stage.program.stop('SIGKILL');
    await builder(terns).type('Wheelbase, mm', '360 mm');
    await builder(terns).sees('saved in this browser, trying again');
    stage.program = await startProgram({ folder, demo: true, port: Number(new URL(url).port), sharePort });
    await builder(terns).saved();
    await terns.reload();
    expect(await wheelbase(terns)).toBe('360');
    await gulls.bringToFront();
    await gulls.goto(gulls.url().replace('/bench', '/track'));
    await builder(gulls).type('Distance, m (or 35 ft, 12 m 40 cm)', '9.4');
    await builder(gulls).press('Log this run');
    await builder(gulls).sees('9.40 m');
  });

  it('is handed in, and a meet is made of it, which the crews follow once it is opened to them', async () => {
    const { id } = await made();
    const [gulls, terns] = crews as [Page, Page, Page];
    await leader.bringToFront();
    await leader.goto(`${stage.program.url}/classes/${id}`);
    const page = builder(leader);
    await page.press('Hand in all cars');
    await page.sees('Reopen the cars');
    await terns.bringToFront();
    await builder(terns).sees('Your car is handed in');
    await builder(terns).type('Wheelbase, mm', '370 mm');
    await builder(terns).sees('handed in and cannot be changed');
    await leader.bringToFront();
    await page.press('Create meet');
    await leader.waitForFunction(() => location.pathname.startsWith('/meets/'));
    await page.sees('Gulls');
    await page.sees('Eiders');
    expect(
      await api<readonly { readonly design: { readonly name: string } }[]>('/cars').then((cars) => cars.map(({ design }) => design.name)),
    ).toEqual(expect.arrayContaining(['Kelp Runner, Gulls', 'Kelp Runner, Terns', 'Kelp Runner, Eiders']));
    await leader.goto(`${stage.program.url}/classes/${id}?view=send`);
    for (const what of ['All cars', 'Results', 'Forecasts']) {
      await leader.locator(`::-p-xpath(//label[contains(., "${what}:")]//input)`).click();
      await leader.waitForFunction(
        (name) =>
          [...document.querySelectorAll('label')].some(
            (label) => label.textContent!.startsWith(`${name}:`) && label.querySelector('input')!.checked,
          ),
        {},
        what,
      );
    }
    await gulls.bringToFront();
    await gulls.goto(`${address()}/class`);
    await builder(gulls).sees('Kelp Runner is handed in');
    await builder(gulls).sees('Forecasts');
    await builder(gulls).sees('Kelp Runner, Eiders');
    await expectAccessible(gulls);
    await builder(gulls).follow('Follow the meet');
    await builder(gulls).sees('Standings');
    await builder(gulls).follow('Back to the class');
  });

  it('of the demo shows four crews at different stages; archived and cleared, it is brought back by a press', async () => {
    await leader.bringToFront();
    await leader.goto(`${stage.program.url}/classes/${DEMO_CLASS}`);
    const page = builder(leader);
    for (const stageOf of ['tuned', 'runs', 'design', 'not begun']) await page.sees(stageOf);
    await page.sees('50 %');
    await page.press('More');
    await page.choose('Archive and clear');
    await page.sees('Archive and clear Winter evenings at the hall?');
    await expectAccessible(leader);
    await leader.locator('::-p-xpath(//*[@role="dialog"]//button[contains(., "Archive and clear")])').click();
    await page.sees('Archived classes');
    await page.press('Bring back');
    await page.sees('Print new cards for its crews');
    await page.follow('Winter evenings at the hall');
    await page.sees('tuned');
  });
});
