import { quantile } from 'simple-statistics';
import type { CarDesign, Wind } from '../car/car-design.ts';
import { conflictsOf } from '../car/fit.ts';
import { CARE } from '../car/catalogue.ts';
import { describeChanges } from '../car/difference.ts';
import { FREEING, moreCare } from '../car/flick-test.ts';
import { isSameCar } from '../car/same-design.ts';
import { checkCar, RANK, stoppedBy } from '../checks/check-car.ts';
import { goalOf } from '../brief/goal.ts';
import { hasFallenShort } from '../brief/goals.ts';
import { judgeRules, describeCompliance } from '../brief/rules.ts';
import { roundsOf, runForAim, scoreOf, simulateForAim } from '../explore/aim.ts';
import { minutesOf, partsToGet, type PartToGet } from '../explore/parts-to-get.ts';
import { roundedToBuildable, withMotorPlaced, searchDimensions } from '../explore/search-dimensions.ts';
import { solveLowerTransposed } from '../numerics/cholesky.ts';
import { lowDiscrepancy, standardNormal } from '../numerics/low-discrepancy.ts';
import type { OwnPart } from '../schema/generated/own-part.ts';
import { type Format, formatIn, type UnitSystem } from '../units/quantity.ts';
import { runFaults } from '../run/run-setup.ts';
import { builtWith, likelyCar, setupOf, latentParameters, withGrip, type LatentParameter } from './fit/built-car.ts';
import type { FittedCar } from './fit/fit-car.ts';
import { STALL } from './fit/outputs.ts';
import { distanceRow, linearFor } from './fit/predict-fitted.ts';
import { nominalSize, PRIOR_WIDTH_FACTORS } from './fit/scale-grid.ts';
import { recordOf } from '../car/motors/motors.ts';
import { findSize } from '../car/sizes.ts';

/** One change worth trying, under the fitted car. */
export interface SuggestedChange {
  /** In words, from what to what. */
  readonly words: string;
  readonly design: CarDesign;
  /** How much better by the goal, in its unit, or in points where all rounds are the aim, of the cars that the runs allow: the middle, and where 9 in 10 lie. */
  readonly gain: number;
  readonly isInPoints: boolean;
  readonly low: number;
  readonly high: number;
  /** Chance that it is better. */
  readonly chance: number;
  /** m that it then goes, the middle of the same cars. */
  readonly distance: number;
  /** What it takes: minutes at the table, and parts that are not on the car. */
  readonly minutes: number;
  readonly parts: readonly PartToGet[];
  /** How it then stands to the rules, in words; null where there are none. */
  readonly rules: string | null;
}

/** What each school holds to be better, on this car. m. */
export interface DesignTradeOff {
  readonly name: string;
  readonly less: { readonly words: string; readonly distance: number };
  readonly more: { readonly words: string; readonly distance: number };
  readonly now: number;
}

export interface NextChanges {
  /** The best first; only such as four in five draws gain by, and by more than the scatter hides. Where something stops the car: what cures that. */
  readonly changes: readonly SuggestedChange[];
  /** Ones that may help, but not surely enough to be recommended. */
  readonly unsure: number;
  /** The check or rule that stops the car as it is; null for none. */
  readonly stoppedBy: string | null;
  readonly tradeOffs: readonly DesignTradeOff[];
  /** m that the car goes as it is, the middle of the same cars. */
  readonly distance: number;
}

const FULL: Wind = { kind: 'full' };
/** Places along each way in which a car may be changed; draws of the fitted car; candidates that are looked at closely; changes told. */
const PLACES = [0.03, 0.15, 0.27, 0.39, 0.51, 0.63, 0.75, 0.87, 0.97];
const DRAWS = 60;
const SHORTLIST = 14;
const MAX_CHANGES = 6;
/** A gain below this fraction of the goal is hidden by the scatter. */
const MIN_RELATIVE_GAIN = 0.04;
/** Points that are worth a change. */
const MIN_POINTS = 0.2;
const MIN_CHANCE = 0.8;
/** 9 in 10. */
const TAIL_PROBABILITY = 0.05;

/** Minutes that freeing and squaring a car take. Our estimate. */
const OF_FREEING = 25;

/** A car as drawn from what the fit says. */
interface Draw {
  /** Standard deviations of each unknown. */
  readonly point: Float64Array;
  /** How wide what is not known of a part that is new may be, in prior standard deviations. */
  readonly width: number;
  /** ln of the misfit of the model for a changed car, compared with that for this one. */
  readonly misfit: number;
  /** m, fully wound as the car is, as the fit says it of this draw: it is what the runs tell, and the model beside it is off where values bend. */
  readonly expected: number;
}

/**
 * So many cars as the fit allows. That this builder is more careful than most is what runs say of the car that ran: of a change they say
 * nothing, so the narrow widths are left out.
 */
