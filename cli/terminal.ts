import { parseArgs, type ParseArgsConfig } from 'node:util';
import type { Fault } from '../core/fault.ts';
import { formatFault } from '../core/fault-words.ts';
import { readJson, type Read } from '../core/files/read.ts';

/** What a command is called with and prints to: a terminal, or a test. */
export interface Terminal {
  readonly args: readonly string[];
  readonly print: (text: string) => void;
  readonly printError: (text: string) => void;
  /** The text of a file, or of standard input for `-`. */
  readonly readText: (file: string) => string;
}

/** One of the commands of this folder. */
export type Command = (terminal: Terminal) => void | Promise<void>;

/** The end of a command that cannot be done, with what it says on standard error. */
class CommandEnd extends Error {
  readonly lines: readonly string[];
  constructor(lines: readonly string[]) {
    super(lines.join('\n'));
    this.lines = lines;
  }
}

/** Ends the command with these lines on standard error and exit code 2. */
export function end(...lines: readonly string[]): never {
  throw new CommandEnd(lines);
}
/** Ends with a line for each fault. */
export const refuse = (...faults: readonly Fault[]): never => end(...faults.map(formatFault));
export const refuseUse = (message: string): never => end(`${message}; --help explains`);

/** Runs a command. Returns its exit code: 0, or 2 where it ended with lines on standard error. */
export async function run(command: Command, terminal: Terminal): Promise<number> {
  try {
    await command(terminal);
    return 0;
  } catch (error) {
    if (!(error instanceof CommandEnd)) throw error;
    for (const line of error.lines) terminal.printError(`${line}\n`);
    return 2;
  }
}

/** What a command was called with; ends where that is none of its options. */
export function readArgs<O extends NonNullable<ParseArgsConfig['options']>>({ args }: Terminal, options: O) {
  const help = { type: 'boolean', short: 'h', default: false } as const;
  try {
    return parseArgs({ args: [...args], allowPositionals: true, options: { ...options, help } });
  } catch (error) {
    return refuseUse((error as Error).message.split('. ')[0]!);
  }
}

/** The text of a file; ends where it cannot be read. */
export function textOr({ readText }: Terminal, file: string): string {
  try {
    return readText(file);
  } catch (error) {
    return end(`${file}: cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown error'})`);
  }
}

/** What a file holds; ends with its faults. */
export function readOr<T>(terminal: Terminal, file: string, read: (value: unknown) => Read<T>): T {
  const outcome = readJson(textOr(terminal, file), read);
  return outcome.kind === 'read' ? outcome.value : refuse(...outcome.faults);
}

/** The one file of a list of them. */
export const oneOf = (files: readonly string[]): string =>
  files.length === 1 ? files[0]! : refuseUse('give one file, or - for standard input');
