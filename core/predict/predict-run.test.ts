import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readCarDesign, readJson, readRunRecord, readRunSetup } from '../files/read.ts';
import { sideView } from '../geometry/side-view.ts';
import type { RunResult } from '../run/simulate.ts';
import type { BandDesign, CarDesign, LeverDesign, MotorKind } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import type { ValueKey } from '../car/value-table.ts';
import { WHEELS } from '../car/catalogue.ts';
import { deriveRunSetup, fullTurns, prepareRun } from './derive-run-setup.ts';
import { standingWeight, wheelsetOf } from '../car/weights.ts';
import { predictRun } from './predict-run.ts';
import { sizesOf } from '../car/sizes.ts';
import { limitOf } from './verdict.ts';

const KINDS: readonly MotorKind[] = ['lever', 'band', 'twist'];
const lever = newCar('New car');
const band = newCar('New car', 'band');
const roller = newCar('New car', 'twist');
const run = (design: CarDesign): RunResult => {
  const prediction = predictRun(design);
  if (prediction.kind === 'refused') throw new Error(JSON.stringify(prediction.faults));
  return prediction.result;
};
const distanceOf = (design: CarDesign): number => run(design).distance;
const faultsOf = (design: CarDesign, ...wind: [Parameters<typeof prepareRun>[1]] | []) => {
  const prepared = prepareRun(design, ...wind);
  return prepared.kind === 'refused' ? prepared.faults : [];
};
const withLever = (change: Partial<LeverDesign>): CarDesign => ({ ...lever, motor: { ...lever.motor, ...change } as LeverDesign });
const withBand = (change: Partial<BandDesign>, car: Partial<CarDesign> = {}): CarDesign => ({
  ...band,
  ...car,
  motor: { ...band.motor, ...change } as BandDesign,
});

describe.each(KINDS)('a new %s car', (kind) => {
  const car = newCar('New car', kind);
  it('passes its schema and runs without wheelspin', () => {
    expect(readCarDesign(car).kind).toBe('read');
    expect(predictRun(car)).toMatchObject({ kind: 'ran', result: { slipDistance: 0, ended: 'stopped', turnsLeft: 0 } });
  });
  it('gives a run setup that passes the published schema', () => expect(readRunSetup(deriveRunSetup(car)).kind).toBe('read'));
  it('can be read back at every size as written, within the schema over every slider', () => {
    for (const size of sizesOf(kind))
      for (const value of [size.low, (size.low + size.high) / 2, size.high]) {
        const changed = size.write(car, value);
        if (!size.id.startsWith('sleeve')) expect(size.read(changed), size.id).toBe(value);
        expect(readCarDesign(changed).kind, size.id).toBe('read');
      }
  });
  it('at any place of the sliders either runs or is refused with a key named, and can be drawn', () => {
    const sizes = sizesOf(kind);
    const places = fc.tuple(...sizes.map(({ low, high }) => fc.double({ min: low, max: high, noNaN: true })));
    fc.assert(
      fc.property(places, (values) => {
        const design = sizes.reduce((made, size, i) => size.write(made, values[i]!), car);
        const prediction = predictRun(design);
        if (prediction.kind === 'refused') expect(prediction.faults[0]!.path).not.toBe('');
        else {
          expect(Number.isFinite(prediction.result.distance)).toBe(true);
          expect(limitOf(prediction.result).kind).toBeTruthy();
        }
        const { bounds, driveWheel } = sideView(design);
        expect(bounds.right - bounds.left).toBeGreaterThanOrEqual(2 * driveWheel.radius);
      }),
      { numRuns: 200 },
    );
  });
  it('goes less far the less it is wound, without wheelspin', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.3, max: 0.95, noNaN: true }), (share) => {
        const turns = share * fullTurns(car);
        const [less, more] = [turns, 1.05 * turns].map((wound) => predictRun(car, { kind: 'turns', turns: wound }));
        if (less!.kind === 'ran' && more!.kind === 'ran') expect(less!.result.distance).toBeLessThanOrEqual(more!.result.distance);
      }),
      { numRuns: 40 },
    );
  });
});

