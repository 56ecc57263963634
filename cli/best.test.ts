import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../core/car/car-design.ts';
import { newCar } from '../core/car/new-car.ts';
import { readCarDesign } from '../core/files/read.ts';

const folder = mkdtempSync(join(tmpdir(), 'nimble-axle-best-'));
const best = (content: unknown, ...args: string[]) => {
  const path = join(folder, 'car.json');
  writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content));
  const { status, stdout, stderr } = spawnSync(process.execPath, ['--import', 'tsx', 'cli/best.ts', path, ...args], { encoding: 'utf8' });
  return { status, stdout, stderr };
};

describe('npm run -s best', () => {
  it('tells what the car comes to now, and offers with changes, parts and minutes', () => {
    const { status, stdout, stderr } = best(newCar('Skua'));
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
  ])('%.20j %j is refused with exit code 2', (content, args) => {
    const { status, stdout, stderr } = best(content, ...args);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).not.toBe('');
  });
});