function drawsOf(fitted: FittedCar, design: CarDesign, count: number): Draw[] {
  const { components, unknowns, misfit, mapEstimate: found } = fitted;
  const linear = linearFor(fitted, design, FULL);
  const row = linear && distanceRow(fitted, design, FULL, linear).row;
  const wide = components.filter(({ width }) => width >= nominalSize(PRIOR_WIDTH_FACTORS));
  const total = wide.reduce((sum, { weight }) => sum + weight, 0);
  const n = components[0]!.mode.length;
  const pointAt = lowDiscrepancy(n + 1, 7);
  return Array.from({ length: count }, (_, k) => {
    // Places of the scatter in proportion to their weights.
    let left = ((k + 0.5) / count) * total;
    const component = wide.find(({ weight }) => (left -= weight) <= 0) ?? wide.at(-1)!;
    const normal = Float64Array.from(pointAt(k), standardNormal);
    const deviations = solveLowerTransposed(component.choleskyFactor, normal.slice(0, n));
    const point = component.mode.map((z, i) => z + deviations[i]!);
    return {
      point: point.slice(0, unknowns.length),
      expected: row ? Math.exp(row.value + row.slope.reduce((sum, by, i) => sum + by * (point[i]! - found[i]!), 0)) - STALL : NaN,
      width: component.width,
      misfit: Math.SQRT2 * misfit * component.misfitFactor * normal[n]!,
    };
  });
}

/** What a car comes to by the goal, and how far. */
interface Ran {
  readonly score: number;
  readonly distance: number;
}

/** Score and distance of a design where its unknowns are so far off; null where it cannot run so. */
function runOf({ workspace }: FittedCar, design: CarDesign, unknowns: readonly LatentParameter[], point: ArrayLike<number>): Ran | null {
  const built = builtWith(likelyCar(design, FULL, 1), unknowns, point);
  const setup = setupOf(built);
  if (runFaults(setup).length > 0) return null;
  const result = simulateForAim(design.aim, setup, workspace);
  return { score: scoreOf(design, result, built.numbers, roundsOf(design, result, built.numbers, workspace)), distance: result.distance };
}

/** Runs of a design for each of the cars that the fit allows; what a change brings again, and no run has told of, is drawn too. Null where one cannot run. */
function runsOf(fitted: FittedCar, design: CarDesign, draws: readonly Draw[]): readonly (Ran | null)[] {
  const known = new Set(fitted.unknowns.map(({ id }) => id));
  const fresh = latentParameters([design]).filter(({ id }) => !known.has(id));
  const pointAt = lowDiscrepancy(Math.max(fresh.length, 1), 11);
  const unknowns = [...fitted.unknowns, ...fresh];
  return draws.map(({ point: place, width }, k) =>
    runOf(fitted, design, unknowns, [...place, ...fresh.map((_, i) => width * standardNormal(pointAt(k)[i]!))]),
  );
}

/** Verdict and excess of each check of a design that fails, by its id; the excess as a fraction of its limit. */
function failing(
  design: CarDesign,
): ReadonlyMap<string, { readonly rank: number; readonly excess: number; readonly title: string }> | null {
  const run = runForAim(design);
  if (!run) return null;
  return new Map(
    checkCar(design, run)
      .filter(({ verdict }) => verdict !== 'good')
      .map(({ id, title, verdict, value, limit, limitIs }) => {
        const over = limitIs === 'most' ? value - limit : limit - value;
        return [id, { rank: RANK[verdict], excess: over / Math.max(Math.abs(limit), 1e-9), title }] as const;
      }),
  );
}
type Failing = NonNullable<ReturnType<typeof failing>>;
/** A check that fails already may fail by so much more: rounding of sizes, no more. */
const WORSE = 0.02;

/** Whether a change creates a failing check, or makes one fail by more. */
const makesWorse = (before: Failing, after: Failing): boolean =>
  [...after].some(([id, { rank, excess }]) => {
    const was = before.get(id);
    // What only costs something is in the gain; what stops the car is not bought.
    if (rank !== RANK.stop) return false;
    return !was || was.rank !== RANK.stop || excess > was.excess + WORSE * Math.max(1, was.excess);
  });

/** Whether every part of the builder's own still has its own diameter: another size would be another part. */
const areOwnPartsAsTheyAre = ({ own, driveWheels, otherWheels, axleDiameter }: CarDesign): boolean =>
  (
    [
      [own?.driveWheels, driveWheels.diameter],
      [own?.otherWheels, otherWheels?.diameter],
      [own?.axle, axleDiameter],
    ] as const
  ).every(
    ([part, diameter]) => part?.values.diameter === undefined || diameter === undefined || Math.abs(part.values.diameter - diameter) < 1e-6,
  );

