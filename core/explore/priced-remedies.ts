import type { CarDesign } from '../car/car-design.ts';
import type { Check } from '../checks/check.ts';
import type { Print } from '../units/quantity.ts';
import type { Remedy } from '../checks/remedies.ts';
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

/** The remedies of a check with what each buys, the best for the aim first; those that could not run are left out. `before`: the run of the design for its aim. */
export function priceRemedies(check: Check, design: CarDesign, before: RunResult, print: Print): PricedRemedy[] {
  const score = scoreOf(design, before);
  return check
    .remedies(print)
    .flatMap((remedy): PricedRemedy[] => {
      const after = runForAim(remedy.design);
      if (!after) return [];
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
