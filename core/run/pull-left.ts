import { makeMotorPoint } from '../motor/motor.ts';
import { motorOf, type RunSetup } from './run-setup.ts';
import type { RunResult } from './simulate.ts';

/** Pull at the tyre, N, at a distance from the start, m. */
export interface PullAt {
  readonly distance: number;
  readonly thrust: number;
}

/** Places looked at on each segment of the motor. */
const PLACES = 60;

/**
 * What a car that stopped while wound would still pull, were it pushed on without slipping: from the stop to the end of
 * the motor, thrust = torque / wheel radius. Empty where nothing is left. The setup must be the run's own and without faults.
 */
export function pullLeft(setup: RunSetup, { distance, turns, turnsLeft }: RunResult): PullAt[] {
  if (turnsLeft <= 0) return [];
  const { radius } = setup.car.driveWheels;
  const motor = motorOf(setup);
  const point = makeMotorPoint();
  const stopAngle = 2 * Math.PI * (turns - turnsLeft);
  const rows: PullAt[] = [];
  let angle = 0;
  for (const segment of motor.segments.slice(motor.first)) {
    const step = (segment.to - segment.from) / PLACES;
    const slopeAt = (place: number): number => {
      segment.evaluate(segment.from + place * step, point);
      return point.angleSlope;
    };
    // Simpson's rule; the coordinate is one in which the motor is smooth.
    for (let place = 0; place <= PLACES; place++) {
      const before = { angle, thrust: point.torque / radius };
      if (place > 0)
        angle += (Math.abs(step) / 6) * (Math.abs(slopeAt(place - 1)) + 4 * Math.abs(slopeAt(place - 0.5)) + Math.abs(slopeAt(place)));
      slopeAt(place);
      const thrust = point.torque / radius;
      if (angle < stopAngle) continue;
      if (rows.length === 0 && angle > before.angle) {
        const part = (stopAngle - before.angle) / (angle - before.angle);
        rows.push({ distance, thrust: before.thrust + part * (thrust - before.thrust) });
      }
      rows.push({ distance: distance + (angle - stopAngle) * radius, thrust });
    }
  }
  return rows;
}
