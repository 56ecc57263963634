import type { Brief } from '../brief/brief.ts';
import type { Goal } from '../brief/goal.ts';
import type { CarDesign, Wind } from '../car/car-design.ts';
import { TYRES } from '../car/catalogue.ts';
import type { ContestRound } from '../car/contest.ts';
import { isRoller } from '../car/motors/motors.ts';
import { fitCatalogue, fitOwn } from '../car/parts.ts';
import { findSize } from '../car/sizes.ts';
import { deriveRunSetup, fullTurns, prepareRun } from '../predict/derive-run-setup.ts';
import { sampledCars } from '../predict/sampled-cars.ts';
import { runSpread } from '../brief/drawn-run.ts';
import { runFaults } from '../run/run-setup.ts';
import { simulateValidated } from '../run/simulate.ts';
import { makeWorkspace, type Workspace } from '../run/workspace.ts';
import { inRound, marksOfAll, meanOutcomes, pointsInRound, type RoundOutcome } from './all-rounds.ts';
import { exploreCar } from './explored-car.ts';
import type { PartsForSearch } from './search-dimensions.ts';
import { searchSpace } from './search-space.ts';

/** What may be changed from round to round, as the brief has it. */
type Change = Brief['rules']['change'];

/** How a car is set up for one round. */
export interface RoundSetUp {
  /** The round’s name. */
  readonly name: string;
  /** The car with what is changed for this round; the car itself where nothing helps enough, or nothing may be changed. */
  readonly design: CarDesign;
  /** Turns of the drive axle; null for a full winding. */
  readonly turns: number | null;
  /** What cars built like the present one come to fully wound, and set up so: the same cars, which the search did not use. */
  readonly before: RoundOutcome;
  readonly after: RoundOutcome;
}

/** Cars by which set-ups are searched, and by which they are reported. */
const TRIED_BY = 24;
const REPORTED_BY = 200;
/** Points below which a set-up is not worth the work. */
const WORTH = 0.2;
/** Fractions of a full winding that are tried where the car has to stop somewhere. */
const WINDS = Array.from({ length: 19 }, (_, i) => 1 - i / 20);
/** A counter of half turns shows no finer. */
const STEP = 0.5;
/** kg of ballast, and factors of the drive wheels, that are tried. */
const BALLASTS = [0, 0.01, 0.02, 0.03, 0.04, 0.05, 0.06];
const WHEELS = [0.6, 0.7, 0.8, 0.9, 1.1, 1.25, 1.4, 1.6];

/** Whether less than a full winding may do better: where the car has to stop at some place. */
const hasTarget = ({ kind }: Goal): boolean => kind === 'closest-to' || kind === 'stop-within';

/** What so many cars built to a design come to in a round. */
function outcomeOf(design: CarDesign, round: ContestRound, wind: Wind, seed: number, count: number, workspace: Workspace): RoundOutcome {
  const { contest } = design.aim;
  const asked = inRound(design, round);
  const carAt = sampledCars(asked, seed);
  const spread = runSpread(design, contest!.scatter);
  const marks = [...marksOfAll(contest!)];
  const cars = Array.from({ length: count }, (_, n) => {
    const { design: built, numbers } = carAt(n);
    const setup = deriveRunSetup(built, wind, numbers);
    if (runFaults(setup).length > 0) return null;
    const result = simulateValidated({ ...setup, marks }, { workspace });
    return [pointsInRound(round, { design: built, numbers, result, curvature: 0 }, spread)];
  });
  return meanOutcomes(cars)?.[0] ?? { points: 0, counts: 0, figure: -Infinity, distance: 0 };
}

