import { rubberOf } from '../motor/rubber.ts';
import { remedyOf } from './remedy.ts';
import { grade, type Check, type Situation } from './check.ts';

/** Fraction of its length by which an unwound band may hang slack before match and arm fall off it. Common practice, from memory. */
const MOST_SLACK = 0.3;

/** How much of a roller's band hangs slack when it is unwound, as a fraction of its length. Nothing holds its ends but its own pull. */
export function slackBand({ design, setup }: Situation): Check | null {
  const { motor } = design;
  if (motor.kind !== 'twist' || setup.motor.kind !== 'twist') return null;
  const { length } = rubberOf(setup.motor);
  const value = Math.max(0, 1 - motor.hookToHook / length);
  const verdict = grade(value, MOST_SLACK, 'most', 0.7);
  const hookToHook = Math.ceil(1000 * (1 - MOST_SLACK) * length) / 1000;
  return {
    id: 'slack-band',
    title: 'slack of the unwound band',
    value,
    limit: MOST_SLACK,
    limitIs: 'most',
    quantity: 'share',
    verdict,
    sure: 'rough',
    sentence: (format) =>
      verdict === 'good'
        ? 'Unwound, the band still holds match and arm.'
        : `Unwound, the band is ${format(length - motor.hookToHook, 'size')} longer than the roller. Match and arm may fall off.`,
    remedies: (format) =>
      verdict === 'good'
        ? []
        : [
            ...(motor.series > 1
              ? [
                  remedyOf('chain', 'shorter-chain', 'One band fewer end to end', {
                    ...design,
                    motor: { ...motor, series: motor.series - 1 },
                  }),
                ]
              : []),
            remedyOf('roller', 'longer-roller', `A roller ${format(hookToHook, 'size')} long`, {
              ...design,
              motor: { ...motor, hookToHook },
            }),
          ],
  };
}
