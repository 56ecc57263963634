import { easierBearing, launchSleeve, smallerDriveWheels, thickerAxle } from './chassis-remedies.ts';
import { bandsSideBySide, shorterLever } from './motor-remedies.ts';
import { grade, type Check, type Situation } from './check.ts';

/** A car that pulls less than this many times what holds it stalls now and then: friction differs from start to start. Common practice. */
const SURE_PULL = 1.3;

/** Pull at release against all that holds the car at rest, N. */
export function stallAtStart({ design, result }: Situation): Check {
  const resistance = result.launchResistance;
  const value = result.launchThrust;
  const limit = Math.max(SURE_PULL * resistance, 0);
  const verdict = result.stalled ? 'stop' : grade(value, limit, 'least', 1);
  return {
    id: 'stall-at-start',
    title: 'pull to start moving',
    value,
    limit,
    limitIs: 'least',
    quantity: 'force',
    verdict,
    sure: 'estimated',
    sentence: (print) =>
      result.stalled
        ? `It does not start: the pull at the tyre is ${print(value, 'force')}, and the resistance is ${print(resistance, 'force')}.`
        : `The pull at release is ${print(value, 'force')}; the resistance is ${print(resistance, 'force')}.`,
    remedies: (print) =>
      verdict === 'good'
        ? []
        : [
            ...launchSleeve(design),
            ...thickerAxle(design, print),
            ...shorterLever(design, print),
            ...smallerDriveWheels(design, print),
            ...bandsSideBySide(design, 1),
            ...easierBearing(design),
          ],
  };
}
