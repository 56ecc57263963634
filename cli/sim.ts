import Papa from 'papaparse';
import { type Format, formatIn } from '../core/units/quantity.ts';
import { checkCar } from '../core/checks/check-car.ts';
import type { CarDesign, Wind } from '../core/car/car-design.ts';
import { nextRun, runScatter } from '../core/predict/next-run.ts';
import { predictRun } from '../core/predict/predict-run.ts';
import { sizesOf } from '../core/car/sizes.ts';
import { runForAim } from '../core/explore/aim.ts';
import { curingRemedies, PRICED_BY, priceRemedy } from '../core/explore/priced-remedies.ts';
import { makeWorkspace } from '../core/run/workspace.ts';
import { builtSample } from '../core/explore/quantile-score.ts';
import { evenlySpaced } from '../core/explore/sweep.ts';
import { predict } from '../core/predict/uncertainty.ts';
import { formatFault, withMessage } from '../core/fault-words.ts';
import { readCarDesign, readRunSetup, type Read } from '../core/files/read.ts';
import type { RunSetup } from '../core/run/run-setup.ts';
import { simulate, type RunOutcome, type RunResult } from '../core/run/simulate.ts';
import { end, oneOf, readArgs, readOr, refuse, refuseUse, type Terminal } from './terminal.ts';

const HELP = `Predicts runs.

  npm run -s sim -- FILE                  one run of a run setup (schemas/run-setup.schema.json), as JSON
  npm run -s sim -- --design FILE         a car design (schemas/car-design.schema.json): its most likely run, the
                                          10, 50 and 90 % bounds, the range of its next run (8 in 10), and every check
                                          with its remedies, as JSON
      --runs N --seed N                   cars in the sample (default: 500) and its random seed (default: 1)
      --turns N                           winds N turns of the drive axle instead of fully
  npm run -s sim -- FILE --sweep KEY=FROM:TO:N
                                          N runs with the key of a run setup, or with --design a key or size of the
                                          design, going from FROM to TO (SI units), as CSV
  npm run -s sim -- --batch FILE          an array of run setups, or { "runs": [{ "setup": … }] }: one line of JSON each, the
                                          result or { "refused": [ … ] }
  npm run -s sim -- --help                this text

FILE may be - for standard input. All values are in SI units.
For an unreadable file, each fault is one line on standard error that names the key by its path. Nothing is written to standard
output then, and the exit code is 2.
`;

const ranOr = (outcome: RunOutcome): RunResult => (outcome.kind === 'ran' ? outcome.result : refuse(...outcome.faults));

function wholeNumber(name: string, text: string | undefined, fallback: number, most: number): number {
  if (text === undefined) return fallback;
  const value = Number(text);
  return Number.isInteger(value) && value >= 1 && value <= most ? value : refuseUse(`--${name} needs a whole number from 1 to ${most}`);
}

function windOf(turns: string | undefined): Wind {
  if (turns === undefined) return { kind: 'full' };
  const wound = Number(turns);
  return wound > 0 && Number.isFinite(wound) ? { kind: 'turns', turns: wound } : refuseUse('--turns needs a number above 0');
}

/** Without the trace: for charts, not for reading. */
const brief = ({ trace: _trace, ...rest }: RunResult): Omit<RunResult, 'trace'> => rest;

const inMetric: Format = formatIn('metric');

function printDesign(terminal: Terminal, design: CarDesign, wind: Wind, runs: number, seed: number): void {
  const likely = ranOr(predictRun(design, wind));
  // Checks are about a full wind: that is what the car is built for.
  const result = (wind.kind === 'full' ? runForAim(design) : null) ?? likely;
  const bounded = predict(design, { wind, runs, seed });
  const { sample: _cars, ...bounds } = bounded.kind === 'ran' ? bounded.prediction : refuse(...bounded.faults);
  const workspace = makeWorkspace();
  const built = builtSample(design, seed, workspace, PRICED_BY);
  const checks = checkCar(design, result).map((check) => ({
    ...check,
    sentence: check.sentence(inMetric),
    remedies: curingRemedies(check, design, result, inMetric).map((chosen) => {
      const { remedy, ...effect } = priceRemedy(chosen, result, built, seed, workspace);
      return { id: remedy.id, label: remedy.label, ...effect };
    }),
  }));
  terminal.print(
    `${JSON.stringify({ prediction: brief(result), bounds, nextRun: nextRun(result.distance, runScatter(design)), checks }, null, 1)}\n`,
  );
}

