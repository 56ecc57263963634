import { trapOf } from '../car/fitted.ts';
import { remedyOf } from './remedy.ts';
import { clearance, type Check, type Situation } from './check.ts';

/** How much wider the body is than the trap that stands on it, m. */
export function trapWidth({ design }: Situation): Check | null {
  const { motor } = design;
  if (motor.kind !== 'lever') return null;
  const { width } = trapOf(design, motor);
  return clearance(
    {
      id: 'trap-width',
      title: 'body under the trap',
      gap: design.body.width - width,
      least: 0,
      sentence: (format) =>
        design.body.width >= width
          ? `The trap is ${format(width, 'size')} wide, and the body carries its full width.`
          : `The trap is ${format(width, 'size')} wide, and the body only ${format(design.body.width, 'size')}. The edges of the trap are unsupported.`,
    },
    (format) => [remedyOf('body', 'body-width', `A body ${format(width, 'size')} wide`, { ...design, body: { ...design.body, width } })],
  );
}
