import { isMeasured, measure } from '../core/bench/measure.ts';
import { readMeasurement } from '../core/files/read.ts';
import { end, oneOf, readArgs, readOr, refuse, type Terminal } from './terminal.ts';

const HELP = `Evaluates the readings of a measurement.

  npm run -s measure -- FILE              a file of a measurement (schemas/measurement.schema.json): its values with standard
                                          deviations and 95 % intervals, the indices of outliers
                                          (from 0), and remarks, as JSON
  npm run -s measure -- --help            this text

FILE may be - for standard input. All values are in SI units.
For an unreadable file, each fault is one line on standard error that names the key by its path. Nothing is written to standard
output then, and the exit code is 2.
`;

export default function measureReadings(terminal: Terminal): void {
  const { values, positionals } = readArgs(terminal, {});
  if (values.help) return terminal.print(HELP);
  const measurement = readOr(terminal, oneOf(positionals), readMeasurement);
  const result = measure(measurement);
  if (!isMeasured(result)) return refuse({ path: `readings.${result.column}`, code: 'expected', what: result.needs });
  const rounded = Object.fromEntries(
    Object.entries(result.values).map(([key, { value, deviation, interval95 }]) => [key, { value, deviation, interval95 }]),
  );
  if (Object.values(rounded).some(({ value }) => !Number.isFinite(value))) return end('readings: they give no result; check them');
  const odd = result.drawn?.odd ?? [];
  terminal.print(`${JSON.stringify({ kind: measurement.kind, values: rounded, odd, remarks: result.remarks }, null, 1)}\n`);
}
