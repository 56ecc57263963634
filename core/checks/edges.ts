import { judgeEdges } from '../predict/edges.ts';
import { simulateValidated } from '../run/simulate.ts';
import { biggerDriveWheels } from './chassis-remedies.ts';
import { grade, type Check, type Situation } from './check.ts';

/** A climb counts as sure where the car could climb this many times as high: speeds and grips differ from run to run. Our estimate. */
const SURE_CLIMB = 1.3;

/** Twigs and steps along the run: the one that is climbed by the least, or that stops the car, as highest climbed over its height. null without any on its run. */
export function edges({ design, setup }: Situation): Check | null {
  if (design.floor.edges.length === 0) return null;
  // The speed at each edge: only cars whose floor has one are run again for it.
  const { trace } = simulateValidated(setup, { trace: true });
  const met = judgeEdges(setup, trace!, design.floor.edges).filter(({ highest }) => highest !== null);
  if (met.length === 0) return null;
  const ratio = ({ highest, height }: (typeof met)[0]): number => highest! / height;
  const hardest = met.reduce((a, b) => (ratio(b) < ratio(a) ? b : a));
  const value = ratio(hardest);
  return {
    id: 'edges',
    title: 'twigs and steps',
    value,
    limit: SURE_CLIMB,
    limitIs: 'least',
    quantity: 'count',
    verdict: grade(value, SURE_CLIMB, 'least', 1 - 1 / SURE_CLIMB),
    sure: 'rough',
    sentence: (format) =>
      `At ${format(hardest.at, 'distance')} it can climb about ${format.predicted(hardest.highest!, 'size')}; the step there is ${format(hardest.height, 'size')} high${value < 1 ? ': it stops there' : ''}.`,
    remedies: (format) => (value < SURE_CLIMB ? biggerDriveWheels(design, format) : []),
  };
}
