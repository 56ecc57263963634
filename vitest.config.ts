import { defineConfig } from 'vitest/config';

const TEMPORARY = 'testing/temporary-folder.ts';

const project = (name: string, include: string[], more: object = {}) => ({
  test: {
    name,
    include,
    environment: 'node',
    // A test that hangs is found; one on a machine that is busy otherwise has its time.
    testTimeout: 240_000,
    hookTimeout: 120_000,
    // Both cores of a small machine.
    maxWorkers: 2,
    globalSetup: [TEMPORARY],
    ...more,
  },
});

export default defineConfig({
  test: {
    projects: [
      // What is pure leaves nothing behind: files share the modules of one worker, which are loaded once.
      project('unit', ['core/**/*.test.ts', 'web/**/*.test.{ts,tsx}', 'scripts/**/*.test.ts'], {
        isolate: false,
        setupFiles: ['testing/seeded-properties.ts'],
      }),
      project('server', ['server/**/*.test.ts', 'cli/**/*.test.ts'], { isolate: false }),
      project('e2e', ['e2e/**/*.test.ts'], { globalSetup: [TEMPORARY, 'e2e/shared-browser.ts'] }),
    ],
  },
});
