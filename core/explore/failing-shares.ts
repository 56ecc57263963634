import type { CarDesign } from '../car/car-design.ts';
import { failedBy } from '../checks/check-car.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { sampledCars } from '../predict/sampled-cars.ts';
import { runFaults } from '../run/run-setup.ts';
import { makeWorkspace } from '../run/workspace.ts';
import { simulateForAim } from './aim.ts';

/** Cars that stand for all. */
const SAMPLE = 32;

/** Share of cars built to a design that fail each check, by its id; checks that none of them fails are left out. The same seed builds the same cars. */
export function failingShares(design: CarDesign, seed: number): ReadonlyMap<string, number> {
  const workspace = makeWorkspace();
  const carAt = sampledCars(design, seed);
  const shares = new Map<string, number>();
  for (let n = 0; n < SAMPLE; n++) {
    const { design: built, numbers } = carAt(n);
    const setup = deriveRunSetup(built, { kind: 'full' }, numbers);
    if (runFaults(setup).length > 0) continue;
    for (const id of failedBy(built, simulateForAim(design.aim, setup, workspace), setup))
      shares.set(id, (shares.get(id) ?? 0) + 1 / SAMPLE);
  }
  return shares;
}