describe('what moves with a size', () => {
  it('wheels: mass with the square, inertia with the fourth power of their diameter', () => {
    const density = WHEELS['wooden-disc'].areaDensity;
    const [small, big] = [0.1, 0.2].map((diameter) =>
      wheelsetOf({ ...lever, axleDiameter: 1e-9, driveWheels: { kind: 'wooden-disc', diameter } }, 'drive', density)!,
    );
    expect((big!.mass - 0.004) / (small!.mass - 0.004)).toBeCloseTo(4, 6);
    expect(big!.inertia / small!.inertia).toBeCloseTo(16, 0);
  });
  it('an optical disc weighs 14 to 33 g and is 1.2 mm thick (ECMA-130)', () => {
    const { areaDensity, thickness } = WHEELS['optical-disc'];
    const grams = areaDensity * Math.PI * 0.06 ** 2 * 1000;
    expect(grams).toBeGreaterThan(14);
    expect(grams).toBeLessThan(33);
    expect(thickness).toBe(0.0012);
  });
  it('ballast over an axle stands on that axle alone', () => {
    const over = (fromDriveAxle: number) =>
      standingWeight({ ...lever, mass: 0.1, driveLoadShare: 0.5, ballast: { mass: 0.1, fromDriveAxle } });
    expect(over(0).driveLoadShare).toBeCloseTo(0.75, 12);
    expect(over(lever.wheelbase).driveLoadShare).toBeCloseTo(0.25, 12);
  });
  it('a sleeve takes its turns from the bare axle: all of them are still there', () => {
    const sleeved = withBand({ turns: 9 }, { sleeve: [{ diameter: 0.01, turns: 1.5 }] });
    expect(deriveRunSetup(sleeved).motor).toMatchObject({ spool: [{ turns: 7.5 }, { radius: 0.005, turns: 1.5 }] });
    const taped = { ...lever, sleeve: [{ diameter: 0.012, turns: 1 }] };
    const setup = deriveRunSetup(taped).motor;
    const bare = setup.kind === 'lever' ? setup.spool[0]!.turns! : NaN;
    expect(bare + 1).toBeCloseTo(fullTurns(taped), 6);
  });
  it('a sleeve pulls harder at launch', () =>
    expect(run({ ...lever, sleeve: [{ diameter: 0.0064, turns: 1 }] }).launchThrust / run(lever).launchThrust).toBeGreaterThan(1.25));
  it('three wheels weigh and roll less than four', () => {
    const three: CarDesign = { ...lever, layout: { ...lever.layout, otherWheelCount: 1 } };
    expect(deriveRunSetup(three).car.otherWheels!.mass).toBeLessThan(deriveRunSetup(lever).car.otherWheels!.mass);
  });
  it('a measured value takes the place of its estimate', () => {
    const measured: CarDesign = { ...lever, measured: { bearingFriction: { value: 0.1, spread: 0.05 } } };
    expect(deriveRunSetup(measured).car.bearingFriction).toBe(0.1);
    expect(distanceOf(measured)).toBeGreaterThan(distanceOf(lever));
  });
});

