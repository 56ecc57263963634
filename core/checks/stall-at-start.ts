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
    sentence: (format) =>
      result.stalled
        ? `It does not start: the pull at the tyre is ${format.predicted(value, 'force')}, and the resistance is ${format.predicted(resistance, 'force')}.`
        : `The pull at release is ${format.predicted(value, 'force')}; the resistance is ${format.predicted(resistance, 'force')}.`,
    remedies: (format) =>
      verdict === 'good'
        ? []
        : [
            ...launchSleeve(design),
            ...thickerAxle(design, format),
            ...shorterLever(design, format),
            ...smallerDriveWheels(design, format),
            ...bandsSideBySide(design, 1),
            ...easierBearing(design),
          ],
  };
}
