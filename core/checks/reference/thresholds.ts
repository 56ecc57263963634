/** Where checks begin to warn, and where they stop a car: cars that grow worse step by step past both limits. */
import { weighing } from '../../car/reference/weighing.ts';
import type { BandDesign, CarDesign, LeverDesign, TwistDesign } from '../../car/car-design.ts';
import { newCar } from '../../car/new-car.ts';
import type { RunResult } from '../../run/simulate.ts';
import type { Check } from '../check-car.ts';

export const lever = newCar('x');
export const band = newCar('x', 'band');
export const twist = newCar('x', 'twist');
export const withLever = (change: Partial<LeverDesign>): CarDesign => ({ ...lever, motor: { ...lever.motor, ...change } as LeverDesign });
export const withBand = (change: Partial<BandDesign>, car: Partial<CarDesign> = {}): CarDesign => ({
  ...band,
  ...car,
  motor: { ...band.motor, ...change } as BandDesign,
});

export const strong: Partial<BandDesign> = { band: { kind: 'size', size: '64' }, series: 2, turns: 6, anchorToAxle: 0.2 };
export const withTwist = (change: Partial<TwistDesign>): CarDesign => ({ ...twist, motor: { ...twist.motor, ...change } as TwistDesign });
const inMillimetres = ({ value }: Check): number => 1000 * value;

export interface Threshold {
  readonly id: string;
  /** A car that grows worse from `from` to `to`. */
  readonly car: (t: number) => CarDesign;
  readonly from: number;
  readonly to: number;
  /** What is measured against the limit, where it is not the check's own value. */
  readonly reading?: (check: Check, result: RunResult, design: CarDesign) => number;
  /** Where it begins to cost something, and where it stops the car; null where nothing does, or not by this number alone. Common practice, from memory. */
  readonly warns: number;
  readonly stops: number | null;
}

