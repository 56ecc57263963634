import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../car/car-design.ts';
import { standingWeight } from '../car/weights.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { predictRun } from '../predict/predict-run.ts';
import { measuresOf } from '../geometry/measures.ts';
import { readCarDesign, readCarVersion, readRunRecord, type Read } from './read.ts';

/** A file of each kind, as the program wrote it when car designs were of version 1. */
const reference = (name: string): unknown =>
  JSON.parse(readFileSync(new URL(`reference/first-version/${name}.json`, import.meta.url), 'utf8'));
const first = reference('car-design') as Record<string, unknown> & { mass: number; driveLoadShare: number; measured: object };

const valueOf = <T>(read: Read<T>): T => {
  if (read.kind === 'faulty') throw new Error(JSON.stringify(read.faults));
  return read.value;
};
const second = (change: object = {}): CarDesign => valueOf(readCarDesign({ ...first, ...change }));

describe('a car design of version 1', () => {
  it('weighs what it said, stands on its axles as it said, and runs', () => {
    const design = second();
    expect(design.version).toBe(2);
    expect(standingWeight(design).mass).toBeCloseTo(first.mass, 9);
    expect(standingWeight(design).driveLoadShare).toBeCloseTo(first.driveLoadShare, 9);
    expect(design.weighed).toEqual({ mass: first.mass, driveLoadShare: expect.closeTo(first.driveLoadShare, 9) as number });
    expect(predictRun(design).kind).toBe('ran');
    // Read again it is what it is.
    expect(valueOf(readCarDesign(design))).toEqual(design);
  });
  it('with ballast weighs both, and its ballast still lies where it lay: moments about the axle', () => {
    const { mass, driveLoadShare } = standingWeight(second({ ballast: { mass: 0.05, fromDriveAxle: 0 } }));
    expect(mass).toBeCloseTo(first.mass + 0.05, 9);
    expect(driveLoadShare).toBeCloseTo((first.mass * first.driveLoadShare + 0.05) / (first.mass + 0.05), 9);
  });
  it('lighter than its parts are reckoned has a lighter body, and weighs what it said', () => {
    const light = second({ mass: 0.09 });
    expect(standingWeight(light).mass).toBeCloseTo(0.09, 3);
    expect(predictRun(light).kind).toBe('ran');
  });
  it('keeps its length', () => {
    const { wheelbase } = second();
    expect(measuresOf(second()).length).toBeCloseTo(wheelbase + 0.12, 6);
  });
  it('keeps what was measured, in the new terms', () => {
    const measured = { value: 0.5, spread: 0.05 };
    const grips = second({ measured: { staticGrip: { value: 0.8, spread: 0.05 }, slidingGrip: measured } });
    expect(grips.measured.slidingRatio).toEqual({ value: 0.625, spread: 0.05 });
    expect(deriveRunSetup(grips).surface).toMatchObject({ staticGrip: 0.8, slidingGrip: 0.5 });
    // Scrub of a wheel out of square: (2/π) μ δ of the load at every radius.
    const askew = second({ measured: { slidingGrip: measured, outOfSquare: { value: 0.02, spread: 0.4 } } });
    const bare = second({ measured: { slidingGrip: measured, outOfSquare: { value: 0, spread: 0.4 } } });
    const rolls = (design: CarDesign): number => deriveRunSetup(design).surface.rollingResistanceDrive;
    expect(rolls(askew) - rolls(bare)).toBeCloseTo((2 / Math.PI) * 0.5 * 0.02, 9);
    const rubber = deriveRunSetup(second({ measured: { bandEfficiency: { value: 0.7, spread: 0.05 } } })).motor;
    expect(rubber).toMatchObject({ bandEfficiency: expect.closeTo(0.7, 9) as number });
  });
  it.each([
    [{ mass: undefined }, 'mass'],
    [{ mass: 0 }, 'mass'],
    [{ mass: '150' }, 'mass'],
    [{ driveLoadShare: 1.2 }, 'driveLoadShare'],
    [{ wheelbase: -1 }, 'wheelbase'],
    [{ measured: { slope: 3 } }, 'measured.slope'],
  ])('that is wrong is told so under its own keys: %j', (change, path) => {
    const read = readCarDesign({ ...first, ...change });
    expect(read.kind === 'faulty' && read.faults.map((fault) => fault.path)).toEqual([path]);
  });
});

describe('what holds a design of version 1', () => {
  it('a version that was kept, a run: read with the design in version 2, all else as it was', () => {
    const version = reference('car-version') as Record<string, unknown>;
    expect(valueOf(readCarVersion(version))).toEqual({ ...version, design: valueOf(readCarDesign(version.design)) });
    const run = reference('run-record') as Record<string, unknown>;
    expect(valueOf(readRunRecord(run))).toMatchObject({ wind: run.wind, outcome: run.outcome, design: second() });
  });
  it('is told what is wrong in it by path', () => {
    const read = readCarVersion({ ...(reference('car-version') as object), design: { ...first, mass: -1 } });
    expect(read.kind === 'faulty' && read.faults[0]!.path).toBe('design.mass');
  });
});
