import { GRAVITY } from '../../constants.ts';
import { simulate } from '../../run/simulate.ts';
import type { Workspace } from '../../run/workspace.ts';
import { setupOf, type BuiltCar } from './built-car.ts';

/** m that is added to every distance before its logarithm, so that a car that does not move has one. */
export const STALL = 0.05;

/** What a run of the model comes to, as the fit sees it. Logarithms are natural. */
export interface Outputs {
  /** ln(distance + 0.05 m), ln(time s), then ln(time s) at each mark; the later the further it is beyond the stop. */
  readonly values: Float64Array;
  /** ln of grip over what the launch needs: below 0 it spins. */
  readonly grip: number;
  /** ln J that the motor gives back, ln N that resists along the run. */
  readonly energy: number;
  readonly resistance: number;
}

/** How much later a mark counts as passed, in ln s, for each ln m that the stop falls short of it; and ln s of a stop that never began. */
const LATE = 4;
const LN_NEVER = Math.log(30);

/** How far a path of this curvature leads straight ahead. m. Source: chord of an arc, 2/κ sin(κs/2). */
const straight = (distance: number, curvature: number): number =>
  Math.abs(curvature * distance) < 1e-6
    ? distance
    : Math.abs((2 / curvature) * Math.sin(Math.min(Math.abs(curvature) * distance, Math.PI) / 2));

/** The outputs of a car's run; null where it cannot run so. `marks`: m, ascending. */
export function outputsOf(car: BuiltCar, marks: readonly number[], workspace: Workspace): Outputs | null {
  const setup = setupOf(car);
  const held =
    car.mostPush === Infinity
      ? setup
      : {
          ...setup,
          // A wheel that turns on its axle passes no more than this, whatever the floor would hold.
          surface: { ...setup.surface, ...limited(setup.surface, car.mostPush / (setup.car.mass * GRAVITY * setup.car.driveLoadShare)) },
        };
  const outcome = simulate({ ...held, marks: [...marks] }, { workspace });
  if (outcome.kind === 'refused') return null;
  const { distance, time, marks: passed, launchGripRatio, launchGripNeeded, energy, storedEnergy } = outcome.result;
  const values = new Float64Array(2 + marks.length).fill(NaN);
  values[0] = Math.log(straight(distance, car.curvature) + STALL);
  if (time > 0) values[1] = Math.log(time);
  // A mark that it does not reach is passed later than anything: from the time of its stop on, steeply, so that a model that falls short of
  // where a run was timed is no likelier than one that is late there.
  const end = time > 0 ? Math.log(time) : LN_NEVER;
  marks.forEach((at, i) => {
    const when = passed.find((mark) => mark.distance === at)?.time;
    values[2 + i] = when === undefined ? end + LATE * Math.log((at + STALL) / (Math.min(distance, at) + STALL)) : Math.log(when);
  });
  const given = storedEnergy - energy.hysteresis - energy.unspent;
  const spent = energy.driveBearing + energy.otherBearing + energy.rolling + energy.air + energy.arm + energy.washer;
  return {
    values,
    // A wheel loose on its axle spins unseen.
    grip: launchGripNeeded > 0 && car.mostPush === Infinity ? Math.log(Math.max(launchGripRatio, 1e-3)) : 3,
    energy: Math.log(Math.max(given, 1e-6)),
    resistance: Math.log(Math.max(spent / Math.max(distance, 0.01), 1e-6)),
  };
}

const limited = <S extends { readonly staticGrip: number; readonly slidingGrip: number }>(
  { staticGrip, slidingGrip }: S,
  most: number,
): Pick<S, 'staticGrip' | 'slidingGrip'> => ({ staticGrip: Math.min(staticGrip, most), slidingGrip: Math.min(slidingGrip, most) });