/** Ranges are wide: what is called a plain car differs by a factor of about 1.6 in either direction. */
describe('common practice (no source to cite)', () => {
  const within = (metres: number, low: number, high: number): void => {
    expect(metres).toBeGreaterThan(low);
    expect(metres).toBeLessThan(high);
  };
  it('a plain snap-trap car with disc wheels on hanger wire in straws runs about 35 ft (6.7 to 17 m)', () => {
    // Short lever, 2 mm hanger wire in straws, bare discs, a rough build of 250 g.
    const plain: CarDesign = {
      ...withLever({ leverLength: 0.12, trapPosition: 0.125 }),
      mass: 0.25,
      tyre: 'bare-disc',
      bearing: 'steel-straw',
      axle: 'hanger-wire',
      axleDiameter: 0.002,
      care: 'rough',
    };
    within(distanceOf(plain), (35 * 0.3048) / 1.6, 35 * 0.3048 * 1.6);
  });
  const chain = { band: { kind: 'size', size: '64' }, series: 3, turns: 10, anchorToAxle: 0.26 } as const;
  const discCar: Partial<CarDesign> = { mass: 0.12, wheelbase: 0.28, sleeve: [], tyre: 'bare-disc', axle: 'dowel', axleDiameter: 0.006 };
  it('three size-64 bands end to end take a card car with disc wheels past 5 m, with wheelspin until the wheels get rubber tyres', () => {
    const spinning = run(withBand(chain, discCar));
    const gripping = run(withBand(chain, { ...discCar, tyre: 'rubber-band' }));
    expect(spinning.slipDistance).toBeGreaterThan(0.1);
    expect(gripping.slipDistance).toBeLessThan(0.2 * spinning.slipDistance);
    within(gripping.distance, 5, 40);
  });
  it('one light band stretched 3 in pulls about 3 N; two side by side about twice, two end to end the same at twice the stretch', () => {
    // Size 33 on a 3½ in span pulled 3 in further, before it is wound: λ = 6.5/3.5. 2.3 to 4.5 N.
    const pull = (parallel: number, series: number): number => {
      const setup = deriveRunSetup(withBand({ turns: 0.01, parallel, series, anchorToAxle: series * 6.5 * 0.0254 }));
      return (
        (run(withBand({ turns: 0.01, parallel, series, anchorToAxle: series * 6.5 * 0.0254 }, { sleeve: [] })).launchThrust *
          setup.car.driveWheels.radius) /
        (band.axleDiameter / 2) /
        0.82
      );
    };
    within(pull(1, 1), 1.5, 4.5);
    expect(pull(2, 1) / pull(1, 1)).toBeCloseTo(2, 1);
    expect(pull(1, 2) / pull(1, 1)).toBeCloseTo(1, 1);
  });
  it('a light car with large wheels and one band goes about 3 m (1.5 to 7 m)', () =>
    within(
      distanceOf(
        withBand(
          { series: 1, turns: 4.5, anchorToAxle: 0.085 },
          {
            mass: 0.09,
            wheelbase: 0.13,
            driveWheels: { kind: 'card-disc', diameter: 0.15 },
            otherWheels: { kind: 'bottle-cap', diameter: 0.03 },
          },
        ),
      ),
      1.5,
      7,
    ));
  it('a light bottle car with a strong band spins its wheels; a few tens of grams over the drive axle cut the spinning', () => {
    const light = withBand(
      { band: { kind: 'size', size: '64' }, series: 2, turns: 6, anchorToAxle: 0.2 },
      { mass: 0.08, sleeve: [], tyre: 'card-edge', body: { kind: 'bottle', width: 0.07, axleGap: 0.012 } },
    );
    const loaded: CarDesign = { ...light, ballast: { mass: 0.04, fromDriveAxle: 0 } };
    expect(run(light).slipDistance).toBeGreaterThan(0.3);
    expect(run(loaded).slipDistance).toBeLessThan(0.6 * run(light).slipDistance);
  });
  it('one turn on a sleeve of tape gets a car moving that would not start', () => {
    const heavy = withBand({ turns: 4, anchorToAxle: 0.16 }, { mass: 0.2, sleeve: [], bearing: 'wood-card', care: 'rough' });
    expect(run(heavy).stalled).toBe(true);
    expect(run({ ...heavy, sleeve: [{ diameter: 0.016, turns: 1 }] }).distance).toBeGreaterThan(0.1);
  });
  it('a band tied to the axle makes the car brake and pulls it back toward the start', () => {
    const tied = withBand({ release: 'tied' });
    expect(distanceOf(tied)).toBeLessThan(0.8 * distanceOf(band));
    expect(run(tied).rollsBack).toBe(true);
  });
  it('with a tied end or wheelspin more resistance can lengthen a run: a grippier, harder-rolling tyre does', () => {
    const spinning = withBand(chain, discCar);
    const stickier: CarDesign = { ...spinning, tyre: 'rubber-band' };
    expect(deriveRunSetup(stickier).surface.rollingResistanceDrive).toBeGreaterThan(
      deriveRunSetup(spinning).surface.rollingResistanceDrive,
    );
    expect(distanceOf(stickier)).toBeGreaterThan(distanceOf(spinning));
  });
});

