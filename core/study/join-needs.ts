import { isScenery } from '../document/scenery-record';
import { wiringOf } from '../kinds/wirings';
import type { AnyJob } from '../document/layout';
import type { SoldNeed } from './string-needs';

/** Goods that lamps are joined by, with typical prices (common practice, no source). */
const STRIP_WAYS = 12;
const STRIP_PRICE = 1.5;
const RAIL_METRE_PRICE = 0.4;
/** A rail goes on beyond its last lamp at either end, in millimetres. */
const RAIL_BEYOND = 100;

/** Screws for both leads of each lamp of a piece of scenery, or the two bare wires of its rail; nothing elsewhere. */
export function joinNeeds(job: AnyJob): SoldNeed[] {
  if (!isScenery(job)) return [];
  const lamps = Object.keys(job.lamps);
  if (lamps.length === 0) return [];
  if (job.hookUp === 'strip')
    return [
      {
        key: `terminal-strip:${STRIP_WAYS}`,
        name: `Terminal strip, ${STRIP_WAYS} ways`,
        count: Math.ceil((2 * lamps.length) / STRIP_WAYS),
        priceEach: STRIP_PRICE,
      },
    ];
  if (job.hookUp !== 'rail') return [];
  // On a rail a lamp's leads are short wherever it stands; where it stands is told as of a strip.
  const stood = { ...job, hookUp: 'strip' as const };
  const along = lamps.map((id) => wiringOf(job.kind).spotOf(stood, id).along);
  const metres = (Math.max(...along) - Math.min(...along) + 2 * RAIL_BEYOND) / 1000;
  return [
    {
      key: 'rail-wire',
      name: 'Bare copper wire for a rail, 1 m',
      count: Math.ceil(2 * metres),
      priceEach: RAIL_METRE_PRICE,
    },
  ];
}
