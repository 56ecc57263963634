import { remedyOf } from './remedy.ts';
import type { Check, Situation } from './check.ts';
import { bodyPartOf } from '../car/fitted.ts';
import { bodyReach } from '../car/body-reach.ts';

/** Whether the string from a lever above the deck reaches the axle below it: through a notch, or past the deck's end. */
export function stringAndDeck({ design }: Situation): Check | null {
  const { motor, body } = design;
  if (motor.kind !== 'lever' || bodyPartOf(design).isTube) return null;
  // How far the deck covers the axle, m: the string comes down beside it where it does not.
  const cover = -bodyReach(design).left;
  const meets = !body.notched && cover > 0;
  return {
    id: 'string-and-deck',
    title: 'string past the deck',
    value: body.notched ? 0 : Math.max(cover, 0),
    limit: 0,
    limitIs: 'most',
    quantity: 'size',
    verdict: meets ? 'warning' : 'good',
    sure: 'sizes',
    sentence: (format) =>
      meets
        ? `The deck covers the axle by ${format(cover, 'size')}, and the string rubs on its edge.`
        : 'The string runs free to the axle.',
    remedies: () =>
      meets ? [remedyOf('body', 'notch', 'Cut the deck out over the axle', { ...design, body: { ...body, notched: true } })] : [],
  };
}
