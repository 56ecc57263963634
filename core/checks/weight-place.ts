import { standingWeight } from '../car/weights.ts';
import { remedyOf } from './remedy.ts';
import type { Check, Situation } from './check.ts';

/** An axle that carries less than this share lifts on the first bump. Common practice. */
const LEAST_SHARE = 0.05;

/** Fraction of the standing weight on the axle that carries less of it: a car that tips over is not run at all. */
export function weightPlace({ design }: Situation): Check | null {
  if (!design.otherWheels) return null;
  const onDrive = standingWeight(design).driveLoadShare;
  const value = Math.min(onDrive, 1 - onDrive);
  const verdict = value < LEAST_SHARE ? 'warning' : 'good';
  const middle = design.wheelbase / 2;
  return {
    id: 'weight-place',
    title: 'balance between the axles',
    value,
    limit: LEAST_SHARE,
    limitIs: 'least',
    quantity: 'share',
    verdict,
    sure: 'sizes',
    sentence: (format) => `The lighter axle carries ${format(value, 'share')} of the weight.`,
    remedies: (format) =>
      verdict === 'good' || design.ballast.mass === 0
        ? []
        : [
            remedyOf('ballast', 'ballast-between', `Ballast ${format(middle, 'size')} from the drive axle`, {
              ...design,
              ballast: { ...design.ballast, fromDriveAxle: middle },
            }),
          ],
  };
}
