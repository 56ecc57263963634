import type { CarDesign } from '../car/car-design.ts';
import { bodyPartOf } from '../car/fitted.ts';
import { isWoundOnAxle } from '../car/motors/motors.ts';
import { axleLine, deckHeights } from './deck-heights.ts';
import { CLEARANCE, stringReach } from './deck-outline.ts';

/** What is cut out of the wall of a bottle or tube: from one place along the car to another, and across, m; on top or in the underside. */
export interface TubeOpening {
  readonly from: number;
  readonly to: number;
  readonly wide: number;
  readonly side: 'top' | 'underside';
}

/** Where it is, in words. */
export const OPENING_WORDS: Readonly<Record<TubeOpening['side'], string>> = { top: 'on top', underside: 'in the underside' };

/** m along and across that fingers need to hook a band or a loop. Common practice. */
const FINGERS = 0.02;

/**
 * The opening through which hook and winding are reached where the drive axle is inside the body; none elsewhere. With a lever it is on top,
 * as long as the string needs.
 */
export function tubeOpening(design: CarDesign): TubeOpening | null {
  const { motor, body } = design;
  if (!bodyPartOf(design).isTube || !isWoundOnAxle(motor)) return null;
  const axle = axleLine(design).at(0);
  const { under, top } = deckHeights(design, 0);
  if (axle <= under || axle >= top) return null;
  const wide = Math.min(Math.max(motor.windingWidth + 2 * CLEARANCE, FINGERS), body.width / 2);
  const from = -FINGERS / 2;
  if (motor.kind === 'lever') return { from, to: Math.max(FINGERS / 2, stringReach(design) + CLEARANCE), wide, side: 'top' };
  return { from, to: FINGERS / 2, wide, side: 'underside' };
}
