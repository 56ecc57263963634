import { readTrials } from '../core/files/read.ts';
import { prepareRun } from '../core/predict/derive-run-setup.ts';
import { fitReport } from '../core/trials/fit-report.ts';
import { isWound } from '../core/trials/trial-groups.ts';
import { end, oneFile, readOr, refuse } from './read-file.ts';

const HELP = `What runs tell of a car.

  npm run -s fit -- FILE                  a file of trials (schemas/trials.schema.json): a design, its runs, and what is to be
                                          predicted, as JSON: values against what was thought, resistance and energy, scatter,
                                          predictions (with both ends near to wheelspin), how like runs lie to what all others
                                          say of them, signs of drift and odd runs, causes and changes
  npm run -s fit -- --help                this text

FILE may be - for standard input. All values are in SI units; intervals hold 9 in 10. A file that cannot be read: one line on
standard error for each fault, naming the key by its path, nothing on standard output, exit code 2.
`;

function main(): void {
  const file = oneFile(HELP);
  if (file === null) return;
  const trials = readOr(file, readTrials);
  const faults = trials.runs.flatMap(({ design, wind }, i) => {
    const prepared = prepareRun(design, wind);
    return prepared.kind === 'refused' ? prepared.faults.map((fault) => ({ ...fault, path: `runs[${i}].${fault.path}` })) : [];
  });
  if (faults.length > 0) return refuse(...faults);
  if (trials.runs.every(({ leftOut }) => leftOut)) return end('runs: all of them are left out; take one in again');
  if (!trials.runs.some((run) => !run.leftOut && isWound(run)))
    return end('runs: the car was wound for none of those that count, by at least a hundredth of a turn');
  const report = fitReport(trials);
  if (!report) return end('design: no car near it can run as these were wound');
  process.stdout.write(`${JSON.stringify(report, null, 1)}\n`);
}

main();
