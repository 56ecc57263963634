import { biggerDriveWheels } from './chassis-remedies.ts';
import { sideView } from '../geometry/side-view.ts';
import { clearance, type Check, type Situation } from './check.ts';
import { radiusAtAxle } from './hook-clearance.ts';

const LEAST = 0.005;

/** Height of the lowest part that is not a wheel above the floor, m: hook or winding under the drive axle, or the other axle. */
export function groundClearance(situation: Situation): Check | null {
  const { design } = situation;
  if (!design.otherWheels) return null;
  const value = Math.min(
    design.driveWheels.diameter / 2 - radiusAtAxle(situation),
    (design.otherWheels.diameter - design.axleDiameter) / 2,
    // The body from end to end: its nose hangs lower where the wheels there are small.
    ...sideView(design).deck.map(({ y }) => y),
  );
  return clearance(
    {
      id: 'ground-clearance',
      title: 'ground clearance',
      gap: value,
      least: LEAST,
      sentence: (format) =>
        value > 0 ? `The lowest part clears the floor by ${format(value, 'size')}.` : 'Hook, winding or body touches the floor.',
    },
    (format) => biggerDriveWheels(design, format),
  );
}
