import { bisect } from '../numerics/bisect.ts';
import { isWoundOnAxle, recordOf } from '../car/motors/motors.ts';
import { layersOf, MAX_LAYERS } from '../car/winding-limits.ts';
import { modelOf } from '../motor/motors.ts';
import type { MotorSetup } from '../run/run-setup.ts';
import { fewerTurns } from './motor-remedies.ts';
import { remedyOf } from './remedy.ts';
import { grade, type Check, type Situation } from './check.ts';

/** Layers that so many turns of a strand make on another width of axle, m. */
function layersOn(width: number, turns: number, strand: number, motor: MotorSetup): number {
  const stretch = modelOf(motor).stretch({ ...motor, windingWidth: width } as MotorSetup) ?? 1;
  return layersOf({ turns, strand, width, stretch });
}

/** The width, m, on which they make no more than the most, by bisection: wider than `width`, where they make more. */
function widthFor(width: number, turns: number, strand: number, motor: MotorSetup): number {
  return bisect((middle) => layersOn(middle, turns, strand, motor) > MAX_LAYERS, width, (turns * strand) / MAX_LAYERS).high;
}

/** How deep what is wound lies on the axle, in layers. */
export function windingRoom({ design, setup, result }: Situation): Check | null {
  const { motor } = design;
  if (!isWoundOnAxle(motor)) return null;
  const strand = recordOf(motor).strandThickness(motor);
  const value = layersOn(motor.windingWidth, result.turns, strand, setup.motor);
  const verdict = grade(value, MAX_LAYERS, 'most', 1);
  return {
    id: 'winding-room',
    title: 'layers on the axle',
    value,
    limit: MAX_LAYERS,
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
