import { stringAngle } from '../motor/lever.ts';
import { trapMoved } from './motor-remedies.ts';
import { grade, type Check, type Situation } from './check.ts';

const LEAST = (50 * Math.PI) / 180;

/** Angle between lever and string when cocked, rad: square pulls best, in line only tugs at the pivot. Source: docs/model.md, the lever. */
export function stringAngleCheck({ design, setup }: Situation): Check | null {
  const { motor } = design;
  if (setup.motor.kind !== 'lever' || motor.kind !== 'lever') return null;
  const value = stringAngle(setup.motor, setup.motor.cockedAngle);
  const verdict = grade(value, LEAST, 'least', 0.5);
  return {
    id: 'string-angle',
    title: 'string to lever, cocked',
    value,
    limit: LEAST,
    limitIs: 'least',
    quantity: 'angle',
    verdict,
    sure: 'sizes',
    sentence: (format) =>
      `When cocked, the string meets the lever at ${format(value, 'angle')}. At 90° it pulls with the full torque of the spring.`,
    remedies: (format) => (verdict === 'good' ? [] : [trapMoved(design, motor, 'trap-to-angle', format)]),
  };
}
