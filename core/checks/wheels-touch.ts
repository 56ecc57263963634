import { remedyOf } from './remedy.ts';
import { clearance, type Check, type Situation } from './check.ts';

const LEAST = 0.005;

/** Gap between the drive wheels and the other wheels, m. */
export function wheelsTouch({ design }: Situation): Check | null {
  const { driveWheels, otherWheels, wheelbase } = design;
  if (!otherWheels) return null;
  const radii = (driveWheels.diameter + otherWheels.diameter) / 2;
  // Standing on the same floor, wheels of different size meet below the line of their axles.
  const value = Math.hypot(wheelbase, (driveWheels.diameter - otherWheels.diameter) / 2) - radii;
  const longer = Math.sqrt((radii + LEAST) ** 2 - ((driveWheels.diameter - otherWheels.diameter) / 2) ** 2);
  return clearance(
    {
      id: 'wheels-touch',
      title: 'wheel to wheel',
      gap: value,
      least: LEAST,
      sentence: (format) =>
        value > 0
          ? `Front and rear wheels are ${format(value, 'size')} apart.`
          : `Front and rear wheels overlap by ${format(-value, 'size')}.`,
    },
    (format) => [remedyOf('wheelbase', 'longer-wheelbase', `Wheelbase ${format(longer, 'size')}`, { ...design, wheelbase: longer })],
  );
}
