import { trapMoved } from './motor-remedies.ts';
import { grade, type Check, type Situation } from './check.ts';

/** How far the cocked lever's tip lies from straight above the drive axle, m. Common practice: it should come to rest there. */
export function leverReach({ design }: Situation): Check | null {
  const { motor } = design;
  if (motor.kind !== 'lever') return null;
  const over = motor.trapPosition + motor.leverLength * Math.cos(motor.cockedAngle);
  const value = Math.abs(over);
  const limit = 0.12 * motor.leverLength;
  const verdict = grade(value, limit, 'most', Infinity);
  return {
    id: 'lever-reach',
    title: 'tip of the lever over the axle',
    value,
    limit,
    limitIs: 'most',
    quantity: 'size',
    verdict,
    sure: 'sizes',
    sentence: (format) =>
      `When cocked, the tip of the lever is ${format(value, 'size')} ${over >= 0 ? 'short of' : 'beyond'} the drive axle.`,
    remedies: (format) => (verdict === 'good' ? [] : [trapMoved(design, motor, 'trap-to-reach', format)]),
  };
}
