import { isRoller, recordOf } from '../car/motors/motors.ts';
import { geometryOf } from '../geometry/motors/motors.ts';
import { remedyOf } from './remedy.ts';
import { clearance, type Check, type Situation } from './check.ts';

/** How far the body reaches beyond trap or anchor, m: one that hangs in the air cannot be held. */
export function motorOnBody({ design }: Situation): Check | null {
  if (isRoller(design)) return null;
  const { motor, wheelbase, body } = design;
  const reach = geometryOf(motor).deckReach(motor);
  const gap = wheelbase + body.overhang / 2 - reach;
  const name = recordOf(motor).holder;
  const overhang = 2 * (reach - wheelbase) + 0.01;
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
    (format) => [
      remedyOf('body', 'longer-body', `A body ${format(wheelbase + overhang, 'size')} long`, { ...design, body: { ...body, overhang } }),
    ],
  );
}
