import { energyShare } from '../run/energy.ts';
import {
  ballastOverDriveAxle,
  biggerDriveWheels,
  grippierTyres,
  mat,
  noSleeve,
  otherDriveWheels,
  thinnerAxle,
} from './chassis-remedies.ts';
import { bandsSideBySide, fewerTurns, lighterBand, longerChain, longerLever } from './motor-remedies.ts';
import { grade, type Check, type Situation } from './check.ts';

/** Below this a tyre that should hold may spin on the day: grips of tyres and floors differ so much. Below 1 it spins. Common practice. */
export const SURE_GRIP = 1.2;

/** Whether the tyres hold the launch: what they can hold over what it needs. Source: docs/model.md, grip and wheelspin. */
export function launchGrip({ design, result }: Situation): Check {
  const { launchGripRatio: ratio, launchGripNeeded, launchGripLimit, slipDistance } = result;
  const spins = launchGripNeeded > 0 && ratio < 1;
  const isClose = launchGripNeeded > 0 && ratio < SURE_GRIP;
  return {
    id: 'launch-grip',
    title: 'launch grip',
    value: launchGripNeeded > 0 ? ratio : Infinity,
    limit: SURE_GRIP,
    limitIs: 'least',
    quantity: 'count',
    verdict: launchGripNeeded > 0 ? grade(ratio, SURE_GRIP, 'least', 1 - 1 / SURE_GRIP) : 'good',
    sure: design.measured.staticGrip ? 'measured' : 'estimated',
    sentence: (format) =>
      spins
        ? `The launch needs ${format.predicted(launchGripNeeded, 'force')} of grip; the tyres have ${format.predicted(launchGripLimit, 'force')}. The wheels spin for ${format.predicted(slipDistance, 'distance')}: ${format(energyShare(result, 'slip'), 'share')} of the energy.`
        : `The tyres have ${format.predicted(launchGripLimit, 'force')} of grip; the launch needs ${format.predicted(Math.max(launchGripNeeded, 0), 'force')}${isClose ? ': too close to be sure' : ''}.`,
    remedies: (format) =>
      isClose
        ? [
            ...grippierTyres(design),
            ...otherDriveWheels(design),
            ...ballastOverDriveAxle(design, format),
            ...noSleeve(design),
            ...longerLever(design, format),
            ...biggerDriveWheels(design, format),
            ...bandsSideBySide(design, -1),
            ...lighterBand(design),
            ...longerChain(design),
            ...fewerTurns(design, format),
            ...thinnerAxle(design, format),
            ...mat(design),
          ]
        : [],
  };
}
