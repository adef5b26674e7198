import { scales, type ScaleName } from '../quantity/scale';
import { patched, patchesBetween } from './patch';
import { usualFit } from '../kinds/coach/usual-fit';
import { usualInterior } from '../kinds/coach/usual-interior';
import { legends } from './wire-legend';

type Plain = Record<string, unknown>;
const entries = (value: unknown): [string, Plain][] =>
  typeof value === 'object' && value !== null
    ? Object.entries(value as Plain).filter(
        (e): e is [string, Plain] => typeof e[1] === 'object' && e[1] !== null,
      )
    : [];
const mapped = (value: unknown, change: (entry: Plain) => Plain): unknown =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
    ? { ...(value as Plain), ...Object.fromEntries(entries(value).map(([id, e]) => [id, change(e)])) }
    : value;

/** Shares of a coach's length from axle to axle of a truck, and between its outermost wheels (common practice, no source). */
export const TRUCK_BASE_SHARE = 0.11;
export const ALL_AXLES_BASE_SHARE = 0.74;
/** Share of a locomotive's length between its outermost wheels (common practice, no source). */
const ENGINE_BASE_SHARE = 0.65;

/** How a locomotive commonly collects, from its length and axles, and what it rides over. */
export const usualRunning = (lengthMillimetres: number, axles: number) => ({
  pickups: {
    kind: 'wipers' as const,
    axles: 'all' as const,
    wheelsPerRail: Math.max(1, Math.min(12, axles)),
    baseMillimetres: Math.round(Math.min(1500, lengthMillimetres * ENGINE_BASE_SHARE)),
  },
  ride: { deadMillimetres: 0, kilometresPerHour: 40 },
});

/** Version 2: more supplies and drives, tints, pickups, legends, variants, a drawer. What was there before is what it was. */
function toSecond(old: Plain): Plain {
  return {
    ...old,
    version: 2,
    drawer: old.drawer ?? { resistors: {}, reservoirs: {}, lamps: {} },
    jobs: mapped(old.jobs, (job) => {
      const dimensions = job.dimensions as Plain | undefined;
      const length = Number(dimensions?.lengthMillimetres) || 0;
      return {
        legend: { ...legends.decoder },
        pickups: {
          kind: 'wipers',
          axles: 'one-truck',
          wheelsPerRail: 2,
          baseMillimetres: Math.round(length * TRUCK_BASE_SHARE),
        },
        ride: { deadMillimetres: 0, kilometresPerHour: 40 },
        oldBulbs: null,
        variants: {},
        ...job,
        conditioning:
          typeof job.conditioning === 'object' && job.conditioning !== null
            ? { chargeDiode: false, regulator: null, ...job.conditioning }
            : job.conditioning,
        groups: mapped(job.groups, (group) => ({
          inSeries: 1,
          limiterAmps: 0.02,
          builtIn: { kind: 'nothing' },
          ...group,
        })),
        lamps: mapped(job.lamps, (lamp) => ({ tint: 'none', ...lamp })),
      };
    }),
  };
}

/**
 * Version 3: the inside of a coach, where lamps hang across it, switches of groups, trains. A coach
 * of before had one room with its lamps on the centre line; so it still has, at the same height.
 */
function toThird(old: Plain): Plain {
  const scale = Object.hasOwn(scales, String(old.scale)) ? (old.scale as ScaleName) : 'H0';
  return {
    ...old,
    version: 3,
    trains: old.trains ?? {},
    jobs: mapped(old.jobs, (job) => {
      if (typeof job.dimensions !== 'object' || job.dimensions === null) return job;
      const { lampDropMillimetres, ...dimensions } = job.dimensions as Record<string, number>;
      const usual = usualInterior('bare', dimensions as never, scale);
      const seat = Math.max(
        0.5,
        Math.min(usual.seatMillimetres, dimensions.bodyHeightMillimetres - lampDropMillimetres - 2),
      );
      const below = 1;
      const interior = {
        ...usual,
        seatMillimetres: seat,
        lampsBelowCeilingMillimetres: below,
        ceilingMillimetres: seat + lampDropMillimetres + below,
      };
      const ceilingFor = (drop: unknown): number => seat + Number(drop) + below;
      return {
        interior,
        fit: usualFit(),
        ...job,
        dimensions,
        groups: mapped(job.groups, groupThird),
        lamps: mapped(job.lamps, lampThird),
        variants: mapped(job.variants, (variant) => ({
          ...variant,
          patches: Array.isArray(variant.patches)
            ? variant.patches.map((patch: Plain) => patchThird(patch, ceilingFor))
            : variant.patches,
        })),
      };
    }),
  };
}

const groupThird = (group: Plain): Plain => ({ name: 'Roof', switch: null, ...group });
const lampThird = (lamp: Plain): Plain => ({ acrossMillimetres: 0, aimDegrees: 0, role: 'room', ...lamp });

