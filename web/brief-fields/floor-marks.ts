import type { Round } from '../../core/brief/brief.ts';
import { formatQuantity, type UnitSystem } from '../../core/units/quantity.ts';
import type { FloorMark } from './strip-scale.ts';

/** What a round sets on its floor: its mark, or its gap. */
export function marksOfRound({ goal }: Round, units: UnitSystem): readonly FloorMark[] {
  if (!('distance' in goal)) return [];
  const at = formatQuantity(goal.distance, 'distance', units);
  return goal.kind === 'through-gap'
    ? [{ at: goal.distance, width: goal.width, label: `gap ${formatQuantity(goal.width, 'distance', units)} at ${at}` }]
    : [{ at: goal.distance, label: at }];
}