/** What may be changed at the table, each kind as designs with it: tyres, ballast and drive wheels. */
function changesOf(design: CarDesign, { own = [] }: PartsForSearch): readonly ((from: CarDesign) => readonly CarDesign[])[] {
  const [ballast, wheels] = isRoller(design)
    ? [null, null]
    : [findSize(design, 'ballast'), design.own?.driveWheels ? null : findSize(design, 'driveWheels')];
  const present = wheels?.read(design) ?? 0;
  return [
    (from) => [
      ...Object.keys(TYRES).map((key) => fitCatalogue(from, 'tyre', key)),
      ...own.filter(({ kind }) => kind === 'tyre').map((part) => fitOwn(from, 'tyre', part)),
    ],
    (from) => (ballast ? BALLASTS.map((mass) => ballast.write(from, mass)) : []),
    (from) => (wheels ? WHEELS.map((factor) => wheels.write(from, Math.round((factor * present) / 0.005) * 0.005)) : []),
  ];
}

/**
 * For each round of the contest how the car is set up and wound: what earns the most points there, of what may be changed between rounds.
 * @param design a car that aims at all rounds
 * @param change `nothing`; turns alone; turns and one of tyres, ballast and drive wheels; or all of them
 * @param onProgress gets the fraction done; false ends the search, with the rounds that are done
 */
export function setUpsFor(
  design: CarDesign,
  change: Change,
  options: PartsForSearch & { readonly seed?: number; readonly onProgress?: (fraction: number) => boolean } = {},
): readonly RoundSetUp[] {
  const { seed = 1, onProgress = () => true } = options;
  const { contest } = design.aim;
  if (!contest || prepareRun(design).kind === 'refused') return [];
  const workspace = makeWorkspace();
  const space = searchSpace(design, options);
  const kinds = change === 'one-thing' || change === 'anything' ? changesOf(design, options) : [];
  const isOpen = (car: CarDesign): boolean => space.isAllowed(car) && exploreCar(car, workspace).stoppedBy === null;
  // The same wheels, tyres and ballast are tried for each round: what stops one is worked out once.
  const open = new Map<string, boolean>();
  const mayRun = (car: CarDesign): boolean => {
    const key = JSON.stringify([car.tyre, car.own?.tyre?.name, car.ballast.mass, car.driveWheels.diameter]);
    const known = open.get(key) ?? isOpen(car);
    open.set(key, known);
    return known;
  };
  const list: RoundSetUp[] = [];
  for (const round of contest.rounds) {
    if (!onProgress(list.length / contest.rounds.length)) break;
    const winds = (car: CarDesign): readonly (number | null)[] => {
      if (change === 'nothing' || !hasTarget(round.goal)) return [null];
      const full = fullTurns(car);
      return [null, ...WINDS.slice(1).map((fraction) => Math.round((fraction * full) / STEP) * STEP)].filter((turns) => turns !== 0);
    };
    const windOf = (turns: number | null): Wind => (turns === null ? { kind: 'full' } : { kind: 'turns', turns });
    const tried = (car: CarDesign) =>
      winds(car)
        .map((turns) => ({ car, turns, points: outcomeOf(car, round, windOf(turns), seed, TRIED_BY, workspace).points }))
        .reduce((best, one) => (one.points > best.points ? one : best));
    let best = tried(design);
    const from = best;
    const improve = (begin: CarDesign, kind: (typeof kinds)[number]): void => {
      for (const car of kind(begin)) {
        if (!mayRun(car)) continue;
        const one = tried(car);
        if (one.points > best.points + WORTH) best = one;
      }
    };
    for (const kind of kinds) improve(change === 'anything' ? best.car : design, kind);
    const fresh = (car: CarDesign, turns: number | null) => outcomeOf(car, round, windOf(turns), seed + FRESH, REPORTED_BY, workspace);
    const before = fresh(design, null);
    const after = best === from && best.turns === null ? before : fresh(best.car, best.turns);
    // What the fresh cars do not bear out is not told.
    const isWorth = after.points > before.points + WORTH;
    list.push({
      name: round.name,
      design: isWorth ? best.car : design,
      turns: isWorth ? best.turns : null,
      before,
      after: isWorth ? after : before,
    });
  }
  return list;
}
/** Added to the seed of the search for the cars that are reported. */
const FRESH = 2000;
