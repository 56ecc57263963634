/** Set up before all tests: whatever they write to a temporary place goes into one folder, which is removed after them. */
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

export default function setup(): () => void {
  const folder = mkdtempSync(join(tmpdir(), 'nimble-axle-tests-'));
  // As any temporary place: programs of other users write there too.
  chmodSync(folder, 0o1777);
  process.env.TMPDIR = folder;
  return () => rmSync(folder, { recursive: true, force: true, maxRetries: 5 });
}
