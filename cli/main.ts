/** The commands, each as `npm run -s NAME -- …`. */
import { readFileSync } from 'node:fs';
import { run, type Command } from './terminal.ts';

const COMMANDS: Readonly<Record<string, () => Promise<{ readonly default: Command }>>> = {
  archive: () => import('./archive.ts'),
  best: () => import('./best.ts'),
  brief: () => import('./brief.ts'),
  draw: () => import('./draw.ts'),
  film: () => import('./film.ts'),
  fit: () => import('./fit.ts'),
  forecast: () => import('./forecast.ts'),
  measure: () => import('./measure.ts'),
  sim: () => import('./sim.ts'),
};

const [name = '', ...args] = process.argv.slice(2);
const load = COMMANDS[name];
if (!load) throw new Error(`No command ${name}: there are ${Object.keys(COMMANDS).join(', ')}.`);
const { default: command } = await load();
process.exitCode = await run(command, {
  args,
  print: (text) => void process.stdout.write(text),
  printError: (text) => void process.stderr.write(text),
  readText: (file) => readFileSync(file === '-' ? 0 : file, 'utf8'),
});
