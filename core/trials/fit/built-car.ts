import type { CarDesign, Wind } from '../../car/car-design.ts';
import { BATCH as BATCH_OF_RUBBER, deviated, SPREAD_IN_UNITS, VALUE_NAMES, type ValueKey } from '../../car/value-table.ts';
import { likelyNumbers, sinkingOf, valueKeysOf, valueOf } from '../../car/values.ts';
import { conditionsOf } from '../../predict/conditions.ts';
import { predictRun } from '../../predict/predict-run.ts';
import { AIR_DENSITY } from '../../constants.ts';
import { deriveRunSetup } from '../../predict/derive-run-setup.ts';
import type { RunSetup } from '../../run/run-setup.ts';
import type { RepairableFault, RunConditions } from './trial.ts';

/** A car as it may have turned out: its design, how it was wound, and the numbers nobody knows. */
export interface BuiltCar {
  readonly design: CarDesign;
  readonly wind: Wind;
  readonly numbers: Readonly<Partial<Record<ValueKey, number>>>;
  /** What it was built to: this says what its unknowns are called. */
  readonly asDesigned: CarDesign;
  /** Fraction of a full wind, from 0 to 1. */
  readonly fraction: number;
  /** 1 the way the floor’s slope is reported, −1 the way back. */
  readonly uphill: 1 | -1;
  /** 1/m, of the path: the way is longer than what is measured straight. */
  readonly curvature: number;
  /** Greatest push of the tyres, N, where a wheel turns on its axle beyond it; infinite where it is fast. */
  readonly mostPush: number;
  /** What was wrong with it as it ran, and was put right since. */
  readonly faults: readonly RepairableFault[];
}

/** A car built just as it was designed. `share`: of a full wind. A floor that leans one way along the run out leans the other way back. */
export function likelyCar(design: CarDesign, wind: Wind, fraction: number, { direction, faults = [] }: RunConditions = {}): BuiltCar {
  const numbers = likelyNumbers(design);
  const uphill = direction === 'back' ? -1 : 1;
  return {
    design,
    wind,
    numbers: uphill === 1 ? numbers : { ...numbers, slope: -(numbers.slope ?? 0) },
    asDesigned: design,
    fraction,
    uphill,
    curvature: 0,
    mostPush: Infinity,
    faults,
  };
}

type Numbers = Partial<Record<ValueKey, number>>;
/** Writes numbers of a car that are so many standard deviations off; false where it has no such thing. */
type Write = (numbers: Numbers, car: BuiltCar, deviations: number) => boolean;

/** Something about a car that nobody knows: how far it is off, in standard deviations, is N(0, 1). */
export interface LatentParameter {
  readonly id: string;
  readonly name: string;
  /** The car with this so many standard deviations off; the same car where it has no such thing. */
  readonly perturb: (car: BuiltCar, deviations: number) => BuiltCar;
  /** The same written into the numbers of a car, where it changes nothing else. */
  readonly into?: Write;
  /** Whether the car is another with it even where it is off by nothing. */
  readonly isThere?: true;
}

/** Values that follow from sizes and not from one part: they are off alike in every version. */
const OF_THE_WHOLE: ReadonlySet<ValueKey> = new Set(['dragArea', 'massHeight']);

const SINK: ReadonlySet<ValueKey> = new Set(['rollingLengthDrive', 'rollingLengthOther']);

/** A value of a design as the fit needs it: what it belongs to, and how far it may be off. */
interface KnownValue {
  readonly place: string;
  readonly spread: number;
}
const known = new WeakMap<CarDesign, Map<ValueKey, KnownValue>>();

