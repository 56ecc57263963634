import type { CarDesign } from '../car/car-design.ts';
import { checkCar, stoppedBy } from '../checks/check-car.ts';
import type { Check } from '../checks/check.ts';
import type { Print } from '../units/quantity.ts';
import type { Remedy } from '../checks/remedy.ts';
import type { RunResult } from '../run/simulate.ts';
import { runForAim, scoreOf } from './aim.ts';

/** What a remedy buys: the run after it, and how much further, longer and with more wheelspin it runs than before. m, s. */
export interface PricedRemedy {
  readonly remedy: Remedy;
  readonly distance: number;
  readonly gain: number;
  readonly time: number;
  readonly timeGain: number;
  readonly slipDistance: number;
  readonly slipGain: number;
  /** How much better it meets the car's aim: m, or s where it is to be quickest. */
  readonly better: number;
}

/** Whether a design keeps a check's limit. */
function isCured(check: Check, design: CarDesign, run: RunResult): boolean {
  const again = checkCar(design, run).find(({ id }) => id === check.id);
  return again === undefined || again.verdict === 'good';
}

/**
 * The remedies of a check with what each buys, the best for the aim first. Of one that comes in steps the least is taken that cures, or, where none
 * does, the one that meets the aim best. Left out are those that could not run, or that another check would stop. `before`: the run of
 * the design for its aim.
 */
export function priceRemedies(check: Check, design: CarDesign, before: RunResult, print: Print): PricedRemedy[] {
  const score = scoreOf(design, before);
  const wasStopped = stoppedBy(design, before) !== null;
  const runs = check.remedies(print).flatMap((remedy) => {
    const after = runForAim(remedy.design);
    return after && (wasStopped || stoppedBy(remedy.design, after) === null) ? [{ remedy, after }] : [];
  });
  const chosen = [...new Set(runs.map(({ remedy }) => remedy.id))].map((id) => {
    const steps = runs.filter(({ remedy }) => remedy.id === id);
    const best = (a: (typeof steps)[0], b: (typeof steps)[0]) =>
      scoreOf(b.remedy.design, b.after) > scoreOf(a.remedy.design, a.after) ? b : a;
    return steps.find(({ remedy, after }) => isCured(check, remedy.design, after)) ?? steps.reduce(best);
  });
  return chosen
    .flatMap(({ remedy, after }): PricedRemedy[] => {
      const { distance, time, slipDistance } = after;
      return [
        {
          remedy,
          distance,
          gain: distance - before.distance,
          time,
          timeGain: time - before.time,
          slipDistance,
          slipGain: slipDistance - before.slipDistance,
          better: scoreOf(remedy.design, after) - score,
        },
      ];
    })
    .sort((a, b) => b.better - a.better);
}
