import type { CarDesign } from '../car/car-design.ts';
import { driveWheelOf, otherWheelOf } from '../car/fitted.ts';
import { remedyOf } from './remedy.ts';
import { clearance, type Check, type Situation } from './check.ts';

/** Room for a spacer between wheel and body, m. Common practice. */
const LEAST = 0.003;

/** The thickest wheel that is beside the body, m: one wheel alone is in the middle, in a notch of its own. */
const besideBody = (design: CarDesign): number =>
  Math.max(driveWheelOf(design).thickness, design.layout.otherWheelCount === 1 ? 0 : otherWheelOf(design).thickness);

/** Gap between each wheel and the body beside it, m. */
export const wheelGap = (design: CarDesign): number => (design.trackWidth - design.body.width - besideBody(design)) / 2;

/** Whether the wheels stand clear of the body. */
export function wheelToBody({ design }: Situation): Check | null {
  if (!design.otherWheels) return null;
  const value = wheelGap(design);
  const trackWidth = design.body.width + besideBody(design) + 2 * LEAST;
  return clearance(
    {
      id: 'wheel-to-body',
      title: 'wheel to body',
      gap: value,
      least: LEAST,
      sentence: (format) =>
        value > 0
          ? `The wheels clear the body by ${format(value, 'size')}.`
          : `The wheels rub on the body: it is ${format(-value, 'size')} too wide on each side.`,
    },
    (format) => [remedyOf('track-width', 'track-width', `Wheels ${format(trackWidth, 'size')} apart`, { ...design, trackWidth })],
  );
}
