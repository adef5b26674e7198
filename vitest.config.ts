import { defineConfig } from 'vitest/config';

/** What needs no browser runs two abreast; after it the browser tests, one file at a time. */
const abreast = { maxWorkers: 2, sequence: { groupOrder: 0 } };

export default defineConfig({
  test: {
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
          include: ['cli/**/*.test.ts', 'server/**/*.test.ts', 'app/**/*.test.{ts,tsx}'],
          // Each test sets the stores it uses: files share what they import.
          isolate: false,
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
