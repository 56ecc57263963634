import { describe, expect, it } from 'vitest';
import { newCar } from '../../../core/car/new-car.ts';
import { fullTurns } from '../../../core/predict/derive-run-setup.ts';
import { predictRun } from '../../../core/predict/predict-run.ts';
import { TOKENS } from '../../ui/tokens.ts';
import type { RunOfCar } from '../../../core/trials/compared-runs.ts';
import { byOrderOption, byTurnsOption } from './runs-option.ts';

const design = newCar('Tern', 'band');
const run = (distance: number, kind: 'stopped' | 'hit-wall' = 'stopped', turns?: number): RunOfCar => ({
  design,
  record: {
    format: 'nimble-axle/run-record',
    version: 1,
    ranAt: '2026-11-21T18:00:00.000Z',
    wind: turns === undefined ? { kind: 'full' } : { kind: 'turns', turns },
    outcome: { kind, distance },
    seen: [],
    note: '',
  },
});
type Drawn = { yAxis: { name: string }; series: { name: string; data: [number, number | null][] }[] };
const seriesOf = (option: unknown, name: string) => (option as Drawn).series.find((one) => one.name === name)!.data;
const predicted = (): number => {
  const prediction = predictRun(design);
  return prediction.kind === 'ran' ? prediction.result.distance : NaN;
};

describe('runs as a chart', () => {
  const runs = [run(8), run(9, 'hit-wall'), run(5, 'stopped', 4)];
  it('stand in their order, walls apart, with the prediction for each wind inside its range', () => {
    const option = byOrderOption(runs, 'metric', TOKENS.light);
    expect(seriesOf(option, 'stopped')).toEqual([
      [1, 8],
      [3, 5],
    ]);
    expect(seriesOf(option, 'at least')).toEqual([[2, 9]]);
    const expected = seriesOf(option, 'predicted');
    expect(expected[0]![1]).toBeCloseTo(predicted(), 9);
    expect(expected[2]![1]!).toBeLessThan(expected[0]![1]!);
    expected.forEach(([, middle], i) => {
      const low = seriesOf(option, 'low')[i]![1]!;
      expect(middle!).toBeGreaterThan(low);
      expect(middle!).toBeLessThan(low + seriesOf(option, 'range')[i]![1]!);
    });
  });
  it('stand against the turns, a full wind at its own, with the curve to the full wind', () => {
    const option = byTurnsOption(runs, design, 'metric', TOKENS.light);
    expect(seriesOf(option, 'stopped')).toEqual([
      [fullTurns(design), 8],
      [4, 5],
    ]);
    const [x, y] = seriesOf(option, 'predicted').at(-1)!;
    expect([x, y]).toEqual([fullTurns(design), expect.closeTo(predicted(), 9)]);
  });
  it('are told in the units that are chosen', () => {
    const [metric, inch] = (['metric', 'inch'] as const).map((units) => byOrderOption(runs, units, TOKENS.light));
    expect((inch as unknown as Drawn).yAxis.name).toBe('distance, ft');
    expect(seriesOf(metric, 'stopped')[0]![1]! / seriesOf(inch, 'stopped')[0]![1]!).toBeCloseTo(0.3048, 9);
  });
});
