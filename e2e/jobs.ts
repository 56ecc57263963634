import type { Page } from 'puppeteer-core';
import { expect } from 'vitest';
import type { CarDesign, RunRecord } from '../core/car/car-design.ts';
import type { Brief } from '../core/brief/brief.ts';
import { newEntry, newMeet } from '../core/meet/new-meet.ts';
import { builder } from './builder.ts';

export type Car = ReturnType<typeof builder>;

/** Between what 8 in 10 cars built like it are told to go, m. */
export async function range(page: Page): Promise<readonly [low: number, high: number]> {
  const found = await page.waitForFunction(() => /Cars built like this: ([\d.]+)–([\d.]+)\sm/.exec(document.body.innerText)?.slice(1, 3), {
    timeout: 30_000,
    polling: 60,
  });
  return ((await found.jsonValue()) as string[]).map(Number) as [number, number];
}
/** That the range which is told holds what such a car did, once it follows the last change. */
export const holds = (page: Page, metres: number) =>
  expect
    .poll(
      async () => {
        const [low, high] = await range(page);
        return low <= metres && metres <= high ? 'holds' : `${low}–${high}`;
      },
      { timeout: 30_000 },
    )
    .toBe('holds');
/** The run that was logged last, with the car as it ran. */
export const lastRun = async (page: Page): Promise<RunRecord> => {
  const id = /cars\/([^/]+)/.exec(page.url())![1]!;
  const answer = await fetch(new URL(`/api/cars/${id}/runs?limit=1`, page.url()));
  const { runs, designs } = (await answer.json()) as {
    runs: { record: Omit<RunRecord, 'design'>; designId: string }[];
    designs: Record<string, CarDesign>;
  };
  return { ...runs[0]!.record, design: designs[runs[0]!.designId]! };
};
/** Builders of the jobs asked their system for less motion: lists open at once. */
export const withoutMotion = (page: Page): Promise<void> =>
  page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
/** Sizes by their labels, in mm, g or as they are typed. */
export async function sizes(car: Car, typed: Readonly<Record<string, string>>): Promise<void> {
  for (const [label, text] of Object.entries(typed)) await car.type(label, text);
}
export async function parts(car: Car, chosen: Readonly<Record<string, string>>): Promise<void> {
  for (const [label, option] of Object.entries(chosen)) await car.pick(label, option);
}
export async function toStation(page: Page, car: Car, station: string): Promise<void> {
  await car.saved();
  await page.goto(page.url().replace(/(cars\/[^/]+)\/.*/, `$1/${station}`));
}
export const says = (page: Page): Promise<string> => page.evaluate(() => document.body.innerText.replaceAll('\u00a0', ' '));
/** ms after which a group that stands open will stay so: what a search opened closes by itself. */
const SETTLED = 300;
/** Opens a group of the car by what its button begins with. */
export async function openGroup(page: Page, car: Car, name: string): Promise<void> {
  await car.browse();
  const group = `::-p-xpath(//button[starts-with(normalize-space(.), '${name}')])`;
  const isOpen = async (): Promise<boolean> => (await page.$(group))!.evaluate((button) => button.getAttribute('aria-expanded') === 'true');
  await page.waitForSelector(group);
  await expect
    .poll(
      async () => {
        await new Promise((resolve) => setTimeout(resolve, SETTLED));
        if (await isOpen()) return true;
        await (await page.$(group))!.evaluate((button) => (button as HTMLElement).click());
        return false;
      },
      { timeout: 30_000 },
    )
    .toBe(true);
}

/** A meet of two cars on two lanes, first to 6.1 m, ready to be run: its address. */
export async function duel(url: string): Promise<string> {
  const [{ brief }] = (await (await fetch(`${url}/api/briefs`)).json()) as [{ brief: Brief }];
  const round = { ...brief.rounds[0]!, name: 'First to 6.1 m', goal: { kind: 'quickest-to' as const, distance: 6.1 }, runs: 1 };
  const meet = newMeet({
    name: 'Duel',
    date: '2026-11-21',
    brief: { ...brief, rounds: [round] },
    seed: 7,
    lanes: 2,
    entries: ['Limpet', 'Tern'].map((car) => newEntry({ id: crypto.randomUUID(), crew: car, car })),
  });
  const id = crypto.randomUUID();
  await fetch(`${url}/api/meets/${id}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ baseVersion: 0, meet }),
  });
  return `/meets/${id}?view=run`;
}
