import { GRAVITY } from '../constants.ts';
import { CARE } from '../car/catalogue.ts';
import { squareWheels } from './chassis-remedies.ts';
import { grade, type Check, type Situation } from './check.ts';

/** Speed at which a wheel with its hole off centre by e begins to hop, m/s: R √(g/e), from e ω² = g. */
export function bounceSpeed({ design, result }: Situation): Check | null {
  // A roller has no hub to be off centre.
  if (!design.otherWheels) return null;
  const { offCentre } = CARE[design.care];
  const radius = Math.min(design.driveWheels.diameter, design.otherWheels.diameter) / 2;
  const limit = radius * Math.sqrt(GRAVITY / offCentre);
  const verdict = grade(result.topSpeed, limit, 'most', 0.5);
  return {
    id: 'bounce-speed',
    title: 'speed before the wheels hop',
    value: result.topSpeed,
    limit,
    limitIs: 'most',
    quantity: 'speed',
    verdict,
    sure: 'rough',
    sentence: (format) =>
      `With holes ${format(offCentre, 'size')} off centre, the smaller wheels hop above ${format.predicted(limit, 'speed')}. The car reaches ${format.predicted(result.topSpeed, 'speed')}.`,
    remedies: () => (verdict === 'good' ? [] : squareWheels(design)),
  };
}
