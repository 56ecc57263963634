import { isMeasured, measure } from '../bench/measure.ts';
import { applyMeasurement } from '../bench/apply-measurement.ts';
import type { CarDesign } from '../car/car-design.ts';
import { axleOf } from '../car/fitted.ts';
import { isRoller } from '../car/motors/motors.ts';
import { likelyNumbers } from '../car/values.ts';
import { standingWeight, weighedAt, wheelsetOf } from '../car/weights.ts';
import { predictRun } from '../predict/predict-run.ts';
import { curvatureOf, driftAfter, straighteningMoves, type AxleMove } from '../predict/straightness.ts';
import { type InspectedSize, unchanged } from './inspected-size.ts';
import { buildOf } from './motors/motors.ts';

/** Wheelbases of both sides as they were measured: their mean, and the axles out of parallel by their difference over the track width. Source: geometry of the circle. */
function withWheelbases(design: CarDesign, measured: Readonly<Record<string, number>>): CarDesign {
  const left = measured.wheelbaseLeft ?? design.wheelbase;
  const right = measured.wheelbaseRight ?? design.wheelbase;
  const { driveToe } = design.alignment;
  // The rear axle points to the left by so much more than the front one where the left side is longer.
  const apart = (left - right) / design.trackWidth;
  const otherToe = design.layout.driveAxle === 'rear' ? driveToe - apart : driveToe + apart;
  return { ...design, wheelbase: (left + right) / 2, alignment: { ...design.alignment, otherToe } };
}

/** A free spin of the drive axle as it was timed: what friction that tells. */
function withSpin(design: CarDesign, { spinTurns: turns, spinTime: time }: Readonly<Record<string, number>>): CarDesign {
  const set = wheelsetOf(design, 'drive', likelyNumbers(design).driveWheelDensity!);
  if (turns === undefined || time === undefined || !set) return design;
  const result = measure({
    format: 'nimble-axle/measurement',
    version: 1,
    kind: 'free-spin',
    readings: { turns: [turns], time: [time], inertia: set.inertia, mass: set.mass, journalRadius: axleOf(design).diameter / 2 },
    resolution: { time: 0.3 },
  });
  return isMeasured(result) ? applyMeasurement(design, result) : design;
}

/** Everything that is measured of a finished car, in the order of the hand. */
export function inspectedSizes(design: CarDesign): readonly InspectedSize[] {
  const { motor, driveWheels, otherWheels, wheelbase, endPlay, body } = design;
  const { mass, driveLoadShare } = standingWeight(design);
  const list: InspectedSize[] = [];
  const add = (one: Omit<InspectedSize, 'built'> & Partial<Pick<InspectedSize, 'built'>>): void =>
    void list.push({ built: unchanged, ...one });
  if (!isRoller(design)) {
    for (const side of ['Left', 'Right'] as const)
      add({
        id: `wheelbase${side}`,
        label: `wheelbase, ${side.toLowerCase()}`,
        quantity: 'size',
        drawn: wheelbase,
        tolerance: 0.001,
        cure: 'move an axle’s end in its bearing',
        built: withWheelbases,
      });
    for (const [side, other] of [
      ['Left', 'Right'],
      ['Right', 'Left'],
    ] as const)
      add({
        id: `drive${side}`,
        label: `${side.toLowerCase()} drive wheel ⌀`,
        quantity: 'size',
        drawn: driveWheels.diameter,
        tolerance: 0.001,
        cure: 'trim the larger, or add a turn of tape to the smaller',
        built: (car, measured) => {
          const here = measured[`drive${side}`] ?? driveWheels.diameter;
          const there = measured[`drive${other}`] ?? driveWheels.diameter;
          const [left, right] = side === 'Left' ? [here, there] : [there, here];
          return {
            ...car,
            driveWheels: { ...car.driveWheels, diameter: (left + right) / 2 },
            alignment: { ...car.alignment, wheelMismatch: (left - right) / 2 },
          };
        },
      });
    if (otherWheels)
      add({
        id: 'otherWheels',
        label: 'other wheels ⌀',
        quantity: 'size',
        drawn: otherWheels.diameter,
        tolerance: 0.002,
        cure: 'none needed: save the measured size',
        built: (car, { otherWheels: diameter }) =>
          car.otherWheels && diameter !== undefined ? { ...car, otherWheels: { ...car.otherWheels, diameter } } : car,
      });
    add({
      id: 'wobble',
      label: 'wobble at the rim, side to side',
      quantity: 'size',
      drawn: 0,
      tolerance: 0.001,
      cure: 'set the hub square, or cut a truer wheel',
    });
    add({
      id: 'endPlay',
      label: 'end play of the drive axle',
      quantity: 'size',
      drawn: endPlay,
      tolerance: 0.0005,
      cure: 'one slip of card less, or one washer more, beside the hub',
      built: (car, { endPlay: play }) => (play === undefined ? car : { ...car, endPlay: play }),
    });
    add({ id: 'spinTurns', label: 'free spin: turns', quantity: 'count', drawn: null, tolerance: Infinity, cure: '', built: withSpin });
    add({
      id: 'spinTime',
      label: 'free spin: time until it stops',
      quantity: 'time',
      drawn: null,
      tolerance: Infinity,
      cure: 'find where it rubs: hub, glue or a bent axle',
      built: withSpin,
    });
    add({
      id: 'axleGap',
      label: 'height of the deck over the middle of the drive axle',
      quantity: 'size',
      drawn: body.axleGap,
      tolerance: 0.002,
      cure: 'put a strip of card under the bearing',
      built: (car, { axleGap }) => (axleGap === undefined ? car : { ...car, body: { ...car.body, axleGap } }),
    });
  }
  add({
    id: 'mass',
    label: 'weight, ready to run',
    quantity: 'weight',
    drawn: mass,
    tolerance: 0.05 * mass,
    cure: 'use lighter hubs and less glue, or save the measured weight',
    built: (car, { mass: weighed, share: fraction }) =>
      weighed === undefined ? car : weighedAt(car, { mass: weighed, driveLoadShare: fraction ?? standingWeight(car).driveLoadShare }),
  });
  if (!isRoller(design))
    add({
      id: 'share',
      label: 'fraction of the weight on the drive wheels',
      quantity: 'share',
      drawn: driveLoadShare,
      tolerance: 0.03,
      cure: 'move the ballast or the trap',
      built: (car, { mass: weighed, share: fraction }) =>
        fraction === undefined ? car : weighedAt(car, { mass: weighed ?? standingWeight(car).mass, driveLoadShare: fraction }),
    });
  list.push(...buildOf(motor).inspected(design, motor));
  return list;
}

