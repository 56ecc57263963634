import { quantileSorted } from 'simple-statistics';
import type { CarDesign } from '../car/car-design.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { sampledCars } from '../predict/sampled-cars.ts';
import { runFaults } from '../run/run-setup.ts';
import type { Workspace } from '../run/workspace.ts';
import { scoreOf, simulateForAim } from './aim.ts';

/** Cars built to one design that stand for all. */
const SAMPLE = 24;
/** 8 in 10 do better. */
const SURE = 0.2;

/**
 * Scores designs by what 8 in 10 cars built so exceed, by their aim (m, or s saved). The same random cars are built of every design, so that two
 * designs differ by what they are and not by luck. `seed`: the same gives the same scores.
 */
export const sureScorer =
  (seed: number, workspace: Workspace): ((design: CarDesign) => number) =>
  (design) => {
    const carAt = sampledCars(design, seed);
    const scores = Array.from({ length: SAMPLE }, (_, n) => {
      const { design: built, numbers } = carAt(n);
      const setup = deriveRunSetup(built, { kind: 'full' }, numbers);
      // One that is hooked or wound beyond what it can take does not run.
      return runFaults(setup).length > 0 ? -1e3 : scoreOf(built, simulateForAim(design.aim, setup, workspace), numbers);
    });
    return quantileSorted(
      scores.sort((a, b) => a - b),
      SURE,
    );
  };
