import { roundSection } from '../car/bend-test.ts';
import { axleOf, bearingsApart } from '../car/fitted.ts';
import { isRoller } from '../car/motors/motors.ts';
import { axlesOf } from './chassis-remedies.ts';
import { bandsSideBySide } from './motor-remedies.ts';
import { grade, heldTension, type Check, type Situation } from './check.ts';

/** A drive axle that bends more than this rubs and binds, m. Common practice. */
const MOST_BEND = 0.001;

/**
 * Bend of the drive axle at its middle under the pull, m: δ = F a³/(48 E I), I = s(2 − s) π d⁴/64 of a tube of which the
 * share s of the section is material (1 − k² of it, where 1 − k⁴ of I is left, k inner by outer diameter). Source: Roark's
 * Formulas for Stress and Strain.
 */
export function axleBending(situation: Situation): Check | null {
  const { design } = situation;
  if (isRoller(design)) return null;
  const { modulus, solidity, label } = axleOf(design);
  const between = bearingsApart(design);
  const inertia = roundSection(design.axleDiameter, solidity);
  const pull = heldTension(situation);
  const value = (pull * between ** 3) / (48 * modulus * inertia);
  const verdict = grade(value, MOST_BEND, 'most', 1);
  return {
    id: 'axle-bending',
    title: 'bending of the drive axle',
    value,
    limit: MOST_BEND,
    limitIs: 'most',
    quantity: 'size',
    verdict,
    sure: 'rough',
    sentence: (format) =>
      `The pull of ${format.predicted(pull, 'force')} bends the ${label} by ${format.predicted(value, 'size')} between its bearings.`,
    remedies: (format) =>
      verdict === 'good'
        ? []
        : [...axlesOf(design, 'dowel', format), ...axlesOf(design, 'hanger-wire', format), ...bandsSideBySide(design, -1)],
  };
}
