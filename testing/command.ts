import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** What a command answered. */
export interface Answer {
  readonly status: number | null;
  readonly stdout: string;
  readonly stderr: string;
}

/**
 * Runs one of the commands of `cli/`, as `npm run -s` does but without npm around it, from the root of the project.
 * @param name the file of the command: `sim`
 * @param input text for its standard input
 */
export function runCommand(name: string, args: readonly string[], input?: string): Answer {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['--import', 'tsx', `cli/${name}.ts`, ...args], {
    encoding: 'utf8',
    input,
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
