import { usualRunning } from '../usual-running';
import { legends } from '../wire-legend';
import { entries, isPlain, jobsNext, mapped, type Plain } from './plain';

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
export function toFifth(old: Plain): Plain {
  const testers = entries(old.jobs).flatMap(([, job]) => (isPlain(job.tester) ? [job.tester] : []));
  return {
    ...old,
    version: 5,
    drawer: isPlain(old.drawer)
      ? { tester: { volts: 9, ohms: 1000, ...testers[0] }, ...old.drawer }
      : old.drawer,
    jobs: jobsNext(old, jobFifth),
  };
}
