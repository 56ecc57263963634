import { mean } from 'simple-statistics';
import { simulated, RULER } from '../hidden-car.ts';
import { divisionOf, meanOfEach, meanPlot, type MeasurementOf } from '../measured.ts';
import { type MeasurementRecord, column, hasAxles, scalar } from '../measurement-record.ts';
import { REPEATS } from '../repeatability.ts';

/** Diameter of an axle from the length of so many turns of thread: D = L/(π n) − d. */
export const thread: MeasurementRecord<MeasurementOf<'thread'>> = {
  name: 'Thread round the axle',
  tells: 'the diameter of the axle where it winds',
  minutes: 3,
  needs: ['thread', 'ruler'],
  how: [
    'Wind thread round the axle, side by side, ten turns or more.',
    'Mark both ends, take the thread off and measure it.',
    'Do it three times. The thickness of the thread is subtracted for you.',
  ],
  caution: null,
  columns: [column('turns', 'turns', 'count'), column('length', 'length', 'size')],
  once: [scalar('thickness', 'thickness of the thread', 'size', () => 0.0003)],
  division: { of: ['length'], usual: 0.001 },
  suits: hasAxles,
  table: { together: ['turns', 'length'], read: ['length'] },
  fewestRows: 1,
  bounds: {
    axleDiameter: { name: 'axle diameter', can: [0, 0.2], usual: [0.001, 0.03], look: 'check that the thread is thinner than entered' },
  },
  ofPart: { kind: 'axle', keys: ['diameter'] },
  evaluate: (measurement) => {
    const { turns, length, thickness } = measurement.readings;
    const diameters = turns.map((count, i) => length[i]! / (Math.PI * count) - thickness);
    const division = divisionOf(measurement, 'length');
    return {
      values: { axleDiameter: meanOfEach(diameters, (i) => division / (Math.PI * turns[i]!), REPEATS.thread) },
      drawn: meanPlot('diameter, m', diameters, 0, REPEATS.thread * mean(diameters)),
      remarks: [],
    };
  },
  simulate: ({ axleDiameter }, { read }) => {
    const thickness = 0.0003;
    const turns = [10, 12, 15, 20, 12];
    const length = turns.map((count) =>
      read(Math.PI * count * (axleDiameter + thickness), { deviation: 0.0015 * Math.sqrt(count / 10), division: 0.001 }),
    );
    return simulated({ turns, length, thickness }, { length: RULER.division }, { axleDiameter: axleDiameter });
  },
};