/** A value of a design, worked out once: a fit asks for it thousands of times. */
function knownValue(design: CarDesign, key: ValueKey): KnownValue {
  const values = known.get(design) ?? new Map<ValueKey, KnownValue>();
  known.set(design, values);
  const before = values.get(key);
  if (before) return before;
  const { value, spread, evidence } = valueOf(design, key);
  // A heavier car sinks deeper into the same floor, and is off by as much.
  const own = evidence === 'estimated' && SINK.has(key) ? value / sinkingOf(design) : value;
  const found = { place: OF_THE_WHOLE.has(key) ? key : `${key} ${Number(own.toPrecision(9))} ${spread}`, spread };
  values.set(key, found);
  return found;
}
/** What an unknown value belongs to: the same part in another version is off by the same. */
const placeOf = (design: CarDesign, key: ValueKey): string => knownValue(design, key).place;

/** Rubber of one batch is strong or weak together, and so is every tyre’s grip on one floor: they share this much of their spread. */
const { keys: OF_A_BATCH, shared: SHARED } = BATCH_OF_RUBBER;
const OF_A_FLOOR: readonly ValueKey[] = ['staticGrip'];

const change = (numbers: Numbers, { asDesigned, uphill }: BuiltCar, key: ValueKey, deviations: number): boolean => {
  const before = numbers[key];
  if (before === undefined) return false;
  const known = knownValue(asDesigned, key).spread;
  const spread = key === 'slope' ? uphill * known : known;
  numbers[key] = deviated(key, { value: before, spread, evidence: 'estimated' }, deviations);
  return true;
};
const changeAll = (numbers: Numbers, car: BuiltCar, keys: readonly ValueKey[], deviations: number): boolean =>
  keys.filter((key) => change(numbers, car, key, deviations)).length > 0;

/** An unknown of a car’s numbers. */
const ofNumbers = (id: string, name: string, into: Write): LatentParameter => ({
  id,
  name,
  into,
  perturb: (car, deviations) => {
    const numbers = { ...car.numbers };
    return into(numbers, car, deviations) ? { ...car, numbers } : car;
  },
});

const valueUnknown = (design: CarDesign, key: ValueKey): LatentParameter => {
  const place = placeOf(design, key);
  const alone = OF_A_BATCH.includes(key) || OF_A_FLOOR.includes(key) ? Math.sqrt(1 - SHARED ** 2) : 1;
  return ofNumbers(
    place,
    VALUE_NAMES[key],
    (numbers, car, deviations) => placeOf(car.asDesigned, key) === place && change(numbers, car, key, alone * deviations),
  );
};

const BATCH = ofNumbers('batch', 'strength of the rubber', (numbers, car, deviations) =>
  changeAll(numbers, car, OF_A_BATCH, SHARED * deviations),
);

/** How clean and smooth a floor is: any tyre grips it more or less. */
const gripOf = ({ floor }: CarDesign): LatentParameter =>
  ofNumbers(
    `grip of ${floor.kind}`,
    'grip of this floor',
    (numbers, car, deviations) => car.asDesigned.floor.kind === floor.kind && changeAll(numbers, car, OF_A_FLOOR, SHARED * deviations),
  );

/** What the model does not know of windings that were not tried: it gives back less the further it is wound, by this over the range. */
const FADE = 0.015;
const FADES: readonly ValueKey[] = ['springEfficiency', 'c1', 'c2'];
/** Numbers of a motor that gives back another fraction of what it holds. */
function giveBack(numbers: Numbers, factor: number): boolean {
  const given = FADES.filter((key) => numbers[key] !== undefined);
  for (const key of given) numbers[key] = key === 'springEfficiency' ? Math.min(1, numbers[key]! * factor) : numbers[key]! * factor;
  return given.length > 0;
}
/** A car whose motor gives back another fraction of what it holds. */
export function withEnergy(car: BuiltCar, factor: number): BuiltCar {
  const numbers = { ...car.numbers };
  giveBack(numbers, factor);
  return { ...car, numbers };
}
const FADING = ofNumbers('fading', 'loss with stretch of the rubber', (numbers, car, deviations) =>
  giveBack(numbers, Math.exp(-FADE * deviations * car.fraction)),
);

