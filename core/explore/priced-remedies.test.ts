import { describe, expect, it } from 'vitest';
import type { CarDesign, LeverDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { TYRES } from '../car/catalogue.ts';
import { fitCatalogue } from '../car/parts.ts';
import { MOTOR_KINDS } from '../car/motors/motors.ts';
import { conflictsOf } from '../car/fit.ts';
import { weighing } from '../car/reference/weighing.ts';
import { checkCar, stoppedBy, type Check } from '../checks/check-car.ts';
import { makeWorkspace } from '../run/workspace.ts';
import { assess } from './assess.ts';
import { builtSample, shareBetter } from './quantile-score.ts';
import { lowDiscrepancy } from '../numerics/low-discrepancy.ts';
import { readCarDesign } from '../files/read.ts';
import { formatBy } from '../units/quantity.ts';
import { runForAim } from './aim.ts';
import { curingRemedies } from './priced-remedies.ts';

const metric = formatBy((value) => value.toPrecision(3));
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
      for (const { remedy } of curingRemedies(check, design, run, metric)) {
        expect(readCarDesign(remedy.design).kind).toBe('read');
        expect(conflictsOf(remedy.design).length).toBeLessThanOrEqual(conflictsOf(design).length);
        if (stoppedBy(design, run) === null) expect(stoppedBy(remedy.design, runForAim(remedy.design)!)).toBeNull();
      }
  });
  it('is sized to cure: of what comes in steps the least that does, one of each', () => {
    for (const check of checks) {
      const offered = curingRemedies(check, design, run, metric);
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

/** A car with something amiss: its tyres, weight, tape, axles, care, floor or room. */
function amiss(n: number): CarDesign {
  const [a, b, c, d, e, f, g] = lowDiscrepancy(7, 5)(n) as unknown as readonly number[];
  const pick = <T>(list: readonly T[], share: number): T => list[Math.floor(share * list.length)]!;
  const car = newCar('x', MOTOR_KINDS[n % MOTOR_KINDS.length]!);
  const roller = car.otherWheels === null;
  const made: CarDesign = fitCatalogue(
    { ...car, care: pick(['rough', 'ordinary', 'careful'] as const, a!), alignment: { ...car.alignment, driveToe: e! > 0.8 ? 0.015 : 0 } },
    'tyre',
    pick(Object.keys(TYRES), b!),
  );
  return {
    ...made,
    ballast: { mass: c! > 0.6 ? 0.15 * (c! - 0.6) : 0, fromDriveAxle: 0.1 },
    sleeve: !roller && d! > 0.6 ? [{ kind: 'dowel-collar', diameter: 0.012, turns: 2 }] : made.sleeve,
    bearing: e! < 0.3 ? 'wood-card' : made.bearing,
    floor: { ...made.floor, slope: 0.02 * (f! - 0.5), roomLength: g! > 0.7 ? 12 : null },
    motor: made.motor.kind === 'lever' ? { ...made.motor, leverMaterial: pick(['dowel', 'brass-tube'] as const, g!) } : made.motor,
  };
}

describe('what is told of a remedy', () => {
  it('is what it does to other cars built so: it cures, half of them gain within its range, as many as it says', () => {
    const workspace = makeWorkspace();
    let [told, priced] = [0, 0];
    let off = 0;
    for (let n = 0; n < 120; n++) {
      const design = amiss(n);
      const assessment = assess(design, 'metric');
      if (!assessment || assessment.remedies.length === 0) continue;
      for (const check of assessment.checks)
        for (const { remedy, after } of check.remedies)
          expect(checkCar(remedy.design, after).find(({ id }) => id === check.id)?.verdict ?? 'good').toBe('good');
      const before = builtSample(design, 991, workspace, 250);
      for (const { remedy, better, low, high, helps, cures } of assessment.remedies.slice(0, 3)) {
        const after = builtSample(remedy.design, 991, workspace, 250);
        const gains = after.scores.map((score, i) => score - before.scores[i]!).sort((x, y) => x - y);
        told++;
        expect(gains[125]!, remedy.label).toBeGreaterThanOrEqual(low);
        expect(gains[125]!, remedy.label).toBeLessThanOrEqual(high);
        // What stops the car is cured whatever it gains.
        if (cures !== null) continue;
        priced++;
        if (Math.abs(gains[125]! / better - 1) > 0.3 || Math.abs(shareBetter(after, before) - helps) > 0.15) off++;
      }
    }
    expect(told).toBeGreaterThan(20);
    // Sixty-four cars tell a median, and a share, so well in nine of ten.
    expect(off / priced).toBeLessThan(0.1);
  }, 120_000);
});
