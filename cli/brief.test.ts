import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { newCar } from '../core/car/new-car.ts';
import { filesFor, runCommand } from '../testing/command.ts';
import judgeCars from './brief.ts';

const { folder, write } = filesFor('brief');
const TROPHY = 'server/demo/skerrow-lull-trophy.brief.json';
const car = write('car.json', newCar('Skua', 'band'));
const broken = write('broken.json', { format: 'nimble-axle/brief' });
const brief = (...args: string[]) => runCommand(judgeCars, args);

describe('npm run -s brief', () => {
  it('prints the rule sheet, and a car against it in words and as JSON', async () => {
    expect((await brief(TROPHY)).stdout).toContain('The shortest time to the mark at 6.00 m counts.');
    const { status, stdout } = await brief(TROPHY, car);
    expect(status).toBe(0);
    expect(stdout).toMatch(/^Skua\n {2}✓ bands: 4 of 6 allowed/);
    expect(stdout).toMatch(/Six metres: .*likely; about [\d.]+ s to 6.00 m; cars built like this: /);
    const [answer] = JSON.parse((await brief(TROPHY, car, '--json')).stdout) as {
      rounds: { name: string; bounds: { middle: number } }[];
    }[];
    expect(answer!.rounds[0]!.bounds.middle).toBeGreaterThan(5);
  });
  it.each([
    [[], /Name a brief/],
    [[broken], /name: is missing/],
    [[join(folder, 'nowhere.json')], /cannot be read/],
    [[TROPHY, TROPHY], /format/],
    [[TROPHY, '--seed', 'x'], /--seed needs/],
    [[TROPHY, '--colour'], /--colour/],
  ])('%j is refused with exit code 2', async (args, words) => {
    const { status, stdout, stderr } = await brief(...args);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).toMatch(words);
  });
});
