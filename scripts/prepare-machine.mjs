/** Installs what is missing and builds what is stale, saying what it does. Plain Node: it runs before anything is installed. */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));
const at = (...parts) => join(root, ...parts);

export const say = (text) => process.stdout.write(`• ${text}\n`);

/** Runs a command with its output shown; ends this program when it fails. */
export function run(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (error) throw error;
  if (status !== 0) {
    process.stderr.write(`${[command, ...args].join(' ')} failed (exit code ${status}).\n`);
    process.exit(status ?? 1);
  }
}

const stampOf = (files) => {
  const hash = createHash('sha256');
  for (const file of files) hash.update(file).update(readFileSync(at(file)));
  return hash.digest('hex');
};
const isCurrent = (stamp, value) => existsSync(stamp) && readFileSync(stamp, 'utf8') === value;

function filesBelow(folder) {
  return readdirSync(at(folder), { withFileTypes: true })
    .flatMap((entry) => {
      const path = `${folder}/${entry.name}`;
      return entry.isDirectory() ? filesBelow(path) : statSync(at(path)).isFile() ? [path] : [];
    })
    .sort();
}

/** The packages of the lockfile. */
export function ensurePackages() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    process.stderr.write(`Node 20.19 or newer is needed; this is ${process.versions.node}.\n`);
    process.exit(1);
  }
  const stamp = at('node_modules', '.nimble-axle-installed');
  const value = `${stampOf(['package-lock.json'])} ${process.versions.modules}`;
  if (isCurrent(stamp, value)) return;
  say('Installing packages (npm ci); the first time this takes a few minutes …');
  run('npm', ['ci', '--no-fund', '--no-audit', '--loglevel=error']);
  writeFileSync(stamp, value);
}

/** What is made from the schemas, and the page. */
export function ensureBuild() {
  run('node', ['--import', 'tsx', 'scripts/generate.ts']);
  const sources = [
    'package-lock.json',
    'vite.config.ts',
    ...['schemas', 'core', 'web'].flatMap(filesBelow).filter((file) => !file.endsWith('.test.ts')),
  ];
  const stamp = at('dist', '.stamp');
  const value = stampOf(sources);
  if (isCurrent(stamp, value)) return;
  say('Building the page …');
  run('node', ['node_modules/vite/bin/vite.js', 'build', '--logLevel', 'warn']);
  mkdirSync(at('dist'), { recursive: true });
  writeFileSync(stamp, value);
}

/** What tests need of Debian: the browser for the end-to-end ones, poppler for what is printed. */
export function ensureDebianPackages() {
  const missing = [
    ['chromium', process.env.CHROMIUM ?? '/usr/bin/chromium'],
    ['poppler-utils', '/usr/bin/pdftoppm'],
  ].flatMap(([name, path]) => (existsSync(path) ? [] : [name]));
  if (missing.length === 0) return;
  say(`Installing ${missing.join(' and ')} (apt-get) for the tests …`);
  const quiet = { stdio: ['ignore', 'ignore', 'inherit'], env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } };
  run('apt-get', ['update', '-q'], quiet);
  run('apt-get', ['install', '-y', '-q', '--no-install-recommends', ...missing], quiet);
}
