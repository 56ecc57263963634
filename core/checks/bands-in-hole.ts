import { WHEELS } from '../car/catalogue.ts';
import { rubberOf } from '../motor/rubber.ts';
import { bandsSideBySide, lighterBand } from './motor-remedies.ts';
import { grade, type Check, type Situation } from './check.ts';

/** Twisted strands ride over each other: a row of knots is this many times as thick as the bundle. Common practice, from memory. */
const KNOTTED = 1.3;

/** Thickness of the twisted bundle, m, against the hole that its wheel comes with: d = √(4 V / (π ℓ)), rubber keeps its volume V. */
export function bandsInHole({ design, setup: { motor } }: Situation): Check | null {
  const { hole } = WHEELS[design.driveWheels.kind];
  if (motor.kind !== 'twist' || hole === undefined) return null;
  const rubber = rubberOf(motor);
  const value = KNOTTED * Math.sqrt((4 * rubber.section * rubber.length) / (Math.PI * motor.hookToHook));
  const verdict = grade(value, hole, 'most', 0.25);
  return {
    id: 'bands-in-hole',
    title: 'bands in the hole',
    value,
    limit: hole,
    limitIs: 'most',
    quantity: 'size',
    verdict,
    sure: 'rough',
    sentence: (format) =>
      verdict === 'good'
        ? `Twisted, the bands are about ${format(value, 'size')} thick and turn free in a hole of ${format(hole, 'size')}.`
        : `Twisted, the bands are about ${format(value, 'size')} thick. They jam in a hole of ${format(hole, 'size')}.`,
    remedies: () => (verdict === 'good' ? [] : [...bandsSideBySide(design, -1), ...lighterBand(design)]),
  };
}
