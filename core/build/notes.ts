import type { CarDesign } from '../car/car-design.ts';
import { isRoller } from '../car/motors/motors.ts';
import { formatTurns } from '../car/tape.ts';
import { describeFullWind } from './full-wind.ts';
import { isTubeBearing } from '../solid/bearing-sizes.ts';
import { buildOf } from './motors/motors.ts';
import { SIZE_FORMATS, type SizeFormat } from './size-format.ts';

/** What thickens the drive axle, from the turns wound last inward. */
const sleeveNotes = ({ sleeve }: CarDesign, { size }: SizeFormat): string[] =>
  sleeve.length === 0
    ? []
    : [
        `Drive axle ⌀ ${sleeve
          .toReversed()
          .map(({ diameter, turns }, i) => `${size(diameter)} under ${formatTurns(turns, i === 0)}`)
          .join(', ')}.`,
      ];

/** What whoever builds has noted, a line each. */
const ownNotes = ({ notes = '' }: CarDesign): string[] =>
  notes
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');

/** Notes that belong on the drawing of this car. */
export function notesOf(design: CarDesign, sizes: SizeFormat = SIZE_FORMATS.metric): readonly string[] {
  const { motor, endPlay, bearing, layout } = design;
  const backwards = 'Wind by turning the wheels backwards.';
  if (isRoller(design)) return [...buildOf(motor).notes(motor), describeFullWind(design), ...ownNotes(design)];
  return [
    'Fix each drive wheel to its axle so that it cannot slip.',
    isTubeBearing(design)
      ? `The axle turns freely in its bearing, with ${sizes.size(endPlay / 2)} of play on each side.`
      : `The axle turns freely in its ${bearing === 'screw-eye' ? 'eyes' : 'holes'}, with ${sizes.size(endPlay / 2)} of play on each side.`,
    'Holes square and in line; both axles parallel.',
    `Wheels true: no more than ${sizes.size(0.001)} side to side at the rim.`,
    ...buildOf(motor).notes(motor),
    ...(layout.otherWheelCount === 1 ? ['The single wheel runs in the middle of its slot.'] : []),
    ...sleeveNotes(design, sizes),
    describeFullWind(design),
    backwards,
    ...ownNotes(design),
  ];
}