/** What a variant puts in place of a lamp, a group or the height of the lamps, as version 3 has it. */
function patchThird(patch: Plain, ceilingFor: (drop: unknown) => number): Plain {
  const path = Array.isArray(patch.path) ? (patch.path as unknown[]) : [];
  const third = { lamps: lampThird, groups: groupThird }[String(path[2])];
  const whole = typeof patch.value === 'object' && patch.value !== null;
  if (third && whole && path.length === 3) return { ...patch, value: mapped(patch.value, third) };
  if (third && whole && path.length === 4) return { ...patch, value: third(patch.value as Plain) };
  if (path[2] === 'dimensions' && path[3] === 'lampDropMillimetres') {
    return {
      ...patch,
      path: [path[0], path[1], 'interior', 'ceilingMillimetres'],
      value: ceilingFor(patch.value),
    };
  }
  return patch;
}

/** Version 4: locomotives beside coaches, and lamp sets for them. Nothing of a coach differs. */
const toFourth = (old: Plain): Plain => ({ lampSets: {}, ...old, version: 4 });

/** The stages a coach's supply, rectifier and reservoir became, in their order. */
function coachStages(conditioning: Plain): Plain {
  const { rectifier, chargeResistor, chargeDiode, reservoir, regulator } = conditioning;
  const word = String(rectifier);
  const diode = word.includes('schottky') ? 'schottky' : 'silicon';
  const stages: Plain = {};
  if (word.startsWith('half-wave')) stages.diode = { order: 5, kind: 'diode', diode };
  else if (word !== 'none')
    stages.bridge = { order: 4, kind: 'bridge', diode, loose: word.endsWith('diodes') };
  if (isPlain(chargeResistor))
    stages.charge = { ...chargeResistor, order: 6, kind: 'charge', beside: chargeDiode === true };
  if (isPlain(reservoir)) stages.reservoir = { ...reservoir, order: 7, kind: 'reservoir' };
  if (isPlain(regulator)) stages.regulator = { ...regulator, order: 8, kind: 'regulator' };
  return stages;
}

const isPlain = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const lineFifth = (order: unknown, name: unknown, from: Plain, stages: Plain): Plain => ({
  order,
  name,
  from,
  swapped: false,
  eachWay: false,
  stages,
});

const limits: Readonly<Record<string, string>> = { 'resistor-each': 'each', 'resistor-shared': 'shared' };

function coachFifth(job: Plain): Plain {
  const { conditioning, groups, ...rest } = job;
  if (!isPlain(conditioning) || !isPlain(groups)) return job;
  const roof = { kind: 'supply', tap: 'pickups' };
  const lines: Plain = { roof: lineFifth(1, 'Roof', roof, coachStages(conditioning)) };
  const circuits: Plain = {};
  for (const [id, group] of entries(groups)) {
    const { drive, builtIn, switch: own, ...kept } = group;
    void builtIn;
    const lineId = isPlain(own) ? (id === 'roof' ? 'roof-switched' : id) : 'roof';
    if (isPlain(own))
      lines[lineId] = lineFifth(
        Number(group.order) + 1,
        group.name,
        { kind: 'line', line: 'roof' },
        {
          switch: { order: 1, kind: 'switch', name: 'Switch of these lamps', lead: 'first', ...own },
        },
      );
    circuits[id] = {
      ...kept,
      lineId,
      limit: limits[String(drive)] ?? drive,
      senses: 'alike',
      swapped: false,
    };
  }
  return {
    decoder: null,
    ...rest,
    lines,
    circuits,
    lamps: mapped(job.lamps, ({ groupId, ...lamp }) => ({
      secondPart: null,
      ohms: null,
      builtIn: (typeof groupId === 'string' && isPlain(groups[groupId])
        ? (groups[groupId] as Plain).builtIn
        : undefined) ?? { kind: 'nothing' },
      reversed: false,
      ...lamp,
      circuitId: groupId,
    })),
  };
}

/** How each of the former topologies limits its lamps and which way they lie. */
const topologyFifth: Readonly<Record<string, Plain>> = {
  'shared-both-ways': { limit: 'shared' },
  'two-colour': { limit: 'shared' },
  'resistor-each': { limit: 'each' },
  'ready-wired': { limit: 'none' },
  bulb: { limit: 'none' },
  'regulated-board': { limit: 'each' },
  'own-bridge': { limit: 'each', senses: 'alike' },
  'back-to-back': { limit: 'shared', senses: 'in-turn' },
  'one-resistor': { limit: 'shared' },
  'in-series': { limit: 'each', inSeries: 60 },
};

