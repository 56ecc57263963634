import { isRoller } from '../../car/motors/motors.ts';
import { meanEstimate, type Estimate, propagateUncertainty } from '../estimate.ts';
import { numbered, KITCHEN_SCALE, simulated } from '../hidden-car.ts';
import { divisionOf, type MeasurementOf } from '../measured.ts';
import { type MeasurementRecord, column, driveRadiusOf, hasAxles, scalar } from '../measurement-record.ts';
import { READ_AGAIN } from '../plausible.ts';
import { REPEATS } from '../repeatability.ts';

/** Mass, share on the drive axle, and with the other end raised by H the height of the mass: h = R + Δreading · L/(m tan φ), sin φ = H/L. Statics. */
export const weights: MeasurementRecord<MeasurementOf<'weights'>> = {
  name: 'Weighing on a kitchen scale',
  tells: 'the weight, the load on each axle, and the height of the centre of mass',
  minutes: 5,
  needs: ['kitchen scale', 'a block as high as the scale', 'ruler'],
  how: [
    'Put the scale under the drive axle and a block of equal height under the other axle. Read the scale. Turn the car round and read the other axle.',
    'Put the scale under the drive axle again. Raise the other axle by about a third of the wheelbase and read the scale.',
    'Lift the car off and put it back between readings. Three readings of each show how repeatable they are.',
  ],
  caution: null,
  columns: [
    column('drive', 'under the drive axle', 'weight'),
    column('other', 'under the other axle', 'weight'),
    column('raised', 'drive axle, other end raised', 'weight'),
  ],
  once: [
    scalar('height', 'raised by', 'size', ({ wheelbase }) => 0.3 * wheelbase),
    scalar('wheelbase', 'wheelbase', 'size', ({ wheelbase }) => wheelbase),
    scalar('radius', 'radius of the drive wheels', 'size', driveRadiusOf),
  ],
  division: { of: ['drive', 'other', 'raised'], usual: 0.001 },
  suits: hasAxles,
  table: { together: [], alone: ['drive', 'other', 'raised'], read: ['drive', 'other', 'raised'] },
  fewestRows: 1,
  bounds: {
    mass: { name: 'mass', can: [0, 20], usual: [0.01, 1.5], look: 'check that weights are in kg' },
    massHeight: { name: 'height of the centre of mass', can: [0, 1], usual: [0.003, 0.2], look: READ_AGAIN },
  },
  ofPart: null,
  evaluate: (measurement) => {
    const { drive, other, raised, height, wheelbase, radius } = measurement.readings;
    const [onDrive, onOther] = [
      meanEstimate(drive, divisionOf(measurement, 'drive'), REPEATS.scale),
      meanEstimate(other, divisionOf(measurement, 'other'), REPEATS.scale),
    ];
    const values: Record<string, Estimate> = {
      mass: propagateUncertainty([onDrive, onOther], (a, b) => a + b),
      driveShare: propagateUncertainty([onDrive, onOther], (a, b) => a / (a + b)),
    };
    if (raised && height !== undefined && wheelbase !== undefined && radius !== undefined) {
      const tangent = Math.tan(Math.asin(Math.min(height / wheelbase, 0.99)));
      values.massHeight = propagateUncertainty(
        [onDrive, onOther, meanEstimate(raised, divisionOf(measurement, 'raised'), REPEATS.scale)],
        (a, b, up) => radius + ((up - a) * wheelbase) / ((a + b) * tangent),
      );
    }
    return {
      values,
      drawn: null,
      remarks: values.massHeight ? [] : ['Raise the other axle and weigh once more to find the height of the centre of mass too.'],
    };
  },
  simulate: ({ design, numbers, weight, radius }, { read }) => {
    if (isRoller(design)) return null;
    const { mass, driveLoadShare: fraction } = weight;
    const height = 0.3 * design.wheelbase;
    const tangent = Math.tan(Math.asin(0.3));
    const up = mass * (fraction + ((numbers.massHeight! - radius) / design.wheelbase) * tangent);
    const four = (value: number) => numbered(4).map(() => read(value, KITCHEN_SCALE));
    const { division } = KITCHEN_SCALE;
    return simulated(
      { drive: four(mass * fraction), other: four(mass * (1 - fraction)), raised: four(up), height, wheelbase: design.wheelbase, radius },
      { drive: division, other: division, raised: division },
      { mass, driveShare: fraction, massHeight: numbers.massHeight! },
    );
  },
};
