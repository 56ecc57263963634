import type { MotorDesign } from '../car/car-design.ts';
import { isWoundOnAxle, recordOf } from '../car/motors/motors.ts';
import { fewerTurns, remedyOf } from './remedies.ts';
import { grade, type Check, type Situation } from './check.ts';

/** Layers above which windings ride over each other and snag. Common practice. */
const MOST_LAYERS = 3;

/** Layers that the turns make on their width of axle: turns × thickness / width (turns per layer are width / thickness). */
export function windingRoom({ design, result }: Situation): Check | null {
  const { motor } = design;
  if (!isWoundOnAxle(motor)) return null;
  const strand = recordOf<MotorDesign>(motor).strandThickness(motor);
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
