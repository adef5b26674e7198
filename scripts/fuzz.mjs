import { installPackages, requireNode, runTool } from './steps.mjs';

// Tries the readers, the solver and the rules with input nobody would write, for some minutes:
//   npm run fuzz -- [minutes] [seed] [layouts|decks|archives]
// What fails is written to tests/fuzz/cases, and is tried by `npm test` from then on.

requireNode();
installPackages();
const minutes = Number(process.argv[2] ?? 4);
const seed = Number(process.argv[3] ?? Date.now() % 100_000);
if (!(minutes > 0) || !Number.isInteger(seed)) {
  console.error('usage: npm run fuzz -- [minutes] [seed, a whole number] [layouts, decks, archives]');
  process.exit(1);
}
console.log(
  `Fuzzing for ${minutes} min from seed ${seed}; the same again: npm run fuzz -- ${minutes} ${seed}`,
);
process.exit(
  runTool('vitest', ['run', '--project', 'fuzz', '--testTimeout', String(minutes * 120_000 + 60_000)], {
    env: {
      ...process.env,
      FUZZ_MINUTES: String(minutes),
      FUZZ_SEED: String(seed),
      ...(process.argv[4] ? { FUZZ_TARGET: process.argv[4] } : {}),
    },
  }),
);
