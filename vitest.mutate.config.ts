import { defineConfig } from 'vitest/config';

/** The unit tests of the science alone, for `npm run mutate`. */
export default defineConfig({ test: { include: ['core/**/*.test.ts'], testTimeout: 60_000 } });
