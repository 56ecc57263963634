/** Cars with hidden true values, drawn and run without any code of the fit that has to find them. */
import type { CarDesign, MotorKind, Wind } from '../core/car/car-design.ts';
import { CARE, FLOORS } from '../core/car/catalogue.ts';
import { misfitOf } from '../core/car/fit.ts';
import { isWoundOnAxle, MOTOR_KINDS } from '../core/car/motors/motors.ts';
import { newCar } from '../core/car/new-car.ts';
import { CATALOGUE, fitCatalogue } from '../core/car/parts.ts';
import { deviated, type ValueKey } from '../core/car/value-table.ts';
import { valueKeysOf, valueOf } from '../core/car/values.ts';
import { randomGenerator, standardNormal } from '../core/numerics/low-discrepancy.ts';
import { conditionsOf } from '../core/predict/conditions.ts';
import { deriveRunSetup, fullTurns } from '../core/predict/derive-run-setup.ts';
import { simulate, type RunResult } from '../core/run/simulate.ts';
import { odexRun } from '../core/run/reference/odex-run.ts';
import { makeWorkspace } from '../core/run/workspace.ts';
import { driftAfter } from '../core/predict/straightness.ts';
import { PASSED_AT } from '../core/film/filmed-run.ts';
import type { FaultId } from '../core/trials/causes.ts';
import type { TrialGroup, TrialRun } from '../core/trials/fit/trial.ts';

const workspace = makeWorkspace();
const FULL: Wind = { kind: 'full' };

/** Dice that always fall alike. */
export function randomOf(seed: number) {
  const random = randomGenerator(seed);
  const uniform = (low = 0, high = 1): number => low + (high - low) * random();
  return { uniform, normal: (): number => standardNormal(random()) };
}

/** A car as one of its runs finds it. */
interface Truth {
  readonly design: CarDesign;
  readonly wind: Wind;
  readonly numbers: Readonly<Partial<Record<ValueKey, number>>>;
  /** 1 along the run out, −1 back. */
  readonly uphill: number;
  /** 1/m; fraction of the launch that a wheel passes on, 1 where it is fast. */
  readonly curvature: number;
  readonly passed: number;
  /** Times its weight; share by which rolling resists more at its top speed. */
  readonly heavier: number;
  readonly growth: number;
}

const RESISTS: readonly ValueKey[] = [
  'bearingFriction',
  'rollingLengthDrive',
  'rollingLengthOther',
  'rub',
  'dragArea',
  'washerFriction',
  'armFriction',
];
const GIVES: readonly ValueKey[] = ['springEfficiency', 'c1', 'c2'];
const times = (truth: Truth, keys: readonly ValueKey[], factor: number): Truth => {
  const numbers = { ...truth.numbers };
  for (const key of keys)
    if (numbers[key] !== undefined) numbers[key] = key === 'springEfficiency' ? Math.min(1, numbers[key] * factor) : numbers[key] * factor;
  return { ...truth, numbers };
};
const fewer = (truth: Truth, turns: (wound: number) => number): Truth => {
  const wound = truth.wind.kind === 'turns' ? truth.wind.turns : fullTurns(truth.design);
  return { ...truth, wind: { kind: 'turns', turns: Math.max(0.1, turns(wound)) } };
};

