import { bulbs } from '../part/bulb';
import { chainOf, putStage, stageOf, takeStage } from './line-stages';
import type { JobCore } from './job-record';
import type { CircuitRecord, LineRecord, StageKind, StageOf } from './wiring-record';

/** The stages that make a way of wiring what it is, with the figures they begin with. */
type Stages = { readonly [K in StageKind]?: Omit<StageOf<K>, 'kind' | 'order'> };

/** A way to wire lamps, by the name people know it by. */
export interface Preset {
  readonly id: string;
  readonly name: string;
  /** In one sentence: what it is and what it costs. */
  readonly says: string;
  /** Where it makes sense. */
  readonly on: readonly ('track' | 'output')[];
  readonly circuit: Pick<CircuitRecord, 'limit' | 'senses'> & { readonly inSeries?: number };
  /** Built once for each way its lamps shine. */
  readonly eachWay?: boolean;
  readonly stages?: Stages;
  /** What its lamps are, where that tells it from another one wired alike. */
  readonly lamps?: 'two-colour' | 'bulb';
}

/** As many in a row as there are. */
export const ALL_IN_SERIES = 60;
const rectifying: readonly StageKind[] = ['bridge', 'diode', 'regulator', 'constant-current'];
const shine = 'as-they-shine';

/**
 * Every way to wire a circuit that has a name. Low-dropout boards take some 0.3 V (typical, from
 * memory). A new one is an entry more.
 */
export const presets = [
  {
    id: 'two-colour',
    name: 'Two-colour lamps side by side',
    says: 'Two-lead lamps that shine one colour each way, in parallel behind one resistor: all the same way round, or one shines the other colour.',
    on: ['track'],
    circuit: { limit: 'shared', senses: shine },
    lamps: 'two-colour',
  },
  {
    id: 'shared-both-ways',
    name: 'One shared resistor, one colour each way',
    says: 'One resistor in the lead; lamps that lead and lamps that trail lie across one another the other way round. Good while one colour lights at a time.',
    on: ['track'],
    circuit: { limit: 'shared', senses: shine },
  },
  {
    id: 'resistor-each',
    name: 'A resistor each',
    says: 'Every lamp has its own resistor: even light, and each role as bright as wanted. More joints.',
    on: ['track', 'output'],
    circuit: { limit: 'each', senses: shine },
  },
  {
    id: 'bulb',
    name: 'Bulbs, as they were',
    says: 'Filament bulbs straight on the leads; a steering diode lets them shine one way only.',
    on: ['track', 'output'],
    circuit: { limit: 'none', senses: shine },
    lamps: 'bulb',
  },
  {
    id: 'ready-wired',
    name: 'Lamps that came with their resistor',
    says: 'Sold as 12 V lamps: straight onto the leads, each the right way round. On more volts they take more current.',
    on: ['track', 'output'],
    circuit: { limit: 'none', senses: shine },
  },
  {
    id: 'regulated-board',
    name: 'Board with its own regulator',
    says: 'Begins to show a little later than a plain resistor, and is fully lit soon after: from a volt or so above its output on. Each direction has its own diode and regulator; lamps keep a resistor each.',
    on: ['track'],
    circuit: { limit: 'each', senses: shine },
    eachWay: true,
    stages: {
      diode: { diode: 'schottky' },
      regulator: { outVolts: 5, dropoutVolts: 0.3, quiescentAmps: 0.0005 },
    },
  },
  {
    id: 'constant-current-board',
    name: 'Board that holds the current',
    says: 'The same light from some volts above its lamps on, whatever the throttle does. Each direction has its own diode and board; the lamps need no resistor.',
    on: ['track'],
    circuit: { limit: 'none', senses: shine },
    eachWay: true,
    stages: { diode: { diode: 'schottky' }, 'constant-current': { amps: 0.01 } },
  },
  {
    id: 'own-bridge',
    name: 'A small bridge of its own',
    says: 'Shines whichever way it runs, and may have a reservoir: only behind a bridge does the plus side stay plus.',
    on: ['track'],
    circuit: { limit: 'each', senses: 'alike' },
    stages: { bridge: { diode: 'silicon', loose: false } },
  },
  {
    id: 'back-to-back',
    name: 'A pair back to back, shining both ways',
    says: 'Two like lamps the other way round behind one resistor: one of them shines whichever way it runs.',
    on: ['track'],
    circuit: { limit: 'shared', senses: 'in-turn' },
  },
  {
    id: 'one-resistor',
    name: 'One resistor for all',
    says: 'Lamps of one colour in parallel behind one resistor. Fewest joints; two colours must not share one.',
    on: ['output'],
    circuit: { limit: 'shared', senses: shine },
  },
  {
    id: 'in-series',
    name: 'In series behind one resistor',
    says: 'One after another: the same current in each, half the current in all. Needs the volts of all of them.',
    on: ['track', 'output'],
    circuit: { limit: 'each', senses: shine, inSeries: ALL_IN_SERIES },
  },
] as const satisfies readonly Preset[];
export type PresetName = (typeof presets)[number]['id'];

export const presetOf = (id: PresetName): Preset => presets.find((p) => p.id === id)!;

/** Which resistors a way of wiring takes. */
export const resistorsOf = ({ limit }: Pick<CircuitRecord, 'limit'>): 'each' | 'shared' | 'none' =>
  limit === 'limiter' ? 'none' : limit;

type Wired = Pick<JobCore, 'lines' | 'circuits' | 'lamps'>;
const inRow = (inSeries: number | undefined): boolean => (inSeries ?? 1) > 1;

/** The name of the way a circuit is wired; null where it is nobody's. */
export function presetNameOf(job: Wired, circuitId: string): PresetName | null {
  const circuit = job.circuits[circuitId];
  const line = job.lines[circuit.lineId];
  const [root] = chainOf(job, circuit.lineId);
  const on = root.from.kind === 'output' ? 'output' : 'track';
  const own = Object.values(job.lamps).filter((l) => l.circuitId === circuitId);
  const found = (presets as readonly Preset[]).find(
    (p) =>
      p.on.includes(on) &&
      p.circuit.limit === circuit.limit &&
      (on === 'output' || p.circuit.senses === circuit.senses) &&
      inRow(p.circuit.inSeries) === inRow(circuit.inSeries) &&
      (p.eachWay ?? false) === line.eachWay &&
      rectifying.every((k) => (p.stages?.[k] !== undefined) === (stageOf(line, k) !== null)) &&
      (p.lamps !== 'two-colour' || own.some((l) => l.secondPart !== null)) &&
      (p.lamps !== 'bulb' || own.some((l) => Object.hasOwn(bulbs, l.part))),
  );
  return (found?.id as PresetName | undefined) ?? null;
}

/** Wires a circuit, and the line that is its own, by a name; a reservoir stays where it can. */
export function wireBy(line: LineRecord, circuit: CircuitRecord, name: PresetName): void {
  const preset = presetOf(name);
  Object.assign(circuit, { inSeries: 1, ...preset.circuit });
  line.eachWay = preset.eachWay ?? false;
  for (const kind of rectifying) {
    const figures = preset.stages?.[kind];
    if (!figures) takeStage(line, kind);
    else if (!stageOf(line, kind)) putStage(line, kind, figures);
  }
  if (!preset.stages) for (const kind of ['charge', 'reservoir'] as const) takeStage(line, kind);
}
