import { inOrder } from '../document/in-order';
import { formatQuantity } from '../quantity/format';
import { feedWires } from '../part/feed-wire';
import { channels, lampKilograms } from '../part/overhead-lamp';
import { areaOf, type RigArea } from './area';
import { litRows, piecesOf, rigHeight, spotsOf } from './geometry';
import { powerOf } from './beside';
import type { Layout } from '../document/layout';
import type { RigRecord, RigRowRecord } from '../document/rig-record';

/** Pieces to saw from lengths as they are sold. */
export interface CutList {
  readonly of: string;
  /** As sold, in millimetres. */
  readonly sold: number;
  /** For each length that is bought, the pieces sawn from it, longest first. */
  readonly lengths: readonly (readonly number[])[];
  /** Share that is left over. */
  readonly waste: number;
}

/** A line of the list to buy. */
export interface RigPart {
  readonly name: string;
  readonly count: number;
  /** What is counted: pieces, metres. */
  readonly unit: 'pieces' | 'm';
  /** Of all of them, in the layout's currency (typical). */
  readonly price: number;
}

/** Timber, posts, brackets, channel and clips for a rig. */
export interface Mounting {
  readonly parts: readonly RigPart[];
  readonly cuts: readonly CutList[];
  readonly kilograms: number;
  /** On each post. */
  readonly kilogramsPerPost: number;
  readonly posts: number;
  /** From clip to clip. */
  readonly clipMillimetres: number;
  readonly pilotMillimetres: number;
  /** How it goes up, and comes apart. */
  readonly steps: readonly string[];
  readonly price: number;
}

/** Planed timber 18 x 44 mm, softwood at 450 kg a cubic metre (common practice, no source). */
const TIMBER = { name: 'Planed timber 18 × 44 mm', sold: 2400, kilogramsPerMetre: 0.36, metrePrice: 2.6 };
const CHANNEL_SOLD = 2000;
const SAW_MILLIMETRES = 3;
/** A beam sags visibly beyond this; posts no further apart (common practice, no source). */
const POST_APART = 1200;
const CLIP_APART = 300;
/** Pilot holes for 3.5 mm wood screws in softwood (common practice, no source). */
const PILOT_MILLIMETRES = 2;
const PRICES = {
  bracket: 2.2,
  clip: 0.35,
  screw: 0.04,
  plug: 1.6,
  fuse: 1.2,
  dimmer: 9,
  converter: 9,
} as const;
const BRACKET_KILOGRAMS = 0.12;

/** Pieces packed into lengths as sold: the longest first, each into the first length with room (first fit decreasing). */
export function cutList(of: string, sold: number, pieces: readonly number[]): CutList {
  const lengths: { left: number; pieces: number[] }[] = [];
  // What is longer than is sold is joined of whole lengths and a rest.
  const within = pieces.flatMap((p) => {
    const whole = Math.floor(p / sold);
    const rest = p - whole * sold;
    return [...new Array<number>(whole).fill(sold), ...(rest > 0 ? [rest] : [])];
  });
  for (const piece of [...within].sort((a, b) => b - a)) {
    const room = lengths.find((l) => l.left >= piece + SAW_MILLIMETRES || Math.abs(l.left - piece) < 1e-9);
    if (room) {
      room.left = Math.max(0, room.left - piece - SAW_MILLIMETRES);
      room.pieces.push(piece);
    } else lengths.push({ left: Math.max(0, sold - piece - SAW_MILLIMETRES), pieces: [piece] });
  }
  const used = within.reduce((a, b) => a + b, 0);
  return {
    of,
    sold,
    lengths: lengths.map((l) => l.pieces),
    waste: lengths.length > 0 ? 1 - used / (lengths.length * sold) : 0,
  };
}

/** A lamp as one asks for it in a shop: volts, power, white, beam, and where it may be cut or how long one is. */
function lampWords(row: RigRowRecord): string {
  const { form, volts, watts, kelvin, beamDegrees, cutMillimetres, pieceMillimetres } = row;
  const [power, white] = [
    formatQuantity(watts, 'watt'),
    `${Math.round(kelvin)} K, ${Math.round(beamDegrees)}°`,
  ];
  const v = formatQuantity(volts, 'volt');
  if (form === 'strip')
    return `strip ${v}, ${power} a metre, ${white}, cut every ${Math.round(cutMillimetres)} mm`;
  return form === 'tube'
    ? `tubes ${v} of ${Math.round(pieceMillimetres)} mm, ${power} a metre, ${white}`
    : `spots ${v}, ${power}, ${white}`;
}

