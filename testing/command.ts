import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { run, type Command } from '../cli/terminal.ts';

/** What a command answered. */
export interface Answer {
  readonly status: number;
  readonly stdout: string;
  readonly stderr: string;
}

/**
 * Runs one of the commands of `cli/` in this process, where all that it imports is there already.
 * @param input text for its standard input
 */
export async function runCommand(command: Command, args: readonly string[], input = ''): Promise<Answer> {
  let [stdout, stderr] = ['', ''];
  const status = await run(command, {
    args,
    print: (text) => void (stdout += text),
    printError: (text) => void (stderr += text),
    readText: (file) => (file === '-' ? input : readFileSync(file, 'utf8')),
  });
  return { status, stdout, stderr };
}

/** A new folder to write files for commands to. */
export function filesFor(name: string): { readonly folder: string; readonly write: (file: string, content: unknown) => string } {
  const folder = mkdtempSync(join(tmpdir(), `nimble-axle-${name}-`));
  /** Writes a text, or a value as JSON; returns the path. */
  const write = (file: string, content: unknown): string => {
    const path = join(folder, file);
    writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content));
    return path;
  };
  return { folder, write };
}
