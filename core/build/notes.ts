import type { CarDesign } from '../car/car-design.ts';
import { isRoller } from '../car/motors/motors.ts';
import { isTubeBearing } from './lengths.ts';
import { buildOf } from './motors/motors.ts';
import { SIZE_FORMATS, type SizeFormat } from './size-format.ts';

/** Notes that belong on the drawing of this car. */
export function notesOf(design: CarDesign, sizes: SizeFormat = SIZE_FORMATS.metric): readonly string[] {
  const { motor, endPlay, bearing, layout } = design;
  const backwards = 'Wind by turning the wheels backwards.';
  if (isRoller(design)) return [...buildOf(motor).notes(motor), backwards];
  return [
    'Fix each drive wheel to its axle so that it cannot slip.',
    isTubeBearing(design)
      ? `The axle turns freely in its bearing, with ${sizes.size(endPlay / 2)} of play on each side.`
      : `The axle turns freely in its ${bearing === 'screw-eye' ? 'eyes' : 'holes'}, with ${sizes.size(endPlay / 2)} of play on each side.`,
    'Holes square and in line; both axles parallel.',
    `Wheels true: no more than ${sizes.size(0.001)} side to side at the rim.`,
    ...buildOf(motor).notes(motor),
    ...(layout.otherWheelCount === 1 ? ['The single wheel runs in the middle of its slot.'] : []),
    backwards,
  ];
}