/** How much more resists at top speed than at a crawl, beside what the model has of it: a fraction of what rolling and bearings take. Our estimate. */
const GROWS = 0.1;
/** It is more rather than less, and never so much less that air would push. */
const SKEWED = 0.6;
const LEAST_DRAG = 0.1;
const grown = new WeakMap<CarDesign, number>();
/** m², the drag area that takes as much at the top speed of the most likely car. */
function areaGrown(design: CarDesign): number {
  const known = grown.get(design);
  if (known !== undefined) return known;
  const prediction = predictRun(design);
  let area = 0;
  if (prediction.kind === 'ran' && prediction.result.topSpeed > 0) {
    const { energy, distance, topSpeed } = prediction.result;
    area = (2 * GROWS * (energy.rolling + energy.driveBearing + energy.otherBearing)) / distance / (AIR_DENSITY * topSpeed ** 2);
  }
  grown.set(design, area);
  return area;
}
const GROWING = ofNumbers('growing', 'resistance that grows with speed', (numbers, car, deviations) => {
  const before = numbers.dragArea ?? 0;
  const more = (areaGrown(car.asDesigned) * Math.expm1(SKEWED * deviations)) / SKEWED;
  numbers.dragArea = Math.max(before + more, LEAST_DRAG * before);
  return true;
});

/** Everything of these designs that nobody knows, each once: what versions share they share. */
export function latentParameters(designs: readonly CarDesign[]): readonly LatentParameter[] {
  const found = new Map<string, LatentParameter>();
  for (const design of designs) {
    const keys = valueKeysOf(design);
    for (const key of keys) {
      const unknown = valueUnknown(design, key);
      if (valueOf(design, key).value !== 0 || SPREAD_IN_UNITS.has(key)) found.set(unknown.id, unknown);
    }
    if (keys.includes('c1')) found.set(BATCH.id, BATCH);
    const grip = gripOf(design);
    found.set(grip.id, grip);
  }
  for (const { id, name, off } of designs.flatMap(conditionsOf))
    found.set(id, { id, name, perturb: (car, deviations) => ({ ...car, design: off(car.design, deviations) }) });
  found.set(FADING.id, FADING);
  found.set(GROWING.id, GROWING);
  return [...found.values()];
}

/** The car with each of its unknowns so far off. `off`: in standard deviations, one to an unknown. */
export function builtWith(car: BuiltCar, unknowns: readonly LatentParameter[], deviations: ArrayLike<number>): BuiltCar {
  // Numbers are written into one copy: a fit builds thousands of cars.
  let numbers = { ...car.numbers };
  let changed: BuiltCar = { ...car, numbers };
  unknowns.forEach((unknown, i) => {
    if (deviations[i] === 0 && !unknown.isThere) return;
    if (unknown.into) unknown.into(numbers, changed, deviations[i]!);
    else {
      const other = unknown.perturb(changed, deviations[i]!);
      if (other === changed) return;
      numbers = { ...other.numbers };
      changed = { ...other, numbers };
    }
  });
  return changed;
}

/** Values that resist along the run. */
const RESISTS: readonly ValueKey[] = [
  'bearingFriction',
  'rollingLengthDrive',
  'rollingLengthOther',
  'rub',
  'dragArea',
  'washerFriction',
  'armFriction',
];
/** A car all of whose resistances are this many times as large. */
export const withResistance = (car: BuiltCar, factor: number): BuiltCar => ({
  ...car,
  numbers: Object.fromEntries(
    Object.entries(car.numbers).map(([key, value]) => [key, (RESISTS as readonly string[]).includes(key) ? value * factor : value]),
  ),
});

/** A car whose tyres and floor hold this many times as much. */
export const withGrip = (car: BuiltCar, factor: number): BuiltCar => ({
  ...car,
  numbers: { ...car.numbers, staticGrip: (car.numbers.staticGrip ?? 0) * factor },
});

/** The plain numbers of its run. */
export const setupOf = ({ design, wind, numbers }: BuiltCar): RunSetup => deriveRunSetup(design, wind, numbers);
