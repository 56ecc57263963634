import { makeMotorPoint } from '../motor/motor.ts';
import { armLoad, bearingTorque, carForces, floorsAhead, resistanceAt } from '../run/forces.ts';
import { easierBearing, squareWheels, thickerAxle } from './chassis-remedies.ts';
import { bandsSideBySide, shorterLever } from './motor-remedies.ts';
import { grade, type Check, type Situation } from './check.ts';

/** A car whose pull falls below this many times its resistance stalls now and then: friction differs from run to run. Common practice. */
const SURE_PULL = 1.3;
/** Places looked at on each piece of the motor's path. */
const PLACES = 12;

/**
 * The least that the pull has done, up to any place of the powered way, over what resistance has taken of a slow car up to there, as a
 * ratio: at 1 it stands still. A weak place is coasted over by what was won before it. Source: conservation of energy. null for a car that
 * stops wound: the check of turns left says more.
 */
export function pullOnTheWay({ design, setup, motor, result }: Situation): Check | null {
  if (result.stalled || result.turnsLeft > 0.5) return null;
  let car = carForces(setup, setup.surface, motor);
  const ahead = [...floorsAhead(setup, motor)];
  const point = makeMotorPoint();
  let [done, taken, at, value] = [0, 0, 0, Infinity];
  for (const { from, to, evaluate } of motor.segments.slice(motor.first)) {
    const step = (to - from) / PLACES;
    for (let k = 0; k < PLACES; k++) {
      evaluate(from + (k + 0.5) * step, point);
      const turned = Math.abs(point.angleSlope * step);
      while (ahead[0] && at >= ahead[0].from) car = ahead.shift()!.car;
      const load = Math.min(Math.max(car.loadBase, 0), car.weight);
      at += car.radius * turned;
      done += point.torque * turned;
      taken += resistanceAt(car, bearingTorque(car, point), load, armLoad(car, point.torque), 0) * car.radius * turned;
      if (taken > 0) value = Math.min(value, done / taken);
    }
  }
  if (!Number.isFinite(value)) return null;
  const verdict = grade(value, SURE_PULL, 'least', Infinity);
  return {
    id: 'pull-on-the-way',
    title: 'lowest pull against resistance',
    value,
    limit: SURE_PULL,
    limitIs: 'least',
    quantity: 'count',
    verdict,
    sure: 'estimated',
    sentence: (format) =>
      `At its weakest point before the end, the pull is ${format.predicted(value, 'count')} times the resistance${verdict === 'good' ? '.' : '. With a little more friction the car stops there with turns left.'}`,
    remedies: (format) =>
      verdict === 'good'
        ? []
        : [
            ...thickerAxle(design, format),
            ...shorterLever(design, format),
            ...bandsSideBySide(design, 1),
            ...easierBearing(design),
            ...squareWheels(design),
          ],
  };
}
