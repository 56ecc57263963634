import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../core/car/car-design.ts';
import { newCar } from '../core/car/new-car.ts';
import { readCarDesign } from '../core/files/read.ts';
import { filesFor, runCommand } from '../testing/command.ts';
import bestCars from './best.ts';

const { write } = filesFor('best');
const best = (content: unknown, ...args: string[]) => runCommand(bestCars, [write('car.json', content), ...args]);

describe('npm run -s best', () => {
  it('tells what the car comes to now, and offers with changes, parts and minutes', async () => {
    const { status, stdout, stderr } = await best(newCar('Skua'));
    expect([status, stderr]).toEqual([0, '']);
    const { now, passing, offers } = JSON.parse(stdout) as {
      now: { lower: number; middle: number };
      passing: number;
      offers: { lower: number; middle: number; helps: number; changes: string[]; minutes: number; design: CarDesign }[];
    };
    expect(now.lower).toBeLessThan(now.middle);
    expect(passing).toBeGreaterThan(100);
    expect(offers.length).toBeGreaterThan(0);
    for (const { lower, middle, helps, changes, minutes, design } of offers) {
      expect(lower).toBeGreaterThan(now.lower);
      expect(middle).toBeGreaterThan(lower);
      expect(helps).toBeGreaterThan(0.5);
      expect(minutes).toBeGreaterThanOrEqual(10 * changes.length);
      expect(readCarDesign(design).kind).toBe('read');
    }
  });
  it.each([
    ['{', []],
    [newCar('x'), ['--seed', 'often']],
    [newCar('x'), ['--brief', 'nowhere.json']],
    [newCar('x'), ['--colour']],
  ])('%.20j %j is refused with exit code 2', async (content, args) => {
    const { status, stdout, stderr } = await best(content, ...args);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).not.toBe('');
  });
});
