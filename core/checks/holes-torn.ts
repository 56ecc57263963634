import { bodyPartOf } from '../car/fitted.ts';
import { isRoller } from '../car/motors/motors.ts';
import { fitCatalogue } from '../car/parts.ts';
import { thickerAxle } from './chassis-remedies.ts';
import { bandsSideBySide } from './motor-remedies.ts';
import { remedyOf } from './remedy.ts';
import { grade, heldTension, type Check, type Situation } from './check.ts';

/** Pressure at which an axle works its way out of a hole in corrugated card, Pa. Our estimate. */
const CARD_STANDS = 0.8e6;

/** Pressure of the axle on the edges of its two holes under the pull at release, Pa: F / (2 d t). Only card in which it turns bare tears. */
export function holesTorn(situation: Situation): Check | null {
  const { design } = situation;
  if (isRoller(design) || design.bearing !== 'wood-card' || !['card', 'tube'].includes(design.body.kind)) return null;
  const force = heldTension(situation);
  const value = force / (2 * design.axleDiameter * bodyPartOf(design).thickness) / CARD_STANDS;
  const verdict = grade(value, 1, 'most', 1);
  return {
    id: 'holes-torn',
    title: 'pull on the holes',
    value,
    limit: 1,
    limitIs: 'most',
    quantity: 'share',
    verdict,
    sure: 'rough',
    sentence: (format) =>
      `The pull of ${format.predicted(force, 'force')} is ${format(value, 'share')} of what holes in bare card can take${verdict === 'good' ? '.' : ': they tear out.'}`,
    remedies: (format) =>
      verdict === 'good'
        ? []
        : [
            remedyOf('bearing', 'lined-holes', 'Line the holes with plastic straw', fitCatalogue(design, 'bearing', 'wood-plastic-straw')),
            ...thickerAxle(design, format),
            ...bandsSideBySide(design, -1),
          ],
  };
}
