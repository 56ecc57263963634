import { describe, expect, it } from 'vitest';
import { TEMPLATES } from '../core/brief/new-brief.ts';
import { newCar } from '../core/car/new-car.ts';
import { newEntry, newMeet, newResult } from '../core/meet/new-meet.ts';
import { idOf } from '../core/meet/reference/made-meets.ts';
import { filesFor, runCommand } from '../testing/command.ts';
import forecastMeet from './forecast.ts';

const { write } = filesFor('forecast');
const meet = newMeet({
  name: 'Skerrow Lull Trophy',
  date: '2026-11-21',
  brief: TEMPLATES.club.brief(),
  seed: 1,
  lanes: 2,
  entries: ['Kelp Runner', 'Tern'].map((car, n) => newEntry({ id: idOf(n), crew: `crew ${n}`, car })),
});
const file = write('meet.json', meet);
const car = write('car.json', newCar('Kelp Runner'));

describe('the forecast of a meet by the command line', () => {
  it('tells points and places of each entry, and how it is known; the same for the same seed', async () => {
    const args = [file, '--car', car, '--evenings', '300'];
    const { stdout, status } = await runCommand(forecastMeet, args);
    expect(status).toBe(0);
    const told = JSON.parse(stdout) as { evenings: number; entries: { car: string; by: string; points: number; places: number[] }[] };
    expect(told.evenings).toBe(300);
    expect(told.entries.map(({ car: name, by }) => [name, by])).toEqual([
      ['Kelp Runner', 'design'],
      ['Tern', 'typical'],
    ]);
    for (const { places } of told.entries) expect(places.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 9);
    expect((await runCommand(forecastMeet, args)).stdout).toBe(stdout);
    expect((await runCommand(forecastMeet, [...args, '--seed', '2'])).stdout).not.toBe(stdout);
  });
  it('moves with the results that the file has', async () => {
    const far = newResult({
      meet: idOf(999),
      entry: idOf(1),
      round: 0,
      run: 0,
      at: '2026-11-21T18:00:00.000Z',
      by: 'hall',
      outcome: { kind: 'ran', distance: 60 },
    });
    const later = write('later.json', { ...meet, results: [{ id: idOf(500), result: far }] });
    const chanceIn = async (one: string): Promise<number> =>
      (JSON.parse((await runCommand(forecastMeet, [one, '--evenings', '400'])).stdout) as { entries: { places: number[] }[] }).entries[1]!
        .places[0]!;
    expect(await chanceIn(later)).toBeGreaterThan((await chanceIn(file)) + 0.2);
  });
  it.each([
    [[], 'give one file'],
    [[file, '--evenings', '0'], '--evenings needs a whole number'],
    [[file, '--seed', 'x'], '--seed needs a whole number'],
    [[write('broken.json', { format: 'nimble-axle/meet' })], 'name'],
  ])('refuses %j on standard error with 2', async (args, words) => {
    const { status, stdout, stderr } = await runCommand(forecastMeet, args);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).toContain(words);
  });
});
