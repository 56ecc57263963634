import { mean } from 'simple-statistics';
import { isRoller } from '../../car/motors/motors.ts';
import { likelyNumbers } from '../../car/values.ts';
import { GRAVITY } from '../../constants.ts';
import { meanEstimate, propagateUncertainty, exactEstimate, makeEstimate } from '../estimate.ts';
import { numbered, simulated } from '../hidden-car.ts';
import { divisionOf, meanPlot, type MeasurementOf } from '../measured.ts';
import { type MeasurementRecord, column, massOf, driveShareOf, hasAxles, scalar } from '../measurement-record.ts';
import { REPEATS } from '../repeatability.ts';

/** Grip while it slides, from the steady pull on the level with the drive wheels held: F/(share W) less what the others roll with. */
export const drag: MeasurementRecord<MeasurementOf<'drag'>> = {
  name: 'Drag it sliding',
  tells: 'the grip while the wheels slide',
  minutes: 4,
  needs: ['spring scale', 'the floor it will run on'],
  how: [
    'Tape the drive wheels so that they cannot turn.',
    'Pull the car steadily along the level floor with the scale. Read while it slides.',
    'Do it five times, slowly.',
  ],
  caution: null,
  columns: [column('force', 'steady force', 'force')],
  once: [
    scalar('mass', 'weight of the car', 'weight', massOf),
    scalar('driveShare', 'fraction of the weight on the drive wheels', 'share', driveShareOf),
    scalar('staticGrip', 'grip before it slides', 'count', (design) => likelyNumbers(design).staticGrip!),
  ],
  division: { of: ['force'], usual: 0.02 },
  suits: hasAxles,
  table: { together: ['force'], read: ['force'] },
  fewestRows: 1,
  bounds: {
    slidingGrip: { name: 'grip of sliding tyres', can: [0, 5], usual: [0.1, 1.4], look: 'check that the force is in N' },
  },
  ofPart: { kind: 'tyre', keys: ['slidingGrip'] },
  evaluate: (measurement) => {
    const { force, mass, driveShare, otherRolling = 0, staticGrip } = measurement.readings;
    const division = divisionOf(measurement, 'force');
    const repeats = REPEATS.drag * mean([...force]);
    const pull = meanEstimate(force, division, repeats);
    const weight = mass * GRAVITY;
    const sliding = propagateUncertainty([pull], (steady) => (steady - otherRolling * (1 - driveShare) * weight) / (driveShare * weight));
    // Beyond 1 it is cut off last: how sure it is stays.
    const ratio =
      staticGrip === undefined ? null : propagateUncertainty([sliding, exactEstimate(staticGrip)], (slides, holds) => slides / holds);
    return {
      values: {
        slidingGrip: sliding,
        ...(ratio && { slidingRatio: makeEstimate(Math.min(ratio.value, 1), ratio.deviation, ratio.degreesOfFreedom) }),
      },
      drawn: meanPlot('force, N', force, division, repeats),
      remarks:
        staticGrip !== undefined && sliding.value > staticGrip
          ? ['The sliding grip is higher than the grip before sliding. Repeat the tilt test, and pull more slowly.']
          : [],
    };
  },
  simulate: ({ design, numbers, weight }, { read }) => {
    if (isRoller(design)) return null;
    const fraction = weight.driveLoadShare;
    const slides = numbers.staticGrip! * numbers.slidingRatio!;
    const force = numbered(6).map(() => read(slides * fraction * weight.mass * GRAVITY, { deviation: 0.03, division: 0.02 }));
    // What held before it slid is taken as it is thought of: nobody tilted it yet.
    const staticGrip = likelyNumbers(design).staticGrip!;
    return simulated({ force, mass: weight.mass, driveShare: fraction, staticGrip }, { force: 0.02 }, { slidingGrip: slides });
  },
};
