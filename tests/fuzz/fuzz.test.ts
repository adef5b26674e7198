import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { caseName, tries } from './run';
import { targets } from './targets';

const cases = fileURLToPath(new URL('./cases', import.meta.url));
/** Longer than this, one input is a failure of `npm run fuzz`: nobody waits for it. Tests are not timed. */
const MOST_MS = 5000;
/** `npm run fuzz` sets minutes and a seed; as part of the tests it is a short run from the same seed each time. */
const minutes = Number(process.env.FUZZ_MINUTES ?? 0);
const seed = Number(process.env.FUZZ_SEED ?? 1);
const counts: Readonly<Record<string, number>> = {
  layouts: 120,
  decks: 400,
  'function tables': 300,
  archives: 60,
};

/** One target alone, by its name. */
const wanted = process.env.FUZZ_TARGET;
const chosen = targets.filter((t) => wanted === undefined || t.name === wanted);

describe.each(chosen)('$name', (target) => {
  test('input nobody would write is answered, or refused with a reason', () => {
    const until = minutes > 0 ? performance.now() + (minutes * 60_000) / chosen.length : Infinity;
    const count = minutes > 0 ? 1e9 : counts[target.name];
    const { outcomes, failures, slowest } = tries(target, seed * 1_000_000, count, {
      until,
      mostMilliseconds: minutes > 0 ? MOST_MS : Infinity,
    });
    if (minutes > 0) {
      mkdirSync(cases, { recursive: true });
      // Each kind of failure is kept once, to be mended and never to come back.
      const kinds = new Map(failures.map((f) => [f.reason, f]));
      for (const f of kinds.values()) writeFileSync(join(cases, caseName(target, f.input)), f.input);
      console.log(
        target.name,
        outcomes,
        `slowest ${Math.round(slowest.milliseconds)} ms (seed ${slowest.seed})`,
      );
      for (const f of kinds.values()) console.log(`  seed ${f.seed}: ${f.reason}`);
    }
    expect(failures.map((f) => `seed ${f.seed}: ${f.reason}`)).toEqual([]);
    expect(Object.keys(outcomes).length).toBeGreaterThan(1);
  });
  const kept = existsSync(cases)
    ? readdirSync(cases).filter((name) => name.startsWith(`${target.name.replace(/ /g, '-')}-`))
    : [];
  test.each(kept.length > 0 ? kept : ['none yet'])('kept case %s', (name) => {
    if (name === 'none yet') return;
    expect(target.tryIt(readFileSync(join(cases, name), 'utf8'))).toMatch(/answered|refused|repaired/);
  });
});