/** Every design that differs from this one by a single change a builder would make. */
function candidatesOf(design: CarDesign, own: readonly OwnPart[], format: Format): CarDesign[] {
  const result = runForAim(design);
  const remedies = result ? checkCar(design, result).flatMap((check) => check.remedies(format).map((remedy) => remedy.design)) : [];
  const turned = searchDimensions(design, { own }).flatMap((turn) => PLACES.map((fraction) => withMotorPlaced(turn(design, fraction))));
  const freed = moreCare(design).map((care) => withCare(design, care));
  const conflicts = conflictsOf(design).length;
  const found: CarDesign[] = [];
  for (const candidate of [...remedies.map((remedy) => roundedToBuildable(remedy, design)), ...turned, ...freed]) {
    // A change of the floor is none of the car's.
    const onIts = { ...candidate, floor: design.floor };
    if (
      isSameCar(onIts, design) ||
      !areOwnPartsAsTheyAre(onIts) ||
      conflictsOf(onIts).length > conflicts ||
      found.some((other) => isSameCar(other, onIts))
    )
      continue;
    found.push(onIts);
  }
  return found;
}

/** All of them that nothing stops. */
export const allChanges = (design: CarDesign): CarDesign[] =>
  candidatesOf(design, [], formatIn('metric')).filter((candidate) => {
    const run = runForAim(candidate);
    return run !== null && stoppedBy(candidate, run) === null;
  });

/** The design itself is what a lever, band or wheel is called by: of several places along one dimension the best is kept. */
const whatChanges = (from: CarDesign, to: CarDesign): string =>
  Object.keys({ ...from, ...to })
    .filter((key) => JSON.stringify(from[key as keyof CarDesign]) !== JSON.stringify(to[key as keyof CarDesign]))
    .sort()
    .join(' ');

/**
 * Changes ranked by what they gain under the fitted car, by the goal. Recommended are only those by which four in five draws gain, and
 * by more than the scatter hides. `own`: parts in the drawer.
 */
export function nextChanges(
  fitted: FittedCar,
  design: CarDesign,
  { own = [], units = 'metric' }: { readonly own?: readonly OwnPart[]; readonly units?: UnitSystem } = {},
): NextChanges | null {
  const format: Format = formatIn(units);
  const likely = fitted.mapEstimate.slice(0, fitted.unknowns.length);
  const now = runOf(fitted, design, fitted.unknowns, likely);
  const before = failing(design);
  if (!now || !before) return null;
  // A failing check or rule is cured first: only what does that is worth trying then.
  const stopped = [...before.values()].find(({ rank }) => rank === RANK.stop)?.title ?? null;
  const tried = candidatesOf(design, own, format)
    .flatMap((candidate) => {
      const run = runOf(fitted, candidate, fitted.unknowns, likely);
      return run ? [{ design: candidate, gain: run.score - now.score }] : [];
    })
    .sort((a, b) => b.gain - a.gain);
  const worth = Math.max(
    design.aim.contest ? MIN_POINTS : 0,
    MIN_RELATIVE_GAIN * (hasFallenShort(now.score) || goalOf(design.aim).kind === 'closest-to' ? now.distance : Math.abs(now.score)),
  );
  const kinds = new Set<string>();
  const shortlist: CarDesign[] = [];
  for (const { design: candidate, gain } of tried) {
    const what = whatChanges(design, candidate);
    if (shortlist.length === SHORTLIST || kinds.has(what) || (stopped === null && gain < worth)) continue;
    const after = failing(candidate);
    if (!after || makesWorse(before, after)) continue;
    if (stopped !== null && [...after.values()].some(({ rank, title }) => rank === RANK.stop && title === stopped)) continue;
    kinds.add(what);
    shortlist.push(candidate);
  }
  const draws = drawsOf(fitted, design, DRAWS);
  const asModelled = runsOf(fitted, design, draws);
  // Each draw goes as far as the runs tell of it, and a changed one by as much further or less.
  const factors = asModelled.map((run, k) => (run && run.distance > 0 && draws[k]!.expected > 0 ? draws[k]!.expected / run.distance : 1));
  const scaled = (runs: readonly (Ran | null)[]): readonly (Ran | null)[] =>
    runs.map(
      (run, k) => run && { distance: factors[k]! * run.distance, score: run.score === run.distance ? factors[k]! * run.score : run.score },
    );
  const as = scaled(asModelled);
  const changes = shortlist.map((candidate): SuggestedChange => {
    const runs = scaled(runsOf(fitted, candidate, draws));
    const gains = runs
      .map((run, k) => {
        const score = run?.score ?? -Infinity;
        return score + (Number.isFinite(score) ? Math.abs(score) * draws[k]!.misfit : 0) - (as[k]?.score ?? -Infinity);
      })
      .map((by) => (Number.isNaN(by) ? 0 : by));
    const parts = partsToGet(design, candidate, own, format);
    const rules = judgeRules(candidate, candidate.limits);
    return {
      words:
        candidate.care === design.care
          ? describeChanges(design, candidate, units)
          : `${FREEING}: ${describeChanges(design, candidate, units)}`,
      design: candidate,
      gain: quantile(gains, 0.5),
      isInPoints: design.aim.contest !== undefined,
      low: quantile(gains, TAIL_PROBABILITY),
      high: quantile(gains, 1 - TAIL_PROBABILITY),
      chance: gains.filter((by) => by > 0).length / gains.length,
      distance: middleDistance(runs),
      minutes: candidate.care === design.care ? minutesOf(1, parts) : OF_FREEING,
      parts,
      rules: rules.length > 0 ? describeCompliance(rules, format).words : null,
    };
  });
  const sure = changes
    .filter(({ chance, gain }) => stopped !== null || (chance >= MIN_CHANCE && gain >= worth))
    .sort((a, b) => b.gain - a.gain);
  return {
    changes: sure.slice(0, MAX_CHANGES),
    unsure: changes.length - sure.length,
    stoppedBy: stopped,
    tradeOffs: tradeOffsOf(fitted, design, draws, scaled, format),
    distance: middleDistance(as),
  };
}

