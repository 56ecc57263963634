import { isWoundOnAxle } from '../car/motors/motors.ts';
import { freeRelease } from './motor-remedies.ts';
import type { Check, Situation } from './check.ts';

/** What a tied end gives back to winding up again, as a fraction of the energy wound in. */
export function tiedRelease({ design, result }: Situation): Check | null {
  const { motor } = design;
  if (!isWoundOnAxle(motor) || motor.release === 'free') return null;
  const rewound = result.powerEndTime === null ? 0 : result.energy.unspent;
  // Wound so little that nothing is stored, nothing is wound up again.
  const value = result.storedEnergy > 0 ? rewound / result.storedEnergy : 0;
  return {
    id: 'tied-release',
    title: 'energy wound up again',
    value,
    limit: 0.02,
    limitIs: 'most',
    quantity: 'share',
    verdict: result.rollsBack ? 'stop' : value > 0.02 ? 'warning' : 'good',
    sure: 'estimated',
    sentence: (format) =>
      `Its end is tied. It winds up again the other way and brakes the car with ${format.predicted(rewound, 'energy')}${result.rollsBack ? ', then pulls it back toward the line' : ''}.`,
    remedies: () => freeRelease(design),
  };
}
