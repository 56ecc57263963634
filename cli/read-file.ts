import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import type { Fault } from '../core/fault.ts';
import { formatFault } from '../core/fault-words.ts';
import { readJson, type Read } from '../core/files/read.ts';

/** Ends with these lines on standard error and exit code 2. */
export function end(...lines: readonly string[]): never {
  for (const line of lines) process.stderr.write(`${line}\n`);
  process.exit(2);
}
/** Ends with a line for each fault. */
export const refuse = (...faults: readonly Fault[]): never => end(...faults.map(formatFault));
export const refuseUse = (message: string): never => end(`${message}; --help explains`);

/** The text of a file, or of standard input for `-`. */
export function readText(file: string): string {
  try {
    return readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    return end(`${file}: cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown error'})`);
  }
}

/** What a file holds, or ends with its faults. */
export function readOr<T>(file: string, read: (value: unknown) => Read<T>): T {
  const outcome = readJson(readText(file), read);
  return outcome.kind === 'read' ? outcome.value : refuse(...outcome.faults);
}

/** The one file that a command takes; null where its help was asked for, which is then printed. */
export function oneFile(help: string): string | null {
  let given;
  try {
    given = parseArgs({ allowPositionals: true, options: { help: { type: 'boolean', short: 'h' } } });
  } catch (error) {
    return refuseUse((error as Error).message.split('. ')[0]!);
  }
  const { values, positionals } = given;
  if (values.help) process.stdout.write(help);
  else if (positionals.length !== 1) return refuseUse('give one file, or - for standard input');
  return values.help ? null : positionals[0]!;
}
