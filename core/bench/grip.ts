import { mean } from 'simple-statistics';
import { GRAVITY } from '../constants.ts';
import { propagateUncertainty, makeEstimate, exactEstimate, meanEstimate } from './estimate.ts';
import { divisionOf, meanPlot, type MeasurementOf, type MeasurementResult } from './measured.ts';
import { REPEATS } from './repeatability.ts';

/** rad at which a car with its drive wheels held begins to slide: μ (share cos θ + (h/L) sin θ) = sin θ solved for θ; a right angle and more where it never does. Statics. */
export const slidingAngle = (staticGrip: number, driveShare: number, massHeight: number, wheelbase: number): number =>
  Math.atan2(staticGrip * driveShare, 1 - (staticGrip * massHeight) / wheelbase);

/**
 * Grip from the tilt at which a car with its drive wheels held begins to slide, nose uphill (front drive: nose downhill), the others free:
 * μ = sin θ / (share cos θ + (h/L) sin θ); with all wheels held μ = tan θ. Statics of the car on a slope.
 */
export function tilt(measurement: MeasurementOf<'tilt'>): MeasurementResult {
  const { angle, driveShare, massHeight = 0, wheelbase = 1 } = measurement.readings;
  const division = divisionOf(measurement, 'angle');
  const gripAt = (theta: number): number =>
    Math.sin(theta) / (driveShare * Math.cos(theta) + (driveShare === 1 ? 0 : (massHeight / wheelbase) * Math.sin(theta)));
  return {
    values: { staticGrip: propagateUncertainty([meanEstimate(angle, division, REPEATS.tilt)], gripAt) },
    drawn: meanPlot('tilt, rad', angle, division, REPEATS.tilt),
    remarks: [],
  };
}

/** Grip while it slides, from the steady pull on the level with the drive wheels held: F/(share W) less what the others roll with. */
export function drag(measurement: MeasurementOf<'drag'>): MeasurementResult {
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
}
