import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { newCar } from '../core/car/new-car.ts';
import { predictRun } from '../core/predict/predict-run.ts';
import type { FitReport } from '../core/trials/fit-report.ts';
import { filesFor, runCommand } from '../testing/command.ts';
import fitRuns from './fit.ts';

const { write: file } = filesFor('fit');
const design = newCar('Skua');
const reach = (turns: number): number => {
  const prediction = predictRun(design, { kind: 'turns', turns });
  return prediction.kind === 'ran' ? prediction.result.distance : NaN;
};
const runs = [12, 18].flatMap((turns) =>
  [0.88, 0.9, 0.92].map((by, i) => ({
    format: 'nimble-axle/run-record',
    version: 1,
    ranAt: `2026-11-21T18:0${i}:00Z`,
    wind: { kind: 'turns', turns },
    outcome: { kind: 'stopped', distance: Number((by * reach(turns)).toFixed(2)) },
    seen: [],
    note: '',
    design,
  })),
);
const trials = {
  format: 'nimble-axle/trials',
  version: 1,
  design,
  runs,
  predict: [{ winding: { kind: 'full' } }, { winding: { kind: 'turns', turns: 12 } }],
};
const fit = (...args: string[]) => runCommand(fitRuns, args);

describe('npm run -s fit', () => {
  it('tells values, predictions in the order asked, causes and changes', async () => {
    const { status, stdout, stderr } = await fit(file('trials.json', trials));
    expect([status, stderr]).toEqual([0, '']);
    const report = JSON.parse(stdout) as FitReport;
    const [full, part] = report.predictions;
    expect(part!.mean.middle / (0.9 * reach(12))).toBeCloseTo(1, 1);
    expect(full!.mean.low).toBeLessThan(full!.mean.middle);
    expect(full!.nextRun.high).toBeGreaterThan(full!.mean.high);
    expect(report.values.springRate!.interval90[0]).toBeLessThan(report.values.springRate!.prior);
    // Each winding as the other says it; fewer than three like runs would tell no drift.
    expect(report.groups.map(({ runs: count, check }) => [count, check!.verdict])).toEqual([
      [3, 'as-expected'],
      [3, 'as-expected'],
    ]);
    expect(report.groups[0]!.without!.low).toBeLessThan(0.9 * reach(12));
    expect([report.before!.verdict, report.signs.drift, report.earlier, full!.fork]).toEqual([
      'as-expected',
      expect.any(String),
      { groups: 0, runs: 0 },
      null,
    ]);
    expect(report.causes.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 6);
    expect(report.changes[0]!.chanceBetter).toBeGreaterThanOrEqual(0.8);
    // The same answer every time.
    expect((await fit(file('again.json', trials))).stdout).toBe(stdout);
  });
  it('a run for which the car was not wound takes nothing from the others: it is counted aside', async () => {
    const answer = await fit(
      file('one-unwound.json', { ...trials, runs: [...runs, { ...runs[0], wind: { kind: 'turns', turns: 0.004 } }] }),
    );
    const report = JSON.parse(answer.stdout) as FitReport;
    expect([report.unwound, report.groups.length, report.isSettled]).toEqual([1, 2, true]);
  });
  it('takes runs of cars of the first version of a design', async () => {
    const first = JSON.parse(readFileSync('core/files/reference/first-version/run-record.json', 'utf8')) as { design: object };
    const answer = await fit(file('first.json', { ...trials, design: first.design, runs: [first], predict: [] }));
    expect([answer.status, answer.stderr]).toEqual([0, '']);
  });
  it.each([
    [[], /give one file/],
    [[file('left-out.json', { ...trials, runs: runs.map((run) => ({ ...run, leftOut: true })) })], /^runs: all of them are left out/],
    [
      [file('unwound.json', { ...trials, runs: [{ ...runs[0], wind: { kind: 'turns', turns: 0.004 } }] })],
      /^runs: every run that counts was wound/,
    ],
    [[file('none.json', { ...trials, runs: [] })], /^runs/],
    [
      [file('far.json', { ...trials, runs: [{ ...runs[0], outcome: { kind: 'stopped', distance: -1 } }] })],
      /^runs\[0\]\.outcome\.distance: must be at least 0/,
    ],
    [[file('wind.json', { ...trials, predict: [{ winding: { kind: 'turns' } }] })], /^predict\[0\]\.winding\.turns: is missing/],
    [
      [file('turns.json', { ...trials, runs: [{ ...runs[0], wind: { kind: 'turns', turns: 9000 } }] })],
      /^runs\[0\]\.wind\.turns: must be at most/,
    ],
    [['--colour'], /--colour/],
  ])('%j is refused with exit code 2', async (args, words) => {
    const { status, stdout, stderr } = await fit(...args);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).toMatch(words);
  });
});
