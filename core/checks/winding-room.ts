import { bisect } from '../numerics/bisect.ts';
import { isWoundOnAxle, recordOf } from '../car/motors/motors.ts';
import { modelOf } from '../motor/motors.ts';
import type { MotorSetup } from '../run/run-setup.ts';
import { fewerTurns } from './motor-remedies.ts';
import { remedyOf } from './remedy.ts';
import { grade, type Check, type Situation } from './check.ts';

/** Layers above which windings ride over each other and snag. Common practice. */
const MOST_LAYERS = 3;

/**
 * Layers that so many turns of a strand make on a width of axle, m: turns × thickness / width. Rubber keeps its volume:
 * stretched λ times it is √λ thinner.
 */
function layersOn(width: number, turns: number, strand: number, motor: MotorSetup): number {
  const stretch = modelOf(motor).stretch({ ...motor, windingWidth: width } as MotorSetup) ?? 1;
  return (turns * strand) / (Math.sqrt(Math.max(stretch, 1)) * width);
}

/** The width, m, on which they make no more than the most, by bisection: wider than `width`, where they make more. */
function widthFor(width: number, turns: number, strand: number, motor: MotorSetup): number {
  return bisect((middle) => layersOn(middle, turns, strand, motor) > MOST_LAYERS, width, (turns * strand) / MOST_LAYERS).high;
}

/** How deep what is wound lies on the axle, in layers. */
export function windingRoom({ design, setup, result }: Situation): Check | null {
  const { motor } = design;
  if (!isWoundOnAxle(motor)) return null;
  const strand = recordOf(motor).strandThickness(motor);
  const value = layersOn(motor.windingWidth, result.turns, strand, setup.motor);
  const verdict = grade(value, MOST_LAYERS, 'most', 1);
  return {
    id: 'winding-room',
    title: 'layers on the axle',
    value,
    limit: MOST_LAYERS,
    limitIs: 'most',
    quantity: 'count',
    verdict,
    sure: 'rough',
    sentence: (format) =>
      `${format(result.turns, 'count')} turns on ${format(motor.windingWidth, 'size')} of axle make ${format(value, 'count')} layers${verdict === 'good' ? '.' : '. Windings that ride over each other snag.'}`,
    remedies: (format) => {
      if (verdict === 'good') return [];
      const windingWidth = widthFor(motor.windingWidth, result.turns, strand, setup.motor);
      return [
        remedyOf('winding-width', 'wider-winding', `Wind over ${format(windingWidth, 'size')} of axle`, {
          ...design,
          motor: { ...motor, windingWidth },
        }),
        ...fewerTurns(design, format),
      ];
    },
  };
}