/** `motor.spool[0].radius` set to `value` in a copy. Refuses a key that holds no number. */
function withKey<T>(value: T, key: string, number: number): T {
  const copy = structuredClone(value);
  const parts = key.split(/[.[\]]+/).filter((part) => part !== '');
  let place = copy as Record<string, unknown>;
  for (const part of parts.slice(0, -1)) {
    if (typeof place[part] !== 'object' || place[part] === null) end(`${key}: is not a key of this file`);
    place = place[part] as Record<string, unknown>;
  }
  const last = parts.at(-1) ?? '';
  if (typeof place[last] !== 'number') end(`${key}: is not a key of this file with a number`);
  place[last] = number;
  return copy;
}

const COLUMNS = ['distance', 'time', 'topSpeed', 'launchGripRatio', 'slipDistance', 'turnsLeft', 'ended'] as const;

function printSweep(terminal: Terminal, order: string, runAt: (key: string, value: number) => Read<RunOutcome>): void {
  const [, key, ...numbers] = /^(.+)=([^:]+):([^:]+):([^:]+)$/.exec(order) ?? [];
  const [from, to, count] = numbers.map(Number);
  if (key === undefined || !Number.isFinite(from) || !Number.isFinite(to)) return refuseUse('--sweep needs KEY=FROM:TO:N');
  if (!Number.isInteger(count) || count! < 1 || count! > 100_000) return refuseUse('--sweep needs N from 1 to 100000');
  const rows = evenlySpaced(from!, to!, count!).map((value) => {
    const read = runAt(key, value);
    const outcome: RunOutcome = read.kind === 'read' ? read.value : { kind: 'refused', faults: read.faults };
    return outcome.kind === 'ran'
      ? [value, ...COLUMNS.map((column) => outcome.result[column]), '']
      : [value, ...COLUMNS.map(() => ''), formatFault(outcome.faults[0]!)];
  });
  terminal.print(`${Papa.unparse({ fields: [key, ...COLUMNS, 'refused'], data: rows }, { newline: '\r\n', escapeFormulae: true })}\r\n`);
}

function sweepSetup(terminal: Terminal, setup: RunSetup, order: string): void {
  printSweep(terminal, order, (key, value) => {
    const read = readRunSetup(withKey(setup, key, value));
    return read.kind === 'read' ? { kind: 'read', value: simulate(read.value) } : read;
  });
}

function sweepDesign(terminal: Terminal, design: CarDesign, order: string): void {
  printSweep(terminal, order, (key, value) => {
    const size = sizesOf(design.motor.kind).find(({ id }) => id === key);
    const read = readCarDesign(size ? size.write(design, value) : withKey(design, key, value));
    return read.kind === 'read' ? { kind: 'read', value: predictRun(read.value) } : read;
  });
}

function printBatch(terminal: Terminal, file: string): void {
  const setups = readOr(terminal, file, (value): Read<readonly unknown[]> => {
    const list = Array.isArray(value) ? value : (value as { runs?: unknown } | null)?.runs;
    if (!Array.isArray(list))
      return {
        kind: 'faulty',
        faults: [{ path: '', code: 'expected', what: 'an array of run setups, or an object with the array in runs' }],
      };
    return { kind: 'read', value: list.map((item: unknown) => (item as { setup?: unknown } | null)?.setup ?? item) };
  });
  for (const setup of setups) {
    const read = readRunSetup(setup);
    const outcome = read.kind === 'read' ? simulate(read.value) : { kind: 'refused' as const, faults: read.faults };
    const line = outcome.kind === 'ran' ? brief(outcome.result) : { refused: outcome.faults.map(withMessage) };
    terminal.print(`${JSON.stringify(line)}\n`);
  }
}

export default function simulateRuns(terminal: Terminal): void {
  const { values, positionals } = readArgs(terminal, {
    design: { type: 'string' },
    runs: { type: 'string' },
    seed: { type: 'string' },
    turns: { type: 'string' },
    sweep: { type: 'string' },
    batch: { type: 'string' },
  });
  if (values.help) return terminal.print(HELP);
  const file = oneOf([...positionals, values.design, values.batch].filter((given) => given !== undefined));
  if ((values.runs ?? values.seed ?? values.turns) !== undefined && (values.design === undefined || values.sweep !== undefined))
    return refuseUse('use --runs, --seed and --turns with --design');
  if (values.batch !== undefined) {
    if (values.sweep !== undefined) return refuseUse('use --sweep with one setup or design');
    return printBatch(terminal, file);
  }
  if (values.design !== undefined) {
    const design = readOr(terminal, file, readCarDesign);
    if (values.sweep !== undefined) return sweepDesign(terminal, design, values.sweep);
    return printDesign(
      terminal,
      design,
      windOf(values.turns),
      wholeNumber('runs', values.runs, 500, 100_000),
      wholeNumber('seed', values.seed, 1, 4_294_967_295),
    );
  }
  const setup = readOr(terminal, file, readRunSetup);
  if (values.sweep !== undefined) return sweepSetup(terminal, setup, values.sweep);
  terminal.print(`${JSON.stringify(ranOr(simulate(setup, { trace: true })))}\n`);
}
