import { easierBearing, squareWheels, thickerAxle } from './chassis-remedies.ts';
import { bandsSideBySide, freeRelease, shorterLever } from './motor-remedies.ts';
import type { Check, Situation } from './check.ts';

/** Turns still on the axle when the car stops. */
export function stallBeforeEnd({ design, result }: Situation): Check | null {
  if (result.stalled) return null;
  const value = result.turnsLeft;
  const isBad = value > 0.5;
  return {
    id: 'stall-before-end',
    title: 'turns left at the stop',
    value,
    limit: 0.5,
    limitIs: 'most',
    quantity: 'count',
    verdict: isBad ? (value > 0.1 * result.turns ? 'stop' : 'warning') : 'good',
    sure: 'estimated',
    sentence: (format) =>
      isBad
        ? `The pull falls below the resistance with ${format.predicted(value, 'count')} of ${format(result.turns, 'count')} turns left. ${format.predicted(result.energy.unspent, 'energy')} is not used.`
        : result.energy.unspent > 0
          ? `It unwinds fully and then winds up again the other way, which brakes it. ${format.predicted(result.energy.unspent, 'energy')} is lost like this.`
          : 'It unwinds fully before it stops.',
    remedies: (format) =>
      isBad
        ? [
            ...thickerAxle(design, format),
            ...shorterLever(design, format),
            ...bandsSideBySide(design, 1),
            ...easierBearing(design),
            ...squareWheels(design),
            ...freeRelease(design),
          ]
        : [],
  };
}
