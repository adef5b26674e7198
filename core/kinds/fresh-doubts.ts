import { driverOf, type Driven } from '../document/aspect-record';
import { decoderTypeOf } from '../document/decoder-record';
import { inOrder } from '../document/in-order';
import { stageOf } from '../document/line-stages';
import { lampType } from '../document/lamp-type';
import { isHead, isTail } from '../document/lamp-roles';
import { FAINT_LIGHTNESS } from '../light/lamp-light';
import { hasCommon, plugs } from '../part/plug';
import { cellLifeStudy } from '../study/cell-life';
import { FEW_HOURS } from '../finding/cell-hours';
import { motorOf } from '../document/moving-record';
import { motorStrain } from '../finding/moving/motor-volts';
import { kindOf } from '.';
import { solvedCoach } from './coach/solved-coach';
import { missOf } from './coach/wanted-miss';
import { shinesOf } from './shines';
import { bulbs } from '../part/bulb';
import { cellTypes } from '../part/cell';
import { lumensAt, type LedPart } from '../part/led';
import { formatQuantity } from '../quantity/format';
import { askedOf, outputOf } from '../study/aspects';
import { benchOf } from '../study/bench';
import { longLifeAmps } from '../study/seen-amps';
import { solvedJob } from '../study/solved-job';
import { trimmerTravel } from '../study/trimmer-travel';
import { LOADED_SHARE, supplyKind } from '../supply';
import { driverKind } from '../supply/drivers';
import { litVolts } from '../supply/drivers/driver-kind';
import { CircuitError } from '../circuit/error';
import type { AnyJob } from './records';
import type { LampCore } from '../document/lamp-record';
import type { Layout } from '../document/layout';

/** Why something that is chosen cannot be had as one would wish: said where it is chosen, before it is made. */
export interface Doubt {
  readonly id: string;
  /** One plain sentence with its figure, and what to choose instead. */
  readonly says: string;
  /** Rules whose findings follow from it. */
  readonly explains: readonly string[];
}

/** Left over a lamp for anything to limit it by, as a share of what it takes. */
const ROOM_SHARE = 0.02;
const BRIDGE_VOLTS = 1.4;
const volts = (v: number): string => formatQuantity(v, 'volt', { significant: 2 });
const amps = (a: number): string => formatQuantity(a, 'amp', { significant: 2 });

/** The volts that reach the lamps of a job at the most, behind what rectifies them and what drives them. */
function reaching(layout: Layout, job: AnyJob): number {
  const supply = layout.supplies[job.supplyId];
  const kind = supplyKind(supply);
  const driver = driverOf(job);
  const own = driver ? litVolts(driverKind(driver).build(driver)) : null;
  const rectified =
    kind.changesSides ||
    driver?.feed.bridge === true ||
    Object.values(job.lines).some((l) => stageOf(l, 'bridge'));
  const left = kind.highestVolts(supply) - (rectified ? BRIDGE_VOLTS : 0);
  return own === null ? left : Math.min(own, left);
}

const ledsOf = (layout: Layout, job: AnyJob): Map<string, LedPart> =>
  new Map(
    Object.values<LampCore>(job.lamps).flatMap((l) =>
      Object.hasOwn(bulbs, l.part) ? [] : [[l.part, lampType(layout, l.part)] as const],
    ),
  );

/** More volts are wanted than there are. */
function tooFewVolts(layout: Layout, job: AnyJob): Doubt[] {
  const there = reaching(layout, job);
  return [...ledsOf(layout, job).values()].flatMap((led) => {
    const wants = led.inSeries * led.forwardVolts * (1 + ROOM_SHARE);
    if (there >= wants) return [];
    return [
      {
        id: `volts ${led.id}`,
        says: `${led.name} wants ${volts(wants)} to light; ${layout.supplies[job.supplyId].name} leaves ${volts(there)} for it. Choose another lamp, or a supply of more volts.`,
        explains: [
          'never-lit',
          'trimmer-travel',
          'faint',
          'aspect-dark',
          'aspects-alike',
          'end-dark',
          'aspects-uneven',
          'cell-hours',
          'no-answer',
        ],
      },
    ];
  });
}

