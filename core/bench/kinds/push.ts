import { mean } from 'simple-statistics';
import { driftAfter } from '../../predict/straightness.ts';
import { propagateUncertainty, exactEstimate } from '../estimate.ts';
import { numbered, simulated } from '../hidden-car.ts';
import { divisionOf, meanPlot, type MeasurementOf } from '../measured.ts';
import { type MeasurementRecord, column, hasAxles } from '../measurement-record.ts';
import { METRES } from '../plausible.ts';
import { curvatureOfPushes, pushRepeats } from '../pushes.ts';

/** Curvature from drifts of gentle pushes, 1/m to the right; see `curvatureOfPushes`. */
export const push: MeasurementRecord<MeasurementOf<'push'>> = {
  name: 'Push it straight',
  tells: 'the curvature of its path, and how much of it is due to the floor',
  minutes: 5,
  needs: ['a line of tape on the floor', 'tape measure'],
  how: [
    'Push it gently along the line and let go. Measure how far off the line it is (positive to the right) and how far it has rolled.',
    'Turn it round and push it back along the same line.',
    'Do three pushes each way. Together they cancel a sloping floor.',
  ],
  caution: null,
  columns: [
    column('drift', 'off the line, right +', 'distance'),
    column('distance', 'after', 'distance'),
    { ...column('direction', 'direction', 'count'), options: ['out', 'back'], isOptional: true },
  ],
  once: [],
  division: { of: ['drift'], usual: 0.01 },
  suits: hasAxles,
  table: { together: ['drift', 'distance', 'direction'], read: ['drift'] },
  fewestRows: 1,
  bounds: {
    curvature: { name: 'curvature', can: [-20, 20], usual: [-1, 1], look: METRES },
  },
  ofPart: null,
  evaluate: (measurement) => {
    const { drift, distance, direction } = measurement.readings;
    const division = divisionOf(measurement, 'drift');
    const pushes = drift.map((aside, i) => ({ drift: aside, distance: distance[i]!, direction: direction?.[i] }));
    const { curvature, ofFloor, each } = curvatureOfPushes(pushes, division)!;
    const meanDistance = mean([...distance]);
    return {
      values: {
        curvature,
        drift: propagateUncertainty([curvature, exactEstimate(meanDistance)], driftAfter),
        ...(ofFloor && { ofFloor }),
      },
      drawn: meanPlot('curvature, 1/m', each, 0, pushRepeats(pushes)),
      remarks: ofFloor ? [] : ['It was pushed one way only, so a sloping floor looks the same as a curve. Push it back too.'],
    };
  },
  simulate: ({ curvature }, { normal }) => {
    const directions = numbered(8).map((i) => (i % 2 === 0 ? 'out' : 'back') as 'out' | 'back');
    const ofFloor = 0.004;
    const drift = directions.map((direction) => {
      const aside = driftAfter(curvature + (direction === 'out' ? ofFloor : -ofFloor), 4) + 0.06 * normal();
      return Number((Math.round(aside / 0.01) * 0.01).toFixed(2));
    });
    return simulated({ drift, distance: directions.map(() => 4), direction: directions }, { drift: 0.01 }, { curvature, ofFloor });
  },
};
