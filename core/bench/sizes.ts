import { mean } from 'simple-statistics';
import { driftAfter } from '../predict/straightness.ts';
import { propagateUncertainty, exactEstimate, meanEstimate, type Estimate } from './estimate.ts';
import { divisionOf, meanPlot, type MeasurementOf, type MeasurementResult } from './measured.ts';
import { curvatureOfPushes, pushRepeats } from './pushes.ts';
import { REPEATS } from './repeatability.ts';

/** Readings of which each was worked out by itself, about their mean. `division`: that of each; `repeats`: as a share. */
function meanOfEach(readings: readonly number[], division: (i: number) => number, repeats: number): Estimate {
  return meanEstimate(readings, Math.max(0, ...readings.map((_, i) => division(i))), repeats * mean([...readings]));
}

/** Rolling radius from the way of so many turns: R = L/(2π n). */
export function rollOut(measurement: MeasurementOf<'roll-out'>): MeasurementResult {
  const { turns, length } = measurement.readings;
  const radii = turns.map((count, i) => length[i]! / (2 * Math.PI * count));
  const division = divisionOf(measurement, 'length');
  return {
    values: { radius: meanOfEach(radii, (i) => division / (2 * Math.PI * turns[i]!), REPEATS.rollOut) },
    drawn: meanPlot('rolling radius, m', radii, 0, REPEATS.rollOut * mean(radii)),
    remarks: [],
  };
}

/** Half of each whole reach of the rim past a pencil: out of true by an angle (reading over the diameter), and off its centre. */
export function wobble(measurement: MeasurementOf<'wobble'>): MeasurementResult {
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
}

/** Mass, share on the drive axle, and with the other end raised by H the height of the mass: h = R + Δreading · L/(m tan φ), sin φ = H/L. Statics. */
export function weights(measurement: MeasurementOf<'weights'>): MeasurementResult {
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
}

/** Diameter of an axle from the length of so many turns of thread: D = L/(π n) − d. */
export function thread(measurement: MeasurementOf<'thread'>): MeasurementResult {
  const { turns, length, thickness } = measurement.readings;
  const diameters = turns.map((count, i) => length[i]! / (Math.PI * count) - thickness);
  const division = divisionOf(measurement, 'length');
  return {
    values: { axleDiameter: meanOfEach(diameters, (i) => division / (Math.PI * turns[i]!), REPEATS.thread) },
    drawn: meanPlot('diameter, m', diameters, 0, REPEATS.thread * mean(diameters)),
    remarks: [],
  };
}

/** Thickness of tape from a diameter before and after so many wraps: (D₂ − D₁)/(2 n). */
export function tape(measurement: MeasurementOf<'tape'>): MeasurementResult {
  const { before, after, wraps } = measurement.readings;
  const [bare, wrapped] = [
    meanEstimate(before, divisionOf(measurement, 'before'), REPEATS.calliper),
    meanEstimate(after, divisionOf(measurement, 'after'), REPEATS.calliper),
  ];
  return { values: { tapeThickness: propagateUncertainty([bare, wrapped], (a, b) => (b - a) / (2 * wraps)) }, drawn: null, remarks: [] };
}

/** Curvature from drifts of gentle pushes, 1/m to the right; see `curvatureOfPushes`. */
export function push(measurement: MeasurementOf<'push'>): MeasurementResult {
  const { drift, distance, direction } = measurement.readings;
  const division = divisionOf(measurement, 'drift');
  const pushes = drift.map((aside, i) => ({ drift: aside, distance: distance[i]!, direction: direction?.[i] }));
  const { curvature, ofFloor, each } = curvatureOfPushes(pushes, division)!;
  const way = mean([...distance]);
  return {
    values: {
      curvature,
      drift: propagateUncertainty([curvature, exactEstimate(way)], driftAfter),
      ...(ofFloor && { ofFloor }),
    },
    drawn: meanPlot('curvature, 1/m', each, 0, pushRepeats(pushes)),
    remarks: ofFloor ? [] : ['It was pushed one way only, so a sloping floor looks the same as a curve. Push it back too.'],
  };
}
