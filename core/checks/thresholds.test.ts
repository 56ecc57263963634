import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../car/car-design.ts';
import { predictRun } from '../predict/predict-run.ts';
import { formatBy } from '../units/quantity.ts';
import { checkCar, type Check } from './check-car.ts';
import { band, lever, strong, THRESHOLDS, twist, withBand, withLever, withTwist, type Threshold } from './reference/thresholds.ts';

const checked = ({ id, reading }: Threshold, design: CarDesign) => {
  const prediction = predictRun(design);
  if (prediction.kind === 'refused') throw new Error(JSON.stringify(prediction.faults));
  const check = checkCar(design, prediction.result).find((candidate) => candidate.id === id);
  if (!check) throw new Error(`no check ${id}`);
  return { check, reading: reading ? reading(check, prediction.result, design) : check.value };
};

/** The last car of which this holds, and the first of which it does not, a billionth of the distance apart. */
function edge(threshold: Threshold, holds: (check: Check) => boolean) {
  let [good, bad] = [threshold.from, threshold.to];
  for (let k = 0; k < 40; k++) {
    const middle = (good + bad) / 2;
    if (holds(checked(threshold, threshold.car(middle)).check)) good = middle;
    else bad = middle;
  }
  return [checked(threshold, threshold.car(good)), checked(threshold, threshold.car(bad))] as const;
}

describe('every check, from both sides of its limit', () => {
  it.each(THRESHOLDS)('$id warns at its limit and not before', (threshold) => {
    const [before, after] = edge(threshold, ({ verdict }) => verdict === 'good');
    expect(before.check.verdict).toBe('good');
    expect(after.check.verdict).not.toBe('good');
    expect(before.reading).toBeCloseTo(threshold.warns, 3);
    expect(after.reading).toBeCloseTo(threshold.warns, 3);
    expect(before.check.remedies(formatBy(String))).toEqual([]);
  });
  it.each(THRESHOLDS.filter(({ stops }) => stops !== null))('$id stops a car where it fails or hurts, and not before', (threshold) => {
    const [before, after] = edge(threshold, ({ verdict }) => verdict !== 'stop');
    expect(before.check.verdict).toBe('warning');
    expect(after.check.verdict).toBe('stop');
    expect(before.reading).toBeCloseTo(threshold.stops!, 3);
    expect(after.reading).toBeCloseTo(threshold.stops!, 3);
  });
});

describe('a size that a check offers', () => {
  const unequal: CarDesign = {
    ...lever,
    driveWheels: { ...lever.driveWheels, diameter: 0.2 },
    otherWheels: { kind: 'bottle-cap', diameter: 0.04 },
  };
  it.each([
    ['hook-clearance', { ...lever, body: { ...lever.body, notched: false, axleGap: 0.003 } }],
    ['wheels-touch', { ...unequal, wheelbase: 0.07 }],
    ['wheel-to-body', { ...lever, trackWidth: 0.05 }],
    ['winding-room', withBand({ windingWidth: 0.004 })],
  ] as const)('%s: just keeps its limit', (id, design) => {
    const threshold = THRESHOLDS.find((known) => known.id === id)!;
    const [remedy] = checked(threshold, design).check.remedies(formatBy(String));
    const { value, limit, verdict } = checked(threshold, remedy!.design).check;
    expect(value).toBeCloseTo(limit, 9);
    expect(verdict === 'good' || Math.abs(value - limit) < 1e-12).toBe(true);
  });
});

