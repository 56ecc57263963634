import { driftAfter, curvatureFromDrift } from '../predict/straightness.ts';
import { combined, exactly, meanOf, type Estimate } from './estimate.ts';
import { divisionOf, drawnMean, type Of, type Result } from './measured.ts';

/** Each reading of a pair of columns, worked out by itself, about their mean; no surer than the division it was read in. */
function meanOfEach(readings: readonly number[], division: (i: number) => number): Estimate {
  const widest = Math.max(0, ...readings.map((_, i) => division(i)));
  return meanOf(readings, widest);
}

/** Rolling radius from the way of so many turns: R = L/(2π n). */
export function rollOut(measurement: Of<'roll-out'>): Result {
  const { turns, length } = measurement.readings;
  const radii = turns.map((count, i) => length[i]! / (2 * Math.PI * count));
  const division = divisionOf(measurement, 'length');
  return {
    values: { radius: meanOfEach(radii, (i) => division / (2 * Math.PI * turns[i]!)) },
    drawn: drawnMean('rolling radius, m', radii, 0),
    remarks: [],
  };
}

/** Half of each whole reach of the rim past a pencil: out of true by an angle (reading over the diameter), and off its centre. */
export function wobble(measurement: Of<'wobble'>): Result {
  const { inOut, upDown, radius } = measurement.readings;
  const aside = meanOf(inOut, divisionOf(measurement, 'inOut'));
  return {
    values: {
      outOfTrue: combined([aside], (reach) => reach / (2 * radius)),
      offCentre: combined([meanOf(upDown, divisionOf(measurement, 'upDown'))], (reach) => reach / 2),
    },
    drawn: drawnMean('to and fro, m', inOut, divisionOf(measurement, 'inOut')),
    remarks: [],
  };
}

/** Mass, share on the drive axle, and with the other end raised by H the height of the mass: h = R + Δreading · L/(m tan φ), sin φ = H/L. Statics. */
export function weights(measurement: Of<'weights'>): Result {
  const { drive, other, raised, height, wheelbase, radius } = measurement.readings;
  const [onDrive, onOther] = [meanOf(drive, divisionOf(measurement, 'drive')), meanOf(other, divisionOf(measurement, 'other'))];
  const values: Record<string, Estimate> = {
    mass: combined([onDrive, onOther], (a, b) => a + b),
    driveShare: combined([onDrive, onOther], (a, b) => a / (a + b)),
  };
  if (raised && height !== undefined && wheelbase !== undefined && radius !== undefined) {
    const tangent = Math.tan(Math.asin(Math.min(height / wheelbase, 0.99)));
    values.massHeight = combined(
      [onDrive, onOther, meanOf(raised, divisionOf(measurement, 'raised'))],
      (a, b, up) => radius + ((up - a) * wheelbase) / ((a + b) * tangent),
    );
  }
  return {
    values,
    drawn: null,
    remarks: values.massHeight ? [] : ['Raise the other axle and weigh once more, and the height of the mass is told too.'],
  };
}

/** Diameter of an axle from the length of so many turns of thread: D = L/(π n) − d. */
export function thread(measurement: Of<'thread'>): Result {
  const { turns, length, thickness } = measurement.readings;
  const diameters = turns.map((count, i) => length[i]! / (Math.PI * count) - thickness);
  const division = divisionOf(measurement, 'length');
  return {
    values: { axleDiameter: meanOfEach(diameters, (i) => division / (Math.PI * turns[i]!)) },
    drawn: drawnMean('diameter, m', diameters, 0),
    remarks: [],
  };
}

/** Thickness of tape from a diameter before and after so many wraps: (D₂ − D₁)/(2 n). */
export function tape(measurement: Of<'tape'>): Result {
  const { before, after, wraps } = measurement.readings;
  const [bare, wrapped] = [meanOf(before, divisionOf(measurement, 'before')), meanOf(after, divisionOf(measurement, 'after'))];
  return { values: { tapeThickness: combined([bare, wrapped], (a, b) => (b - a) / (2 * wraps)) }, drawn: null, remarks: [] };
}

/** Curvature from drifts of gentle pushes, 1/m to the right: the mean of each direction, and of both where both were made, which cancels a floor that leans. */
export function push(measurement: Of<'push'>): Result {
  const { drift, distance, direction } = measurement.readings;
  const division = divisionOf(measurement, 'drift');
  const curvatures = drift.map((aside, i) => curvatureFromDrift(aside, distance[i]!));
  const fineness = (i: number): number => Math.abs(curvatureFromDrift(division, distance[i]!));
  const of = (way: 'out' | 'back'): number[] => curvatures.filter((_, i) => direction?.[i] === way);
  const [out, back] = [of('out'), of('back')];
  const isBothWays = out.length > 0 && back.length > 0;
  const finest = Math.max(0, ...drift.map((_, i) => fineness(i)));
  const curvature = isBothWays
    ? combined([meanOf(out, finest), meanOf(back, finest)], (a, b) => (a + b) / 2)
    : meanOfEach(curvatures, fineness);
  const way = distance.reduce((sum, one) => sum + one, 0) / distance.length;
  return {
    values: {
      curvature,
      drift: combined([curvature, exactly(way)], driftAfter),
      ...(isBothWays && { ofFloor: combined([meanOf(out, finest), meanOf(back, finest)], (a, b) => (a - b) / 2) }),
    },
    drawn: drawnMean('curvature, 1/m', curvatures, 0),
    remarks: isBothWays ? [] : ['Pushed one way only: a floor that leans looks the same. Push it back too.'],
  };
}
