import { bearingsApart } from '../car/fitted.ts';
import { isWoundOnAxle } from '../car/motors/motors.ts';
import { remedyOf } from './remedy.ts';
import { clearance, type Check, type Situation } from './check.ts';

/** Room that the axle has between its bearings beyond what is wound on it, m. */
export function windingWidth({ design }: Situation): Check | null {
  const { motor } = design;
  if (!isWoundOnAxle(motor)) return null;
  const room = bearingsApart(design);
  return clearance(
    {
      id: 'winding-width',
      title: 'winding between the bearings',
      gap: room - motor.windingWidth,
      least: 0,
      sentence: (format) =>
        motor.windingWidth <= room
          ? `It winds on ${format(motor.windingWidth, 'size')} of the ${format(room, 'size')} between the bearings.`
          : `It winds on ${format(motor.windingWidth, 'size')}, but there is only ${format(room, 'size')} between the bearings.`,
    },
    (format) => [
      remedyOf('winding-width', 'narrower-winding', `Wind over ${format(room, 'size')} of axle`, {
        ...design,
        motor: { ...motor, windingWidth: room },
      }),
    ],
  );
}
