import type { LeverDesign } from '../car/car-design.ts';
import { LEVER_MATERIALS } from '../car/catalogue.ts';
import { fitCatalogue } from '../car/parts.ts';
import { leverOf } from '../car/fitted.ts';
import { shorterLever } from './motor-remedies.ts';
import { remedyOf } from './remedy.ts';
import { grade, type Check, type Situation } from './check.ts';

/** A lever whose tip gives by more than this fraction of its length pulls from elsewhere than drawn, and whips. Common practice. */
const MOST_SHARE = 0.05;

/** How far the cocked lever's tip gives under the spring, m: δ = τ L²/(3 E I), clamped at the trap. Source: Roark's Formulas for Stress and Strain. */
export function leverBends({ design, setup }: Situation): Check | null {
  const { motor } = design;
  if (setup.motor.kind !== 'lever' || motor.kind !== 'lever') return null;
  const { springPreload, springRate, cockedAngle } = setup.motor;
  const torque = springPreload + springRate * cockedAngle;
  const { stiffness } = leverOf(design, motor);
  const value = (torque * motor.leverLength ** 2) / (3 * stiffness);
  const limit = MOST_SHARE * motor.leverLength;
  const verdict = grade(value, limit, 'most', 2);
  const stiffer = (Object.keys(LEVER_MATERIALS) as LeverDesign['leverMaterial'][]).filter(
    (material) => LEVER_MATERIALS[material].stiffness > stiffness,
  );
  return {
    id: 'lever-bends',
    title: 'bending of the lever',
    value,
    limit,
    limitIs: 'most',
    quantity: 'size',
    verdict,
    sure: 'rough',
    sentence: (format) =>
      `Cocked, the spring bends the lever by ${format.predicted(value, 'size')} at its tip${verdict === 'good' ? '.' : '. It whips instead of pulling.'}`,
    remedies: (format) =>
      verdict === 'good'
        ? []
        : [
            ...stiffer.map((material) =>
              remedyOf(
                'lever-material',
                `lever-${material}`,
                `Lever of ${LEVER_MATERIALS[material].label}`,
                fitCatalogue(design, 'lever', material),
              ),
            ),
            ...shorterLever(design, format),
          ],
  };
}
