import { driveLoad, gripLimit, rollingAcceleration, rollWith, settle, slideWith, tyreForce } from './forces.ts';
import { evaluateMotor, type Run } from './motion.ts';

/** What the tyre faces at release. N. */
export interface Launch {
  /** Motor torque over wheel radius. */
  readonly thrust: number;
  /** All that holds the car back at rest, were it to roll. */
  readonly resistance: number;
  /** Tyre force that a launch without slip needs. */
  readonly gripNeeded: number;
  readonly gripLimit: number;
  /** m/s² of a car that rolls; of one that spins its wheels where the tyre cannot hold. */
  readonly acceleration: number;
  readonly holds: boolean;
  readonly slideDirection: 1 | -1;
}

/** What the tyre faces at release: pull, resistance, grip needed and held, and the acceleration that follows. */
export function launchOf(run: Run): Launch {
  const { car, rolling, sliding } = run;
  const point = evaluateMotor(run, run.motion.u);
  rollWith(car, rolling, point, settle(car, rolling, point, 0));
  const a = rollingAcceleration(rolling, 0);
  const load = Math.min(Math.max(driveLoad(car, rolling.contact, a), 0), car.weight);
  const gripNeeded = tyreForce(car, load, rolling.arm, a, 0);
  const most = gripLimit(car, load, rolling.arm);
  const holds = Math.abs(gripNeeded) <= most;
  const slideDirection = gripNeeded > 0 ? 1 : -1;
  slideWith(car, sliding, slideDirection, 0, rolling.arm);
  return {
    thrust: rolling.thrust,
    resistance: rolling.thrust - rolling.push,
    gripNeeded,
    gripLimit: most,
    holds,
    slideDirection,
    acceleration: holds ? a : sliding.acceleration,
  };
}
