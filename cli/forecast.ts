import { readCarDesign, readMeet } from '../core/files/read.ts';
import { forecastEvening, type KnownCar } from '../core/meet/evening.ts';
import { numberResults, standingResults } from '../core/meet/meet.ts';
import { oneOf, readArgs, readOr, refuseUse, type Terminal } from './terminal.ts';

const HELP = `Forecasts a meet.

  npm run -s forecast -- FILE             a meet with its results so far (schemas/meet.schema.json), as saved from its page.
                                          Prints JSON: of each entry its expected points, the chance of each place, the first
                                          first, and how it is known: by its design, by what its crew expects, or as a typical
                                          car of the brief
      --car FILE                          a car design; it is that of the entry whose car has its name. May be given often
      --evenings N                        evenings that are drawn (default: 10000)
      --seed N                            random seed (default: 1); the same seed gives the same answer
  npm run -s forecast -- --help           this text

FILE may be - for standard input.
For an unreadable file, each fault is one line on standard error that names the key by its path. Nothing is written to standard
output then, and the exit code is 2.
`;

const MOST_EVENINGS = 1e6;
const MOST_SEED = 1e6;

export default function forecastMeet(terminal: Terminal): void {
  const { values, positionals } = readArgs(terminal, {
    car: { type: 'string', multiple: true },
    evenings: { type: 'string' },
    seed: { type: 'string' },
  });
  if (values.help) return terminal.print(HELP);
  const file = oneOf(positionals);
  const whole = (name: 'evenings' | 'seed', usual: number, most: number): number => {
    const value = Number(values[name] ?? usual);
    return Number.isInteger(value) && value >= 1 && value <= most ? value : refuseUse(`--${name} needs a whole number from 1 to ${most}`);
  };
  const evenings = whole('evenings', 10_000, MOST_EVENINGS);
  const seed = whole('seed', 1, MOST_SEED);
  const { results = [], ...meet } = readOr(terminal, file, readMeet);
  const designs = (values.car ?? []).map((one) => readOr(terminal, one, readCarDesign));
  const known = new Map(
    meet.entries.map(({ id, car }): readonly [string, KnownCar | null] => {
      const design = designs.find(({ name }) => name === car);
      return [id, design ? { design, runs: [] } : null];
    }),
  );
  const told = forecastEvening(meet, standingResults(numberResults(results)), known, { evenings, seed });
  const carOf = (id: string): string => meet.entries.find((entry) => entry.id === id)!.car;
  const entries = told.entries.map(({ entry, points, places, by, rounds }) => ({ car: carOf(entry), points, places, by, rounds }));
  terminal.print(`${JSON.stringify({ evenings, entries }, null, 1)}\n`);
}
