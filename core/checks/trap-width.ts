import { bodyWidthAt } from '../car/weights.ts';
import { trapOf } from '../car/fitted.ts';
import { remedyOf } from './remedy.ts';
import { clearance, type Check, type Situation } from './check.ts';

/** How much wider the body is than the trap that stands on it, m. */
export function trapWidth({ design }: Situation): Check | null {
  const { motor } = design;
  if (motor.kind !== 'lever') return null;
  const { width } = trapOf(design, motor);
  const body = design.body.outline ? bodyWidthAt(design, motor.trapPosition) : design.body.width;
  return clearance(
    {
      id: 'trap-width',
      title: 'body under the trap',
      gap: body - width,
      least: 0,
      sentence: (format) =>
        body >= width
          ? `The trap is ${format(width, 'size')} wide, and the body carries its full width.`
          : `The trap is ${format(width, 'size')} wide, and the body only ${format(body, 'size')} there. The edges of the trap are unsupported.`,
    },
    (format) => [remedyOf('body', 'body-width', `A body ${format(width, 'size')} wide`, { ...design, body: { ...design.body, width } })],
  );
}
