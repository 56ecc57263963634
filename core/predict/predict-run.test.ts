import { modelOf } from '../motor/motors.ts';
import { weighing } from '../car/reference/weighing.ts';
import { formatFault } from '../fault-words.ts';
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
import { likelyNumbers } from '../car/values.ts';
import { deriveRunSetup, fullTurns, prepareRun } from './derive-run-setup.ts';
import { standingWeight, wheelsetOf } from '../car/weights.ts';
import { predictRun } from './predict-run.ts';
import { sizesOf } from '../car/sizes.ts';
import { limitingFactor } from './verdict.ts';

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
        if (!size.id.startsWith('sleeve')) expect(size.read(changed), size.id).toBeCloseTo(value);
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
          expect(limitingFactor(prediction.result).kind).toBeTruthy();
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
      wheelsetOf({ ...lever, tyre: 'bare-disc', axleDiameter: 1e-9, driveWheels: { kind: 'wooden-disc', diameter } }, 'drive', density)!,
    );
    // Two hubs of 2 g each stay as they are; the rims are bare.
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
      standingWeight({ ...weighing(lever, { mass: 0.1, driveLoadShare: 0.5 }), ballast: { mass: 0.1, fromDriveAxle } });
    expect(over(0).driveLoadShare).toBeCloseTo(0.75, 12);
    expect(over(lever.wheelbase).driveLoadShare).toBeCloseTo(0.25, 12);
  });
  it('a sleeve takes its turns from the bare axle: all of them are still there', () => {
    const sleeved = withBand({ turns: 9 }, { sleeve: [{ kind: 'tape', diameter: 0.01, turns: 1.5 }] });
    expect(deriveRunSetup(sleeved).motor).toMatchObject({ spool: [{ turns: 7.5 }, { radius: 0.005, turns: 1.5 }] });
    const taped: CarDesign = { ...lever, sleeve: [{ kind: 'tape', diameter: 0.012, turns: 1 }] };
    const setup = deriveRunSetup(taped).motor;
    const bare = setup.kind === 'lever' ? setup.spool[0]!.turns! : NaN;
    expect(bare + 1).toBeCloseTo(fullTurns(taped), 6);
  });
  it('a sleeve pulls harder at launch', () =>
    expect(
      run({ ...lever, sleeve: [{ kind: 'tape', diameter: 0.0064, turns: 1 }] }).launchThrust / run(lever).launchThrust,
    ).toBeGreaterThan(1.25));
  it('three wheels weigh and roll less than four', () => {
    const three: CarDesign = { ...lever, layout: { ...lever.layout, otherWheelCount: 1 } };
    expect(deriveRunSetup(three).car.otherWheels!.mass).toBeLessThan(deriveRunSetup(lever).car.otherWheels!.mass);
  });
  it('a car that grips or rolls better than thought at the line does so on every floor to come', () => {
    const floor: CarDesign['floor'] = { ...lever.floor, stretches: [{ from: 2, kind: 'short-carpet', slope: 0.01 }] };
    const plain = deriveRunSetup({ ...lever, floor });
    const { staticGrip, rollingLengthDrive } = likelyNumbers(lever);
    const numbers = {
      ...likelyNumbers({ ...lever, floor }),
      staticGrip: 1.2 * staticGrip!,
      rollingLengthDrive: 2 * rollingLengthDrive!,
      slope: 0.003,
    };
    const better = deriveRunSetup({ ...lever, floor }, { kind: 'full' }, numbers);
    const [was, is] = [plain.stretches![0]!, better.stretches![0]!];
    expect(is.staticGrip / was.staticGrip).toBeCloseTo(1.2, 9);
    const radius = lever.driveWheels.diameter / 2;
    const rub = numbers.rub! / radius;
    expect((is.rollingResistanceDrive - rub) / (was.rollingResistanceDrive - rub)).toBeCloseTo(2, 9);
    // What the floor leans by unseen it leans by throughout: 0.01 told, 0.003 beside.
    expect(is.slope).toBeCloseTo(0.013, 12);
  });
  it('a measured value takes the place of its estimate', () => {
    const measured: CarDesign = { ...lever, measured: { bearingFriction: { value: 0.1, spread: 0.05 } } };
    expect(deriveRunSetup(measured).car.bearingFriction).toBe(0.1);
    expect(distanceOf(measured)).toBeGreaterThan(distanceOf(lever));
  });
});

