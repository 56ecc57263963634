import { describe, expect, it } from 'vitest';
import type { CarDesign, LeverDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { conflictsOf } from '../car/fit.ts';
import { weighing } from '../car/reference/weighing.ts';
import { checkCar, stoppedBy, type Check } from '../checks/check-car.ts';
import { readCarDesign } from '../files/read.ts';
import type { Print } from '../units/quantity.ts';
import { runForAim } from './aim.ts';
import { priceRemedies } from './priced-remedies.ts';

const metric: Print = (value) => value.toPrecision(3);
const lever = newCar('x');
const band = newCar('x', 'band');
const CARS: readonly (readonly [string, CarDesign])[] = [
  [
    'one with too much pull for its grip',
    {
      ...band,
      tyre: 'card-edge',
      driveWheels: { kind: 'card-disc', diameter: 0.12 },
      sleeve: [{ kind: 'dowel-collar', diameter: 0.015, turns: 1 }],
    },
  ],
  ['a heavy one that hardly starts', weighing({ ...band, sleeve: [], bearing: 'wood-card' }, { mass: 0.2 })],
  ['one whose lever is short', { ...lever, motor: { ...lever.motor, leverLength: 0.12 } as LeverDesign }],
  ['one on a slope', { ...lever, floor: { ...lever.floor, slope: 0.03 } }],
];

describe.each(CARS)('what would help %s', (_name, design) => {
  const run = runForAim(design)!;
  const checks = checkCar(design, run).filter(({ verdict }) => verdict !== 'good');
  const verdictOf = (check: Check, of: CarDesign): string | undefined =>
    checkCar(of, runForAim(of)!).find(({ id }) => id === check.id)?.verdict;
  it('can be built: a design that can be read, of parts that go together, that no check newly stops', () => {
    expect(checks.length).toBeGreaterThan(0);
    for (const check of checks)
      for (const { remedy } of priceRemedies(check, design, run, metric)) {
        expect(readCarDesign(remedy.design).kind).toBe('read');
        expect(conflictsOf(remedy.design).length).toBeLessThanOrEqual(conflictsOf(design).length);
        if (stoppedBy(design, run) === null) expect(stoppedBy(remedy.design, runForAim(remedy.design)!)).toBeNull();
      }
  });
  it('is sized to cure: of what comes in steps the least that does, one of each', () => {
    for (const check of checks) {
      const offered = priceRemedies(check, design, run, metric);
      expect(new Set(offered.map(({ remedy }) => remedy.id)).size).toBe(offered.length);
      for (const { remedy } of offered) {
        const steps = check.remedies(metric).filter(({ id }) => id === remedy.id);
        const before = steps.slice(
          0,
          steps.findIndex(({ label }) => label === remedy.label),
        );
        if (verdictOf(check, remedy.design) === 'good')
          for (const less of before.filter((step) => runForAim(step.design))) expect(verdictOf(check, less.design)).not.toBe('good');
      }
    }
  });
});
