import type { CarDesign } from '../car/car-design.ts';
import type { RunOfCar } from './compared-runs.ts';
import { fitCar } from './fit/fit-car.ts';
import { posteriorChanges, type PosteriorChange } from './posterior-change.ts';
import { isWound, newestGroups, trialGroups } from './trial-groups.ts';

/** A quantity of the car as its runs tell it without what was filmed, and with it. */
export interface BeforeAndAfter {
  readonly without: PosteriorChange;
  readonly with: PosteriorChange;
}

/** What the films of a car’s runs brought. */
export interface FilmGain {
  readonly resistance: BeforeAndAfter;
  readonly energy: BeforeAndAfter;
}

/** A run as if nobody had filmed it. */
function unfilmed(run: RunOfCar): RunOfCar {
  const { film, splits: _splits, time, ...record } = run.record;
  if (!film) return run;
  // A stop that only the film told goes with it.
  return { ...run, record: film.stopDeviation === undefined && time !== undefined ? { ...record, time } : record };
}

/**
 * What films tell of a car beside the distances of all of its runs.
 * @returns null where no run was filmed, or the runs cannot be fitted
 */
export function filmGain(design: CarDesign, runs: readonly RunOfCar[]): FilmGain | null {
  const counted = runs.filter(({ record }) => !record.leftOut && isWound(record));
  if (!counted.some(({ record }) => record.film)) return null;
  const told = (of: readonly RunOfCar[]) => {
    const fitted = fitCar(newestGroups(trialGroups(of), of).groups);
    return fitted && posteriorChanges(fitted, design);
  };
  const [before, after] = [told(counted.map(unfilmed)), told(counted)];
  return before && after
    ? {
        resistance: { without: before.resistance, with: after.resistance },
        energy: { without: before.energy, with: after.energy },
      }
    : null;
}
