import { readFileSync } from 'node:fs';
import { faultLine, type Fault } from '../core/fault.ts';
import { readJson, readRunSetup } from '../core/files/read.ts';
import { simulate } from '../core/run/simulate.ts';

const HELP = `Predicts one run.

  npm run -s sim -- FILE      a run setup (schemas/run-setup.schema.json); - reads it from standard input
  npm run -s sim -- --help    this text

Prints the result as JSON (SI units) and exits with 0. A file that cannot be run: one line on standard
error for each fault, naming the key by its path, nothing on standard output, exit code 2.
`;

function refuse(faults: readonly Fault[]): never {
  for (const fault of faults) process.stderr.write(`${faultLine(fault)}\n`);
  process.exit(2);
}

function readText(file: string): string {
  try {
    return readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    return refuse([{ path: file, message: `cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown error'})` }]);
  }
}

const [file, ...more] = process.argv.slice(2);
if (file === '--help' || file === '-h') {
  process.stdout.write(HELP);
} else {
  if (file === undefined || more.length > 0)
    refuse([{ path: '', message: 'give one run-setup file, or - for standard input; --help explains' }]);
  if (file.startsWith('--')) refuse([{ path: file, message: 'is not an option known here; --help explains' }]);
  const read = readJson(readText(file), readRunSetup);
  if (read.kind === 'faulty') refuse(read.faults);
  const outcome = simulate(read.value, { trace: true });
  if (outcome.kind === 'refused') refuse(outcome.faults);
  process.stdout.write(`${JSON.stringify(outcome.result)}\n`);
}
