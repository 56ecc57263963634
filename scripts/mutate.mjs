/**
 * Plants wrong lines in a folder one by one and counts how many the unit tests that run them notice.
 * `npm run mutate -- core/checks`; of a large folder a sample: `npm run mutate -- core/run --sample 200 --seed 1`.
 */
import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { Stryker } from '@stryker-mutator/core';

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { sample: { type: 'string' }, seed: { type: 'string', default: '1' }, only: { type: 'string', multiple: true } },
});
const folder = positionals[0];
if (!folder) {
  process.stderr.write('which folder? npm run mutate -- core/checks\n');
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
const files = [`${folder}/**/*.ts`, `!${folder}/**/*.test.ts`, `!${folder}/**/reference/**`, `!${folder}/**/generated/**`];

/** `count` of the mutants in a folder, drawn evenly with a seed: the places are listed by a first pass that tests nothing. */
async function sampled(count, seed) {
  await new Stryker({
    ...shared,
    mutate: files,
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

const mutate = values.only ?? (values.sample ? await sampled(Number(values.sample), Number(values.seed)) : files);
const results = await new Stryker({ ...shared, mutate }).runMutationTest();
const noticed = results.filter(({ status }) => status === 'Killed' || status === 'Timeout').length;
const counted = results.filter(({ status }) => ['Killed', 'Timeout', 'Survived', 'NoCoverage'].includes(status)).length;
process.stdout.write(`${noticed} of ${counted} wrong lines noticed: ${((100 * noticed) / counted).toFixed(1)} %\n`);