export const THRESHOLDS: readonly Threshold[] = [
  {
    id: 'stall-at-start',
    car: (slope) => ({ ...lever, floor: { ...lever.floor, slope } }),
    from: 0,
    to: 0.2,
    reading: ({ value }, { launchResistance }) => value / launchResistance,
    warns: 1.3,
    stops: 1,
  },
  {
    id: 'launch-grip',
    car: (t) => ({ ...band, sleeve: [], measured: { staticGrip: { value: 1 - t, spread: 0.1 } } }),
    from: 0,
    to: 0.9,
    warns: 1.2,
    stops: 1,
  },
  { id: 'stall-before-end', car: (slope) => ({ ...band, floor: { ...band.floor, slope } }), from: 0, to: 0.15, warns: 0.5, stops: 0.9 },
  {
    id: 'wheelie',
    car: (driveLoadShare) => weighing({ ...band, measured: { massHeight: { value: 0.05, spread: 0.1 } } }, { driveLoadShare }),
    from: 0.5,
    to: 0.99,
    warns: 0.08,
    stops: null,
  },
  { id: 'end-play', car: (play) => ({ ...lever, endPlay: play }), from: 0.001, to: 0.01, warns: 0.003, stops: null },
  { id: 'end-play', car: (t) => ({ ...lever, endPlay: 0.001 - t }), from: 0, to: 0.001, warns: 0.0003, stops: null },
  { id: 'hub-rub', car: (play) => ({ ...lever, endPlay: play }), from: 0.001, to: 0.08, warns: 0.0005, stops: null },
  {
    id: 'edges',
    car: (height) => ({ ...lever, floor: { ...lever.floor, edges: [{ at: 3, height }] } }),
    from: 0.001,
    to: 0.05,
    warns: 1.3,
    stops: 1,
  },
  { id: 'band-stretch', car: (turns) => withBand({ turns }), from: 5, to: 20, warns: 4.5, stops: 5.625 },
  {
    id: 'chassis-buckling',
    car: (t) => withBand(strong, { body: { ...band.body, width: 0.06 - t } }),
    from: 0,
    to: 0.0595,
    warns: 0.33,
    stops: 0.66,
  },
  {
    id: 'axle-bending',
    car: (t) => withBand(strong, { axleDiameter: 0.005 - t, sleeve: [] }),
    from: 0,
    to: 0.0035,
    warns: 0.001,
    stops: 0.002,
  },
  {
    id: 'hook-clearance',
    car: (t) => ({ ...lever, body: { ...lever.body, notched: false, axleGap: 0.012 - t } }),
    from: 0,
    to: 0.011,
    warns: 0.002,
    stops: 0,
  },
  { id: 'wheels-touch', car: (t) => ({ ...lever, wheelbase: 0.26 - t }), from: 0, to: 0.15, warns: 0.005, stops: 0 },
  { id: 'wheel-to-body', car: (t) => ({ ...lever, trackWidth: 0.11 - t }), from: 0, to: 0.06, warns: 0.003, stops: 0 },
  {
    id: 'ground-clearance',
    car: (t) => ({ ...lever, driveWheels: { ...lever.driveWheels, diameter: 0.12 - t } }),
    from: 0,
    to: 0.113,
    warns: 0.005,
    stops: 0,
  },
  {
    id: 'lever-reach',
    car: (trapPosition) => withLever({ trapPosition }),
    from: 0.18,
    to: 0.3,
    reading: ({ value }) => value / 0.18,
    warns: 0.12,
    stops: null,
  },
  {
    id: 'string-angle',
    car: (trapPosition) => withLever({ trapPosition }),
    from: 0.18,
    to: 0.4,
    warns: (50 * Math.PI) / 180,
    stops: (25 * Math.PI) / 180,
  },
  {
    id: 'lever-bends',
    car: (leverLength) => withLever({ leverLength, trapPosition: leverLength, leverMaterial: 'skewer' }),
    from: 0.05,
    to: 0.5,
    reading: ({ value }, _result, { motor }) => value / (motor as LeverDesign).leverLength,
    warns: 0.05,
    stops: 0.15,
  },
  { id: 'trap-width', car: (t) => ({ ...lever, body: { ...lever.body, width: 0.06 - t } }), from: 0, to: 0.05, warns: 0, stops: null },
  { id: 'winding-width', car: (windingWidth) => withBand({ windingWidth }), from: 0.03, to: 0.1, warns: 0, stops: null },
  {
    id: 'weight-place',
    car: (fromDriveAxle) => ({ ...lever, ballast: { mass: 0.1, fromDriveAxle } }),
    from: 0.1,
    to: 0.47,
    warns: 0.05,
    // Beyond an axle it is refused.
    stops: null,
  },
  {
    id: 'motor-on-body',
    car: (overhang) => ({ ...lever, body: { ...lever.body, overhang: -overhang } }),
    from: -0.04,
    to: 0.2,
    warns: 0,
    stops: null,
  },
  {
    id: 'lever-path',
    // One wheel in front, in the way of the lever.
    car: (diameter) => ({
      ...lever,
      wheelbase: 0.34,
      layout: { ...lever.layout, otherWheelCount: 1 },
      otherWheels: { kind: 'card-disc', diameter },
    }),
    from: 0.06,
    to: 0.25,
    warns: 0.005,
    stops: 0,
  },
  {
    id: 'string-and-deck',
    car: (overhang) => ({ ...lever, body: { ...lever.body, notched: false, overhang } }),
    from: -0.1,
    to: 0.1,
    warns: 0,
    stops: null,
  },
  {
    id: 'holes-torn',
    car: (parallel) => withBand({ ...strong, parallel, windingWidth: 0.2 } as Partial<BandDesign>, { bearing: 'wood-card' }),
    from: 0.2,
    to: 14,
    warns: 1,
    stops: 2,
  },
  {
    id: 'pull-on-the-way',
    car: (slope) => ({ ...band, sleeve: [{ kind: 'tape', diameter: 0.012, turns: 1.5 }], floor: { ...band.floor, slope } }),
    from: 0,
    to: 0.05,
    warns: 1.3,
    stops: null,
  },
  { id: 'winding-room', car: (t) => withBand({ windingWidth: 0.04 - t }), from: 0, to: 0.0372, warns: 3, stops: null },
  {
    id: 'bounce-speed',
    car: (t) => ({ ...band, care: 'rough', otherWheels: { kind: 'optical-disc', diameter: 0.12 - t } }),
    from: 0,
    to: 0.108,
    reading: ({ value, limit }) => value / limit,
    warns: 1,
    stops: 1.5,
  },
  {
    id: 'drift',
    car: (driveToe) => ({
      ...lever,
      care: 'careful',
      floor: { ...lever.floor, laneWidth: 8, roomLength: 15 },
      alignment: { ...lever.alignment, driveToe },
    }),
    from: 0,
    to: 0.03,
    warns: 4,
    stops: 8,
  },
  {
    id: 'short-room',
    car: (t) => ({ ...lever, floor: { ...lever.floor, roomLength: 40 - t } }),
    from: 0,
    to: 30,
    reading: ({ value }, _result, { floor }) => value / floor.roomLength!,
    warns: 1,
    stops: null,
  },
  // Worked by hand: 1.47 · 76.2 mm / √5.040 mm² = 49.89 turns of a size 32; a fifth more.
  {
    id: 'twisted-turns',
    car: (turns) => withTwist({ band: { kind: 'size', size: '32' }, parallel: 1, turns }),
    from: 20,
    to: 100,
    warns: 49.893,
    stops: 59.872,
  },
  { id: 'arm-reach', car: (t) => withTwist({ armLength: 0.05 - t }), from: 0, to: 0.045, reading: inMillimetres, warns: 17, stops: 8.5 },
  {
    id: 'bands-in-hole',
    car: (t) => withTwist({ band: { kind: 'size', size: '64' }, parallel: 1, turns: 10, hookToHook: 0.1 - t }),
    from: 0,
    to: 0.09,
    reading: inMillimetres,
    warns: 8,
    stops: 10,
  },
  { id: 'slack-band', car: (t) => withTwist({ turns: 10, hookToHook: 0.06 - t }), from: 0, to: 0.05, warns: 0.3, stops: 0.51 },
  {
    id: 'trap-on-deck',
    car: (t) => ({ ...lever, body: { ...lever.body, axleGap: t } }),
    from: 0.001,
    to: 0.02,
    reading: inMillimetres,
    warns: -1,
    stops: -2,
  },
  {
    id: 'pull-past-wheel',
    car: (t) => ({ ...band, wheelbase: 0.4 - t, layout: { ...band.layout, otherWheelCount: 1 } }),
    from: 0,
    to: 0.2,
    reading: inMillimetres,
    warns: 5,
    stops: 0,
  },
];
