/**
 * Plants wrong lines in a folder one by one and counts how many the unit tests that run them notice.
 * `npm run mutate -- core/checks`; of a large folder a sample: `npm run mutate -- core/run --sample 200 --seed 1`; of every folder of the
 * science, as a table for the docs: `npm run mutate -- --all --sample 200`.
 */
import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { Stryker } from '@stryker-mutator/core';

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    sample: { type: 'string' },
    seed: { type: 'string', default: '1' },
    only: { type: 'string', multiple: true },
    all: { type: 'boolean', default: false },
  },
});
/** Folders whose lines are judged together, in the order of the table. */
const ALL = ['trials', 'bench', 'meet', 'build', 'brief', 'predict', 'car', 'checks'].map((name) => `core/${name}`);
const folders = values.all ? ALL : positionals.slice(0, 1);
if (folders.length === 0) {
  process.stderr.write('which folder? npm run mutate -- core/checks, or --all\n');
  process.exit(2);
}

const shared = {
  testRunner: 'vitest',
  plugins: ['@stryker-mutator/vitest-runner'],
  vitest: { configFile: 'vitest.mutate.config.ts' },
  coverageAnalysis: 'perTest',
  // Tables made as a file is loaded: every test runs them, and none could be told apart.
  ignoreStatic: true,
  ignorePatterns: ['dist', 'data', 'data-demo', '.cache', 'docs'],
  tempDirName: '.cache/mutants',
  // What only words say is read by people, not by tests.
  mutator: { excludedMutations: ['StringLiteral'] },
  thresholds: { high: 75, low: 75, break: null },
  timeoutMS: 10_000,
  timeoutFactor: 3,
  concurrency: 2,
  disableTypeChecks: false,
  reporters: ['clear-text', 'progress', 'json'],
  jsonReporter: { fileName: '.cache/mutants.json' },
  clearTextReporter: { allowColor: false, allowEmojis: false, reportTests: false, logTests: false, reportScoreTable: true },
};
const filesOf = (folder) => [`${folder}/**/*.ts`, `!${folder}/**/*.test.ts`, `!${folder}/**/reference/**`, `!${folder}/**/generated/**`];

/** `count` of the mutants in a folder, drawn evenly with a seed: the places are listed by a first pass that tests nothing. */
async function sampled(folder, count, seed) {
  await new Stryker({
    ...shared,
    mutate: filesOf(folder),
    dryRunOnly: false,
    reporters: ['json'],
    testRunner: 'command',
    commandRunner: { command: 'true' },
    coverageAnalysis: 'off',
    ignoreStatic: false,
  }).runMutationTest();
  const { files: found } = JSON.parse(readFileSync('.cache/mutants.json', 'utf8'));
  // A place within another is drawn with it: only the innermost count, each with all that is planted there.
  const holds = (a, b) =>
    (a.start.line < b.start.line || (a.start.line === b.start.line && a.start.column <= b.start.column)) &&
    (a.end.line > b.end.line || (a.end.line === b.end.line && a.end.column >= b.end.column));
  const places = Object.entries(found).flatMap(([name, { mutants }]) => {
    const byPlace = new Map(mutants.map(({ location }) => [JSON.stringify(location), location]));
    const all = [...byPlace.values()];
    return all
      .filter((place) => !all.some((other) => other !== place && holds(place, other)))
      .map((location) => ({ name, location, planted: mutants.filter((mutant) => holds(location, mutant.location)).length }));
  });
  let state = seed >>> 0;
  // Mulberry32.
  const random = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const shuffled = places.map((place) => ({ ...place, order: random() })).sort((a, b) => a.order - b.order);
  const drawn = [];
  let planted = 0;
  for (const place of shuffled) {
    if (planted >= count) break;
    drawn.push(place);
    planted += place.planted;
  }
  return drawn.map(({ name, location: { start, end } }) => `${name}:${start.line}:${start.column - 1}-${end.line}:${end.column - 1}`);
}

/** How many of the wrong lines of a folder are noticed. */
async function judged(folder) {
  const mutate = values.only ?? (values.sample ? await sampled(folder, Number(values.sample), Number(values.seed)) : filesOf(folder));
  const results = await new Stryker({ ...shared, mutate }).runMutationTest();
  const noticed = results.filter(({ status }) => status === 'Killed' || status === 'Timeout').length;
  const counted = results.filter(({ status }) => ['Killed', 'Timeout', 'Survived', 'NoCoverage'].includes(status)).length;
  return { noticed, counted, share: `${((100 * noticed) / counted).toFixed(1)} %` };
}

const rows = [];
for (const folder of folders) {
  const { noticed, counted, share } = await judged(folder);
  process.stdout.write(`${noticed} of ${counted} wrong lines noticed in ${folder}: ${share}\n`);
  rows.push(`| ${folder} | ${noticed} of ${counted} | ${share} |`);
}
if (values.all) process.stdout.write(['| folder | wrong lines noticed | share |', '|---|---|---|', ...rows, ''].join('\n'));