describe('what cannot run', () => {
  it('is a wind above a full one', () =>
    expect(faultsOf(lever, { kind: 'turns', turns: 99 })).toMatchObject([
      { path: 'wind.turns', limit: { is: 'most', value: 22.6, because: expect.any(String) } },
    ]));
  it('is a car lighter than its wheels, without wheels, with tape inside the axle, or with a band torn', () => {
    expect(faultsOf(weighing(lever, { mass: 0.03 }))[0]).toMatchObject({ path: 'mass' });
    expect(faultsOf({ ...lever, otherWheels: null })[0]).toMatchObject({ path: 'otherWheels' });
    expect(faultsOf({ ...lever, sleeve: [{ kind: 'tape', diameter: 0.002, turns: 1 }] })[0]).toMatchObject({ path: 'sleeve[0].diameter' });
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
    [weighing(lever, { mass: 60 }), 'mass', 50],
    [ownBand('length', 4), 'motor.band', 3],
    [ownBand('width', 0.3), 'motor.band', 0.2],
    [ownBand('thickness', 0.06), 'motor.band', 0.05],
    [{ ...lever, ...measured('springRate', 60) }, 'measured.springRate', null],
    [{ ...lever, ...measured('springPreload', 60) }, 'measured.springPreload', null],
    [{ ...lever, ...measured('springEfficiency', 0.01) }, 'measured.springEfficiency', null],
    [{ ...band, ...measured('c1', 1e9) }, 'measured.c1', null],
    [{ ...band, ...measured('c2', 1e9) }, 'measured.c2', null],
    [{ ...band, ...measured('rub', 1) }, 'measured.rollingLengthDrive', null],
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
      expect(fault).toMatchObject(most === null ? { code: 'out-of-range' } : { code: 'bound', limit: { is: 'most', value: most } });
    },
  );
  it('speaks of no key that a design does not have', () => {
    const inLine = faultsOf(withLever({ trapPosition: 0.05, leverLength: 0.3 }));
    expect(inLine.length).toBeGreaterThan(0);
    for (const fault of inLine) expect(formatFault(fault)).not.toContain('pivotToAxle');
  });
});

describe('what limits a car', () => {
  it('is named', () => {
    const floor = (slope: number): CarDesign => ({ ...lever, floor: { ...lever.floor, slope } });
    expect(limitingFactor(run(lever)).kind).toBe('loss');
    expect(limitingFactor(run(floor(0.3))).kind).toBe('stalls');
    expect(limitingFactor(run(floor(0.04))).kind).toBe('stops-wound');
    expect(limitingFactor(run(floor(-0.1))).kind).toBe('endless');
    const spinning: CarDesign = { ...lever, tyre: 'bare-disc', axleDiameter: 0.016, driveWheels: { kind: 'optical-disc', diameter: 0.08 } };
    expect(limitingFactor(run(weighing(spinning, { driveLoadShare: 0.3 }))).kind).toBe('wheelspin');
  });
});

describe('files', () => {
  it('names every fault by its path', () => {
    const read = readCarDesign({ ...lever, wheelbase: -1, tyre: 'glass', wheels: 4, motor: { ...lever.motor, leverLength: '0.2' } });
    expect(read).toMatchObject({ kind: 'faulty' });
    const lines = read.kind === 'faulty' ? read.faults.map(formatFault) : [];
    expect(lines).toEqual(
      expect.arrayContaining([
        'wheelbase: must be above 0',
        expect.stringMatching(/^tyre: must be one of "bare-disc", /),
        'wheels: is not a known key; remove it or check its spelling',
        'motor.leverLength: must be a number',
      ]),
    );
    expect(lines).toHaveLength(4);
  });
  it('says when a file is no JSON at all', () => expect(readJson('{', readCarDesign)).toMatchObject({ faults: [{ code: 'not-json' }] }));
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

describe('rub', () => {
  it('slows as a length beside the rolling friction’s: Crr = (b + rub) / R at each axle, none of it in a roller', () => {
    const rub = 0.0005;
    const { surface, car } = deriveRunSetup({ ...lever, measured: { rub: { value: rub, spread: 0.1 } } });
    const { surface: bare } = deriveRunSetup({ ...lever, measured: { rub: { value: 0, spread: 0.1 } } });
    expect(surface.rollingResistanceDrive - bare.rollingResistanceDrive).toBeCloseTo(rub / car.driveWheels.radius, 12);
    expect(surface.rollingResistanceOther! - bare.rollingResistanceOther!).toBeCloseTo(rub / car.otherWheels!.radius, 12);
    const roller = newCar('x', 'twist');
    expect(deriveRunSetup({ ...roller, care: 'rough' }).surface).toEqual(deriveRunSetup({ ...roller, care: 'careful' }).surface);
  });
});

describe('rubber', () => {
  it.each([
    ['band', 1],
    ['twist', 1.5],
  ] as const)('of a %s motor gives back less the further it is stretched: 1 − %s loss (λ − 1), never below a half', (kind, factor) => {
    const at = (loss: number) => {
      const { motor } = deriveRunSetup({ ...newCar('x', kind), measured: { bandLoss: { value: loss, spread: 0.1 } } });
      if (motor.kind === 'lever') throw new Error('a lever has no rubber');
      return { kept: motor.bandEfficiency, stretch: modelOf(motor).stretch(motor)! };
    };
    const { kept, stretch } = at(0.05);
    expect(kept).toBeCloseTo(1 - 0.05 * factor * (stretch - 1), 9);
    expect(at(0.9).kept).toBe(0.5);
  });
});
