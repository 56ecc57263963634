import { isRoller, recordOf } from '../car/motors/motors.ts';
import { geometryOf } from '../geometry/motors/motors.ts';
import { remedyOf } from './remedy.ts';
import { clearance, type Check, type Situation } from './check.ts';

const LEAST = 0.005;

/** Gap between what holds trap or bands and the single wheel that turns in a slot in the middle, m. Source: geometry. */
export function pullPastWheel({ design }: Situation): Check | null {
  const { motor, wheelbase, otherWheels, layout } = design;
  if (isRoller(design) || !otherWheels || layout.otherWheelCount !== 1) return null;
  const reach = geometryOf(motor).deckReach(motor);
  const gap = wheelbase - otherWheels.diameter / 2 - reach;
  const longer = Math.ceil(1000 * (reach + otherWheels.diameter / 2 + LEAST)) / 1000;
  const name = recordOf(motor).holder;
  return clearance(
    {
      id: 'pull-past-wheel',
      title: `${name} and single wheel`,
      gap,
      least: LEAST,
      sentence: (format) =>
        gap >= LEAST ? `The ${name} clears the single wheel by ${format(gap, 'size')}.` : `The ${name} is in the slot of the single wheel.`,
    },
    (format) => [
      remedyOf('wheelbase', 'longer-wheelbase', `Wheelbase ${format(longer, 'size')}`, { ...design, wheelbase: longer }),
      remedyOf('layout', 'two-wheels', 'Two wheels on the other axle', { ...design, layout: { ...layout, otherWheelCount: 2 } }),
    ],
  );
}
