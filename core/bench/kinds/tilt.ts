import { isRoller } from '../../car/motors/motors.ts';
import { likelyNumbers } from '../../car/values.ts';
import { propagateUncertainty, meanEstimate } from '../estimate.ts';
import { numbered, TILT_BOARD, simulated } from '../hidden-car.ts';
import { divisionOf, meanPlot, type MeasurementOf } from '../measured.ts';
import { type MeasurementRecord, column, driveShareOf, hasAxles, scalar } from '../measurement-record.ts';
import { REPEATS } from '../repeatability.ts';

/** rad at which a car with its drive wheels held begins to slide: μ (share cos θ + (h/L) sin θ) = sin θ solved for θ; a right angle and more where it never does. Statics. */
export const slidingAngle = (staticGrip: number, driveShare: number, massHeight: number, wheelbase: number): number =>
  Math.atan2(staticGrip * driveShare, 1 - (staticGrip * massHeight) / wheelbase);

/**
 * Grip from the tilt at which a car with its drive wheels held begins to slide, nose uphill (front drive: nose downhill), the others free:
 * μ = sin θ / (share cos θ + (h/L) sin θ); with all wheels held μ = tan θ. Statics of the car on a slope.
 */
export const tilt: MeasurementRecord<MeasurementOf<'tilt'>> = {
  name: 'Tilt until it slides',
  tells: 'the grip of the drive wheels on this floor',
  minutes: 4,
  needs: ['a board of the floor’s kind', 'protractor'],
  how: [
    'Tape the drive wheels so that they cannot turn; the others roll free. Point the nose uphill, or downhill for front drive.',
    'Raise the board slowly until the car begins to slide. Read the angle.',
    'Do it five times, each in a fresh place with wiped wheels.',
  ],
  caution: null,
  columns: [column('angle', 'slides at', 'angle')],
  once: [
    scalar('driveShare', 'fraction of the weight on the drive wheels', 'share', driveShareOf),
    scalar('massHeight', 'height of the centre of mass', 'size', (design) => likelyNumbers(design).massHeight!),
    scalar('wheelbase', 'wheelbase', 'size', ({ wheelbase }) => wheelbase),
  ],
  division: { of: ['angle'], usual: Math.PI / 360 },
  suits: hasAxles,
  table: { together: ['angle'], read: ['angle'] },
  fewestRows: 1,
  bounds: {
    staticGrip: { name: 'grip', can: [0, 5], usual: [0.15, 1.5], look: 'check that the angle is in radians' },
  },
  ofPart: { kind: 'tyre', keys: ['staticGrip'] },
  evaluate: (measurement) => {
    const { angle, driveShare, massHeight = 0, wheelbase = 1 } = measurement.readings;
    const division = divisionOf(measurement, 'angle');
    const gripAt = (theta: number): number =>
      Math.sin(theta) / (driveShare * Math.cos(theta) + (driveShare === 1 ? 0 : (massHeight / wheelbase) * Math.sin(theta)));
    return {
      values: { staticGrip: propagateUncertainty([meanEstimate(angle, division, REPEATS.tilt)], gripAt) },
      drawn: meanPlot('tilt, rad', angle, division, REPEATS.tilt),
      remarks: [],
    };
  },
  simulate: ({ design, numbers, weight }, { read }) => {
    if (isRoller(design)) return null;
    const fraction = weight.driveLoadShare;
    const slides = slidingAngle(numbers.staticGrip!, fraction, numbers.massHeight!, design.wheelbase);
    const angle = numbered(6).map(() => read(slides, TILT_BOARD));
    const readings = { angle, driveShare: fraction, massHeight: numbers.massHeight!, wheelbase: design.wheelbase };
    return slides < 1.4 && fraction > 0 ? simulated(readings, { angle: TILT_BOARD.division }, { staticGrip: numbers.staticGrip! }) : null;
  },
};
