import { driveWheelOf, otherWheelOf } from '../car/fitted.ts';
import { remedyOf } from './remedy.ts';
import { clearance, type Check, type Situation } from './check.ts';

/** Room for a spacer between wheel and body, m. Common practice. */
const LEAST = 0.003;

/** Gap between each drive wheel and the body beside it, m. */
export function wheelToBody({ design }: Situation): Check | null {
  if (!design.otherWheels) return null;
  // One wheel alone stands in the middle, in a notch of its own.
  const thickness = Math.max(driveWheelOf(design).thickness, design.layout.otherWheelCount === 1 ? 0 : otherWheelOf(design).thickness);
  const value = (design.trackWidth - design.body.width - thickness) / 2;
  const trackWidth = design.body.width + thickness + 2 * LEAST;
  return clearance(
    {
      id: 'wheel-to-body',
      title: 'wheel to body',
      gap: value,
      least: LEAST,
      sentence: (print) =>
        value > 0
          ? `The wheels stand ${print(value, 'size')} clear of the body.`
          : `The wheels rub on the body: it is ${print(-value, 'size')} too wide on each side.`,
    },
    (print) => [remedyOf('track-width', 'track-width', `Wheels ${print(trackWidth, 'size')} apart`, { ...design, trackWidth })],
  );
}
