import { remedyOf } from './remedy.ts';
import { grade, type Check, type Situation } from './check.ts';

/** An arm that reaches back by less than the roller’s radius stands steeper than 45°, and digs in; by half of that it goes over the top. Common practice. */
const STEEP = 1;
const OVER = 0.5;

/** How far a roller's arm reaches back along the floor, m. */
export function armReach({ design }: Situation): Check | null {
  const { motor, driveWheels } = design;
  if (motor.kind !== 'twist') return null;
  const radius = driveWheels.diameter / 2;
  const limit = STEEP * radius;
  const verdict = grade(motor.armLength, limit, 'least', 1 - OVER / STEEP);
  return {
    id: 'arm-reach',
    title: 'reach of the arm',
    value: motor.armLength,
    limit,
    limitIs: 'least',
    quantity: 'size',
    verdict,
    sure: 'rough',
    sentence: (format) =>
      verdict === 'good'
        ? `The arm lies ${format(motor.armLength, 'size')} behind the axle on the floor and holds the band.`
        : `The arm is too short for a roller ${format(driveWheels.diameter, 'size')} across: ${verdict === 'stop' ? 'it goes over the top, and the band unwinds without moving the car' : 'it stands steep and digs in'}.`,
    remedies: (format) =>
      verdict === 'good'
        ? []
        : [
            remedyOf('arm', 'longer-arm', `An arm that reaches ${format(2 * radius, 'size')} back`, {
              ...design,
              motor: { ...motor, armLength: 2 * radius },
            }),
          ],
  };
}
