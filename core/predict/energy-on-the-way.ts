import type { CarDesign, Wind } from '../car/car-design.ts';
import { likelyNumbers } from '../car/values.ts';
import { standingWeight } from '../car/weights.ts';
import { GRAVITY } from '../constants.ts';
import { simulateValidated } from '../run/simulate.ts';
import { deriveRunSetup, prepareRun } from './derive-run-setup.ts';

/** Rise over run to either side at which the distance is looked at. */
const LEAN = 0.002;

/**
 * J that a run spends on what holds it back along its way, as the model says it of the most likely car: E of 1/s = (F + W·slope)/E, by how its
 * distance depends on a slope of 2 mm a metre to either side. Of a car that only rolls it is what bearings, tyres, air and climb take of its
 * energy; one that winds itself up again at its end, as a roller does, spends that too. Null where it cannot run so, or does not move.
 */
export function energyOnTheWay(design: CarDesign, wind: Wind = { kind: 'full' }): number | null {
  if (prepareRun(design, wind).kind === 'refused') return null;
  const numbers = likelyNumbers(design);
  const [uphill, downhill] = [LEAN, -LEAN].map(
    (lean) => simulateValidated(deriveRunSetup(design, wind, { ...numbers, slope: numbers.slope! + lean })).distance,
  );
  return uphill! > 0 ? (2 * LEAN * standingWeight(design).mass * GRAVITY) / (1 / uphill! - 1 / downhill!) : null;
}
