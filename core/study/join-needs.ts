import { asWired } from './wired';
import { wayBetween } from './wired/spots';
import type { Bench } from './bench';
import type { SoldNeed } from '../part/sold-need';

/** Goods that lamps are joined by, with typical prices (common practice, no source). */
const STRIP_WAYS = 12;
const STRIP_PRICE = 1.5;
const RAIL_METRE_PRICE = 0.4;
/** A rail goes on beyond its last lamp at either end, in millimetres. */
const RAIL_BEYOND = 100;

/** Screws for the leads that meet on terminal strips, or the two bare wires of a rail; nothing elsewhere. */
export function joinNeeds(bench: Bench): SoldNeed[] {
  const { parts, leads } = asWired(bench).assembly;
  const junctions = parts.flatMap((p) => (p.kind === 'junction' ? [p] : []));
  const strips = new Set(junctions.filter((p) => p.form === 'strip').map((p) => p.id));
  const ends = leads.flatMap((l) => [l.from, l.to].filter((t) => strips.has(t.part))).length;
  const rails = junctions.flatMap((p) => (p.form === 'rail' && p.taps ? [p.taps] : []));
  const metres = rails.reduce((sum, [a, b]) => sum + (wayBetween(a, b) + 2 * RAIL_BEYOND) / 1000, 0);
  return [
    ...(ends > 0
      ? [
          {
            key: `terminal-strip:${STRIP_WAYS}`,
            name: `Terminal strip, ${STRIP_WAYS} ways`,
            count: Math.ceil(ends / STRIP_WAYS),
            priceEach: STRIP_PRICE,
          },
        ]
      : []),
    ...(metres > 0
      ? [
          {
            key: 'rail-wire',
            name: 'Bare copper wire for a rail, 1 m',
            count: Math.ceil(metres - 1e-9),
            priceEach: RAIL_METRE_PRICE,
          },
        ]
      : []),
  ];
}