/** Wire to the rows, and along those that are fed at their far end too: both conductors, in metres. */
const feedMetres = (rig: RigRecord, area: RigArea): number =>
  (2 *
    (rig.supply.wireMillimetres +
      (rig.moduleMillimetres === null ? 0 : Math.max(0, area.width - rig.moduleMillimetres)) +
      litRows(rig)
        .filter((row) => row.fed === 'both ends')
        .reduce((sum, row) => sum + piecesOf(row, rig, area).reduce((s, p) => s + p.to - p.from, 0), 0))) /
  1000;

const round = (price: number): number => Math.round(price * 100) / 100;

/**
 * What a rig is built of, from its measures: posts behind the backscene no further apart than a beam
 * bears, an arm from each to the front, beams along for the rows, the fascia, channel and clips.
 */
export function mountingOf(layout: Pick<Layout, 'boards'>, rig: RigRecord): Mounting {
  const area = areaOf(layout, rig);
  // What is switched off is not part of it.
  const rows = inOrder(rig.rows).filter((r) => r.on);
  const module = rig.moduleMillimetres ?? area.width;
  const modules = Math.max(1, Math.ceil(area.width / module));
  const high = rigHeight(rig);
  const bays = Math.max(1, Math.ceil(module / POST_APART));
  const posts = modules * bays + 1;
  const reach = Math.max(
    0,
    ...rows.map((r) => r.depthMillimetres),
    area.depth + (rig.fascia?.forwardMillimetres ?? 0),
  );
  const timber = [
    ...new Array<number>(posts).fill(high + 100),
    ...new Array<number>(posts).fill(reach),
    // Beams: one along at the back, one at the front, for each module.
    ...Array.from({ length: modules }, (_, k) => Math.min(module, area.width - k * module)).flatMap((l) => [
      l,
      l,
    ]),
  ];
  const channelled = rows.flatMap((row) =>
    row.channel !== 'none' && row.form === 'strip'
      ? piecesOf(row, rig, area).map((p) => ({
          name: channels[row.channel].name,
          length: p.to - p.from,
          row,
        }))
      : [],
  );
  const names = [...new Set(channelled.map((c) => c.name))];
  const cuts = [
    cutList(TIMBER.name, TIMBER.sold, timber),
    ...(rig.fascia
      ? [
          cutList(
            `Fascia ${Math.round(rig.fascia.dropMillimetres)} mm high`,
            TIMBER.sold,
            Array.from({ length: modules }, (_, k) => Math.min(module, area.width - k * module)),
          ),
        ]
      : []),
    ...names.map((n) =>
      cutList(
        n,
        CHANNEL_SOLD,
        channelled.filter((c) => c.name === n).map((c) => c.length),
      ),
    ),
  ];
  const timberMetres = timber.reduce((a, b) => a + b, 0) / 1000;
  const clips = channelled.reduce((count, c) => count + Math.max(2, Math.ceil(c.length / CLIP_APART) + 1), 0);
  const lampParts = rows.map((row): RigPart & { kilograms: number } => {
    const pieces = piecesOf(row, rig, area);
    if (row.form === 'strip') {
      const metres = pieces.reduce((sum, p) => sum + p.to - p.from, 0) / 1000;
      return {
        name: `${row.name}: ${lampWords(row)}`,
        count: metres,
        unit: 'm',
        price: metres * row.price,
        kilograms: lampKilograms.strip * metres,
      };
    }
    const count =
      row.form === 'spot'
        ? spotsOf(row, rig, area).length
        : pieces.reduce((sum, p) => sum + Math.round((p.to - p.from) / row.pieceMillimetres), 0);
    return {
      name: `${row.name}: ${lampWords(row)}`,
      count,
      unit: 'pieces',
      price: count * row.price,
      kilograms: lampKilograms[row.form] * count,
    };
  });
  const screws = 4 * posts + 2 * clips;
  // Rows dimmed alike hang on one dimmer.
  const dimmers = new Set(rows.map((r) => r.level).filter((level) => level < 1)).size;
  const converters = new Set(rows.filter((r) => r.converter).map((r) => r.volts)).size;
  const wire = feedWires[rig.supply.wire];
  const metres = feedMetres(rig, area);
  const power = powerOf(layout, rig);
  const fuses = [
    power?.guard.by === 'fuse' && { of: power.guard.amps, count: 1, where: 'at the supply' },
    typeof power?.moduleFuseAmps === 'number' && {
      of: power.moduleFuseAmps,
      count: modules,
      where: 'one a module',
    },
  ].flatMap((f): RigPart[] =>
    f
      ? [
          {
            name: `Fuse holders with quick fuses of ${formatQuantity(f.of, 'amp')}, ${f.where}`,
            count: f.count,
            unit: 'pieces',
            price: f.count * PRICES.fuse,
          },
        ]
      : [],
  );
  const all: RigPart[] = [
    ...lampParts.map(({ kilograms, ...p }) => {
      void kilograms;
      return p;
    }),
    ...cuts.map((c): RigPart => {
      const channel = Object.values(channels).find((x) => x.name === c.of);
      const perMetre = channel?.metrePrice ?? TIMBER.metrePrice;
      return {
        name: `${c.of}, lengths of ${c.sold} mm`,
        count: c.lengths.length,
        unit: 'pieces',
        price: (c.lengths.length * c.sold * perMetre) / 1000,
      };
    }),
    {
      name: 'Brackets, post to board and post to arm',
      count: 2 * posts,
      unit: 'pieces',
      price: 2 * posts * PRICES.bracket,
    },
    ...(clips > 0
      ? [{ name: 'Clips for channel', count: clips, unit: 'pieces' as const, price: clips * PRICES.clip }]
      : []),
    { name: 'Wood screws 3.5 × 16 mm', count: screws, unit: 'pieces', price: screws * PRICES.screw },
    ...(modules > 1
      ? [
          {
            name: `Plugs and sockets of ${formatQuantity(rig.supply.plugAmps, 'amp')}, from module to module`,
            count: modules - 1,
            unit: 'pieces' as const,
            price: (modules - 1) * PRICES.plug,
          },
        ]
      : []),
    ...fuses,
    ...(metres > 0
      ? [
          {
            name: `Feed wire ${wire.name}, half of it red`,
            count: metres,
            unit: 'm' as const,
            price: metres * wire.metrePrice,
          },
        ]
      : []),
    ...(dimmers > 0
      ? [
          {
            name:
              rig.dimming.kind === 'pulse-width'
                ? `Dimmers, pulses of ${formatQuantity(rig.dimming.hertz, 'hertz')} or quicker`
                : 'Dimmers',
            count: dimmers,
            unit: 'pieces' as const,
            price: dimmers * PRICES.dimmer,
          },
        ]
      : []),
    ...(converters > 0
      ? [
          {
            name: `Step-down converters from ${formatQuantity(rig.supply.volts, 'volt')}`,
            count: converters,
            unit: 'pieces' as const,
            price: converters * PRICES.converter,
          },
        ]
      : []),
  ];
  const parts = all.map((p) => ({ ...p, price: round(p.price) }));
  const channelKilograms = channelled.reduce(
    (sum, c) => sum + (channels[c.row.channel].kilogramsPerMetre * c.length) / 1000,
    0,
  );
  const kilograms =
    timberMetres * TIMBER.kilogramsPerMetre +
    channelKilograms +
    lampParts.reduce((sum, p) => sum + p.kilograms, 0) +
    2 * posts * BRACKET_KILOGRAMS;
  const metal = names.length > 0;
  return {
    parts,
    cuts,
    kilograms,
    kilogramsPerPost: kilograms / posts,
    posts,
    clipMillimetres: CLIP_APART,
    pilotMillimetres: PILOT_MILLIMETRES,
    steps: [
      `Saw the timber by the cut list; drill ${PILOT_MILLIMETRES} mm pilot holes wherever a screw comes within 30 mm of an end.`,
      ...(metal
        ? ['Saw the channel with eye protection on, and file its ends: chips of aluminium fly.']
        : []),
      `Screw ${posts} posts to the back of the boards, then an arm to each, then the beams.`,
      ...(metal ? [`Clips every ${CLIP_APART} mm; press the channel in.`] : []),
      'Degrease, then stick the strip in: cut only at its marks, and prove each piece before it goes up.',
      ...(modules > 1
        ? [
            `It comes apart into ${modules} modules: a plug and two screws at each joint; mark both sides with the same letter.`,
          ]
        : []),
      ...(rig.fascia ? ['The fascia goes on last, hooked over, so that a hand reaches the rows.'] : []),
    ],
    price: round(parts.reduce((sum, p) => sum + p.price, 0)),
  };
}
