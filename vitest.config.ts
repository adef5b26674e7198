import { defineConfig } from 'vitest/config';
import { LongestFirst } from './scripts/longest-first';

/** What needs no browser runs two abreast; after it the browser tests. */
const abreast = { maxWorkers: 2, sequence: { groupOrder: 0 } };

export default defineConfig({
  test: {
    sequence: { sequencer: LongestFirst },
    projects: [
      {
        test: {
          name: 'unit',
          include: ['core/**/*.test.ts'],
          // Pure functions: files share what they import.
          isolate: false,
          // A slow machine is no failure: nothing here is timed.
          testTimeout: 120_000,
          ...abreast,
        },
      },
      {
        test: {
          name: 'app',
          include: ['app/**/*.test.{ts,tsx}'],
          environment: 'happy-dom',
          // Each test sets the stores it uses: files share what they import.
          isolate: false,
          testTimeout: 120_000,
          ...abreast,
        },
      },
      {
        test: {
          name: 'programs',
          include: ['cli/**/*.test.ts', 'server/**/*.test.ts'],
          testTimeout: 120_000,
          ...abreast,
        },
      },
      { test: { name: 'fuzz', include: ['tests/fuzz/**/*.test.ts'], testTimeout: 240_000, ...abreast } },
      {
        test: {
          name: 'reference',
          include: ['tests/reference/**/*.test.ts', 'tests/frozen/**/*.test.ts'],
          isolate: false,
          testTimeout: 120_000,
          ...abreast,
        },
      },
      {
        test: {
          name: 'e2e',
          include: ['tests/e2e/**/*.test.ts'],
          // Slow machines are waited for here too.
          testTimeout: 240_000,
          hookTimeout: 120_000,
          expect: { poll: { timeout: 30_000 } },
          maxWorkers: 2,
          sequence: { groupOrder: 1 },
        },
      },
    ],
  },
});
