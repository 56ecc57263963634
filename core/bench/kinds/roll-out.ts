import { mean } from 'simple-statistics';
import { simulated, RULER } from '../hidden-car.ts';
import { divisionOf, meanOfEach, meanPlot, type MeasurementOf } from '../measured.ts';
import { type MeasurementRecord, column } from '../measurement-record.ts';
import { METRES } from '../plausible.ts';
import { REPEATS } from '../repeatability.ts';

/** Rolling radius from the way of so many turns: R = L/(2π n). */
export const rollOut: MeasurementRecord<MeasurementOf<'roll-out'>> = {
  name: 'Roll-out of a wheel',
  tells: 'the distance per turn',
  minutes: 3,
  needs: ['tape measure'],
  how: [
    'Mark the rim of a drive wheel and the floor under it.',
    'Roll it, loaded as it runs, by a number of whole turns. Measure the distance.',
    'Use five turns or more, three times.',
  ],
  caution: null,
  columns: [column('turns', 'turns', 'count'), column('length', 'distance', 'distance')],
  once: [],
  division: { of: ['length'], usual: 0.001 },
  suits: () => true,
  table: { together: ['turns', 'length'], read: ['length'] },
  fewestRows: 1,
  bounds: {
    radius: { name: 'rolling radius', can: [0, 1], usual: [0.004, 0.2], look: METRES },
  },
  ofPart: { kind: 'wheel', keys: ['diameter'] },
  evaluate: (measurement) => {
    const { turns, length } = measurement.readings;
    const radii = turns.map((count, i) => length[i]! / (2 * Math.PI * count));
    const division = divisionOf(measurement, 'length');
    return {
      values: { radius: meanOfEach(radii, (i) => division / (2 * Math.PI * turns[i]!), REPEATS.rollOut) },
      drawn: meanPlot('rolling radius, m', radii, 0, REPEATS.rollOut * mean(radii)),
      remarks: [],
    };
  },
  simulate: ({ radius }, { read }) => {
    const turns = [3, 4, 5, 6, 5];
    const length = turns.map((count) => read(2 * Math.PI * radius * count, { deviation: 0.004 * Math.sqrt(count), division: 0.001 }));
    return simulated({ turns, length }, { length: RULER.division }, { radius });
  },
};
