import { readTrials } from '../core/files/read.ts';
import { prepareRun } from '../core/predict/derive-run-setup.ts';
import { fitReport } from '../core/trials/fit-report.ts';
import { isWound } from '../core/trials/trial-groups.ts';
import { end, oneOf, readArgs, readOr, refuse, type Terminal } from './terminal.ts';

const HELP = `Fits a car to its runs.

  npm run -s fit -- FILE                  a file of trials (schemas/trials.schema.json): a design, its runs, and the windings to
                                          predict. Prints JSON: fitted and expected values, resistance and energy, scatter,
                                          predictions (two of them near wheelspin), each group of like runs against the
                                          prediction from all others, drift and outliers, causes and changes
  npm run -s fit -- --help                this text

FILE may be - for standard input. All values are in SI units; intervals are 90 %.
For an unreadable file, each fault is one line on standard error that names the key by its path. Nothing is written to standard
output then, and the exit code is 2.
`;

export default function fitRuns(terminal: Terminal): void {
  const { values, positionals } = readArgs(terminal, {});
  if (values.help) return terminal.print(HELP);
  const trials = readOr(terminal, oneOf(positionals), readTrials);
  const faults = trials.runs.flatMap(({ design, wind }, i) => {
    const prepared = prepareRun(design, wind);
    return prepared.kind === 'refused' ? prepared.faults.map((fault) => ({ ...fault, path: `runs[${i}].${fault.path}` })) : [];
  });
  if (faults.length > 0) return refuse(...faults);
  if (trials.runs.every(({ leftOut }) => leftOut)) return end('runs: all of them are left out; include at least one');
  if (!trials.runs.some((run) => !run.leftOut && isWound(run)))
    return end('runs: every run that counts was wound less than a hundredth of a turn');
  const report = fitReport(trials);
  if (!report) return end('design: no car like it can run as these were wound');
  terminal.print(`${JSON.stringify(report, null, 1)}\n`);
}