/** m that the middle one of some cars goes; those that cannot run go nowhere. */
const middleDistance = (runs: readonly (Ran | null)[]): number =>
  quantile(
    runs.map((run) => run?.distance ?? 0),
    0.5,
  );

/** The design built with more care. What was fitted or measured of its rub is of the car as it was: freed, it is less by as much. */
function withCare(design: CarDesign, care: CarDesign['care']): CarDesign {
  const { rub, ...measured } = design.measured;
  const freed = rub && { ...rub, value: (rub.value * CARE[care].rub) / CARE[design.care].rub };
  return { ...design, care, measured: freed ? { ...measured, rub: freed } : measured };
}

/** The trade-off of the motor’s own size, where it has one: shorter and longer by as much. */
function sizeTradeOff(design: CarDesign, distance: (changed: CarDesign) => number, now: number, format: Format): DesignTradeOff[] {
  const { tradeOff } = recordOf(design.motor);
  if (!tradeOff) return [];
  const { read, write } = findSize(design, tradeOff.size);
  const side = (factor: number) => {
    const metres = factor * read(design);
    return { words: `${tradeOff.noun} ${format(metres, 'size')}`, distance: distance(withMotorPlaced(write(design, metres))) };
  };
  return [{ name: tradeOff.name, less: side(1 - LONGER), more: side(1 + LONGER), now }];
}

/** kg more or less, and how much longer or shorter a lever and how much more or less grip the schools argue about. */
const LIGHTER = 0.02;
const LONGER = 0.2;
const GRIPPIER = 0.25;

function tradeOffsOf(
  fitted: FittedCar,
  design: CarDesign,
  draws: readonly Draw[],
  scaled: (runs: readonly (Ran | null)[]) => readonly (Ran | null)[],
  format: Format,
): DesignTradeOff[] {
  const distance = (changed: CarDesign): number => middleDistance(scaled(runsOf(fitted, changed, draws)));
  const now = distance(design);
  const { rest } = design;
  const weight = (by: number): CarDesign => ({ ...design, rest: { ...rest, mass: rest.mass + by } });
  const grip = (factor: number): number =>
    middleDistance(
      scaled(
        draws.map(({ point: place }) => {
          const built = withGrip(builtWith(likelyCar(design, FULL, 1), fitted.unknowns, place), factor);
          const setup = setupOf(built);
          if (runFaults(setup).length > 0) return null;
          const { distance: far } = simulateForAim(design.aim, setup, fitted.workspace);
          return { score: far, distance: far };
        }),
      ),
    );
  const tradeOffs: DesignTradeOff[] = [
    {
      name: 'light or heavy',
      less: { words: `${format(LIGHTER, 'weight')} lighter`, distance: rest.mass > LIGHTER ? distance(weight(-LIGHTER)) : NaN },
      more: { words: `${format(LIGHTER, 'weight')} heavier`, distance: distance(weight(LIGHTER)) },
      now,
    },
    ...sizeTradeOff(design, distance, now, format),
    {
      name: 'less or more grip',
      less: { words: 'a quarter less grip', distance: grip(1 - GRIPPIER) },
      more: { words: 'a quarter more grip', distance: grip(1 + GRIPPIER) },
      now,
    },
  ];
  return tradeOffs.filter(({ less, more }) => Number.isFinite(less.distance) && Number.isFinite(more.distance));
}
