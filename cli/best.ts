import { designForBrief } from '../core/brief/brief.ts';
import { describeChanges } from '../core/car/difference.ts';
import { findBestCar } from '../core/explore/best-car.ts';
import { minutesOf, partsToGet } from '../core/explore/parts-to-get.ts';
import { readBrief, readCarDesign } from '../core/files/read.ts';
import { prepareRun } from '../core/predict/derive-run-setup.ts';
import { type Format, formatIn } from '../core/units/quantity.ts';
import { oneOf, readArgs, readOr, refuse, refuseUse, type Terminal } from './terminal.ts';

const HELP = `Finds better cars near a design.

  npm run -s best -- FILE                 a car design (schemas/car-design.schema.json): up to three cars that are better by
                                          few changes, as JSON
      --brief FILE                        its brief (schemas/brief.schema.json), instead of the goal in the design
      --seed N                            random seed of the search (default: 1); the same seed gives the same answer
  npm run -s best -- --help               this text

FILE may be - for standard input. In the answer, “now” holds the results of cars built like this one, by the goal, in SI units:
8 in 10 exceed “lower”, half exceed “middle”. “passing” is the number of cars in the search that pass every check. “helps” is the
fraction of cars that do better with an offer. The figures come from 500 cars that the search did not use.
For an unreadable file, each fault is one line on standard error that names the key by its path. Nothing is written to standard
output then, and the exit code is 2.
`;

const format: Format = formatIn('metric');
const plainly = (words: string): string => words.replaceAll('\u00a0', ' ');
const MOST_SEED = 1e6;

export default function bestCars(terminal: Terminal): void {
  const { values, positionals } = readArgs(terminal, { brief: { type: 'string' }, seed: { type: 'string' } });
  if (values.help) return terminal.print(HELP);
  const file = oneOf(positionals);
  const seed = Number(values.seed ?? 1);
  if (!Number.isInteger(seed) || seed < 1 || seed > MOST_SEED) return refuseUse(`--seed needs a whole number from 1 to ${MOST_SEED}`);
  const own = readOr(terminal, file, readCarDesign);
  const design = values.brief === undefined ? own : designForBrief(own, readOr(terminal, values.brief, readBrief));
  const prepared = prepareRun(design);
  if (prepared.kind === 'refused') return refuse(...prepared.faults);
  const { now, best, passed, stoppedBy } = findBestCar(design, { seed });
  const offers = best.map(({ lower, middle, helps, changes, design: offered }) => {
    const toGet = partsToGet(design, offered, [], format);
    return {
      lower,
      middle,
      helps,
      changes: changes.map((change) => plainly(describeChanges(design, change.design, 'metric'))),
      toGet: toGet.map(({ name, count }) => ({ name: plainly(name), count })),
      minutes: minutesOf(changes.length, toGet),
      design: offered,
    };
  });
  const answer = { now: now && { lower: now.lower, middle: now.middle }, stoppedBy, passing: passed, offers };
  terminal.print(`${JSON.stringify(answer, null, 1)}\n`);
}
