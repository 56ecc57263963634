import type { Band, MotorDesign } from '../../car/car-design.ts';
import { hasBands } from '../../car/motors/motors.ts';
import type { InspectedSize } from '../inspected-size.ts';
import type { MotorPart } from './motor-build.ts';

type RubberDesign = Extract<MotorDesign, { band: Band }>;

/** The bands, as a line of the parts list. */
export const bandPart = ({ parallel, series }: RubberDesign, count: number): MotorPart => ({
  on: 'motor',
  slot: 'band',
  count,
  size: `${parallel} side by side, ${series} end to end`,
});

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
