import { WHEELS } from '../catalogue.ts';
import { remedyOf } from '../remedies.ts';
import { grade, type Check, type Situation } from './check.ts';

/** Room for a spacer between wheel and body, m. Common practice. */
const LEAST = 0.003;

/** Gap between each drive wheel and the body beside it, m. */
export function wheelToBody({ design, print }: Situation): Check | null {
  if (!design.otherWheels) return null;
  const { thickness } = WHEELS[design.driveWheels.kind];
  const value = (design.trackWidth - design.body.width - thickness) / 2;
  const verdict = grade(value, LEAST, 'least', 1);
  const trackWidth = design.body.width + thickness + 2 * LEAST;
  return {
    id: 'wheel-to-body',
    title: 'wheel to body',
    value,
    limit: LEAST,
    limitIs: 'least',
    quantity: 'size',
    verdict,
    sure: 'sizes',
    sentence:
      value > 0
        ? `The drive wheels stand ${print(value, 'size')} clear of the body.`
        : `The drive wheels rub on the body: it is ${print(-value, 'size')} too wide on each side.`,
    remedies:
      verdict === 'good' ? [] : [remedyOf('track-width', `Drive wheels ${print(trackWidth, 'size')} apart`, { ...design, trackWidth })],
  };
}