/** What is planted, by so much: from the least such fault to the most, evenly. */
const PLANTED: Readonly<Record<FaultId, (truth: Truth, size: number) => Truth>> = {
  rubbing: (truth, size) => times(truth, RESISTS, 1.1 + 0.5 * size),
  'weak-motor': (truth, size) => times(truth, GIVES, 0.95 - 0.3 * size),
  'low-grip': (truth, size) => times(truth, ['staticGrip'], Math.max(0.1, 0.8 - 0.4 * size)),
  'fewer-turns': (truth, size) => fewer(truth, (turns) => turns - (0.5 + 2.5 * size)),
  tied: (truth) =>
    isWoundOnAxle(truth.design.motor)
      ? { ...truth, design: { ...truth.design, motor: { ...truth.design.motor, release: 'tied' } } }
      : truth,
  'loose-wheel': (truth, size) => ({ ...truth, passed: Math.max(0.1, 0.75 - 0.5 * size) }),
  veering: (truth, size) => ({ ...truth, curvature: 0.05 + 0.12 * size }),
  'leaning-floor': (truth, size) => ({
    ...truth,
    numbers: { ...truth.numbers, slope: (truth.numbers.slope ?? 0) + truth.uphill * (size < 0.5 ? -1 : 1) * (0.003 + 0.004 * size) },
  }),
  backwards: (truth) => times(truth, GIVES, 1e-4),
  bending: (truth, size) => fewer(truth, (turns) => turns * (0.95 - 0.25 * size)),
};

type Came = Pick<RunResult, 'distance' | 'time' | 'launchGripRatio' | 'launchGripNeeded' | 'marks'>;

function resultOf({ design, wind, numbers, passed, heavier, growth }: Truth, marks: readonly number[] = []): Came | null {
  const plain = deriveRunSetup(design, wind, numbers);
  const setup = { ...plain, marks: [...marks], car: { ...plain.car, mass: heavier * plain.car.mass } };
  const first = simulate(setup, { workspace });
  if (first.kind === 'refused') return null;
  if (passed < 1) {
    const most = (passed * first.result.launchThrust) / (setup.car.mass * 9.80665 * setup.car.driveLoadShare);
    const { staticGrip, slidingGrip } = setup.surface;
    const held = simulate(
      { ...setup, surface: { ...setup.surface, staticGrip: Math.min(staticGrip, most), slidingGrip: Math.min(slidingGrip, most) } },
      { workspace },
    );
    return held.kind === 'ran' ? held.result : null;
  }
  if (growth === 0 || first.result.topSpeed === 0) return first.result;
  return { ...first.result, ...odexRun(setup, 1e-7, growth / first.result.topSpeed) };
}

/** How far straight ahead a way of this curvature leads, m. */
const straight = (distance: number, curvature: number): number =>
  curvature === 0 ? distance : Math.hypot(Math.sin(curvature * distance) / curvature, driftAfter(curvature, distance));

export interface RunAs {
  readonly times?: boolean;
  readonly design?: CarDesign;
  readonly direction?: 'out' | 'back';
  /** Whether nothing spoils it. */
  readonly isClean?: boolean;
  /** Whether what is wrong with the car was repaired before. */
  readonly isRepaired?: boolean;
  /** m from the line, at which it is timed on its way. */
  readonly marks?: readonly number[];
  /** Whether its launch is filmed, with a dot on a drive wheel. */
  readonly isFilmed?: boolean;
}

/** A car with hidden true values. */
export interface HiddenCar {
  readonly kind: MotorKind;
  readonly design: CarDesign;
  /** Its mean distance, m, and what is measured of that straight ahead. */
  readonly distance: (wind: Wind, design?: CarDesign) => number;
  readonly measured: (wind: Wind, direction: 'out' | 'back') => number;
  /** One run; null where it cannot run so. */
  readonly run: (wind: Wind, as?: RunAs) => (TrialRun & Pick<RunResult, 'marks'>) | null;
}

