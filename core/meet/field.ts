import { roundOf, type Brief, type Round } from '../brief/brief.ts';
import { drawnRun } from '../brief/drawn-run.ts';
import { choosesLoad } from '../brief/goal.ts';
import { figureOf, pointsTable } from '../brief/points-table.ts';
import { compareValues, countedOf, type RunValue } from '../brief/run-value.ts';
import type { CarDesign } from '../car/car-design.ts';
import type { Contest, ContestRound } from '../car/contest.ts';
import { randomGenerator, standardNormal } from '../numerics/low-discrepancy.ts';
import { prepareRun } from '../predict/derive-run-setup.ts';
import { RUN_SCATTER, runScatter } from '../predict/next-run.ts';
import type { CarOutlook } from './car-outlook.ts';
import { outlookOfEntry, type Knowledge, type KnownCar, type KnownOutlook } from './evening.ts';
import { hasPoints } from './scoring.ts';

/** A car of the field by its name. */
export interface FieldCar extends KnownCar {
  readonly name: string;
}

/** Against whom a car aims at all rounds, and how each of them is known; and what that makes of the contest. */
export interface Field {
  readonly contest: Contest;
  /** Empty where nobody else works to the brief: typical cars and the car as it is now stand for them. */
  readonly rivals: readonly { readonly name: string; readonly by: Knowledge }[];
}

/** Evenings from which points are worked out, and typical cars that stand for a field. */
const EVENINGS = 96;
const TYPICAL = 3;

/** One evening of a round: what counts of each rival. */
function eveningOf(round: Round, index: number, cars: readonly CarOutlook[], random: () => number) {
  const { goal, runs } = round;
  const values = cars.map((outlook): RunValue[] => {
    const possible = outlook.rounds[index]![drawnCar(outlook.weights, random())];
    const made = Array.from({ length: runs }, () => {
      const [along, aside] = [standardNormal(random()), standardNormal(random())];
      return random() < outlook.fails || !possible ? null : drawnRun(goal, possible, outlook, along, aside);
    });
    return made.flatMap((value) => value ?? []).sort((a, b) => compareValues(goal, a, b));
  });
  const worst = values.flatMap((list) => list.at(-1) ?? []).sort((a, b) => compareValues(goal, b, a))[0] ?? null;
  return { worst, figures: values.map((list) => figureOf(goal, countedOf(round, list, worst))) };
}

/** Which of the cars that an entry may be, at a fraction of their weights. */
function drawnCar(weights: Float64Array, fraction: number): number {
  let left = fraction;
  const at = weights.findIndex((weight) => (left -= weight) <= 0);
  return at < 0 ? weights.length - 1 : at;
}

/** The middle of numbers that are none aside; NaN of none. */
function middleOf(values: readonly number[]): number {
  const known = values.filter((value) => !Number.isNaN(value)).sort((a, b) => a - b);
  return known[known.length >> 1] ?? NaN;
}

function contestRound(round: Round, index: number, brief: Brief, cars: readonly CarOutlook[], seed: number): ContestRound {
  const { name, goal, runs, counts, missing, floor, load } = round;
  const random = randomGenerator(seed + index);
  const evenings = Array.from({ length: EVENINGS }, () => eveningOf(round, index, cars, random));
  const points = hasPoints({ brief }) ? round.points : cars.map((_, place) => cars.length + 1 - place).concat(1);
  const figures = evenings.map((evening) => evening.figures);
  const worst = middleOf(evenings.map((evening) => evening.worst?.value ?? NaN));
  return {
    name,
    goal,
    runs,
    counts,
    ...(missing && { missing }),
    floor: brief.floors.find((one) => one.name === floor)!.floor,
    load: choosesLoad(goal) ? null : load,
    points: pointsTable(figures, points),
    middle: middleOf(figures.flat()),
    worst: Number.isNaN(worst) ? null : worst,
  };
}

/**
 * The rounds of a brief with what each figure earns in them against a field.
 * @param design the car that aims at them, as it is now
 * @param others the other cars that work to the brief
 */
export function fieldOf(design: CarDesign, brief: Brief, others: readonly FieldCar[], seed = 1): Field {
  return fieldWith(
    design,
    brief,
    others.map((car, i) => ({ name: car.name, ...outlookOfEntry({ car: car.name }, brief, car, seed + 7 * i) })),
    seed,
  );
}

/** The same where it is known what the others may come to. */
export function fieldWith(design: CarDesign, brief: Brief, known: readonly (KnownOutlook & { readonly name: string })[], seed = 1): Field {
  const cars = known.map(({ outlook }) => outlook);
  if (cars.length === 0) {
    const nobody = { car: '' };
    for (let i = 0; i < TYPICAL; i++) cars.push(outlookOfEntry(nobody, brief, null, seed + 7 * i).outlook);
    cars.push(outlookOfEntry(nobody, brief, { design, runs: [] }, seed + 7 * TYPICAL).outlook);
  }
  return {
    rivals: known.map(({ name, by }) => ({ name, by })),
    contest: {
      rounds: brief.rounds.map((round, index) => contestRound(round, index, brief, cars, seed)),
      shown: brief.rounds.indexOf(roundOf(design, brief)),
      scatter: prepareRun(design).kind === 'ready' ? runScatter(design) : RUN_SCATTER,
    },
  };
}

/** The design with all rounds as its aim. */
export const aimedAt = (design: CarDesign, contest: Contest): CarDesign => ({ ...design, aim: { ...design.aim, contest } });
