import { addressableStrings, type AddressableString } from '../../part/addressable';
import { formatQuantity, inSentence, shortOhms } from '../../quantity/format';
import { escaped } from './xml-text';
import type { StringRecord } from '../../document/moving-record';
import type { WiringRow } from '../wiring-table';

/** Pixels of a drawn lamp, and how many are drawn before they are told by a gap. */
const LAMP = 22;
const MOST_DRAWN = 18;
const TOP = 104;
/** Room for its words. */
const LEAST_WIDTH = 480;

/** Which lamps of a string are drawn: all, or the first and last with those that are fed, gaps between. */
function drawnLamps({ count, feeds }: StringRecord): (number | null)[] {
  if (count <= MOST_DRAWN) return Array.from({ length: count }, (_, i) => i);
  const wanted = new Set([0, 1, 2, count - 2, count - 1]);
  for (const { at } of feeds) for (const k of [at - 1, at, at + 1]) if (k >= 0 && k < count) wanted.add(k);
  const shown = [...wanted].sort((a, b) => a - b).slice(0, MOST_DRAWN);
  return shown.flatMap((k, i) => (i > 0 && k > shown[i - 1] + 1 ? [null, k] : [k]));
}

/** The string as it is joined: its arrow, the data wire through its resistor, and where power comes in, with the labels of the table. */
export function stringSvg(string: StringRecord, rows: readonly WiringRow[]): string {
  const own: AddressableString = addressableStrings[string.sort];
  const lamps = drawnLamps(string);
  const left = 150;
  const width = Math.max(LEAST_WIDTH, left + lamps.length * (LAMP + 6) + 40);
  const height = TOP + 150;
  const at = (k: number): number => left + lamps.indexOf(k) * (LAMP + 6) + LAMP / 2;
  const label = (x: number, y: number, lead: string): string => {
    const row = rows.find((r) => r.lead === `string ${lead}`);
    return row === undefined
      ? ''
      : `<circle cx="${x}" cy="${y}" r="9" fill="#fffdf7"/><text x="${x}" y="${y + 4}" font-size="11" font-weight="600" text-anchor="middle" fill="#16211f" stroke="none">${row.label}</text>`;
  };
  const words = (x: number, y: number, text: string, anchor = 'middle'): string =>
    `<text x="${x}" y="${y}" font-size="12" text-anchor="${anchor}" fill="#16211f" stroke="none">${escaped(text)}</text>`;
  const y = TOP;
  const feedY = TOP + 92;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" class="string-wiring" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" role="img" aria-label="${escaped(`How ${string.name} is joined`)}" font-family="'IBM Plex Sans', sans-serif" fill="none" stroke="#16211f" stroke-width="1.2">`,
    words(10, 22, `${string.name}: ${string.count} lamps, ${inSentence(own.name)}`, 'start'),
    words(10, 40, 'The arrow on it points away from the pin.', 'start'),
    `<rect x="10" y="${y - 18}" width="82" height="36" rx="4" fill="#24403a"/>`,
    `<text x="51" y="${y + 4}" font-size="12" text-anchor="middle" fill="#fff" stroke="none">${string.shifter ? 'shifter' : 'data pin'}</text>`,
    `<path d="M92 ${y}H${left}" stroke="#2d7a3f" stroke-width="3"/>`,
    ...(string.dataOhms > 0
      ? [
          `<rect x="112" y="${y - 6}" width="26" height="12" rx="4" fill="#e6d3a8"/>`,
          words(125, y - 12, shortOhms(string.dataOhms)),
        ]
      : []),
    label(101, y - 26, 'data'),
    `<path d="M${left} ${y - 26}h${lamps.length * (LAMP + 6)}m-8 -4l8 4l-8 4"/>`,
    ...lamps.map((k, i) => {
      const x = left + i * (LAMP + 6);
      return k === null
        ? words(x + LAMP / 2, y + 5, '…')
        : `<rect x="${x}" y="${y - LAMP / 2}" width="${LAMP}" height="${LAMP}" rx="3" fill="#fffdf7"/><circle cx="${x + LAMP / 2}" cy="${y}" r="6" fill="#ffe7b0"/><text x="${x + LAMP / 2}" y="${y + LAMP / 2 + 13}" font-size="10" text-anchor="middle" fill="#47534d" stroke="none">${k + 1}</text>`;
    }),
    `<rect x="10" y="${feedY - 20}" width="110" height="44" rx="4" fill="#d9cdb0"/>`,
    words(65, feedY - 3, 'string supply'),
    words(
      65,
      feedY + 14,
      `${formatQuantity(string.supplyVolts, 'volt')}, ${formatQuantity(string.supplyAmps, 'amp')}`,
    ),
    ...string.feeds
      .filter((f) => lamps.includes(f.at))
      .flatMap(({ at: k }, i) => {
        const x = at(k);
        const drop = feedY - 8 + 18 * (i % 2);
        return [
          `<path d="M120 ${drop}H${x - 5}V${y + 28}" stroke="#a8231d" stroke-width="3"/>`,
          `<path d="M120 ${drop + 10}H${x + 5}V${y + 28}" stroke="#16211f" stroke-width="3"/>`,
          label(x - 14, y + 50, `plus ${k}`),
          label(x + 16, y + 50, `minus ${k}`),
        ];
      }),
    `<path d="M30 ${y + 18}V${feedY - 20}" stroke="#16211f" stroke-width="3"/>`,
    label(30, y + 44, 'joined'),
    words(44, y + 48, 'minus', 'start'),
    ...(string.farads > 0
      ? [
          words(
            10,
            height - 8,
            `${formatQuantity(string.farads, 'farad')} across its start, the stripe to minus.`,
            'start',
          ),
        ]
      : []),
    '</svg>',
  ].join('\n');
}
