import { simulateValidated, type RunOutcome } from '../run/simulate.ts';
import type { CarDesign, Wind } from '../car/car-design.ts';
import { prepareRun } from './derive-run-setup.ts';

/** What the model says of a design: the run it predicts, or why it cannot run, in the design's own keys. */
export type Prediction = RunOutcome;

/**
 * Predicts the most likely run of a design.
 * @param wind the winding; full by default
 * @param options.trace whether rows for a chart are recorded; off by default
 * @param options.marks distances that are timed, m; none by default
 * @returns the run, SI units; or every reason why it cannot run, by keys of the design
 * @example predictRun(newCar('x')).kind // 'ran'
 */
export function predictRun(
  design: CarDesign,
  wind: Wind = { kind: 'full' },
  { trace, marks = [] }: { readonly trace?: boolean; readonly marks?: readonly number[] } = {},
): Prediction {
  const prepared = prepareRun(design, wind);
  return prepared.kind === 'refused'
    ? prepared
    : { kind: 'ran', result: simulateValidated({ ...prepared.setup, marks: [...marks] }, { trace }) };
}