/** A lamp so weak, or one of so many on a small limit, that it is hardly seen with all it may have. */
function tooLittleLight(layout: Layout, jobId: string): Doubt[] {
  const job = layout.jobs[jobId];
  const { readings } = solvedJob(layout, jobId);
  const supply = layout.supplies[job.supplyId];
  const share = (LOADED_SHARE * supplyKind(supply).limit(supply).amps) / Object.keys(job.lamps).length;
  const view = shinesOf(job.kind);
  const seen = new Set<string>();
  return Object.entries<LampCore>(job.lamps).flatMap(([lampId, lamp]): Doubt[] => {
    if (Object.hasOwn(bulbs, lamp.part) || seen.has(lamp.part)) return [];
    const led = lampType(layout, lamp.part);
    const most = Math.min(longLifeAmps(led), share);
    const lightness = view.lightness(job, { lampId, led, litAmps: most, lumens: lumensAt(led, most) });
    const now = readings?.dies.find((d) => d.lampId === lampId)?.lightness ?? 0;
    if (lightness >= SPARE * FAINT_LIGHTNESS || now >= FAINT_LIGHTNESS) return [];
    seen.add(lamp.part);
    return [
      {
        id: `light ${led.id}`,
        says: `With the ${amps(most)} that each may have, ${led.name} is hardly seen in a dark room. Choose a brighter lamp${share < longLifeAmps(led) ? ', fewer of them,' : ''} or a supply that gives more.`,
        explains: ['never-lit', 'faint', 'aspect-dark', 'trimmer-travel', 'dark-gap'],
      },
    ];
  });
}
/** Spread of parts and walls for which a lamp that is just seen may not be. */
const SPARE = 1.1;

/** What drives the aspects cannot show them, or has too few outputs, or switches the other side. */
function driverCannot(job: AnyJob): Doubt[] {
  const driver = driverOf(job);
  if (!driver) return [];
  const driven = job as unknown as Driven;
  const kind = driverKind(driver);
  const { outputs, switches } = kind.build(driver);
  const doubts: Doubt[] = [];
  const follow = [
    'aspect-not-shown',
    'aspect-strays',
    'aspects-alike',
    'aspect-dark',
    'loose-lead',
    'never-lit',
    'flashes-harm',
    'reverse-voltage',
  ];
  for (const aspect of inOrder(driven.aspects)) {
    const why = kind.cannot(driver, askedOf(job, aspect));
    if (why === null) continue;
    doubts.push({
      id: 'driver',
      says: `${kind.name} cannot show ${aspect.name}: ${why}. Choose what can.`,
      explains: follow,
    });
    break;
  }
  const loose = Object.values<LampCore>(job.lamps).filter((l) => l.circuitId === null).length;
  if (loose > 0)
    doubts.push({
      id: 'outputs',
      says: `${kind.name} has ${outputs.length} ${outputs.length === 1 ? 'output' : 'outputs'}: ${loose} of ${Object.keys(job.lamps).length} lamps find none. Choose what has more.`,
      explains: follow,
    });
  if (!outputs.some((o) => o.between) && (switches === 'minus') !== (driven.common === 'anode'))
    doubts.push({
      id: 'common',
      says: `${kind.name} switches ${switches}, so its lamps share ${switches === 'minus' ? 'plus' : 'minus'}. Choose a head with common ${switches === 'minus' ? 'plus' : 'minus'}.`,
      explains: [
        'common-side',
        'never-lit',
        'aspect-dark',
        'reverse-voltage',
        'flasher-starts',
        'aspects-alike',
      ],
    });
  return doubts;
}

