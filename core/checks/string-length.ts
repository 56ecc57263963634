import { freeString } from '../motor/lever.ts';
import { wholeMillimetres } from '../units/quantity.ts';
import type { Check, Situation } from './check.ts';

/** m for the knot at the lever and the loop at the hook. Common practice. */
export const LOOP_AND_KNOT = 0.03;

/** String to cut, m: from the lever's tip at rest to the drive axle, and the loop. */
export function stringLength({ setup }: Situation): Check | null {
  if (setup.motor.kind !== 'lever') return null;
  const reach = wholeMillimetres(freeString(setup.motor, setup.motor.releaseAngle));
  const value = reach + LOOP_AND_KNOT;
  return {
    id: 'string-length',
    title: 'string to cut',
    value,
    limit: value,
    limitIs: 'least',
    quantity: 'size',
    verdict: 'good',
    sure: 'sizes',
    sentence: (format) =>
      `Cut ${format(value, 'size')}: ${format(reach, 'size')} from the lever’s tip at rest to the axle, plus knot and loop. If it is longer, the loop does not drop off.`,
    remedies: () => [],
  };
}
