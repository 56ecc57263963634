import { axleHookOf } from '../car/axle-hook.ts';
import { isRoller } from '../car/motors/motors.ts';
import { modelOf } from '../motor/motors.ts';
import { remedyOf } from './remedy.ts';
import { clearance, type Check, type Situation } from './check.ts';

const LEAST = 0.002;

/** Largest radius at the drive axle: hook on the bare axle, or what is wound. m. */
export function radiusAtAxle({ design, setup }: Situation): number {
  const bare = design.axleDiameter / 2 + axleHookOf(design).height;
  return Math.max(bare, modelOf(setup.motor).woundRadius(setup.motor), ...design.sleeve.map(({ diameter }) => diameter / 2));
}

/** Gap between what turns with the drive axle and the body above it, m. */
export function hookClearance(situation: Situation): Check | null {
  const { design } = situation;
  // Cut out there, nothing of the deck is in the way.
  if (isRoller(design) || design.body.notched) return null;
  const radius = radiusAtAxle(situation);
  const value = design.body.axleGap - radius;
  const axleGap = radius + LEAST;
  return clearance(
    {
      id: 'hook-clearance',
      title: 'hook and winding to body',
      gap: value,
      least: LEAST,
      sentence: (format) =>
        value > 0
          ? `Hook and winding clear the body by ${format(value, 'size')}.`
          : `Hook or winding hits the body: they reach ${format(radius, 'size')} from the middle of the axle, and the body is ${format(design.body.axleGap, 'size')} above it.`,
    },
    (format) => [
      remedyOf('body', 'axle-gap', `Cut the body away, or raise it to ${format(axleGap, 'size')} above the axle`, {
        ...design,
        body: { ...design.body, axleGap },
      }),
    ],
  );
}
