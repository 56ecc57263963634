import { defineConfig } from 'vitest/config';

const project = (name: string, include: string[], more: object = {}) => ({ test: { name, include, environment: 'node', ...more } });

export default defineConfig({
  test: {
    projects: [
      project('unit', ['core/**/*.test.ts', 'web/**/*.test.{ts,tsx}', 'scripts/**/*.test.ts'], {
        testTimeout: 60_000,
        setupFiles: ['scripts/seeded-properties.ts'],
      }),
      project('server', ['server/**/*.test.ts', 'cli/**/*.test.ts'], { testTimeout: 60_000 }),
      project('e2e', ['e2e/**/*.test.ts'], { testTimeout: 60_000, hookTimeout: 60_000, maxWorkers: 2 }),
    ],
  },
});
