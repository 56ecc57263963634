import { meanEstimate, propagateUncertainty } from '../estimate.ts';
import { type Instrument, numbered, simulated } from '../hidden-car.ts';
import { divisionOf, meanPlot, type MeasurementOf } from '../measured.ts';
import { type MeasurementRecord, column, driveRadiusOf, scalar } from '../measurement-record.ts';
import { METRES } from '../plausible.ts';
import { REPEATS } from '../repeatability.ts';

/** Half of each whole reach of the rim past a pencil: out of true by an angle (reading over the diameter), and off its centre. */
export const wobble: MeasurementRecord<MeasurementOf<'wobble'>> = {
  name: 'Wobble past a pencil',
  tells: 'how far the wheel is out of true and off centre',
  minutes: 3,
  needs: ['a pencil', 'ruler'],
  how: [
    'Hold a pencil beside the rim and turn the wheel. Measure the whole side-to-side movement.',
    'Hold the pencil over the rim and measure the whole up-and-down movement.',
    'Use the worst wheel, three times.',
  ],
  caution: null,
  columns: [column('inOut', 'side to side', 'size'), column('upDown', 'up and down', 'size')],
  once: [scalar('radius', 'radius of the wheel', 'size', driveRadiusOf)],
  division: { of: ['inOut', 'upDown'], usual: 0.0005 },
  suits: () => true,
  table: { together: [], alone: ['inOut', 'upDown'], read: ['inOut', 'upDown'] },
  fewestRows: 1,
  bounds: {
    outOfTrue: { name: 'out of true', can: [0, 1], usual: [0, 0.1], look: METRES },
    offCentre: { name: 'off centre', can: [0, 0.5], usual: [0, 0.01], look: METRES },
  },
  ofPart: null,
  evaluate: (measurement) => {
    const { inOut, upDown, radius } = measurement.readings;
    const aside = meanEstimate(inOut, divisionOf(measurement, 'inOut'), REPEATS.wobble);
    return {
      values: {
        outOfTrue: propagateUncertainty([aside], (reach) => reach / (2 * radius)),
        offCentre: propagateUncertainty([meanEstimate(upDown, divisionOf(measurement, 'upDown'), REPEATS.wobble)], (reach) => reach / 2),
      },
      drawn: meanPlot('side to side, m', inOut, divisionOf(measurement, 'inOut'), REPEATS.wobble),
      remarks: [],
    };
  },
  simulate: ({ outOfTrue, offCentre, radius }, { read }) => {
    const rim: Instrument = { deviation: 0.0004, division: 0.0002 };
    const inOut = numbered(6).map(() => read(2 * radius * outOfTrue, rim));
    const upDown = numbered(6).map(() => read(2 * offCentre, rim));
    return simulated({ inOut, upDown, radius }, { inOut: rim.division, upDown: rim.division }, { outOfTrue, offCentre });
  },
};
