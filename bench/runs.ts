/**
 * How long a run takes to compute, beside odex on the same equations at the same accuracy, in one process; and how long a
 * map of 20,000 runs takes on two workers. `npm run bench:runs`.
 */
import { Worker } from 'node:worker_threads';
import { newCar } from '../core/car/new-car.ts';
import type { MapRequest } from '../core/explore/map.ts';
import { evenlySpaced } from '../core/explore/sweep.ts';
import { odexRun } from '../core/run/reference/odex-run.ts';
import reference from '../core/run/reference/reference-runs.json' with { type: 'json' };
import type { RunSetup } from '../core/run/run-setup.ts';
import { simulate } from '../core/run/simulate.ts';
import { makeWorkspace } from '../core/run/workspace.ts';

interface Figures {
  readonly distance: number;
  readonly time: number;
  readonly topSpeed: number;
}
const runs = reference.runs as unknown as readonly { readonly name: string; readonly setup: RunSetup }[];

const median = (values: number[]): number => values.sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
/** µs of one call, `calls` times over. */
function timed(call: () => unknown, calls: number): number {
  const start = performance.now();
  for (let i = 0; i < calls; i++) call();
  return ((performance.now() - start) * 1000) / calls;
}
/** Median µs of each of several calls, taken in turn: a machine that is busy for a while slows them all alike. */
const timedInTurn = (all: readonly (() => unknown)[], rounds: number, calls: number): number[] => {
  const times = all.map((): number[] => []);
  for (let k = 0; k < rounds; k++) all.forEach((call, i) => times[i]!.push(timed(call, calls)));
  return times.map(median);
};
const workspace = makeWorkspace();
const ours = (setup: RunSetup): Figures => {
  const outcome = simulate(setup, { workspace });
  if (outcome.kind === 'refused') throw new Error(JSON.stringify(outcome.faults));
  return outcome.result;
};
/** The largest relative error in distance, time and top speed. */
const errorOf = (value: Figures, converged: Figures): number =>
  Math.max(...(['distance', 'time', 'topSpeed'] as const).map((key) => Math.abs(value[key] / converged[key] - 1)));

const TOLERANCES = [1e-3, 1e-4, 1e-5, 1e-6, 1e-7, 1e-8, 1e-9, 1e-10, 1e-11];
// The first runs of a process are slow: every setup is compiled for before any is timed.
for (let k = 0; k < 2000; k++) for (const { setup } of runs) simulate(setup, { workspace });
for (const { setup } of runs) for (let k = 0; k < 5; k++) odexRun(setup, 1e-6);

const cell = (text: string | number, width: number): string => String(text).padStart(width);
process.stdout.write(
  `${'run'.padEnd(40)}${cell('ours µs', 10)}${cell('error', 10)}${cell('odex µs', 10)}${cell('error', 10)}${cell('tol', 8)}${cell('ratio', 8)}\n`,
);
const compared = runs.map(({ name, setup }) => {
  const converged = odexRun(setup, 1e-13);
  const error = errorOf(ours(setup), converged);
  // The loosest tolerance at which odex is as near as we are.
  const tolerance = TOLERANCES.find((t) => errorOf(odexRun(setup, t), converged) <= Math.max(error, 1e-9)) ?? TOLERANCES.at(-1)!;
  return { name, setup, error, tolerance, odexError: errorOf(odexRun(setup, tolerance), converged) };
});
const oursTimes = timedInTurn(
  compared.map(
    ({ setup }) =>
      () =>
        simulate(setup, { workspace }),
  ),
  200,
  10,
);
const odexTimes = timedInTurn(
  compared.map(
    ({ setup, tolerance }) =>
      () =>
        odexRun(setup, tolerance),
  ),
  10,
  2,
);
compared.forEach(({ name, error, odexError, tolerance }, i) => {
  const [a, b] = [oursTimes[i]!, odexTimes[i]!];
  process.stdout.write(
    `${name.padEnd(40)}${cell(a.toFixed(0), 10)}${cell(error.toExponential(0), 10)}${cell(b.toFixed(0), 10)}${cell(odexError.toExponential(0), 10)}${cell(tolerance.toExponential(0), 8)}${cell(`${(b / a).toFixed(0)} ×`, 8)}\n`,
  );
});
process.stdout.write(`median of the runs: ${median([...oursTimes]).toFixed(0)} µs\n`);

const request: MapRequest = {
  design: newCar('map'),
  across: { id: 'leverLength', values: evenlySpaced(0.1, 0.3, 200) },
  up: { id: 'driveWheels', values: evenlySpaced(0.06, 0.16, 100) },
};
const workers = [0, 1].map(() => new Worker(new URL('map-worker.js', import.meta.url)));
const fraction = (worker: Worker, from: number, to: number): Promise<number> =>
  new Promise((resolve, reject) => {
    worker.once('message', resolve);
    worker.once('error', reject);
    worker.postMessage({ request, from, to });
  });
const mapped = async (): Promise<number> => {
  const start = performance.now();
  await Promise.all([fraction(workers[0]!, 0, 50), fraction(workers[1]!, 50, 100)]);
  return performance.now() - start;
};
await mapped();
const times = [await mapped(), await mapped(), await mapped()];
process.stdout.write(`map of 20,000 runs on two workers: ${median(times).toFixed(0)} ms\n`);
await Promise.all(workers.map((worker) => worker.terminate()));
