import { expect, test } from 'vitest';
import { fitLed, leds } from '../../core/part/led';
import { testerAmps } from '../../core/study/unmarked-lamp';
import { referenceVector, runReference } from './simulator';
import type { BuiltIn } from '../../core/part/built-in';

const tester = { volts: 9, ohms: 1000 };
const insides: readonly BuiltIn[] = [
  { kind: 'nothing' },
  { kind: 'resistor', ohms: 680 },
  { kind: 'resistor', ohms: 15_000 },
];

/** A tester and a lamp as a deck of plain cards, written here and by nothing of ours. */
function deckOf(led: (typeof leds)[string], built: BuiltIn): string {
  const { saturationAmps, emission, seriesOhms } = fitLed(led);
  const inside = led.builtInOhms + (built.kind === 'resistor' ? built.ohms : 0);
  const junctions = Array.from({ length: led.inSeries }, (_, i) => {
    const to = i === led.inSeries - 1 ? '0' : `n${i + 1}`;
    return `d${i} n${i} ${to} lamp`;
  });
  return [
    'a tester',
    `v1 plus 0 ${tester.volts}`,
    `r1 plus clip ${tester.ohms}`,
    `r2 clip n0 ${Math.max(1e-6, inside)}`,
    ...junctions,
    `.model lamp d(is=${saturationAmps} n=${emission} rs=${seriesOhms})`,
    '.op',
    '.end',
  ].join('\n');
}

test.each(Object.keys(leds).flatMap((id) => insides.map((built) => [id, built] as const)))(
  'the tester on %s with %o inside reads what the whole circuit gives',
  async (id, built) => {
    const answer = await runReference(deckOf(leds[id], built));
    const [theirs] = referenceVector(answer, 'i(v1)').map((a) => -a);
    const ours = testerAmps(tester, { led: leds[id], builtIn: built });
    expect(Math.abs(ours - theirs)).toBeLessThan(0.005 * theirs + 1e-9);
  },
);

test('a strip unit of three draws a fraction of what one lamp does; a limiter inside holds its current', () => {
  const strip = Object.values(leds).find((l) => l.form === 'strip' && l.inSeries === 3)!;
  // Three of nearly 3 V leave some tenth of a volt of the 9 for the resistors.
  expect(testerAmps(tester, { led: strip })).toBeLessThan(
    0.25 * testerAmps(tester, { led: leds['white-warm'] }),
  );
  const held = testerAmps(tester, { led: leds.red, builtIn: { kind: 'limiter', amps: 0.002 } });
  expect(held).toBeGreaterThan(0.0018);
  expect(held).toBeLessThanOrEqual(0.002);
});
