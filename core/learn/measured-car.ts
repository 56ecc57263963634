import type { CarDesign } from '../car/car-design.ts';
import { fullTurns } from '../predict/derive-run-setup.ts';
import { predictRun } from '../predict/predict-run.ts';
import { woundUp } from '../trials/wound-up.ts';
import type { Quantity } from '../units/quantity.ts';

/** What is asked of a change. */
export type Asked = 'distance' | 'pull' | 'speed' | 'wheelspin' | 'energy' | 'time';

/** How each is called, and in which quantity it is told. */
export const ASKED: Readonly<Record<Asked, { readonly label: string; readonly quantity: Quantity }>> = {
  distance: { label: 'how far it comes', quantity: 'distance' },
  pull: { label: 'its pull at the launch', quantity: 'force' },
  speed: { label: 'its top speed', quantity: 'speed' },
  wheelspin: { label: 'how far it spins its wheels', quantity: 'distance' },
  energy: { label: 'the energy that is wound in', quantity: 'energy' },
  time: { label: 'how long it runs', quantity: 'time' },
};

/** The figures of a car’s likely run, SI; null of a car that does not run, or does not get moving. */
export function figuresOf(design: CarDesign): Readonly<Record<Asked, number>> | null {
  const prediction = predictRun(design);
  if (prediction.kind === 'refused' || prediction.result.stalled) return null;
  const { distance, topSpeed, slipDistance, storedEnergy, time } = prediction.result;
  const pull = woundUp(design, fullTurns(design))?.pull;
  return pull === undefined ? null : { distance, pull, speed: topSpeed, wheelspin: slipDistance, energy: storedEnergy, time };
}
