import { bandName, chainCount, linksOf } from '../../car/band-chain.ts';
import type { Band, MotorDesign } from '../../car/car-design.ts';
import { cutLength, insideOf } from '../../car/tubing.ts';
import { hasBands } from '../../car/motors/motors.ts';
import { linkMass } from '../../car/motors/rubber-motors.ts';
import type { InspectedSize } from '../inspected-size.ts';
import type { Format } from '../../units/quantity.ts';
import type { CutLength } from '../part-names.ts';
import type { SizeFormat } from '../size-format.ts';
import type { MotorPart } from './motor-build.ts';

type RubberDesign = Extract<MotorDesign, { band: Band }>;

/** The bands, as lines of the parts list, one for each size; tubing with what it is cut to. */
export const bandParts = (motor: RubberDesign, count: number, { size }: SizeFormat): readonly MotorPart[] => {
  const { band, parallel, series } = motor;
  const [first, ...further] = linksOf(motor);
  return [
    {
      on: 'motor',
      slot: 'band',
      count,
      size: `${parallel} side by side, ${series} end to end${
        band.kind === 'tubing'
          ? `; each cut to ${size(cutLength(band))}, ${size(band.outside)} outside, ${size(insideOf(band))} inside`
          : ''
      }`,
      ...(further.length > 0 && { mass: linkMass(first, parallel) }),
    },
    ...further.map((link): MotorPart => ({
      on: 'motor',
      slot: null,
      name: `further bands: ${bandName(link.band)}`,
      count: parallel * link.series,
      size: `in the same chain, ${link.series} end to end`,
      mass: linkMass(link, parallel),
    })),
  ];
};

/** How the bands are looped together. */
export function chainText(motor: RubberDesign): string {
  const [first, ...further] = linksOf(motor);
  const beside = motor.parallel > 1 ? `, ${motor.parallel} side by side` : '';
  const rest = further.map(({ band, series }) => `, then ${series} of ${bandName(band)}`).join('');
  // Thin bands make fewer layers on the axle.
  const order = further.length > 0 ? ' The thickest go next to the hook, the thinnest to the axle.' : '';
  return `Loop ${first.series > 1 ? `${first.series} end to end` : 'one'}${rest}${beside}.${order}`;
}

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
export const inspectedBands = (motor: RubberDesign): readonly InspectedSize[] => [
  {
    id: 'bands',
    label: 'bands end to end',
    quantity: 'count',
    drawn: chainCount(motor),
    tolerance: 0.5,
    cure: 'chain them as drawn',
    built: (car, { bands }) =>
      bands === undefined || !hasBands(car.motor)
        ? car
        : { ...car, motor: { ...car.motor, series: Math.max(car.motor.series + Math.round(bands) - chainCount(car.motor), 1) } },
  },
];
