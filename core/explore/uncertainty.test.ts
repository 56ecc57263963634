import { weighing } from '../car/reference/weighing.ts';
import { describe, expect, it } from 'vitest';
import type { CarDesign, MotorKind } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { predictRun } from '../predict/predict-run.ts';
import { findSize } from '../car/sizes.ts';
import { valueKeysOf, valueOf } from '../car/values.ts';
import { VALUE_NAMES, type ValueKey } from '../car/value-table.ts';
import { assess } from './assess.ts';
import { lowDiscrepancy, standardNormal } from '../numerics/low-discrepancy.ts';
import { sizesThatMatter, valuesThatMatter } from './sensitivity.ts';
import { predict, type BoundedPrediction } from '../predict/uncertainty.ts';

const car = newCar('x');
const kinds: MotorKind[] = ['lever', 'band', 'twist'];
const bounded = (design: CarDesign, options: Parameters<typeof predict>[1] = {}): BoundedPrediction => {
  const outcome = predict(design, options);
  if (outcome.kind === 'refused') throw new Error(JSON.stringify(outcome.faults));
  return outcome.prediction;
};
const distanceOf = (design: CarDesign): number => {
  const prediction = predictRun(design);
  return prediction.kind === 'ran' ? prediction.result.distance : NaN;
};
/** The design with some values measured to be what they are estimated at, times a factor; the rest known all but exactly. */
function known(design: CarDesign, spreads: Partial<Record<ValueKey, number>>, factor = 1, of?: ValueKey): CarDesign {
  const measured = Object.fromEntries(
    valueKeysOf(design).map((key) => [
      key,
      { value: valueOf(design, key).value * (key === of ? factor : 1), spread: spreads[key] ?? 1e-9 },
    ]),
  );
  return { ...design, measured };
}

describe('the standard normal', () => {
  // Standard table.
  it.each([
    [0.9, 1.281552],
    [0.975, 1.959964],
    [0.999, 3.090232],
    [0.5, 0],
  ])('below which a share of %f lies is %f', (share, z) => {
    expect(standardNormal(share)).toBeCloseTo(z, 6);
    expect(standardNormal(1 - share)).toBeCloseTo(-z, 6);
  });
  it('ends somewhere', () => expect([standardNormal(0), standardNormal(1)].map((z) => Math.abs(z) < 5)).toEqual([true, true]));
});

describe('remedies on offer', () => {
  it('are one of each kind, the one that buys most', () => {
    const { remedies, checks } = assess(
      weighing({ ...newCar('x'), tyre: 'bare-disc', axleDiameter: 0.016 }, { driveLoadShare: 0.3 }),
      'metric',
    )!;
    const kinds = remedies.map(({ remedy }) => remedy.kind);
    expect(new Set(kinds).size).toBe(kinds.length);
    const tyres = checks.flatMap((check) => check.remedies).filter(({ remedy }) => remedy.kind === 'tyres');
    expect(tyres.length).toBeGreaterThan(2);
    const best = tyres.reduce((a, b) => (b.better > a.better ? b : a));
    expect(remedies.find(({ remedy }) => remedy.kind === 'tyres')!.remedy.label).toBe(best.remedy.label);
  });
});

describe('bounds of a prediction', () => {
  it('hold the most likely run and are ordered', () => {
    const { distance, time, launchGripRatio } = bounded(car);
    const likely = predictRun(car);
    const most = likely.kind === 'ran' ? likely.result.distance : NaN;
    for (const { low, middle, high } of [distance, time, launchGripRatio]) {
      expect(low).toBeLessThan(middle);
      expect(middle).toBeLessThan(high);
    }
    expect(most).toBeGreaterThan(distance.low);
    expect(most).toBeLessThan(distance.high);
  });
  it('are the same for the same seed, and little different for another', () => {
    expect(bounded(car, { seed: 5 })).toEqual(bounded(car, { seed: 5 }));
    const [one, two] = [bounded(car, { seed: 1, runs: 512 }), bounded(car, { seed: 2, runs: 512 })];
    expect(Math.abs(one.distance.middle / two.distance.middle - 1)).toBeLessThan(0.02);
    expect(Math.abs(one.distance.low / two.distance.low - 1)).toBeLessThan(0.03);
  });
  it('narrow when a value is measured', () => {
    const measured: CarDesign = {
      ...car,
      measured: {
        rollingLengthDrive: { value: 0.75e-3, spread: 0.03 },
        rollingLengthOther: { value: 0.45e-3, spread: 0.03 },
        rub: { value: 0.0005, spread: 0.05 },
        springPreload: { value: 0.16, spread: 0.01 },
        springRate: { value: 0.11, spread: 0.01 },
        springEfficiency: { value: 0.92, spread: 0.005 },
        bearingFriction: { value: 0.22, spread: 0.03 },
      },
    };
    const width = ({ distance }: BoundedPrediction): number => distance.high - distance.low;
    expect(width(bounded(measured, { conditions: [] }))).toBeLessThan(0.5 * width(bounded(car, { conditions: [] })));
    // The floor is no more level for that.
    expect(width(bounded(measured))).toBeLessThan(0.8 * width(bounded(car)));
  });
  it('count the cars that spin', () => {
    const spinning: CarDesign = weighing({ ...car, tyre: 'bare-disc', axleDiameter: 0.016 }, { driveLoadShare: 0.3 });
    expect(bounded(spinning).spinning).toBeGreaterThan(0.3);
    expect(bounded(car).spinning).toBe(0);
  });
});

