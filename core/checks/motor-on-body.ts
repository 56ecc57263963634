import { isRoller, recordOf } from '../car/motors/motors.ts';
import { bodyReach, withPastOther } from '../car/body-reach.ts';
import { bodyLength } from '../car/weights.ts';
import { geometryOf } from '../geometry/motors/motors.ts';
import { remedyOf } from './remedy.ts';
import { clearance, type Check, type Situation } from './check.ts';

/** m that a body that is made longer reaches past it. */
const SPARE = 0.005;

/** How far the body reaches beyond trap or anchor, m: one that hangs in the air cannot be held. */
export function motorOnBody({ design }: Situation): Check | null {
  if (isRoller(design)) return null;
  const { motor } = design;
  const reach = geometryOf(motor).deckReach(motor);
  const gap = bodyReach(design).right - reach;
  const name = recordOf(motor).holder;
  const longer = withPastOther(design, reach - design.wheelbase + SPARE);
  return clearance(
    {
      id: 'motor-on-body',
      title: `${name} on the body`,
      gap,
      least: 0,
      sentence: (format) =>
        gap >= 0
          ? `The body extends ${format(gap, 'size')} beyond the ${name}.`
          : `The ${name} extends ${format(-gap, 'size')} beyond the end of the body.`,
    },
    (format) => [remedyOf('body', 'longer-body', `A body ${format(bodyLength(longer), 'size')} long`, longer)],
  );
}
