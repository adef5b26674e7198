import { readdirSync, readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { expectSameAsReference } from './compare';

const folder = new URL('./decks/', import.meta.url);

for (const name of readdirSync(folder).sort()) {
  test(`${name} answers as the reference does`, async () => {
    await expectSameAsReference(readFileSync(new URL(name, folder), 'utf8'));
  });
}

/** A bus of taps: each a length of wire and a lamp with its resistor. */
function bus(taps: number): string {
  const lines = ['A long bus of lamps', 'v1 n0 0 12', '.model lamp d(is=1e-18 n=3 rs=8)'];
  for (let i = 1; i <= taps; i++) {
    lines.push(
      `rw${i} n${i - 1} n${i} 0.02`,
      `rl${i} n${i} x${i} ${i % 3 === 0 ? '1k' : '2.2k'}`,
      `d${i} x${i} 0 lamp`,
    );
  }
  lines.push('.op', `.print op v(n1) v(n${taps / 2}) v(n${taps}) v(x${taps}) i(v1)`, '.end');
  return lines.join('\n');
}

test('a bus of 300 taps answers as the reference does', async () => {
  await expectSameAsReference(bus(300));
  expect(bus(300).match(/^d\d+ /gm)).toHaveLength(300);
});
