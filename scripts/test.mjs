/** npm test: types, lint, import walls, unit, server and end-to-end tests, counted in one last line. */
import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuild, ensureDebianPackages, ensurePackages, root, say } from './prepare-machine.mjs';

ensurePackages();
ensureBuild();
ensureDebianPackages();

const cache = join(root, '.cache');
mkdirSync(cache, { recursive: true });
let passed = 0;
let failed = 0;

const runs = (args) => spawnSync(process.execPath, args, { cwd: root, stdio: 'inherit' }).status === 0;

/** Runs beside others: what it says is shown whole, when it ends. */
const saying = ([name, args]) =>
  new Promise((resolve) => {
    const told = [];
    const process_ = spawn(process.execPath, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    for (const stream of [process_.stdout, process_.stderr]) stream.on('data', (part) => told.push(part));
    process_.on('close', (code) => {
      say(name);
      process.stdout.write(Buffer.concat(told));
      resolve(code === 0);
    });
  });

const checks = [
  ['types', ['node_modules/typescript/bin/tsc', '-p', '.']],
  ['format', ['node_modules/prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '.']],
  ['lint', ['node_modules/eslint/bin/eslint.js', '.', '--max-warnings', '0']],
  [
    'import walls',
    [
      'node_modules/dependency-cruiser/bin/dependency-cruise.mjs',
      ...['core', 'server', 'web', 'cli'],
      ...['--config', '.dependency-cruiser.cjs', '--output-type', 'err'],
    ],
  ],
];
for (const isGood of await Promise.all(checks.map(saying))) {
  if (isGood) passed++;
  else failed++;
}

for (const project of ['unit', 'server', 'e2e']) {
  say(`${project} tests`);
  const report = join(cache, `${project}.json`);
  rmSync(report, { force: true });
  const isGood = runs([
    'node_modules/vitest/vitest.mjs',
    'run',
    '--project',
    project,
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${report}`,
  ]);
  const before = failed;
  try {
    const { numPassedTests, numFailedTests, testResults } = JSON.parse(readFileSync(report, 'utf8'));
    passed += numPassedTests;
    failed += numFailedTests;
    // A file that breaks before its tests count is a failure of its own.
    failed += testResults.filter(({ status, assertionResults }) => status === 'failed' && assertionResults.length === 0).length;
  } catch {
    failed++;
  }
  if (!isGood && failed === before) failed++;
}

const line = `${passed} passed, ${failed} failed`;
writeFileSync(join(cache, 'result.txt'), `${line}\n`);
process.stdout.write(`${line}\n`);
process.exit(failed === 0 ? 0 : 1);