describe('what a check says follows what it finds', () => {
  const told = (id: string, design: CarDesign): string =>
    checked(
      THRESHOLDS.find((known) => known.id === id)!,
      design,
    ).check.sentence(formatBy((value) => value.toPrecision(3)));
  const towed = (toe: number): CarDesign => ({ ...lever, care: 'careful', alignment: { ...lever.alignment, driveToe: toe } });
  it.each([
    ['lever-reach', withLever({ trapPosition: 0.3 }), 'short of'],
    ['lever-reach', withLever({ trapPosition: 0.17 }), 'beyond'],
    ['drift', towed(0.02), 'to the right'],
    ['drift', towed(-0.02), 'to the left'],
    ['drift', lever, 'designed to run straight'],
    ['wheel-to-body', lever, 'clear the body by 0.0244'],
    ['wheel-to-body', { ...lever, trackWidth: 0.05 }, '0.00560 too wide'],
    ['wheels-touch', lever, '0.140 apart'],
    ['wheels-touch', { ...lever, wheelbase: 0.11 }, 'by 0.0100'],
    ['hook-clearance', { ...lever, body: { ...lever.body, axleGap: 0.012, notched: false } }, 'clear the body by 0.00640'],
    ['hook-clearance', { ...lever, body: { ...lever.body, notched: false, axleGap: 0.003 } }, 'hits the body'],
    ['ground-clearance', lever, '0.0544'],
    [
      'ground-clearance',
      { ...lever, body: { ...lever.body, axleGap: 0.012 }, otherWheels: { kind: 'bottle-cap', diameter: 0.02 } },
      '0.00840',
    ],
    ['wheelie', { ...lever, layout: { ...lever.layout, driveAxle: 'front' } }, 'on the rear wheels'],
    ['wheelie', lever, 'on the front wheels'],
    ['winding-room', withBand({ windingWidth: 0.004 }), 'snag'],
    ['short-room', { ...lever, floor: { ...lever.floor, roomLength: 100 } }, 'before the wall'],
    ['short-room', { ...lever, floor: { ...lever.floor, roomLength: 10 } }, 'at least'],
    ['band-stretch', withBand({ turns: 16 }), 'Wear glasses'],
    ['chassis-buckling', withBand(strong, { body: { ...band.body, kind: 'milk-jug', width: 0.03 } }), 'A stick glued'],
  ] as const)('%s', (id, design, words) => expect(told(id, design)).toContain(words));
  it('nothing of danger where there is none', () => {
    for (const id of ['winding-room', 'band-stretch', 'chassis-buckling']) expect(told(id, band)).not.toMatch(/snag|glasses|stick glued/);
  });
  it('a tube buckles as a ring: π r³ t (any mechanics handbook)', () => {
    const valueOf = (body: CarDesign['body']): number =>
      checked(
        THRESHOLDS.find(({ id }) => id === 'chassis-buckling')!,
        { ...band, body },
      ).check.value;
    const ring = 2.5e9 * Math.PI * 0.03 ** 3 * 0.3e-3;
    const sheet = 3e9 * ((0.06 * 0.005 ** 3) / 12);
    const [tube, balsa] = (['bottle', 'balsa'] as const).map((kind) => valueOf({ ...band.body, kind }));
    expect(balsa! / tube!).toBeCloseTo(ring / sheet, 3);
  });
  it('twisted bands are as thick as their volume makes them: 1.3 √(4 V / (π ℓ)) = 6.21 mm of a size 64 in 50 mm', () =>
    expect(told('bands-in-hole', withTwist({ band: { kind: 'size', size: '64' }, parallel: 1, turns: 10 }))).toContain('0.00621 thick'));
  it('of a tied band that hangs slack, nothing is wound up again', () => {
    const slack = withBand({ release: 'tied', turns: 0.5, series: 6 });
    const prediction = predictRun(slack);
    if (prediction.kind === 'refused') throw new Error('refused');
    expect(prediction.result.storedEnergy).toBe(0);
    expect(checkCar(slack, prediction.result).find(({ id }) => id === 'tied-release')).toMatchObject({ value: 0, verdict: 'good' });
  });
  it('is told the worst first, and only of what the car has', () => {
    const listOf = (design: CarDesign): Check[] => {
      const prediction = predictRun(design);
      return prediction.kind === 'ran' ? checkCar(design, prediction.result) : [];
    };
    const verdicts = listOf({ ...lever, trackWidth: 0.05, wheelbase: 0.121 }).map(({ verdict }) => verdict);
    expect(verdicts.indexOf('stop')).toBe(0);
    expect(verdicts.lastIndexOf('warning')).toBeLessThan(verdicts.indexOf('good'));
    const idsOf = (design: CarDesign): string[] => listOf(design).map(({ id }) => id);
    expect(idsOf(twist).sort()).toEqual([
      'arm-reach',
      'band-stretch',
      'bands-in-hole',
      'launch-grip',
      'parts-fit',
      'pull-on-the-way',
      'slack-band',
      'stall-at-start',
      'stall-before-end',
      'twisted-turns',
    ]);
    expect(idsOf(band)).not.toContain('lever-reach');
    expect(idsOf(lever)).not.toContain('band-stretch');
    expect(idsOf(withLever({ release: 'tied' }))).toContain('tied-release');
    expect(idsOf(lever)).not.toContain('tied-release');
  });
});