/** How a hidden car and its runs are unlike what the fit takes them for; as it takes them by default. */
export interface HiddenOptions {
  /** How much wider than expected its values are spread. */
  readonly wider?: number;
  /** Share that its motor gives back less at full winding. */
  readonly fading?: number;
  /** What is wrong with it, and what besides. */
  readonly fault?: FaultId | 'none';
  readonly second?: FaultId | 'none';
  /** Whether what is wrong is from next to nothing to twice as much as such faults mostly are. */
  readonly isAnySize?: boolean;
  /** Of any layout, floor, wheels, tyres, bearings and care of the catalogue. */
  readonly isAny?: boolean;
  /** rad that the floor rises or falls by at most, and that is entered. */
  readonly toldSlope?: number;
  /** Share by which rolling resists more at top speed; that the motor gives less by, as it is opened by more than four fifths; that the car weighs more. */
  readonly growth?: number;
  readonly opening?: number;
  readonly heavier?: number;
  /** Fraction of the distance that each run takes from those after it; that a tape is too short. */
  readonly fatigue?: number;
  readonly shortTape?: number;
  /** Fraction of the runs that something spoils: a quarter to a half of them is lost. */
  readonly spoiled?: number;
  /** Turns that each is wound more or less than said; m that the nose stands before or behind the line. */
  readonly turnsOff?: number;
  readonly startOff?: number;
  /** Share that the grip of one run differs by, of a car that grips just about as much as it needs. */
  readonly gripOff?: number;
}

/** m and s that a tape and a watch are off. */
const TAPE = 0.03;
const WATCH = 0.25;
/** m that a film shows; m that a place and s that the release are off in it, and the fraction by which its scale is; how often its slip misleads. As `npm run bench:film` finds them. */
const FILMED_TO = 4;
const FILM_PLACE = 0.003;
const FILM_RELEASE = 0.006;
const FILM_SCALE = 0.002;
const FILM_MISTAKES = 0.02;

/** When a filmed car passed places, as the film tells it. */
function filmOf(marks: RunResult['marks'], other: ReturnType<typeof randomOf>): Pick<TrialRun, 'splits' | 'film'> {
  const release = FILM_RELEASE * other.normal();
  const scale = FILM_SCALE * other.normal();
  const splits = marks.flatMap(({ distance: at, time }, i) => {
    const before = marks[i - 1] ?? { distance: 0, time: 0 };
    const pace = (time - before.time) / (at - before.distance);
    const seen = time + release + pace * (scale * at + FILM_PLACE * other.normal());
    return seen > 0 ? [{ at, time: seen, deviation: pace * Math.hypot(FILM_PLACE, FILM_SCALE * at) }] : [];
  });
  return { splits, film: { startDeviation: FILM_RELEASE } };
}

/** Rubber of one batch shares this much of its spread. */
const BATCH = 0.75;
/** How far resistances are moved to see how much a run scatters by them. */
const MOVED = 0.06;

/** Any car of the catalogue: its layout, floor, care and what it is made of, as far as that goes together. */
function anyOf(design: CarDesign, chance: ReturnType<typeof randomOf>): CarDesign {
  const oneOf = <T>(list: readonly T[]): T => list[Math.floor(chance.uniform() * list.length)]!;
  const floored: CarDesign = {
    ...design,
    floor: { ...design.floor, kind: oneOf(Object.keys(FLOORS) as CarDesign['floor']['kind'][]) },
    care: oneOf(Object.keys(CARE) as CarDesign['care'][]),
    layout: design.otherWheels ? { driveAxle: oneOf(['rear', 'front'] as const), otherWheelCount: oneOf([1, 2] as const) } : design.layout,
  };
  const slots = design.otherWheels ? (['driveWheels', 'otherWheels', 'tyre', 'bearing'] as const) : (['tyre'] as const);
  return slots.reduce((fitted, slot) => {
    const keys = Object.keys(CATALOGUE[slot === 'driveWheels' || slot === 'otherWheels' ? 'wheel' : slot]);
    const key = oneOf(keys);
    return misfitOf(fitted, slot, key) === null ? fitCatalogue(fitted, slot, key) : fitted;
  }, floored);
}

/** A car whose tyres were measured to hold just about as much as its launch needs. */
function justHolding(design: CarDesign, spread: number): CarDesign {
  const { value } = valueOf(design, 'staticGrip');
  const outcome = simulate(deriveRunSetup(design), { workspace });
  if (outcome.kind === 'refused' || !(outcome.result.launchGripRatio > 0)) return design;
  const just = { value: value / outcome.result.launchGripRatio, spread };
  return { ...design, measured: { ...design.measured, staticGrip: just } };
}

