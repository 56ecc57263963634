/** Cars whose truth nobody is told, drawn and run without any code of the fit that has to find them. */
import type { CarDesign, MotorKind, Wind } from '../core/car/car-design.ts';
import { isWoundOnAxle, MOTOR_KINDS } from '../core/car/motors/motors.ts';
import { newCar } from '../core/car/new-car.ts';
import { deviated, type ValueKey } from '../core/car/value-table.ts';
import { valueKeysOf, valueOf } from '../core/car/values.ts';
import { mulberry, standardNormal } from '../core/numerics/low-discrepancy.ts';
import { CONDITIONS } from '../core/predict/conditions.ts';
import { deriveRunSetup, fullTurns } from '../core/predict/derive-run-setup.ts';
import { simulate, type RunResult } from '../core/run/simulate.ts';
import { makeWorkspace } from '../core/run/workspace.ts';
import { driftAfter } from '../core/predict/straightness.ts';
import type { CauseId } from '../core/trials/causes.ts';
import type { TrialGroup, TrialRun } from '../core/trials/fit/trial.ts';

const workspace = makeWorkspace();
const FULL: Wind = { kind: 'full' };

/** Dice that always fall alike. */
export function dice(seed: number) {
  const random = mulberry(seed);
  const uniform = (low = 0, high = 1): number => low + (high - low) * random();
  return { uniform, normal: (): number => standardNormal(random()) };
}