/** One size as it was measured, beside what was drawn. */
export interface InspectionRow {
  readonly id: string;
  readonly label: string;
  readonly isWithin: boolean;
  /** Measured less drawn, SI; null where nothing was drawn. */
  readonly off: number | null;
  /** What it costs by the model, m of the likely run; null where the model knows nothing of it. */
  readonly costs: number | null;
  /** m off the line at the goal that it brings, to the right; null where it brings none. */
  readonly drift: number | null;
  readonly cure: string;
  readonly moves: readonly AxleMove[];
}

const goesFar = (design: CarDesign): number | null => {
  const prediction = predictRun(design);
  return prediction.kind === 'ran' ? prediction.result.distance : null;
};

/** m at which a drift is reported: the aim’s distance, or 5 m. */
export const goalDistance = ({ aim }: CarDesign): number => aim.distance ?? 5;

/** The car as it was built, by all that was measured. */
export const designAsBuilt = (design: CarDesign, measured: Readonly<Record<string, number>>): CarDesign =>
  inspectedSizes(design).reduce((car, { id, built }) => (measured[id] === undefined ? car : built(car, measured)), design);

/** What was measured of a finished car, each by itself: within tolerance or not, what it costs by the model, and its cure. */
export function inspect(design: CarDesign, measured: Readonly<Record<string, number>>): readonly InspectionRow[] {
  const before = goesFar(design);
  const distance = goalDistance(design);
  return inspectedSizes(design).flatMap((size): InspectionRow[] => {
    const { id, label, drawn, tolerance, cure, built } = size;
    const value = measured[id];
    if (value === undefined) return [];
    const off = drawn === null ? null : value - drawn;
    const car = built(design, measured);
    const after = car === design ? null : goesFar(car);
    const drift = driftAfter(curvatureOf(car), distance) - driftAfter(curvatureOf(design), distance);
    const isParallel = id.startsWith('wheelbase');
    // Axles are parallel where both sides are alike, whatever the wheelbase.
    const apart = Math.abs((measured.wheelbaseLeft ?? design.wheelbase) - (measured.wheelbaseRight ?? design.wheelbase));
    const isWithin = isParallel ? Math.abs(off!) <= tolerance && apart <= tolerance : off === null || Math.abs(off) <= tolerance;
    return [
      {
        id,
        label,
        isWithin,
        off,
        costs: before !== null && after !== null ? after - before : null,
        drift: Math.abs(drift) > 1e-6 ? drift : null,
        cure,
        moves:
          isParallel && apart > 0 && Math.abs(drift) > 1e-6
            ? straighteningMoves(car, driftAfter(curvatureOf(car), distance), distance)
            : [],
      },
    ];
  });
}
