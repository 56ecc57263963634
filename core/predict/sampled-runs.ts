import type { CarDesign, Wind } from '../car/car-design.ts';
import type { Numbers } from '../car/value-table.ts';
import { simulate, type RunResult } from '../run/simulate.ts';
import { makeWorkspace, type Workspace } from '../run/workspace.ts';
import { conditionsOf, type Condition } from './conditions.ts';
import { deriveRunSetup } from './derive-run-setup.ts';
import { sampledCars } from './sampled-cars.ts';

const DEFAULT_RUNS = 128;

export interface SampleOptions {
  /** Full by default. */
  readonly wind?: Wind;
  /** The same seed gives the same sample; 1 by default. */
  readonly seed?: number;
  /** Cars in the sample; 128 by default. */
  readonly runs?: number;
  /** What else differs from car to car; all that is known of by default. */
  readonly conditions?: readonly Condition[];
  /** m, distances that are timed. */
  readonly marks?: readonly number[];
  readonly workspace?: Workspace;
}

/** One of many cars built to one design, and its run; null where that one cannot run: a stretch or angle is out of its reach. */
export interface SampledRun {
  readonly design: CarDesign;
  readonly numbers: Numbers;
  readonly result: RunResult | null;
}

/** The runs of `runs` cars built to one design without faults, drawn evenly over what is not known exactly. */
export function sampledRuns(
  design: CarDesign,
  {
    wind = { kind: 'full' },
    seed = 1,
    runs = DEFAULT_RUNS,
    conditions = conditionsOf(design),
    marks = [],
    workspace = makeWorkspace(),
  }: SampleOptions = {},
): SampledRun[] {
  const carAt = sampledCars(design, seed, conditions);
  return Array.from({ length: runs }, (_, n) => {
    const built = carAt(n);
    const run = (as: CarDesign) => simulate({ ...deriveRunSetup(as, wind, built.numbers), marks: [...marks] }, { workspace });
    // A lever hooked beyond where it can go is hooked at the angle that is entered.
    const first = run(built.design);
    const outcome = first.kind === 'ran' ? first : run(design);
    return { ...built, result: outcome.kind === 'ran' ? outcome.result : null };
  });
}
