import type { CarDesign } from '../car/car-design.ts';
import { hasBands, isRoller } from '../car/motors/motors.ts';
import { isTubeBearing } from './lengths.ts';
import { SIZE_FORMATS, type SizeFormat } from './size-format.ts';

/** Notes that belong on the drawing of this car. */
export function notesOf(design: CarDesign, sizes: SizeFormat = SIZE_FORMATS.metric): readonly string[] {
  const { motor, endPlay, bearing, layout } = design;
  const backwards = 'Wind by turning the wheels backwards.';
  if (isRoller(design))
    return [
      'The hook at the end of the arm turns freely on its washer; the other end is fixed in the roller.',
      'Hole for the band through the middle, square to both faces.',
      backwards,
    ];
  return [
    'Fix each drive wheel to its axle so that it cannot slip.',
    isTubeBearing(design)
      ? `The axle turns freely in its bearing, with ${sizes.size(endPlay / 2)} of play on each side.`
      : `The axle turns freely in its ${bearing === 'screw-eye' ? 'eyes' : 'holes'}, with ${sizes.size(endPlay / 2)} of play on each side.`,
    'Holes square and in line; both axles parallel.',
    `Wheels true: no more than ${sizes.size(0.001)} side to side at the rim.`,
    ...(motor.kind === 'lever'
      ? [
          'The loop of the string drops off its hook at the end. Knot the string to the lever, never to the axle.',
          'Leave trap and hook unglued until the car is tuned.',
        ]
      : []),
    ...(hasBands(motor) && motor.kind === 'band'
      ? [
          motor.release === 'free' ? 'The end of the band is free on the axle and drops off.' : 'The end of the band is tied to the axle.',
          'Leave the hook unglued until the car is tuned.',
        ]
      : []),
    ...(layout.otherWheelCount === 1 ? ['The single wheel runs in the middle of its slot.'] : []),
    backwards,
  ];
}