describe('a low-discrepancy sample', () => {
  it('fills the cube more evenly than chance: means to 1 in 500, and no point twice', () => {
    const at = lowDiscrepancy(12, 3);
    const sums = new Float64Array(12);
    const seen = new Set<number>();
    for (let n = 0; n < 1000; n++) {
      const point = at(n);
      point.forEach((value, k) => (sums[k] = sums[k]! + value / 1000));
      seen.add(point[0]!);
    }
    for (const mean of sums) expect(Math.abs(mean - 0.5)).toBeLessThan(0.01);
    expect(seen.size).toBe(1000);
  });
});

describe('bounds, against the book', () => {
  /** Standard normal quantile of 0.9 (any table). */
  const Z90 = 1.2816;
  // A monotone function of one log-normal number has its quantiles at that number's quantiles (any book on probability).
  it.each([
    ['lever', 'rollingLengthDrive', -1],
    ['lever', 'bearingFriction', -1],
    ['lever', 'springRate', 1],
    ['band', 'bandLoss', -1],
    ['twist', 'armFriction', -1],
  ] as const)('of a %s car unsure of its %s alone are its runs at that value’s own bounds', (kind, key, sense) => {
    const spread = 0.15;
    const design = newCar('x', kind);
    const { distance } = bounded(known(design, { [key]: spread }), { runs: 512, conditions: [] });
    const at = (side: number): number => distanceOf(known(design, {}, Math.exp(side * spread * Z90), key));
    expect(distance.low / at(-sense)).toBeCloseTo(1, 2);
    expect(distance.middle / at(0)).toBeCloseTo(1, 2);
    expect(distance.high / at(sense)).toBeCloseTo(1, 2);
  });
  it('close on the most likely run as all becomes known', () => {
    for (const kind of kinds) {
      const { distance, time, spinning } = bounded(known(newCar('x', kind), {}), { conditions: [] });
      expect(distance.low / distance.high).toBeCloseTo(1, 6);
      expect(distance.middle).toBeCloseTo(distanceOf(newCar('x', kind)), 4);
      expect(time.low / time.high).toBeCloseTo(1, 6);
      expect([0, 1]).toContain(spinning);
    }
  });
  it('count the cars that do not get moving: fewer, the more turns are wound', () => {
    const heavy: CarDesign = weighing({ ...newCar('x', 'band'), sleeve: [], bearing: 'wood-card' }, { mass: 0.25 });
    const stuck = [3, 4, 5, 6, 8].map((turns) => bounded({ ...heavy, motor: { ...heavy.motor, turns } as CarDesign['motor'] }).stalling);
    expect(stuck).toEqual([...stuck].sort((a, b) => b - a));
    expect(stuck[0]).toBeGreaterThan(0.5);
    expect(stuck.at(-1)).toBeLessThan(0.5);
  });
});

describe('a good car on a floor called level', () => {
  it('runs a fifth further one way than the other, or more, by 2 mm in a metre', () => {
    const slope = valuesThatMatter({ ...car, care: 'careful' }).find(({ id }) => id === 'slope')!;
    const likely = distanceOf({ ...car, care: 'careful' });
    expect(Math.abs(slope.low - slope.high) / likely).toBeGreaterThan(0.15);
    expect(Math.abs(slope.low - slope.high) / likely).toBeLessThan(0.5);
  });
});

describe('what matters', () => {
  it.each(kinds)('%s: each size and value alone, as if the car were built so, the strongest first', (kind) => {
    const design = newCar('x', kind);
    const [sizes, values] = [sizesThatMatter(design), valuesThatMatter(design)];
    for (const influences of [sizes, values]) {
      const swings = influences.map(({ swing }) => swing);
      expect(swings).toEqual([...swings].sort((a, b) => b - a));
      expect(swings[0]).toBeGreaterThan(0);
    }
    for (const { id, low, high } of sizes) {
      const size = findSize(design, id);
      expect(low, id).toBe(distanceOf(size.write(design, 0.9 * size.read(design))));
      expect(high, id).toBe(distanceOf(size.write(design, 1.1 * size.read(design))));
    }
    for (const { id, low, high } of values.filter(({ id: key }) => key in VALUE_NAMES)) {
      const key = id as ValueKey;
      const { value, spread } = valueOf(design, key);
      // Log-normal, but for a slope and a sliding ratio, which are off by so much of their own unit.
      const at = (side: number): CarDesign =>
        key === 'slope' || key === 'slidingRatio'
          ? { ...design, measured: { [key]: { value: Math.min(value + side * spread, 1), spread } } }
          : known(design, {}, Math.exp(side * spread), key);
      expect(low / distanceOf(at(-1)), id).toBeCloseTo(1, 9);
      expect(high / distanceOf(at(1)), id).toBeCloseTo(1, 9);
    }
  });
  it('for a plain snap-trap car are how true its wheels run, how level the floor is and what it rolls on, before the air', () => {
    const order = valuesThatMatter(car).map(({ id }) => id);
    expect(order.slice(0, 2).sort()).toEqual(['rub', 'slope']);
    expect(order.indexOf('rollingLengthDrive')).toBeLessThan(order.indexOf('dragArea'));
  });
});
