import type { Band, MotorDesign } from '../../car/car-design.ts';
import { cutLength, insideOf } from '../../car/tubing.ts';
import { hasBands } from '../../car/motors/motors.ts';
import type { InspectedSize } from '../inspected-size.ts';
import type { Format } from '../../units/quantity.ts';
import type { CutLength } from '../part-names.ts';
import type { SizeFormat } from '../size-format.ts';
import type { MotorPart } from './motor-build.ts';

type RubberDesign = Extract<MotorDesign, { band: Band }>;

/** The bands, as a line of the parts list; tubing with what it is cut to. */
export const bandPart = ({ band, parallel, series }: RubberDesign, count: number, { size }: SizeFormat): MotorPart => ({
  on: 'motor',
  slot: 'band',
  count,
  size: `${parallel} side by side, ${series} end to end${
    band.kind === 'tubing' ? `; each cut to ${size(cutLength(band))}, ${size(band.outside)} outside, ${size(insideOf(band))} inside` : ''
  }`,
});

/** What tubing is cut to before it is tied; nothing of bands. */
export const tubingLengths = ({ band, parallel, series }: RubberDesign): readonly CutLength[] =>
  band.kind === 'tubing'
    ? [
        {
          id: 'tubing',
          name: 'tubing',
          count: parallel * series,
          length: cutLength(band),
          words: (format) =>
            band.form === 'loop'
              ? `${format(band.length)} flat as a loop, the rest is in its knot`
              : `${format(band.length)} between the knots at its ends`,
        },
      ]
    : [];

/** How tubing becomes a band, before the bands are chained; empty of bands. */
export const tubingText = ({ band }: RubberDesign, format: Format): string =>
  band.kind !== 'tubing'
    ? ''
    : `Cut the tubing (${format(band.outside, 'size')} outside, ${format(insideOf(band), 'size')} inside) to ${format(cutLength(band), 'size')}. ${
        band.form === 'loop'
          ? `Tie both ends together in one overhand knot, wet it and pull it tight: the loop is ${format(band.length, 'size')} long when it lies flat. `
          : `Tie a knot at each end, ${format(band.length, 'size')} apart. `
      }`;

/** How the motor is wound, where it is not by hand. */
export const windingText = ({ woundBy }: RubberDesign): string =>
  woundBy === 'stretch'
    ? ' To wind it, one of you pulls the band out to twice its length while the other turns the wheels, and lets it in as it fills up.'
    : woundBy === 'drill'
      ? ' To wind it, hold the axle in the chuck of a hand drill and count the turns of the chuck. Turn slowly.'
      : '';

/** The number of bands end to end, counted on the finished car. */
export const inspectedBands = ({ series }: RubberDesign): readonly InspectedSize[] => [
  {
    id: 'bands',
    label: 'bands end to end',
    quantity: 'count',
    drawn: series,
    tolerance: 0.5,
    cure: 'chain them as drawn',
    built: (car, { bands }) =>
      bands === undefined || !hasBands(car.motor) ? car : { ...car, motor: { ...car.motor, series: Math.round(bands) } },
  },
];
