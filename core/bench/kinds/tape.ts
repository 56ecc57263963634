import { meanEstimate, propagateUncertainty } from '../estimate.ts';
import { numbered, CALLIPER, simulated } from '../hidden-car.ts';
import { divisionOf, type MeasurementOf } from '../measured.ts';
import { type MeasurementRecord, column, hasAxles, scalar } from '../measurement-record.ts';
import { REPEATS } from '../repeatability.ts';

/** Thickness of tape from a diameter before and after so many wraps: (D₂ − D₁)/(2 n). */
export const tape: MeasurementRecord<MeasurementOf<'tape'>> = {
  name: 'Thickness of the tape',
  tells: 'how much a wrap adds to the axle',
  minutes: 3,
  needs: ['calliper', 'tape'],
  how: ['Measure the axle bare.', 'Wrap a dozen turns of tape tightly and measure again.', 'Measure three places each time.'],
  caution: null,
  columns: [column('before', 'bare', 'size'), column('after', 'wrapped', 'size')],
  once: [scalar('wraps', 'wraps', 'count', () => 12)],
  division: { of: ['before', 'after'], usual: 0.0001 },
  suits: hasAxles,
  table: { together: [], alone: ['before', 'after'], read: ['after', 'before'] },
  fewestRows: 1,
  bounds: {
    tapeThickness: {
      name: 'thickness of the tape',
      can: [0, 0.02],
      usual: [2e-5, 0.002],
      look: 'check that before and after are not mixed up',
    },
  },
  ofPart: null,
  evaluate: (measurement) => {
    const { before, after, wraps } = measurement.readings;
    const [bare, wrapped] = [
      meanEstimate(before, divisionOf(measurement, 'before'), REPEATS.calliper),
      meanEstimate(after, divisionOf(measurement, 'after'), REPEATS.calliper),
    ];
    return { values: { tapeThickness: propagateUncertainty([bare, wrapped], (a, b) => (b - a) / (2 * wraps)) }, drawn: null, remarks: [] };
  },
  simulate: ({ axleDiameter }, { read }) => {
    const thickness = 0.00013;
    const wraps = 12;
    const five = (value: number) => numbered(5).map(() => read(value, CALLIPER));
    const { division } = CALLIPER;
    return simulated(
      { before: five(axleDiameter), after: five(axleDiameter + 2 * wraps * thickness), wraps },
      { before: division, after: division },
      { tapeThickness: thickness },
    );
  },
};