/** The dice of a hidden car: those of what it is and of its runs, and those of what is unlike what the fit takes it for. */
interface Dice {
  readonly chance: ReturnType<typeof randomOf>;
  readonly other: ReturnType<typeof randomOf>;
  /** sd of ln distance of its fully wound runs. */
  readonly scatter: number;
  /** How much is wrong, from the least such fault to the most. */
  readonly size: number;
}

/** The `n`th hidden car of a seed. */
export function hiddenCar(n: number, seed: number, options: HiddenOptions = {}): HiddenCar {
  const { toldSlope = 0, isAny = false, isAnySize = false, gripOff = 0 } = options;
  const chance = randomOf(seed * 1_000_003 + 7919 * n);
  const kind = MOTOR_KINDS[n % MOTOR_KINDS.length]!;
  const base: CarDesign = { ...newCar('hidden', kind), care: 'ordinary' };
  const plain: CarDesign = { ...base, wheelbase: base.wheelbase * chance.uniform(0.95, 1.15) };
  const scatter = chance.uniform(0.03, 0.08);
  const drawn = chance.uniform();
  const size = isAnySize ? 2 * drawn ** 2 - 0.15 : drawn;
  const other = randomOf(seed * 7_368_787 + n);
  const car = isAny ? anyOf(plain, other) : plain;
  const sloped: CarDesign = toldSlope === 0 ? car : { ...car, floor: { ...car.floor, slope: other.uniform(-toldSlope, toldSlope) } };
  return built(gripOff === 0 ? sloped : justHolding(sloped, gripOff), { chance, other, scatter, size }, options);
}

/** A hidden car of this design, that scatters and has what is wrong with it by this much. */
export const hiddenCarOf = (design: CarDesign, seed: number, scatter: number, size: number, options: HiddenOptions = {}): HiddenCar =>
  built(design, { chance: randomOf(seed), other: randomOf(seed + 1), scatter, size }, options);

