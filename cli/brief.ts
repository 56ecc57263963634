import { judgeCar, describeRound, type JudgedCar } from '../core/brief/judge.ts';
import { ruleSheet } from '../core/brief/rule-sheet.ts';
import type { Brief } from '../core/brief/brief.ts';
import type { CarDesign } from '../core/car/car-design.ts';
import { readBrief, readCarDesign } from '../core/files/read.ts';
import { type Format, formatIn, plainly, type UnitSystem } from '../core/units/quantity.ts';
import { readArgs, readOr, refuseUse, type Terminal } from './terminal.ts';

const HELP = `Prints a brief, or judges cars by it.

  npm run -s brief -- FILE                a brief (schemas/brief.schema.json) as a rule sheet
  npm run -s brief -- FILE CAR…           judges each car design: every rule, and the predicted result of each round
      --json                              the same as JSON, SI units
      --inch                              in inches, ounces and feet
      --seed N                            random seed of the sample of cars (default: 1)
  npm run -s brief -- --help              this text

A range holds 8 in 10 cars built like this. FILE may be - for standard input.
For an unreadable file, each fault is one line on standard error that names the key by its path. Nothing is written to standard
output then, and the exit code is 2.
`;

const VERDICTS = { met: '✓', close: '!', broken: '✕' } as const;

function carLines(design: CarDesign, brief: Brief, { rules, rounds }: JudgedCar, units: UnitSystem, format: Format): string[] {
  return [
    design.name,
    ...rules.map(({ name, verdict, words }) => `  ${VERDICTS[verdict]} ${name}: ${words(format)}`),
    ...rounds.map(
      (judged, i) =>
        `  ${judged.kind === 'refused' ? '✕ ' : ''}${judged.name}: ${describeRound(brief.rounds[i]!, judged, units).replaceAll('\u00a0', ' ')}`,
    ),
    '',
  ];
}

export default function judgeCars(terminal: Terminal): void {
  const { values, positionals } = readArgs(terminal, {
    json: { type: 'boolean', default: false },
    inch: { type: 'boolean', default: false },
    seed: { type: 'string', default: '1' },
  });
  if (values.help) return terminal.print(HELP);
  const [file, ...cars] = positionals;
  if (file === undefined) return refuseUse('Name a brief');
  const seed = Number(values.seed);
  if (!Number.isInteger(seed) || seed < 1) refuseUse('--seed needs a whole number from 1');
  const units: UnitSystem = values.inch ? 'inch' : 'metric';
  const format: Format = plainly(formatIn(units));
  const brief = readOr(terminal, file, readBrief);
  const designs = cars.map((car) => readOr(terminal, car, readCarDesign));
  const judged = designs.map((design) => ({ design, against: judgeCar(design, brief, seed) }));
  if (values.json) {
    const answer =
      designs.length === 0
        ? brief
        : judged.map(({ design, against }) => ({
            name: design.name,
            ...against,
            rules: against.rules.map((rule) => ({ ...rule, words: rule.words(format) })),
          }));
    return terminal.print(`${JSON.stringify(answer, null, 2)}\n`);
  }
  if (designs.length === 0) return terminal.print(ruleSheet(brief, units));
  terminal.print(judged.flatMap(({ design, against }) => carLines(design, brief, against, units, format)).join('\n'));
}
