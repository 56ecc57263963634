import type { CarDesign } from '../car/car-design.ts';
import { hasBands, isRoller } from '../car/motors/motors.ts';
import { isTubeBearing } from './lengths.ts';
import { millimetres } from './millimetres.ts';

/** Notes that belong on the drawing of this car. */
export function notesOf(design: CarDesign): readonly string[] {
  const { motor, endPlay, bearing, layout } = design;
  const backwards = 'Wind by turning the wheels backwards.';
  if (isRoller(design))
    return [
      'Hook of the arm’s end free to turn on its washer; the other end fixed in the roller.',
      'Hole for the band through the middle, square to both faces.',
      backwards,
    ];
  return [
    'Fix each drive wheel to its axle: it must not slip.',
    isTubeBearing(design)
      ? `Axle free in its bearing; ${millimetres(endPlay / 2)} of play each side.`
      : `Axle free in its ${bearing === 'screw-eye' ? 'eyes' : 'holes'}; ${millimetres(endPlay / 2)} of play each side.`,
    'Holes square and in line; both axles parallel.',
    'Wheels true: no more than 1 mm to and fro at the rim.',
    ...(motor.kind === 'lever'
      ? [
          'String’s loop drops off its hook at the end; knot it at the lever, never at the axle.',
          'Leave trap and hook unglued until the car is tuned.',
        ]
      : []),
    ...(hasBands(motor) && motor.kind === 'band'
      ? [
          motor.release === 'free' ? 'Band’s end free on the axle: it drops off.' : 'Band’s end tied to the axle.',
          'Leave the hook unglued until the car is tuned.',
        ]
      : []),
    ...(layout.otherWheelCount === 1 ? ['The single wheel runs in the middle of its slot.'] : []),
    backwards,
  ];
}