function built(design: CarDesign, { chance, other, scatter, size }: Dice, options: HiddenOptions): HiddenCar {
  const { wider = 1, fading = 0, fault = 'none', second = 'none', growth = 0, opening = 0, heavier = 0, gripOff = 0 } = options;
  const { fatigue = 0, shortTape = 0, spoiled = 0, turnsOff = 0, startOff = 0 } = options;
  const off = new Map<string, number>();
  /** How far something is off: the same for all that share it. */
  const offOf = (id: string): number => off.get(id) ?? (off.set(id, wider * chance.normal()), off.get(id)!);
  let ran = 0;
  const truly = (wind: Wind, as = design, direction: 'out' | 'back' = 'out', isRepaired = false): Truth => {
    const uphill = direction === 'back' ? -1 : 1;
    const numbers: Partial<Record<ValueKey, number>> = {};
    for (const key of valueKeysOf(as)) {
      const value = valueOf(as, key);
      const alone = offOf(key === 'dragArea' || key === 'massHeight' ? key : `${key} ${value.value}`);
      const z = key === 'c1' || key === 'c2' ? BATCH * offOf('batch') + Math.sqrt(1 - BATCH ** 2) * alone : alone;
      numbers[key] = (key === 'slope' ? uphill : 1) * deviated(key, value, z);
    }
    const fraction = wind.kind === 'full' ? 1 : Math.min(1, wind.turns / fullTurns(as));
    const built = conditionsOf(as).reduce((car, condition) => condition.off(car, offOf(condition.id)), as);
    // From four fifths on the torque falls evenly, to so much less fully wound; where it falls the motor has 1.5 times its mean torque.
    const opened = (opening * 1.5 * Math.max(0, fraction - 0.8) ** 2) / (2 * 0.2 * fraction ** 2);
    const given = (1 - fading * fraction) * (1 - opened) * (1 - fatigue) ** ran;
    const raw: Truth = { design: built, wind, numbers, uphill, curvature: 0, passed: 1, heavier: 1 + heavier, growth };
    const sound = times(raw, GIVES, given);
    const first = fault === 'none' || isRepaired ? sound : PLANTED[fault](sound, size);
    return second === 'none' ? first : PLANTED[second](first, other.uniform());
  };
  const ln = (truth: Truth): number => Math.log(Math.max(resultOf(truth)?.distance ?? 0, 0.02));
  /** So that a full wind scatters by `scatter` of its distance: by resistances, and by half as much energy. */
  const unit = (as?: CarDesign, isRepaired = false): number => {
    const full = truly(FULL, as, 'out', isRepaired);
    const slope = (keys: readonly ValueKey[]): number =>
      (ln(times(full, keys, 1 + MOVED)) - ln(times(full, keys, 1 - MOVED))) / (2 * MOVED);
    return Math.max(Math.hypot(slope(RESISTS), 0.5 * slope(GIVES)), 0.3);
  };
  return {
    kind: design.motor.kind,
    design,
    distance: (wind, as) => resultOf(truly(wind, as))?.distance ?? 0,
    measured: (wind, direction) => {
      const truth = truly(wind, design, direction);
      return straight(resultOf(truth)?.distance ?? 0, truth.curvature);
    },
    run: (
      wind,
      { times: isTimed = false, design: as = design, direction, isClean = false, isRepaired = false, isFilmed = false, marks } = {},
    ) => {
      const by = scatter / unit(as, isRepaired);
      let wound = truly(wind, as, direction, isRepaired);
      if (turnsOff > 0 && wind.kind === 'turns') wound = fewer(wound, (turns) => turns + turnsOff * (Math.floor(other.uniform() * 3) - 1));
      if (gripOff > 0) wound = times(wound, ['staticGrip'], 1 + gripOff * other.normal());
      const luck = times(times(wound, RESISTS, Math.exp(by * chance.normal())), GIVES, Math.exp(-0.5 * by * chance.normal()));
      const result = resultOf(luck, isFilmed ? PASSED_AT.filter((at) => at <= FILMED_TO) : marks);
      ran++;
      if (!result) return null;
      const remaining = other.uniform() < spoiled && !isClean ? other.uniform(0.5, 0.75) : 1;
      const distance = Math.max(
        0,
        remaining * straight(result.distance, luck.curvature) * (1 - shortTape) + TAPE * chance.normal() + startOff * other.normal(),
      );
      const time = result.time + WATCH * chance.normal();
      const isSpinning = result.launchGripRatio < 1 && result.launchGripNeeded > 0 && luck.passed === 1;
      return {
        outcome: { kind: 'stopped', distance: Number(distance.toFixed(2)) },
        ...(isTimed && time > 0.3 && { time: Number(time.toFixed(1)) }),
        spun: chance.uniform() < (isSpinning ? 0.95 : 0.05),
        ...(isFilmed && { ...filmOf(result.marks, other), spun: isSpinning !== other.uniform() < FILM_MISTAKES }),
        marks: result.marks,
      };
    },
  };
}

/** Like runs of a hidden car; those that go further than the room hit its wall. */
export function trials(car: HiddenCar, wind: Wind, count: number, options: RunAs & { readonly room?: number } = {}): TrialGroup {
  const { room, design = car.design, direction } = options;
  const runs = Array.from({ length: count }, () => car.run(wind, options)).flatMap((run): TrialRun[] => {
    if (!run) return [];
    return room !== undefined && run.outcome.distance > room ? [{ outcome: { kind: 'hit-wall', distance: room }, spun: run.spun }] : [run];
  });
  return { design, wind, direction, runs };
}

/** The half turns nearest to a fraction of a full wind. */
export const fraction = (turns: number, part: number): Wind => ({ kind: 'turns', turns: Math.max(0.5, Math.round(2 * turns * part) / 2) });
