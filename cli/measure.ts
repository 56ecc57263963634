import { isMeasured, measure } from '../core/bench/measure.ts';
import { readMeasurement } from '../core/files/read.ts';
import { end, oneFile, readOr, refuse } from './read-file.ts';

const HELP = `What readings of a part or car come to.

  npm run -s measure -- FILE              a file of a measurement (schemas/measurement.schema.json): its values with standard
                                          deviations and 95 % intervals, the places of odd readings
                                          (from 0), and remarks, as JSON
  npm run -s measure -- --help            this text

FILE may be - for standard input. All values are in SI units. A file that cannot be read: one line on standard error for each
fault, naming the key by its path, nothing on standard output, exit code 2.
`;

function main(): void {
  const file = oneFile(HELP);
  if (file === null) return;
  const measurement = readOr(file, readMeasurement);
  const result = measure(measurement);
  if (!isMeasured(result)) return refuse({ path: `readings.${result.column}`, code: 'expected', what: result.needs });
  const told = Object.fromEntries(
    Object.entries(result.values).map(([key, { value, deviation, interval95 }]) => [key, { value, deviation, interval95 }]),
  );
  if (Object.values(told).some(({ value }) => !Number.isFinite(value))) return end('readings: these come to no number; look at them again');
  const odd = result.drawn?.odd ?? [];
  process.stdout.write(`${JSON.stringify({ kind: measurement.kind, values: told, odd, remarks: result.remarks }, null, 1)}\n`);
}

main();