/** A decoder without outputs enough, or none where the track does not tell the direction. */
function direction(layout: Layout, job: AnyJob): Doubt[] {
  if (!kindOf(job.kind).heads) return [];
  const supply = layout.supplies[job.supplyId];
  const roles = Object.values(job.lamps).flatMap((l) =>
    'role' in l && typeof l.role === 'string' ? [l.role] : [],
  );
  const telling = roles.some((r) => isHead(r as never) || isTail(r as never));
  if (job.decoder) {
    const { name, outputs } = decoderTypeOf(job.decoder);
    const loose = Object.values<LampCore>(job.lamps).filter((l) => l.circuitId === null).length;
    const doubts: Doubt[] = [];
    if (loose > 0)
      doubts.push({
        id: 'outputs',
        says: `${name} brings out ${outputs.length} outputs by this plug: ${loose} of ${roles.length} lamps find none. Choose a plug with more, or fewer lamps.`,
        explains: ['loose-lead', 'end-dark', 'not-in-mapping', 'never-lit'],
      });
    if (supply.kind === 'dc-track' && !hasCommon(plugs[job.decoder.plug]))
      doubts.push({
        id: 'no-common',
        says: 'Its plug has no common: the lamps return to a rail, and on DC they stay dark one way. Choose a plug with a common, or the rails.',
        explains: ['end-dark', 'never-lit', 'reverse-voltage'],
      });
    if (supply.kind === 'ac-track')
      doubts.push({
        id: 'ac-decoder',
        says: 'On AC, lamps on a decoder without a reservoir follow the mains and flicker 100 times a second.',
        explains: ['flicker'],
      });
    return doubts;
  }
  if (!telling || supply.kind === 'dc-track') return [];
  return [
    {
      id: 'direction',
      says: `On ${supplyKind(supply).name} the rails do not tell the direction: lamps wired by it all shine at once. Choose a decoder.`,
      explains: [
        'dc-on-dcc',
        'faint',
        'reverse-voltage',
        'flicker',
        'end-dark',
        'never-lit',
        'steady-both',
        'second-colour-dark',
        'lamp-current',
        'resistor-heat',
        'bulb-volts',
        'uneven-role',
      ],
    },
  ];
}

/** Lamps straight behind contacts on what swings. */
function swings(layout: Layout, job: AnyJob): Doubt[] {
  const supply = layout.supplies[job.supplyId];
  if (driverOf(job)?.kind !== 'contacts' || !supplyKind(supply).changesSides) return [];
  return [
    {
      id: 'swings',
      says: `Contacts pass ${supplyKind(supply).name} on as it is: lamps behind them flicker, and stand backwards half of the time. Choose a DC supply.`,
      explains: ['flicker', 'reverse-voltage', 'aspect-dark', 'never-lit'],
    },
  ];
}

/** A cell that is asked for more than it gives for long, or for hours. */
function cell(layout: Layout, jobId: string): Doubt[] {
  const supply = layout.supplies[layout.jobs[jobId].supplyId];
  if (supply.kind !== 'cell') return [];
  const type = cellTypes[supply.cell];
  const drawn = solvedJob(layout, jobId).readings?.supplyAmps.mean ?? 0;
  const life = cellLifeStudy(benchOf(layout, jobId));
  const hours = life ? (life.moments[0] ?? life.lastHours) : Infinity;
  if (drawn <= type.steadyAmps && hours >= FEW_HOURS) return [];
  return [
    {
      id: 'cell',
      says: `It draws ${amps(drawn)}: after ${Number(hours.toPrecision(2))} h the light has fallen to half, and for long the cell gives ${amps(type.steadyAmps)}. Choose less light, fewer lamps or larger cells.`,
      explains: ['cell-load', 'cell-hours', 'show-hours', 'supply-overload'],
    },
  ];
}

/** An address lights one of its two lamps whatever is asked. */
function pairs(job: AnyJob): Doubt[] {
  const driver = driverOf(job);
  if (driver?.kind !== 'accessory-pairs' && driver?.kind !== 'accessory-reversing') return [];
  const lamped = new Set(Object.keys(job.lamps).map((id) => outputOf(job, id)));
  for (const aspect of inOrder((job as unknown as Driven).aspects)) {
    const asked = askedOf(job, aspect);
    for (let n = 1; n < 16; n += 2) {
      const pair = [`out${n}`, `out${n + 1}`] as const;
      if (!pair.every((o) => lamped.has(o)) || pair.some((o) => asked.has(o as `out${number}`))) continue;
      return [
        {
          id: 'pairs',
          says: `An address lights one of its two lamps at any time: in ${aspect.name} one shines that is not asked for. Choose contacts, a flashing decoder or the pins of a small computer.`,
          explains: ['aspect-strays', 'aspects-alike', 'aspect-dark', 'aspect-not-shown'],
        },
      ];
    }
  }
  return [];
}

