import { readdirSync, readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { answerDeck } from '../../core/circuit/deck/answer';
import { readDeck } from '../../core/circuit/deck/read';
import { expectSameAsReference } from './compare';
import { referenceVector, runReference, sampledAt } from './simulator';

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

/** A half-wave rectifier, a reservoir, and a zener with a follower behind them, as a coach's board has it. */
function halfWaveRegulator(ohms: number, farads: string, tran: string): string {
  return `A half-wave regulator
v1 a 0 sin(0 22.6 50)
d1 a b dr
.model dr d(is=1e-9 n=1.8 rs=0.05)
r0 b b1 ${ohms}
c1 b1 0 ${farads}
rz b1 z 1k
dz 0 z zz
.model zz d(is=1e-14 n=1 bv=9.1 ibv=5m rs=3)
q1 b1 z e qn
.model qn npn(is=1e-14 bf=150)
rl e 0 220
.tran ${tran}
.print tran v(b1) v(e) i(v1)
.end`;
}

test.each([
  [1, '1m', '0.1m 60m'],
  [1, '1m', '0.2m 60m'],
  [1, '220u', '0.5m 100m'],
  [0.2, '1m', '50u 40m'],
] as const)(
  'a half-wave regulator of %s ohm and %s, printed at %s, begins to conduct as in the reference, and never backwards',
  async (ohms, farads, tran) => {
    const { headings, rows } = answerDeck(readDeck(halfWaveRegulator(ohms, farads, tran)));
    const stop = tran.split(' ')[1];
    const fine = halfWaveRegulator(ohms, farads, `2u ${stop} 0 2u\n.options reltol=1e-5`);
    const reference = await runReference(fine);
    const moments = rows.map(([time]) => time);
    for (const [k, heading] of headings.slice(1).entries()) {
      const expected = sampledAt(moments, reference.axis, referenceVector(reference, heading));
      const peak = Math.max(...expected.map(Math.abs));
      const off = rows.map((row, i) => Math.abs(row[k + 1] - expected[i]) / peak);
      expect(Math.max(...off), heading).toBeLessThan(0.005);
    }
    const drawn = rows.map((row) => -row[3]);
    expect(Math.min(...drawn)).toBeGreaterThan(-1e-4 * Math.max(...drawn));
  },
);
