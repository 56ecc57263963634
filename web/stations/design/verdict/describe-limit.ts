import type { CarPlace } from '../../../../core/geometry/car-place.ts';
import { limitingFactor } from '../../../../core/predict/verdict.ts';
import type { EnergyBudget } from '../../../../core/run/energy.ts';
import type { RunResult } from '../../../../core/run/simulate.ts';
import { formatPredicted, formatQuantity, type UnitSystem } from '../../../../core/units/quantity.ts';
import { ENERGY_WORDS } from '../../../ui/energy-words.ts';

/** What limits a car, in words with its own numbers. */
export interface DescribedLimit {
  /** A heading and a sentence. */
  readonly title: string;
  readonly text: string;
  /** Written on the drawing, at the place that it is about. */
  readonly mark: string;
  readonly place: CarPlace;
  /** Whether it is something wrong: some loss is the largest of any car. */
  readonly isBad: boolean;
}

/** Where the energy goes, by part of the budget. */
const PLACES: Readonly<Record<keyof EnergyBudget, CarPlace>> = {
  hysteresis: 'motor',
  slip: 'tyre',
  driveBearing: 'hub',
  otherBearing: 'axles',
  rolling: 'tyre',
  air: 'body',
  climb: 'floor',
  arm: 'floor',
  washer: 'hub',
  lever: 'motor',
  unspent: 'winding',
  spin: 'hub',
};

/** The one thing that limits this run most. */
export function describeLimit(result: RunResult, units: UnitSystem): DescribedLimit {
  const limit = limitingFactor(result);
  const fraction = (value: number): string => formatQuantity(value, 'share', units);
  switch (limit.kind) {
    case 'stalls':
      return {
        title: 'It does not start.',
        text:
          limit.lacks === 'pull'
            ? `The pull at the tyre is ${formatPredicted(result.launchThrust, 'force', units)}, less than the resistance. A thicker axle, a shorter lever or smaller drive wheels pull harder.`
            : `Its drive wheels spin on the spot. The launch needs ${formatPredicted(result.launchGripNeeded, 'force', units)} of grip; the tyres have ${formatPredicted(result.launchGripLimit, 'force', units)}. More weight on the drive wheels or tyres with more grip help.`,
        mark: limit.lacks === 'pull' ? 'too little pull' : 'spins on the spot',
        place: limit.lacks === 'pull' ? 'motor' : 'tyre',
        isBad: true,
      };
    case 'stops-wound':
      return {
        title: 'It stops before it is unwound.',
        text: `The pull falls below the resistance with ${formatPredicted(limit.turnsLeft, 'count', units)} turns left on the axle. A thicker axle or a shorter lever pulls harder over a shorter distance.`,
        mark: `stops with ${formatPredicted(limit.turnsLeft, 'count', units)} turns left`,
        place: 'winding',
        isBad: true,
      };
    case 'endless':
      return {
        title: 'It does not stop.',
        text: 'The slope pulls harder than the resistance: the car has not stopped after 1000 m or ten minutes.',
        mark: 'rolls on and on',
        place: 'floor',
        isBad: true,
      };
    case 'wheelspin':
      return {
        title: 'Wheelspin limits this car.',
        text: `The wheels spin for ${formatPredicted(limit.distance, 'distance', units)}: ${fraction(limit.fraction)} of the energy. The launch needs ${formatPredicted(result.launchGripNeeded, 'force', units)} of grip; the tyres have ${formatPredicted(result.launchGripLimit, 'force', units)}.`,
        mark: `spins for ${formatPredicted(limit.distance, 'distance', units)}`,
        place: 'tyre',
        isBad: true,
      };
    case 'loss':
      return {
        title: `${ENERGY_WORDS[limit.part].subject} most.`,
        text: `${ENERGY_WORDS[limit.part].subject} ${fraction(limit.fraction)} of the ${formatPredicted(result.storedEnergy, 'energy', units)} stored.`,
        mark: `${ENERGY_WORDS[limit.part].subject.replace(/^The /, '').toLowerCase()} ${fraction(limit.fraction)}`,
        place: PLACES[limit.part],
        isBad: false,
      };
  }
}
