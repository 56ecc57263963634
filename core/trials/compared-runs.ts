import type { CarDesign, RunRecord, Wind } from '../car/car-design.ts';
import { didNotStart } from '../car/did-not-start.ts';
import { groupedRuns } from './like-runs.ts';
import { spreadOf, type Spread } from './spread.ts';

/** A run with the car as it ran; its id and version where it is stored. */
export interface RunOfCar {
  readonly id?: string;
  readonly version?: number;
  readonly record: Omit<RunRecord, 'design'>;
  readonly design: CarDesign;
}

/** Like runs among some that were chosen: how many, and how they lie. */
export interface ComparedRuns extends Spread {
  readonly design: CarDesign;
  readonly wind: Wind;
  readonly count: number;
  readonly walls: number;
  readonly noStarts: number;
}

/** Chosen runs, those alike put together, in the order in which each group first appears. */
export function comparedRuns(runs: readonly RunOfCar[]): ComparedRuns[] {
  const designs = Object.fromEntries(runs.map(({ design }, i) => [String(i), design]));
  const tallies = runs.map(({ record: { ranAt, wind, outcome } }, i) => {
    const isWall = outcome.kind === 'hit-wall';
    const stopped = !isWall && !didNotStart(outcome);
    return {
      designId: String(i),
      turns: wind.kind === 'full' ? null : wind.turns,
      latest: ranAt,
      stopped: Number(stopped),
      walls: Number(isWall),
      noStarts: Number(didNotStart(outcome)),
      sum: stopped ? outcome.distance : 0,
      sumOfSquares: stopped ? outcome.distance ** 2 : 0,
      best: outcome,
    };
  });
  return groupedRuns({ tallies, designs }, 'like').map(({ design, wind, sums }) => ({
    design,
    wind,
    count: sums.stopped + sums.walls + sums.noStarts,
    walls: sums.walls,
    noStarts: sums.noStarts,
    ...spreadOf(sums),
  }));
}
