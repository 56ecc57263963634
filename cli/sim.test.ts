import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { newCar } from '../core/car/new-car.ts';
import { filesFor, runCommand } from '../testing/command.ts';
import simulateRuns from './sim.ts';

const root = fileURLToPath(new URL('..', import.meta.url));
const { write } = filesFor('sim');
const { runs } = JSON.parse(readFileSync(join(root, 'core/run/reference/reference-runs.json'), 'utf8'));
const { setup, expect: reference } = runs[0];

const sim = (args: string[], input?: string) => runCommand(simulateRuns, args, input);
const fileOf = (value: unknown): string => write('setup.json', value);

describe('npm run -s sim', () => {
  it.each([
    ['a file', fileOf(setup)],
    ['standard input', '-'],
  ])('reads %s and prints the result as JSON', (_what, file) => {
    const { stdout, stderr, status } = spawnSync('npm', ['run', '-s', 'sim', '--', file], {
      cwd: root,
      encoding: 'utf8',
      input: JSON.stringify(setup),
    });
    expect({ status, stderr: stderr.replace(/^npm warn.*\n/gm, '') }).toEqual({ status: 0, stderr: '' });
    expect(JSON.parse(stdout).distance).toBeCloseTo(reference.distance, 5);
  });
  it.each([
    ['a bad value', { ...setup, motor: { ...setup.motor, leverLength: 0 } }, ['motor.leverLength: must be above 0']],
    [
      'several faults, a line each',
      { ...setup, marks: 1, car: { ...setup.car, mass: 'heavy', wheels: 4 } },
      ['car.mass: must be a number', 'car.wheels: is not a known key', 'marks: must be an array'],
    ],
    [
      'keys that do not go together',
      { ...setup, surface: { ...setup.surface, slidingGrip: 0.9 } },
      ['surface.slidingGrip: must not be above'],
    ],
    ['no JSON', '{', ['not a JSON file']],
  ])('refuses %s', async (_name, value, lines) => {
    const { stdout, stderr, status } = await sim([fileOf(value)]);
    expect({ status, stdout }).toEqual({ status: 2, stdout: '' });
    const printed = stderr.split('\n').filter((line) => line !== '');
    expect(printed).toHaveLength(lines.length);
    for (const line of lines)
      expect(
        printed.some((text) => text.startsWith(line)),
        line,
      ).toBe(true);
  });
  it('refuses a file that is not there, and no file at all; --help explains', async () => {
    expect(await sim(['nowhere.json'])).toMatchObject({ status: 2, stderr: expect.stringContaining('nowhere.json: cannot be read') });
    expect(await sim([])).toMatchObject({ status: 2 });
    expect(await sim(['--help'])).toMatchObject({ status: 0, stdout: expect.stringContaining('standard input') });
  });
});

describe('any command, as a program', () => {
  it.each([
    [['sim', 'nowhere.json'], 2, 'nowhere.json: cannot be read (ENOENT)\n'],
    [['draw', '--bogus'], 2, "Unknown option '--bogus'; --help explains\n"],
    [['archive', '--help'], 0, ''],
  ] as const)('%j ends with its exit code and its lines on standard error', ([name, ...args], code, lines) => {
    const { status, stderr } = spawnSync(process.execPath, ['--import', 'tsx', 'cli/main.ts', name, ...args], {
      cwd: root,
      encoding: 'utf8',
    });
    expect([status, stderr]).toEqual([code, lines]);
  });
});

describe('designs, sweeps and batches', () => {
  const design = newCar('Tern', 'band');
  it('prints a design’s prediction with bounds and checks', async () => {
    const { prediction, bounds, checks } = JSON.parse((await sim(['--design', fileOf(design), '--runs', '64', '--seed', '3'])).stdout);
    expect(bounds.runs).toBe(64);
    expect(bounds.distance.low).toBeLessThan(prediction.distance);
    expect(checks.map(({ id }: { id: string }) => id)).toContain('launch-grip');
    const part = JSON.parse((await sim(['--design', fileOf(design), '--turns', '5'])).stdout);
    expect(part.prediction.distance).toBeLessThan(prediction.distance);
    expect(part.nextRun.low).toBeLessThan(part.prediction.distance);
    expect(part.nextRun.high).toBeGreaterThan(part.prediction.distance);
    expect(await sim(['--design', fileOf(design), '--turns', '500'])).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/^wind\.turns: stretches the band to more than 7 times its length/),
    });
  });
  it('sweeps a size of a design, or a key of a setup, as CSV', async () => {
    const rows = (await sim(['--design', fileOf(design), '--sweep', 'turns=5:9:3'])).stdout.trim().split('\r\n');
    expect(rows.map((row) => row.split(',')[0])).toEqual(['turns', '5', '7', '9']);
    const keys = (await sim([fileOf(setup), '--sweep', 'car.mass=0.1:0.2:2'])).stdout.trim().split('\r\n');
    expect(Number(keys[1]!.split(',')[1])).toBeGreaterThan(Number(keys[2]!.split(',')[1]));
  });
  it('answers every setup of a batch with a line', async () => {
    const lines = (await sim(['--batch', fileOf({ runs: [{ setup }, { setup: { ...setup, version: 2 } }] })])).stdout.trim().split('\n');
    expect(JSON.parse(lines[0]!).distance).toBeCloseTo(reference.distance, 5);
    expect(JSON.parse(lines[1]!).refused[0]).toMatchObject({ path: 'version', message: 'must be 1' });
  });
  it.each([
    ['an unknown option', ['--bogus'], /Unknown option/],
    ['a key that is not there', ['--sweep', 'car.colour=1:2:3'], /car.colour: is not a key/],
    ['a sweep without a count', ['--sweep', 'car.mass=1:2'], /KEY=FROM:TO:N/],
    ['runs without a design', ['--runs', '5'], /with --design/],
  ])('refuses %s with exit code 2', async (_name, args, message) => {
    const { stdout, stderr, status } = await sim([fileOf(setup), ...args]);
    expect({ stdout, status }).toEqual({ stdout: '', status: 2 });
    expect(stderr).toMatch(message);
  });
});
