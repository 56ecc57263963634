import { bandSizes } from '../catalogue.ts';
import { fewerTurns, remedyOf } from '../remedies.ts';
import { grade, type Check, type Situation } from './check.ts';

/** Layers above which windings ride over each other and snag. Common practice. */
const MOST_LAYERS = 3;

/** Layers that the turns make on their width of axle: turns × thickness / width (turns per layer are width / thickness). */
export function windingRoom({ design, result }: Situation): Check | null {
  const { motor } = design;
  if (motor.kind === 'twist') return null;
  // Bands side by side lie side by side on the axle; both strands of each loop are wound.
  const strand =
    motor.kind === 'lever'
      ? motor.stringDiameter
      : 2 * motor.parallel * Math.sqrt(bandSizes(motor.band).width * bandSizes(motor.band).thickness);
  const value = (result.turns * strand) / motor.windingWidth;
  const verdict = grade(value, MOST_LAYERS, 'most', 1);
  const windingWidth = (result.turns * strand) / MOST_LAYERS;
  return {
    id: 'winding-room',
    title: 'layers on the axle',
    value,
    limit: MOST_LAYERS,
    limitIs: 'most',
    quantity: 'count',
    verdict,
    sure: 'rough',
    sentence: (print) =>
      `${print(result.turns, 'count')} turns on ${print(motor.windingWidth, 'size')} of axle lie ${print(value, 'count')} deep${verdict === 'good' ? '.' : ': windings that ride over each other snag.'}`,
    remedies: (print) =>
      verdict === 'good'
        ? []
        : [
            remedyOf('winding-width', 'wider-winding', `Wind over ${print(windingWidth, 'size')} of axle`, {
              ...design,
              motor: { ...motor, windingWidth },
            }),
            ...fewerTurns(design, 0.2),
          ],
  };
}
