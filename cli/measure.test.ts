import { describe, expect, it } from 'vitest';
import { runCommand } from '../testing/command.ts';
import measureReadings from './measure.ts';

const measure = (content: unknown, ...args: string[]) =>
  runCommand(measureReadings, args.length > 0 ? args : ['-'], typeof content === 'string' ? content : JSON.stringify(content));
const file = (more: object) => ({ format: 'nimble-axle/measurement', version: 1, ...more });

describe('npm run -s measure', () => {
  it('tells values with deviations and 95 % intervals', async () => {
    const { status, stdout, stderr } = await measure(
      file({ kind: 'free-spin', readings: { inertia: 5e-5, mass: 0.04, journalRadius: 0.0017, turns: 43, time: 11.2 }, resolution: 0.1 }),
    );
    expect([status, stderr]).toEqual([0, '']);
    const { values } = JSON.parse(stdout) as { values: { bearingFriction: { value: number; deviation: number; interval95: number[] } } };
    // 4π · 43 · 5e-5 / (11.2² · 0.0017 · 0.04 · 9.80665), worked by hand.
    expect(values.bearingFriction.value).toBeCloseTo(0.323, 3);
    expect(values.bearingFriction.deviation).toBeGreaterThan(0);
    expect(values.bearingFriction.interval95[0]).toBeLessThan(values.bearingFriction.value);
  });
  it('points out odd readings by their places, and says what is far from usual', async () => {
    const torque = [0.3, 0.5, 0.7, 1.6, 1.1, 1.3, 1.5, 1.7].map((value) => 10 * value);
    const { stdout } = await measure(file({ kind: 'lever-pull', readings: { angle: [0, 1, 2, 3, 4, 5, 6, 7], torque } }));
    const { odd, remarks } = JSON.parse(stdout) as { odd: number[]; remarks: string[] };
    expect(odd).toEqual([3]);
    expect(remarks.join()).toMatch(/N·m, not in N·mm/);
  });
  it.each([
    ['{', /not JSON|JSON/],
    [file({ kind: 'tilt', readings: { driveShare: 0.5 } }), /^readings\.angle: is missing/],
    [file({ kind: 'tilt', readings: { angle: [9], driveShare: 0.5 } }), /^readings\.angle\[0\]: must be at most 1\.5/],
    [file({ kind: 'thread', readings: { turns: [10], length: [0.034], thickness: 0.003 } }), /^readings\.length: .*axle diameter/],
    [file({ kind: 'coast', readings: { marks: [1, 2, 3, 4], times: [1, 3, 2, 4] } }), /^readings\.times\[2\]: must be above 3/],
    [file({ kind: 'roll-out', readings: { turns: [1, 2], length: [1] } }), /^readings\.length: must be as many/],
    [file({ kind: 'coast', readings: { marks: [1, 2, 3], times: [1, 2, 3] } }), /^readings\.times: must be/],
    [
      file({ kind: 'band-pull', readings: { flatLength: 0.09, section: 5e-6, stretchedLength: [0.1, 0.1, 0.1], force: [1, 1, 1] } }),
      /^readings\.force/,
    ],
  ])('%j is refused with exit code 2', async (content, words) => {
    const { status, stdout, stderr } = await measure(content);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).toMatch(words);
  });
});
