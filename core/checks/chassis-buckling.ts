import { STIFFENERS } from '../car/catalogue.ts';
import { bodyPartOf } from '../car/fitted.ts';
import { bodyWidthAt } from '../car/weights.ts';
import { isRoller, recordOf } from '../car/motors/motors.ts';
import type { CarDesign } from '../car/car-design.ts';
import { bodyOf, stiffened } from './chassis-remedies.ts';
import { bandsSideBySide } from './motor-remedies.ts';
import { grade, heldTension, type Check, type Situation } from './check.ts';

/** The pull may be no more than this fraction of what buckles the body: holes and dents weaken it. Our estimate. */
const MOST_SHARE = 0.33;

/** Second moment of area about the weak axis, m⁴: w t³/12 of a sheet, π (w/2)³ t of a thin ring. Source: any mechanics handbook. */
const secondMoment = (design: CarDesign): number => {
  const { thickness, isTube } = bodyPartOf(design);
  // Of a triangle where it is narrow: that is where it folds.
  const width = isTube ? design.body.width : bodyWidthAt(design, recordOf(design.motor).pullLength(design.motor));
  return isTube ? Math.PI * (width / 2) ** 3 * thickness : (width * thickness ** 3) / 12;
};

/** N·m², of the sticks glued along the body, each bending by itself: glued to a deck they are stiffer, by how much nobody knows. */
const stiffenerStiffness = ({ body: { stiffener } }: CarDesign): number =>
  stiffener ? stiffener.count * STIFFENERS[stiffener.kind].stiffness : 0;

/**
 * Pull of the band over the load at which the body between hook and axle buckles, P_cr = π² E I / L², pinned ends.
 * Source: Gere & Timoshenko, Mechanics of Materials.
 */
export function chassisBuckling(situation: Situation): Check | null {
  const { design } = situation;
  const { motor } = design;
  if (isRoller(design)) return null;
  const length = recordOf(motor).pullLength(motor);
  const pull = heldTension(situation);
  const critical = (Math.PI ** 2 * (bodyPartOf(design).modulus * secondMoment(design) + stiffenerStiffness(design))) / length ** 2;
  const value = pull / critical;
  const verdict = grade(value, MOST_SHARE, 'most', 1);
  return {
    id: 'chassis-buckling',
    title: 'body under the pull',
    value,
    limit: MOST_SHARE,
    limitIs: 'most',
    quantity: 'share',
    verdict,
    sure: 'rough',
    sentence: (format) =>
      `The pull draws the ends together with ${format.predicted(pull, 'force')}. This body buckles at about ${format.predicted(critical, 'force')}.${verdict === 'good' ? '' : ' A stick glued along the line of pull prevents that.'}`,
    remedies: () =>
      verdict === 'good'
        ? []
        : [
            ...stiffened(design),
            bodyOf(design, 'craft-sticks', 'A body of craft sticks along the line of pull'),
            bodyOf(design, 'plywood', 'A plywood body'),
            ...bandsSideBySide(design, -1),
          ],
  };
}