/** So little light over so many lamps of a coach that none is seen to glow by itself. */
function spreadThin(layout: Layout, jobId: string): Doubt[] {
  const job = layout.jobs[jobId];
  const { readings } = solvedJob(layout, jobId);
  if (job.kind !== 'coach' || !readings || readings.dies.length === 0) return [];
  if (readings.dies.some((d) => d.lightness >= FAINT_LIGHTNESS)) return [];
  return [
    {
      id: 'spread',
      says: `The light that is wanted is spread over ${readings.dies.length} lamps, with ${amps(readings.dies[0].litAmps)} each: none is seen to glow by itself. Choose more light.`,
      explains: ['never-lit', 'faint'],
    },
  ];
}

/** Fewer lamps, or weaker ones, than the wanted light of a coach takes. */
function lessThanWanted(layout: Layout, jobId: string): Doubt[] {
  if (layout.jobs[jobId].kind !== 'coach') return [];
  const { job, light } = solvedCoach(layout, jobId);
  if (light === null || missOf(job, light.litLux) !== 'less') return [];
  const lux = (figure: number): string => formatQuantity(figure, 'lux', { significant: 2 });
  return [
    {
      id: 'wanted',
      says: `These lamps, and this supply, give ${lux(light.litLux)} at the windows; ${lux(job.wantedLux)} are wanted. Choose more lamps, brighter ones or less light.`,
      explains: ['wanted-light'],
    },
  ];
}

/** A hub made for other lamps or volts: its trimmers work over a small part of their way. */
function trimmers(layout: Layout, jobId: string): Doubt[] {
  const bench = benchOf(layout, jobId);
  if (!bench.assembly.parts.some((p) => p.kind === 'socket')) return [];
  let travels: ReturnType<typeof trimmerTravel>;
  try {
    travels = trimmerTravel(bench);
  } catch (error) {
    // What has no answer is told by its own finding.
    if (error instanceof CircuitError) return [];
    throw error;
  }
  const least = Math.min(...travels.map((t) => Math.max(0, t.flatFrom - (t.darkBelow ?? 1))));
  if (least >= LIVELY_SHARE) return [];
  return [
    {
      id: 'trimmer',
      says: `With these lamps and volts the trimmers of a hub work over ${Math.round(100 * least)} % of their way. Choose another way to join them, or more volts.`,
      explains: ['trimmer-travel', 'never-lit'],
    },
  ];
}
/** Share of its travel under which a trimmer is hard to set (common practice, no source). */
const LIVELY_SHARE = 0.4;

/** A motor that the chosen supply is too much for. */
function motor(layout: Layout, job: AnyJob): Doubt[] {
  const supply = layout.supplies[job.supplyId];
  const strain = motorStrain(job, supply);
  if (!strain) return [];
  const { name, volts } = motorOf(job)!;
  return [
    {
      id: 'motor',
      says: `${name} is made for ${formatQuantity(volts, 'volt')}; ${supplyKind(supply).name} gives ${formatQuantity(strain.volts, 'volt')}${strain.alternates ? ', and its signal burns a motor without a decoder. Feed it on its own.' : '. Choose a motor for more, or feed it on its own.'}`,
      explains: ['motor-volts'],
    },
  ];
}

/**
 * What cannot be had of a job as it is about to be begun, each with its reason.
 * @param layout with the job in it
 */
export function freshDoubts(layout: Layout, jobId: string): Doubt[] {
  const job = layout.jobs[jobId];
  return [
    ...tooFewVolts(layout, job),
    ...tooLittleLight(layout, jobId),
    ...driverCannot(job),
    ...direction(layout, job),
    ...swings(layout, job),
    ...pairs(job),
    ...cell(layout, jobId),
    ...spreadThin(layout, jobId),
    ...lessThanWanted(layout, jobId),
    ...trimmers(layout, jobId),
    ...motor(layout, job),
  ];
}
