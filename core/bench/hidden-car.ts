import type { CarDesign } from '../car/car-design.ts';
import { axleOf } from '../car/fitted.ts';
import type { Numbers } from '../car/value-table.ts';
import { standingWeight } from '../car/weights.ts';
import { randomGenerator, standardNormal } from '../numerics/low-discrepancy.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import type { RunSetup } from '../run/run-setup.ts';
import { rollingOfCar } from './rolling-of-car.ts';

/** A car whose true numbers the instruments read. */
export interface HiddenBuild {
  readonly design: CarDesign;
  readonly numbers: Numbers;
  /** 1/m, to the right; rad, uphill; m each. */
  readonly curvature: number;
  readonly slope: number;
  readonly outOfTrue: number;
  readonly offCentre: number;
}

/** What a hidden car truly is, by the keys that a measurement tells. */
export type Truth = Readonly<Record<string, number>>;

/** The same with what follows from it. */
export interface HiddenCar extends HiddenBuild {
  readonly weight: ReturnType<typeof standingWeight>;
  /** m, of the drive wheels; of the axle. */
  readonly radius: number;
  readonly axleDiameter: number;
  /** Rolling resistance, as a fraction of the weight. */
  readonly rolling: number;
  readonly setup: RunSetup;
}

export const hiddenCar = (build: HiddenBuild): HiddenCar => ({
  ...build,
  weight: standingWeight(build.design, build.numbers),
  radius: build.design.driveWheels.diameter / 2,
  axleDiameter: axleOf(build.design).diameter,
  rolling: rollingOfCar(build.design, build.numbers),
  setup: deriveRunSetup(build.design, { kind: 'full' }, build.numbers),
});

/** What was read, with what an exact reading would have told. */
export interface SimulatedMeasurement {
  readonly readings: object;
  readonly resolution: object;
  readonly truth: Truth;
  /** Further keys of the measurement. */
  readonly more?: object;
}

/** Readings, the division that each column was read in, and the truth behind them. */
export const simulated = (readings: object, resolution: object, truth: Truth, more?: object): SimulatedMeasurement => ({
  readings,
  resolution,
  truth,
  ...(more && { more }),
});

/** An instrument: standard deviation of a reading by hand, and its division, SI. Common practice. */
export interface Instrument {
  readonly deviation: number;
  readonly division: number;
}
export const SPRING_SCALE: Instrument = { deviation: 0.06, division: 0.05 };
export const KITCHEN_SCALE: Instrument = { deviation: 0.002, division: 0.001 };
export const TILT_BOARD: Instrument = { deviation: 0.02, division: Math.PI / 360 };
export const RULER: Instrument = { deviation: 0.001, division: 0.001 };
export const TAPE_MEASURE: Instrument = { deviation: 0.01, division: 0.01 };
export const STOPWATCH: Instrument = { deviation: 0.03, division: 0.01 };
export const CALLIPER: Instrument = { deviation: 0.00005, division: 0.00002 };

/** Standard deviation from one roll, push or run to the next, as a fraction. */
const ROLL_SCATTER = 0.05;

/** Somebody who reads instruments. */
export interface SimulatedHand {
  /** A standard normal number. */
  readonly normal: () => number;
  /** A value as an instrument shows it. */
  readonly read: (value: number, instrument: Instrument) => number;
  /** A value as it varies from roll to roll. */
  readonly varied: (value: number) => number;
}

/** The same seed reads the same. */
export function simulatedHand(seed: number): SimulatedHand {
  const random = randomGenerator(7919 * seed + 13);
  const normal = (): number => standardNormal(Math.min(Math.max(random(), 1e-9), 1 - 1e-9));
  return {
    normal,
    read: (value, { deviation, division }) => {
      const shown = Math.round((value + deviation * normal()) / division) * division;
      return Number(Math.max(shown, 0).toPrecision(8));
    },
    varied: (value) => value * (1 + ROLL_SCATTER * normal()),
  };
}

/** 0, 1, 2 … `numbered(3) // [0, 1, 2]` */
export const numbered = (count: number): number[] => Array.from({ length: count }, (_, i) => i);
