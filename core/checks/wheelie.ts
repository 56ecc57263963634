import { GRAVITY } from '../constants.ts';
import { ballastOverOtherAxle } from './chassis-remedies.ts';
import { bandsSideBySide, longerLever } from './motor-remedies.ts';
import { grade, type Check, type Situation } from './check.ts';

/** Fraction of the weight left on the other wheels at launch: none is a wheelie. Source: moments about the drive wheels. */
export function wheelie({ design, setup, result }: Situation): Check | null {
  if (!design.otherWheels) return null;
  const weight = setup.car.mass * GRAVITY * Math.cos(setup.surface.slope);
  const left = result.wheelie ? 0 : Math.max(0, 1 - result.launchGripLimit / (setup.surface.staticGrip * weight));
  const other = design.layout.driveAxle === 'rear' ? 'front' : 'rear';
  return {
    id: 'wheelie',
    title: `weight left on the ${other} wheels`,
    value: left,
    limit: 0.08,
    limitIs: 'least',
    quantity: 'share',
    verdict: result.wheelie ? 'stop' : grade(left, 0.08, 'least', 1),
    sure: 'estimated',
    sentence: (format) =>
      result.wheelie
        ? `The ${other} wheels lift under power: all ${format(weight, 'force')} of the car rests on its drive wheels, and it cannot steer straight.`
        : `At launch ${format(left, 'share')} of the weight stays on the ${other} wheels.`,
    remedies: (format) =>
      left < 0.08 ? [...ballastOverOtherAxle(design, format), ...longerLever(design, format), ...bandsSideBySide(design, -1)] : [],
  };
}