describe('what cannot run', () => {
  it('is a wind above a full one', () =>
    expect(faultsOf(lever, { kind: 'turns', turns: 99 })).toMatchObject([
      { path: 'wind.turns', message: expect.stringContaining('at most 22.6') },
    ]));
  it('is a car lighter than its wheels, without wheels, with tape inside the axle, or with a band torn', () => {
    expect(faultsOf({ ...lever, mass: 0.03 })[0]).toMatchObject({ path: 'mass' });
    expect(faultsOf({ ...lever, otherWheels: null })[0]).toMatchObject({ path: 'otherWheels' });
    expect(faultsOf({ ...lever, sleeve: [{ diameter: 0.002, turns: 1 }] })[0]).toMatchObject({ path: 'sleeve[0].diameter' });
    expect(faultsOf(withBand({ turns: 60 }))[0]).toMatchObject({ path: 'motor.turns' });
    expect(faultsOf(withLever({ trapPosition: 0.02 }))[0]!.path).toMatch(/^motor\./);
  });
});

describe('what is beyond any car', () => {
  const measured = (key: ValueKey, value: number): Partial<CarDesign> => ({ measured: { [key]: { value, spread: 0.1 } } });
  const ownBand = (size: 'length' | 'width' | 'thickness', value: number): CarDesign =>
    withBand({ band: { kind: 'own', length: 0.09, width: 0.003, thickness: 0.0008, [size]: value } });
  it.each([
    [withLever({ trapPosition: 4 }), 'motor.trapPosition', 3],
    [{ ...lever, driveWheels: { kind: 'card-disc', diameter: 3 } }, 'driveWheels.diameter', 2],
    [{ ...lever, otherWheels: { kind: 'card-disc', diameter: 3 } }, 'otherWheels.diameter', 2],
    [{ ...lever, mass: 60 }, 'mass', 50],
    [ownBand('length', 4), 'motor.band', 3],
    [ownBand('width', 0.3), 'motor.band', 0.2],
    [ownBand('thickness', 0.06), 'motor.band', 0.05],
    [{ ...lever, ...measured('springRate', 60) }, 'measured.springRate', null],
    [{ ...lever, ...measured('springPreload', 60) }, 'measured.springPreload', null],
    [{ ...lever, ...measured('springEfficiency', 0.01) }, 'measured.springEfficiency', null],
    [{ ...band, ...measured('c1', 1e9) }, 'measured.c1', null],
    [{ ...band, ...measured('c2', 1e9) }, 'measured.c2', null],
    [{ ...band, ...measured('bandEfficiency', 0.01) }, 'measured.bandEfficiency', null],
    [{ ...roller, ...measured('washerFriction', 3) }, 'measured.washerFriction', null],
    [{ ...roller, ...measured('armFriction', 3) }, 'measured.armFriction', null],
    [{ ...lever, ...measured('bearingFriction', 3) }, 'measured.bearingFriction', null],
    [{ ...lever, ...measured('dragArea', 3) }, 'measured.dragArea', null],
    [{ ...lever, ...measured('massHeight', 3) }, 'measured.massHeight', null],
    [{ ...lever, ...measured('staticGrip', 6) }, 'measured.staticGrip', null],
    [{ ...lever, ...measured('rollingLengthDrive', 1) }, 'measured.rollingLengthDrive', null],
    [{ ...lever, ...measured('rollingLengthOther', 1) }, 'measured.rollingLengthOther', null],
    [{ ...lever, ...measured('driveWheelDensity', 1e5) }, 'measured.driveWheelDensity', null],
    [{ ...lever, ...measured('otherWheelDensity', 1e5) }, 'measured.otherWheelDensity', null],
  ] as readonly (readonly [CarDesign, string, number | null])[])(
    '%#: is told under the design’s own key, with its limit',
    (design, path, most) => {
      const fault = faultsOf(design).find((candidate) => candidate.path === path);
      expect(fault?.message ?? faultsOf(design)).toBeTypeOf('string');
      if (most === null) expect(fault!.message).toMatch(/far (above|below) what any car has/);
      else expect(fault!.limit).toEqual({ is: 'most', value: most });
    },
  );
  it('speaks of no key that a design does not have', () => {
    const inLine = faultsOf(withLever({ trapPosition: 0.05, leverLength: 0.3 }));
    expect(inLine.length).toBeGreaterThan(0);
    for (const { path, message } of inLine) expect(`${path} ${message}`).not.toContain('pivotToAxle');
  });
});