/** A car as one of its runs finds it. */
interface Truth {
  readonly design: CarDesign;
  readonly wind: Wind;
  readonly numbers: Readonly<Partial<Record<ValueKey, number>>>;
  /** 1 on the way out, −1 back. */
  readonly uphill: number;
  /** 1/m; share of the launch that a wheel passes on, 1 where it is fast. */
  readonly curvature: number;
  readonly passed: number;
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
const PLANTED: Readonly<Record<Exclude<CauseId, 'none'>, (truth: Truth, size: number) => Truth>> = {
  rubbing: (truth, size) => times(truth, RESISTS, 1.1 + 0.5 * size),
  'weak-motor': (truth, size) => times(truth, GIVES, 0.95 - 0.3 * size),
  'low-grip': (truth, size) => times(truth, ['staticGrip'], 0.8 - 0.4 * size),
  'fewer-turns': (truth, size) => fewer(truth, (turns) => turns - (0.5 + 2.5 * size)),
  tied: (truth) =>
    isWoundOnAxle(truth.design.motor)
      ? { ...truth, design: { ...truth.design, motor: { ...truth.design.motor, release: 'tied' } } }
      : truth,
  'loose-wheel': (truth, size) => ({ ...truth, passed: 0.75 - 0.5 * size }),
  veering: (truth, size) => ({ ...truth, curvature: 0.05 + 0.12 * size }),
  'leaning-floor': (truth, size) => ({
    ...truth,
    numbers: { ...truth.numbers, slope: (truth.numbers.slope ?? 0) + truth.uphill * (size < 0.5 ? -1 : 1) * (0.003 + 0.004 * size) },
  }),
  backwards: (truth) => times(truth, GIVES, 1e-4),
  bending: (truth, size) => fewer(truth, (turns) => turns * (0.95 - 0.25 * size)),
};

function resultOf({ design, wind, numbers, passed }: Truth): RunResult | null {
  const setup = deriveRunSetup(design, wind, numbers);
  const first = simulate(setup, { workspace });
  if (first.kind === 'refused' || passed === 1) return first.kind === 'ran' ? first.result : null;
  const most = (passed * first.result.launchThrust) / (setup.car.mass * 9.80665 * setup.car.driveLoadShare);
  const { staticGrip, slidingGrip } = setup.surface;
  const held = simulate(
    { ...setup, surface: { ...setup.surface, staticGrip: Math.min(staticGrip, most), slidingGrip: Math.min(slidingGrip, most) } },
    { workspace },
  );
  return held.kind === 'ran' ? held.result : null;
}

/** How far straight ahead a way of this curvature leads, m. */
const straight = (way: number, curvature: number): number =>
  curvature === 0 ? way : Math.hypot(Math.sin(curvature * way) / curvature, driftAfter(curvature, way));

export interface RunAs {
  readonly times?: boolean;
  readonly design?: CarDesign;
  readonly direction?: 'out' | 'back';
}

/** A car whose true values nobody is told. */
export interface HiddenCar {
  readonly kind: MotorKind;
  readonly design: CarDesign;
  /** Its mean distance, m, and what is measured of that straight ahead. */
  readonly distance: (wind: Wind, design?: CarDesign) => number;
  readonly measured: (wind: Wind, direction: 'out' | 'back') => number;
  /** One run; null where it cannot run so. */
  readonly run: (wind: Wind, as?: RunAs) => TrialRun | null;
}

export interface HiddenOptions {
  /** How much wider than thought its values are spread. */
  readonly wider?: number;
  /** Share that its motor gives back less at full winding. */
  readonly fading?: number;
  /** What is wrong with it. */
  readonly fault?: CauseId;
}

/** m and s that a tape and a watch are off. */
const TAPE = 0.03;
const WATCH = 0.25;
/** Rubber of one batch shares this much of its spread. */
const BATCH = 0.75;
/** How far resistances are moved to see how much a run scatters by them. */
const MOVED = 0.06;

/** The `n`th hidden car of a seed. */
export function hiddenCar(n: number, seed: number, { wider = 1, fading = 0, fault = 'none' }: HiddenOptions = {}): HiddenCar {
  const chance = dice(seed * 1_000_003 + 7919 * n);
  const kind = MOTOR_KINDS[n % MOTOR_KINDS.length]!;
  const base = newCar('hidden', kind);
  const design = { ...base, wheelbase: base.wheelbase * chance.uniform(0.95, 1.15) };
  const off = new Map<string, number>();
  /** How far something is off: the same for all that share it. */
  const offOf = (id: string): number => off.get(id) ?? (off.set(id, wider * chance.normal()), off.get(id)!);
  const scatter = chance.uniform(0.03, 0.08);
  const size = chance.uniform();
  const truly = (wind: Wind, as = design, direction: 'out' | 'back' = 'out'): Truth => {
    const uphill = direction === 'back' ? -1 : 1;
    const numbers: Partial<Record<ValueKey, number>> = {};
    for (const key of valueKeysOf(as)) {
      const value = valueOf(as, key);
      const alone = offOf(key === 'dragArea' || key === 'massHeight' ? key : `${key} ${value.value}`);
      const z = key === 'c1' || key === 'c2' ? BATCH * offOf('batch') + Math.sqrt(1 - BATCH ** 2) * alone : alone;
      numbers[key] = deviated(key, value, key === 'slope' ? uphill * z : z);
    }
    const share = wind.kind === 'full' ? 1 : Math.min(1, wind.turns / fullTurns(as));
    const built = CONDITIONS.reduce((made, condition) => condition.off(made, offOf(condition.id)), as);
    const sound = times({ design: built, wind, numbers, uphill, curvature: 0, passed: 1 }, GIVES, 1 - fading * share);
    return fault === 'none' ? sound : PLANTED[fault](sound, size);
  };
  const ln = (truth: Truth): number => Math.log(Math.max(resultOf(truth)?.distance ?? 0, 0.02));
  /** So that a full wind scatters by `scatter` of its distance: by resistances, and by half as much energy. */
  const unit = (as?: CarDesign): number => {
    const full = truly(FULL, as);
    const slope = (keys: readonly ValueKey[]): number =>
      (ln(times(full, keys, 1 + MOVED)) - ln(times(full, keys, 1 - MOVED))) / (2 * MOVED);
    return Math.max(Math.hypot(slope(RESISTS), 0.5 * slope(GIVES)), 0.3);
  };
  return {
    kind,
    design,
    distance: (wind, as) => resultOf(truly(wind, as))?.distance ?? 0,
    measured: (wind, direction) => {
      const truth = truly(wind, design, direction);
      return straight(resultOf(truth)?.distance ?? 0, truth.curvature);
    },
    run: (wind, { times: isTimed = false, design: as = design, direction } = {}) => {
      const by = scatter / unit(as);
      const luck = times(
        times(truly(wind, as, direction), RESISTS, Math.exp(by * chance.normal())),
        GIVES,
        Math.exp(-0.5 * by * chance.normal()),
      );
      const result = resultOf(luck);
      if (!result) return null;
      const distance = Math.max(0, straight(result.distance, luck.curvature) + TAPE * chance.normal());
      const time = result.time + WATCH * chance.normal();
      const isSpinning = result.launchGripRatio < 1 && result.launchGripNeeded > 0 && luck.passed === 1;
      return {
        outcome: { kind: 'stopped', distance: Number(distance.toFixed(2)) },
        ...(isTimed && time > 0.3 && { time: Number(time.toFixed(1)) }),
        spun: chance.uniform() < (isSpinning ? 0.95 : 0.05),
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

/** The half turns nearest to a share of a full wind. */
export const share = (turns: number, part: number): Wind => ({ kind: 'turns', turns: Math.max(0.5, Math.round(2 * turns * part) / 2) });
