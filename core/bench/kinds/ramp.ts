import { mean } from 'simple-statistics';
import { GRAVITY } from '../../constants.ts';
import { meanEstimate, makeEstimate, resolutionUncertainty, exactEstimate, propagateUncertainty } from '../estimate.ts';
import { numbered, TAPE_MEASURE, simulated } from '../hidden-car.ts';
import { divisionOf, meanPlot, type MeasurementOf } from '../measured.ts';
import { type MeasurementRecord, column, massOf, scalar } from '../measurement-record.ts';
import { METRES } from '../plausible.ts';
import { REPEATS } from '../repeatability.ts';

/** Total rolling of a car released on a ramp: F = m g H/(s + r), as a fraction of its weight H/(s + r). Energy: what falls is spent along the run. */
export const ramp: MeasurementRecord<MeasurementOf<'ramp'>> = {
  name: 'Roll down from a book',
  tells: 'the total resistance as it rolls on its floor',
  minutes: 5,
  needs: ['a board', 'two books', 'tape measure', 'the floor it will run on'],
  how: [
    'Lay a board on a book at the line and put the unwound car on top. Measure how high its wheels are and how far the board reaches along the floor.',
    'Release it without a push, in its running direction. Measure from the foot of the board to where it stops.',
    'Do five rolls from the same height. Raise the board if it stops within a metre.',
  ],
  caution: null,
  columns: [column('distance', 'distance after the board', 'distance')],
  once: [
    scalar('height', 'release height', 'size', () => 0.05),
    scalar('run', 'length of the board along the floor', 'size', () => 0.4),
    scalar('mass', 'weight of the car', 'weight', massOf),
  ],
  division: { of: ['distance'], usual: 0.01 },
  suits: () => true,
  table: { together: ['distance'], oneOrEach: ['height'], read: ['distance'] },
  fewestRows: 1,
  bounds: {
    rolling: { name: 'rolling resistance, as a fraction of the weight', can: [0, 2], usual: [0.002, 0.12], look: METRES },
  },
  ofPart: null,
  evaluate: (measurement) => {
    const { height, run, distance, mass } = measurement.readings;
    const divisions = [divisionOf(measurement, 'height'), divisionOf(measurement, 'distance')] as const;
    const single = height.length === 1;
    // Each roll is a measurement by itself; how high the ramp stands is off alike in all of one ramp.
    const fractions = distance.map((rolled, i) => (single ? height[0]! : height[i]!) / (rolled + run));
    const repeats = REPEATS.roll * mean(fractions);
    const scattered = meanEstimate(fractions, (divisions[1] * fractions[0]!) / (distance[0]! + run), repeats);
    const high = single ? makeEstimate(height[0]!, resolutionUncertainty(divisions[0])) : exactEstimate(1);
    const rolling = single ? propagateUncertainty([scattered, high], (fraction, stands) => (fraction * stands) / height[0]!) : scattered;
    return {
      values: { rolling, resistance: propagateUncertainty([rolling], (fraction) => fraction * mass * GRAVITY) },
      drawn: meanPlot('rolling resistance, as a fraction of the weight', fractions, 0, repeats),
      remarks: [],
    };
  },
  simulate: ({ numbers, weight, rolling }, { read, varied }) => {
    // On the floor that it will run on, the way it will run: how that leans is in it.
    const held = rolling + (numbers.slope ?? 0);
    if (held < 0.2 * rolling) return null;
    const run = 0.4;
    const height = Math.max(0.03, 2.5 * held);
    const distance = numbered(6).map(() => read(Math.max(0.05, varied(height / held) - run), TAPE_MEASURE));
    return simulated(
      { height: [Number(height.toFixed(3))], run, distance, mass: weight.mass },
      { distance: TAPE_MEASURE.division },
      { rolling: held },
    );
  },
};