describe('what limits a car', () => {
  it('is named', () => {
    const floor = (slope: number): CarDesign => ({ ...lever, floor: { ...lever.floor, slope } });
    expect(limitOf(run(lever)).kind).toBe('loss');
    expect(limitOf(run(floor(0.3))).kind).toBe('stalls');
    expect(limitOf(run(floor(0.04))).kind).toBe('stops-wound');
    expect(limitOf(run(floor(-0.1))).kind).toBe('endless');
    const spinning: CarDesign = {
      ...lever,
      tyre: 'bare-disc',
      axleDiameter: 0.016,
      driveLoadShare: 0.3,
      driveWheels: { kind: 'optical-disc', diameter: 0.08 },
    };
    expect(limitOf(run(spinning)).kind).toBe('wheelspin');
  });
});

describe('files', () => {
  it('names every fault by its path', () => {
    const read = readCarDesign({ ...lever, mass: -1, tyre: 'glass', wheels: 4, motor: { ...lever.motor, leverLength: '0.2' } });
    expect(read).toMatchObject({ kind: 'faulty' });
    const lines = read.kind === 'faulty' ? read.faults.map(({ path, message }) => `${path}: ${message}`) : [];
    expect(lines).toEqual(
      expect.arrayContaining([
        'mass: must be > 0',
        expect.stringMatching(/^tyre: must be one of "bare-disc", /),
        'wheels: is not a known key; remove it or check its spelling',
        'motor.leverLength: must be a number',
      ]),
    );
    expect(lines).toHaveLength(4);
  });
  it('says when a file is no JSON at all', () =>
    expect(readJson('{', readCarDesign)).toMatchObject({ faults: [{ message: expect.stringContaining('not a JSON file') }] }));
  it('holds demo data that passes its schemas and runs', () => {
    const { cars } = JSON.parse(readFileSync(new URL('../../server/demo/skerrow.json', import.meta.url), 'utf8')) as {
      cars: { design: CarDesign; runs: { record: object }[] }[];
    };
    expect(cars).toHaveLength(5);
    for (const { design, runs } of cars) {
      expect(readCarDesign(design)).toMatchObject({ kind: 'read' });
      expect(faultsOf(design)).toEqual([]);
      for (const { record } of runs)
        expect(readRunRecord({ format: 'nimble-axle/run-record', version: 1, ...record, design })).toMatchObject({ kind: 'read' });
    }
  });
});

describe('what the other wheels scrub', () => {
  it('hangs on the floor they run on, as their own edge grips there', () => {
    const crooked = { ...lever, care: 'rough' } as CarDesign;
    const scrubOn = (kind: CarDesign['floor']['kind']): number => {
      const on = (car: CarDesign): number => deriveRunSetup({ ...car, floor: { ...car.floor, kind } }).surface.rollingResistanceOther!;
      return on(crooked) - on({ ...crooked, care: 'careful' });
    };
    // Short carpet grips a quarter better than a smooth floor (docs/model.md).
    expect(scrubOn('short-carpet') / scrubOn('smooth')).toBeCloseTo(1.25, 6);
  });
});
