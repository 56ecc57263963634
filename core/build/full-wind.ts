import type { CarDesign } from '../car/car-design.ts';
import { isWoundByFeel } from '../car/motors/motors.ts';
import { fullTurns } from '../predict/derive-run-setup.ts';

/** How far the car is wound: `Full wind: 8.5 turns.` */
export function describeFullWind(design: CarDesign): string {
  const turns = Number(fullTurns(design).toFixed(1));
  return isWoundByFeel(design) ? `Full wind: until the band is tight, about ${Math.round(turns)} turns.` : `Full wind: ${turns} turns.`;
}