function locomotiveFifth(job: Plain): Plain {
  const { tester, ...rest } = job;
  void tester;
  if (!isPlain(job.circuits)) return job;
  const lines: Plain = {};
  const circuits: Plain = {};
  for (const [id, circuit] of entries(job.circuits)) {
    const {
      topology,
      feed,
      steering,
      leadsSwapped,
      switch: own,
      reservoir,
      regulatedVolts,
      ...kept
    } = circuit;
    const stages: Plain = {};
    if (isPlain(own)) stages.switch = { order: 1, kind: 'switch', lead: 'first', ...own };
    if (steering !== 'none') {
      const first = entries(job.lamps)
        .filter(([, l]) => l.circuitId === id)
        .sort(([, a], [, b]) => Number(a.order) - Number(b.order))[0]?.[1];
      stages.steering = {
        order: 3,
        kind: 'steering',
        left: steering,
        lets: first?.end === 'B' ? 'second' : 'first',
      };
    }
    const board = topology === 'regulated-board';
    if (topology === 'own-bridge')
      stages.bridge = { order: 4, kind: 'bridge', diode: 'silicon', loose: false };
    if (board) stages.diode = { order: 5, kind: 'diode', diode: 'silicon' };
    // Elsewhere a reservoir was kept and never built: the plus side does not stay plus there.
    if (isPlain(reservoir) && (board || topology === 'own-bridge'))
      stages.reservoir = { ...reservoir, order: 7, kind: 'reservoir' };
    if (board)
      stages.regulator = {
        order: 8,
        kind: 'regulator',
        outVolts: regulatedVolts,
        dropoutVolts: 1.2,
        quiescentAmps: 0.002,
      };
    const from = isPlain(feed) && feed.kind === 'track' ? { ...feed, kind: 'supply' } : (feed as Plain);
    lines[id] = {
      ...lineFifth(circuit.order, circuit.name, from, stages),
      swapped: leadsSwapped,
      eachWay: board,
    };
    circuits[id] = {
      limiterAmps: 0.01,
      inSeries: 1,
      senses: 'as-they-shine',
      swapped: false,
      ...kept,
      ...topologyFifth[String(topology)],
      lineId: id,
    };
  }
  const length = Number((job.body as Plain | undefined)?.lengthMillimetres) || 0;
  return {
    legend: { ...legends.decoder },
    variants: {},
    ...usualRunning(length, Number((job.body as Plain | undefined)?.axles) || 4),
    ...rest,
    lines,
    circuits,
    lamps: mapped(job.lamps, ({ builtInOhms, ...lamp }) => ({
      builtIn:
        Number(builtInOhms) > 0
          ? { kind: 'resistor', ohms: Math.max(0.1, Number(builtInOhms)) }
          : { kind: 'nothing' },
      ...lamp,
    })),
  };
}

/** The kinds that files of version 4 know. */
const fifths = new Map([
  ['coach', coachFifth],
  ['locomotive', locomotiveFifth],
]);
const jobFifth = (job: Plain): Plain => fifths.get(String(job.kind))?.(job) ?? job;

/**
 * Version 5: one record of wiring for every kind of job: lines of stages, and circuits on them; the
 * tester lies in the drawer. Variants are carried over by what they make of the job, not by their paths.
 */
function toFifth(old: Plain): Plain {
  const testers = entries(old.jobs).flatMap(([, job]) => (isPlain(job.tester) ? [job.tester] : []));
  const jobs = isPlain(old.jobs) ? old.jobs : {};
  return {
    ...old,
    version: 5,
    drawer: isPlain(old.drawer)
      ? { tester: { volts: 9, ohms: 1000, ...testers[0] }, ...old.drawer }
      : old.drawer,
    jobs: isPlain(old.jobs)
      ? Object.fromEntries(
          Object.entries(jobs).map(([id, job]) => [id, isPlain(job) ? withVariants(old, id, job) : job]),
        )
      : old.jobs,
  };
}

/** A job of version 5 with its variants: what each of them made of the old job, as what differs from the new one. */
function withVariants(old: Plain, id: string, job: Plain): Plain {
  const now = jobFifth(job);
  if (!isPlain(job.variants)) return now;
  const { variants: mine, ...base } = now;
  void mine;
  return {
    ...now,
    variants: mapped(job.variants, (variant) => {
      try {
        const made = patched(old as never, variant.patches as never) as unknown as Plain;
        const { variants, ...then } = jobFifth((made.jobs as Plain)[id] as Plain);
        void variants;
        return { ...variant, patches: patchesBetween(base, then, ['jobs', id]) };
      } catch {
        // What it was about had gone before; choosing it says so.
        return variant;
      }
    }),
  };
}

/** How a file of version N becomes one of version N + 1, by N. */
export const migrations: Readonly<Record<number, (old: Plain) => Plain>> = {
  1: toSecond,
  2: toThird,
  3: toFourth,
  4: toFifth,
};

/**
 * Brings a value of some version up to date, step by step; what it is not sure of it leaves for the
 * check that follows.
 */
export function migrated(value: Plain, version: number): Plain {
  let at = value;
  for (let v = version; Object.hasOwn(migrations, v); v++) at = migrations[v](at);
  return at;
}
