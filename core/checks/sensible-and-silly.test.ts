import { describe, expect, it } from 'vitest';
import type { BandDesign, CarDesign, LeverDesign, TwistDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { weighing } from '../car/reference/weighing.ts';
import { predictRun } from '../predict/predict-run.ts';
import { checkCar } from './check-car.ts';

const lever = newCar('x');
const band = newCar('x', 'band');
const twist = newCar('x', 'twist');
const withLever = (motor: Partial<LeverDesign>, change: Partial<CarDesign> = {}): CarDesign =>
  ({ ...lever, ...change, motor: { ...lever.motor, ...motor } }) as CarDesign;
const withBand = (motor: Partial<BandDesign>, change: Partial<CarDesign> = {}): CarDesign =>
  ({ ...band, ...change, motor: { ...band.motor, ...motor } }) as CarDesign;
const withTwist = (motor: Partial<TwistDesign>, change: Partial<CarDesign> = {}): CarDesign =>
  ({ ...twist, ...change, motor: { ...twist.motor, ...motor } }) as CarDesign;
const wire = { axle: 'hanger-wire', axleDiameter: 0.002, bearing: 'steel-straw' } as const;
const dowel = { axle: 'dowel', axleDiameter: 0.006 } as const;
const SIZE_64 = { kind: 'size', size: '64' } as const;

/** Cars as people build them and are content with. */
const SENSIBLE: readonly (readonly [string, CarDesign])[] = [
  ['a trap car as begun', lever],
  ['the same, built with care', { ...lever, care: 'careful' }],
  ['on hanger wire in straws', { ...lever, ...wire }],
  ['of plywood', { ...lever, body: { ...lever.body, kind: 'plywood' } }],
  ['of foam board', { ...lever, body: { ...lever.body, kind: 'foam-board' } }],
  ['with glove tyres', { ...lever, tyre: 'cut-glove' }],
  ['with a skewer lever', withLever({ leverMaterial: 'skewer' })],
  ['with big card wheels', { ...lever, tyre: 'card-edge', driveWheels: { kind: 'card-disc', diameter: 0.16 } }],
  ['with a longer lever', withLever({ leverLength: 0.24, trapPosition: 0.25 }, { wheelbase: 0.32 })],
  ['on a dowel', { ...lever, ...dowel }],
  ['a band car as begun', band],
  ['with one band', withBand({ series: 1, anchorToAxle: 0.095, turns: 4.5 }, { wheelbase: 0.14 })],
  ['with three end to end', withBand({ series: 3, anchorToAxle: 0.27, turns: 12 }, { wheelbase: 0.3 })],
  ['on foam-board wheels', { ...band, driveWheels: { kind: 'foam-board', diameter: 0.13 } }],
  ['with a little ballast', { ...band, ballast: { mass: 0.02, fromDriveAxle: 0.03 } }],
  ['with small discs in front', { ...band, otherWheels: { kind: 'optical-disc', diameter: 0.08 } }],
  ['on three wheels, long enough for the bands', { ...band, wheelbase: 0.28, layout: { ...band.layout, otherWheelCount: 1 } }],
  ['a spool roller as begun', twist],
  ['with fewer turns', withTwist({ turns: 25 })],
  ['with a candle washer', withTwist({ washer: 'wax-slice' })],
];

/** Cars that nobody would be content with. */
const SILLY: readonly (readonly [string, CarDesign])[] = [
  ['a single wheel that the bands run through', { ...band, layout: { ...band.layout, otherWheelCount: 1 } }],
  ['a trap below its deck', { ...lever, body: { ...lever.body, axleGap: 0.012 } }],
  ['two strong bands through a spool’s hole', withTwist({ band: { kind: 'size', size: '64' }, parallel: 2 })],
  ['120 turns on one band of 3 in', withTwist({ band: { kind: 'size', size: '32' }, parallel: 1, turns: 120 })],
  ['an arm shorter than its roller is high', withTwist({ armLength: 0.008 })],
  ['a band that hangs slack in its roller', withTwist({ band: { kind: 'size', size: '117' }, parallel: 1, turns: 20 })],
  ['a trap beyond the body', withLever({ trapPosition: 0.4, leverLength: 0.38 })],
  ['a lever far from the axle', withLever({ leverLength: 0.1 })],
  ['a lever into the floor', withLever({ releaseAngle: -0.5 })],
  ['a body narrower than its trap', { ...lever, body: { ...lever.body, width: 0.03 } }],
  ['a body wider than its wheels', { ...lever, body: { ...lever.body, width: 0.14 } }],
  ['wheels through one another', { ...lever, wheelbase: 0.11 }],
  ['5° of toe', { ...lever, alignment: { ...lever.alignment, driveToe: (5 * Math.PI) / 180 } }],
  ['a 144 mm optical disc', { ...lever, driveWheels: { kind: 'optical-disc', diameter: 0.144 } }],
  ['a wooden axle in brass', { ...lever, bearing: 'steel-brass' }],
  ['bare wood in card under a kilo', weighing({ ...lever, bearing: 'wood-card' }, { mass: 1 })],
  ['a string tied to the axle', withLever({ release: 'tied' })],
  ['up a steep ramp', { ...lever, floor: { ...lever.floor, slope: 0.2 } }],
  ['six strong bands side by side', withBand({ band: SIZE_64, parallel: 6 })],
  ['a band wound to break', withBand({ turns: 17 })],
  ['bands wound on 3 mm', withBand({ windingWidth: 0.003 })],
  ['on bare bottle caps', withBand({ band: SIZE_64 }, { tyre: 'bare-disc', driveWheels: { kind: 'bottle-cap', diameter: 0.03 } })],
  [
    'a milk jug under strong bands',
    withBand({ band: SIZE_64, parallel: 3, turns: 6 }, { body: { ...band.body, kind: 'milk-jug', width: 0.02 } }),
  ],
  ['all its ballast far in front', { ...band, ballast: { mass: 0.15, fromDriveAxle: 0.3 } }],
  ['a roller on bare card, hardly wound', withTwist({ turns: 3, washer: 'bare-card' })],
  ['a hall shorter than its run', { ...lever, floor: { ...lever.floor, roomLength: 5 } }],
];

/** What keeps a car from being all good, in titles; refused counts. */
function faultsOf(design: CarDesign): string[] {
  const prediction = predictRun(design);
  if (prediction.kind === 'refused') return prediction.faults.map(({ path }) => `refused: ${path}`);
  return checkCar(design, prediction.result)
    .filter(({ verdict }) => verdict !== 'good')
    .map(({ title, verdict }) => `${verdict}: ${title}`);
}

describe('twenty sensible cars', () => {
  it.each(SENSIBLE)('%s: nothing stops it', (_name, design) => {
    expect(faultsOf(design).filter((fault) => !fault.startsWith('warning'))).toEqual([]);
  });
});

describe('twenty silly cars', () => {
  it('5° of toe stops a car: it runs in a circle', () =>
    expect(faultsOf(SILLY.find(([name]) => name === '5° of toe')![1])).toContain('stop: drift to the side'));
  it.each(SILLY)('%s: is not all good', (_name, design) => expect(faultsOf(design)).not.toEqual([]));
});
