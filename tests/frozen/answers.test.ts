import { readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { expect, test } from 'vitest';
import { answersNow, type Answer } from './answers';

const path = fileURLToPath(new URL('./answers.json', import.meta.url));

/** Figures this near to one another are the same answer: solvers end a little apart. */
const NEAR = 1e-3;
const NOTHING = 1e-8;
const near = (a: number | null, b: number | null): boolean =>
  a === b ||
  (a !== null && b !== null && Math.abs(a - b) <= NOTHING + NEAR * Math.max(Math.abs(a), Math.abs(b)));

/** In what an answer differs from the kept one, in words. */
function differences(was: Answer, now: Answer): string[] {
  const found: string[] = [];
  if (was.failure !== now.failure) found.push(`failure ${was.failure ?? 'none'} → ${now.failure ?? 'none'}`);
  if (was.circuit !== now.circuit) found.push('another circuit');
  if (was.states !== now.states) found.push(`states ${was.states} → ${now.states}`);
  const rules = (a: Answer): string => a.findings.map(([rule, severity]) => `${rule} ${severity}`).join(', ');
  if (rules(was) !== rules(now)) found.push(`findings ${rules(was)} → ${rules(now)}`);
  else
    was.findings.forEach(([rule, , figure], i) => {
      if (!near(figure, now.findings[i][2])) found.push(`${rule}: ${figure} → ${now.findings[i][2]}`);
    });
  if (was.amps.length !== now.amps.length) found.push(`currents ${was.amps.length} → ${now.amps.length}`);
  else {
    const i = was.amps.findIndex((a, k) => !near(a, now.amps[k]));
    if (i >= 0) found.push(`current ${i}: ${was.amps[i]} → ${now.amps[i]}`);
  }
  return found;
}

test('what is answered for the demo and for 100 generated jobs of each kind is what it was', () => {
  const now = answersNow();
  // A figure that changes on purpose: FREEZE=1 keeps the new answers, and the difference is in the diff.
  if (process.env.FREEZE) {
    const round = (_: string, v: unknown): unknown => (typeof v === 'number' ? Number(v.toPrecision(7)) : v);
    writeFileSync(path, `[\n${now.map((a) => JSON.stringify(a, round)).join(',\n')}\n]\n`);
  }
  const was = JSON.parse(readFileSync(path, 'utf8')) as Answer[];
  const changed = was.flatMap((a, i) => differences(a, now[i]).map((d) => `${a.job}: ${d}`));
  expect(changed).toEqual([]);
  expect(now.length).toBe(was.length);
}, 400_000);
