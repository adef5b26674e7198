import { CircuitError } from './error';
import { fuse, type Chain } from './fuse';
import { breakdownAnchor, criticalVolts } from './junction';
import { THERMAL_VOLTS } from '../part/junction-model';
import { GROUND, nodesOf, type Element, type Netlist } from './netlist';
import { withOuterResistances } from './transistor';
import { signalOf, type Signal } from './waveform';
import type { ChargeLaw } from './charge-law';
import type { TransistorModel } from '../part/transistor-model';

/** Two-terminal elements of one sort, by column; node indices as in `Plan.nodes`, ground last. */
export interface BranchTable {
  readonly ids: readonly string[];
  readonly a: Int32Array;
  readonly b: Int32Array;
}
export interface SourceTable extends BranchTable {
  readonly signals: readonly Signal[];
}
/** Capacitors and inductors: what remembers. Capacity in farads or henries. */
export interface StateTable extends BranchTable {
  readonly capacity: Float64Array;
  /** Given voltage (capacitor) or current (inductor) at the start; NaN where none was given. */
  readonly initial: Float64Array;
  /** Index of the branch current among the unknowns. */
  readonly branch: Int32Array;
  readonly capacitors: number;
  /** How a capacitor is bent; null where it is not. */
  readonly laws: readonly (ChargeLaw | null)[];
}
/** Chains of junctions; `ids` names the first diode of each. */
export interface JunctionTable extends BranchTable {
  readonly chains: readonly Chain[];
  readonly saturation: Float64Array;
  readonly slope: Float64Array;
  /** Diodes in series, and like chains side by side. */
  readonly count: Float64Array;
  readonly parallel: Float64Array;
  /** Resistance in series with a chain's junctions. */
  readonly seriesOhms: Float64Array;
  readonly critical: Float64Array;
  readonly anchor: Float64Array;
}
export interface LimiterTable extends BranchTable {
  readonly limit: Float64Array;
  readonly knee: Float64Array;
}
/** Linear regulators: input, output and common terminal `c`. */
export interface RegulatorTable extends BranchTable {
  readonly c: Int32Array;
  readonly set: Float64Array;
  readonly dropout: Float64Array;
  readonly alike: Float64Array;
}
/** Bipolar transistors: collector, emitter and base `c`; sign 1 for NPN, -1 for PNP. */
export interface TransistorTable extends BranchTable {
  readonly c: Int32Array;
  readonly sign: Float64Array;
  readonly models: readonly TransistorModel[];
}
export interface SwitchTable extends BranchTable {
  readonly onSiemens: Float64Array;
  readonly offSiemens: Float64Array;
  readonly closed: readonly boolean[];
  readonly toggles: readonly (readonly number[])[];
}

/**
 * A netlist made ready to be solved: unknowns numbered, laws in tables.
 * The unknowns are the node voltages, then the currents of voltage sources (zero-ohm links
 * among them), capacitors and inductors. The index `unknowns` itself stands for ground.
 */
export interface Plan {
  readonly netlist: Netlist;
  /** Nodes that are unknowns; those inside a chain follow from its current. */
  readonly nodes: readonly string[];
  readonly nodeIndex: ReadonlyMap<string, number>;
  readonly unknowns: number;
  readonly resistors: BranchTable & { readonly siemens: Float64Array };
  readonly voltages: SourceTable & { readonly branch: Int32Array };
  readonly currents: SourceTable;
  readonly states: StateTable;
  readonly junctions: JunctionTable;
  readonly limiters: LimiterTable;
  readonly regulators: RegulatorTable;
  readonly transistors: TransistorTable;
  readonly switches: SwitchTable;
}

const positive = (amount: number): boolean => Number.isFinite(amount) && amount > 0;

/** What is wrong with an element's figures, or null. */
function refusal(e: Element): string | null {
  switch (e.kind) {
    case 'resistor':
      return Number.isFinite(e.ohms) && e.ohms >= 0 ? null : `a resistance of ${e.ohms} ohm`;
    case 'capacitor':
      return positive(e.farads) ? null : `a capacitance of ${e.farads} F`;
    case 'inductor':
      return positive(e.henries) ? null : `an inductance of ${e.henries} H`;
    case 'diode': {
      const m = e.model;
      if (!positive(m.saturationAmps)) return `a saturation current of ${m.saturationAmps} A`;
      if (!positive(m.emission)) return `an emission coefficient of ${m.emission}`;
      if (!(m.seriesOhms >= 0 && Number.isFinite(m.seriesOhms)))
        return `a series resistance of ${m.seriesOhms} ohm`;
      if (m.breakdownVolts !== undefined && !positive(m.breakdownVolts))
        return `a breakdown at ${m.breakdownVolts} V`;
      if (m.breakdownAmps !== undefined && !positive(m.breakdownAmps)) {
        return `a breakdown current of ${m.breakdownAmps} A`;
      }
      return null;
    }
    case 'transistor': {
      const m = e.model;
      if (!positive(m.saturationAmps)) return `a saturation current of ${m.saturationAmps} A`;
      if (![m.forwardGain, m.reverseGain].every(positive))
        return `a current gain of ${m.forwardGain} or ${m.reverseGain}`;
      if (![m.forwardEmission, m.reverseEmission].every(positive))
        return 'an emission coefficient that is not above zero';
      if (!(m.earlyVolts > 0)) return `an Early voltage of ${m.earlyVolts} V`;
      return [m.baseOhms, m.collectorOhms, m.emitterOhms].every((ohms) => ohms >= 0 && Number.isFinite(ohms))
        ? null
        : 'a series resistance that is negative';
    }
    case 'limiter':
      if (!positive(e.limitAmps)) return `a limit of ${e.limitAmps} A`;
      return positive(e.kneeVolts) ? null : `a knee of ${e.kneeVolts} V`;
    case 'regulator':
      if (!positive(e.setVolts)) return `an output of ${e.setVolts} V`;
      return e.dropoutVolts >= 0 && Number.isFinite(e.dropoutVolts)
        ? null
        : `a dropout of ${e.dropoutVolts} V`;
    case 'switch':
      if (!positive(e.onOhms) || !positive(e.offOhms)) return `a resistance that is not above zero`;
      return e.toggleSeconds.every((t, i, all) => Number.isFinite(t) && (i === 0 || t > all[i - 1]))
        ? null
        : 'moments that do not ascend';
    default:
      return null;
  }
}

/**
 * Numbers the unknowns of a netlist and lays its elements out in tables.
 * @throws CircuitError for a duplicate name, a figure no part can have, or a netlist without ground
 */
export function compile(netlist: Netlist): Plan {
  const seen = new Set<string>();
  let grounded = false;
  for (const e of netlist.elements) {
    if (seen.has(e.id)) throw new CircuitError('duplicate-name', `two elements are called ${e.id}`, [e.id]);
    seen.add(e.id);
    const wrong = refusal(e);
    if (wrong) throw new CircuitError('bad-value', `${e.id} has ${wrong}`, [e.id]);
    for (const node of nodesOf(e)) {
      if (node === GROUND) grounded = true;
    }
  }
  const first = netlist.elements[0];
  if (!grounded) {
    throw new CircuitError('no-ground', 'nothing is connected to node 0', first ? [first.id] : []);
  }
  const { chains, rest } = fuse(withOuterResistances(netlist.elements));
  const index = new Map<string, number>();
  const touched = [...rest.map(nodesOf), ...chains.map((c) => [c.a, c.b])];
  for (const nodes of touched) {
    for (const node of nodes) if (node !== GROUND && !index.has(node)) index.set(node, index.size);
  }
  const links = rest.filter((e) => e.kind === 'voltage' || (e.kind === 'resistor' && e.ohms === 0));
  const caps = rest.filter((e) => e.kind === 'capacitor');
  const coils = rest.filter((e) => e.kind === 'inductor');
  const states = [...caps, ...coils];
  const nodeCount = index.size;
  const unknowns = nodeCount + links.length + states.length;

  const node = (name: string): number => (name === GROUND ? unknowns : index.get(name)!);
  const ends = (elements: readonly { a: string; b: string }[]): Omit<BranchTable, 'ids'> => ({
    a: Int32Array.from(elements, (e) => node(e.a)),
    b: Int32Array.from(elements, (e) => node(e.b)),
  });
  const table = (elements: readonly Element[]): BranchTable => ({
    ids: elements.map((e) => e.id),
    ...ends(elements),
  });
  const resistors = rest.filter((e) => e.kind === 'resistor').filter((e) => e.ohms > 0);
  const currents = rest.filter((e) => e.kind === 'current');
  const limiters = rest.filter((e) => e.kind === 'limiter');
  const regulators = rest.filter((e) => e.kind === 'regulator');
  const transistors = rest.filter((e) => e.kind === 'transistor');
  const switches = rest.filter((e) => e.kind === 'switch');
  const slope = chains.map((e) => e.model.emission * THERMAL_VOLTS);

  return {
    netlist,
    nodes: [...index.keys()],
    nodeIndex: index,
    unknowns,
    resistors: { ...table(resistors), siemens: Float64Array.from(resistors, (e) => 1 / e.ohms) },
    voltages: {
      ...table(links),
      signals: links.map((e) => signalOf(e.kind === 'voltage' ? e.wave : { kind: 'dc', level: 0 })),
      branch: Int32Array.from(links, (_, i) => nodeCount + i),
    },
    currents: { ...table(currents), signals: currents.map((e) => signalOf(e.wave)) },
    states: {
      ...table(states),
      capacity: Float64Array.from(states, (e) => (e.kind === 'capacitor' ? e.farads : e.henries)),
      initial: Float64Array.from(states, (e) =>
        e.kind === 'capacitor' ? (e.initialVolts ?? NaN) : (e.initialAmps ?? NaN),
      ),
      branch: Int32Array.from(states, (_, i) => nodeCount + links.length + i),
      capacitors: caps.length,
      laws: states.map((e) => (e.kind === 'capacitor' ? (e.law ?? null) : null)),
    },
    junctions: {
      ids: chains.map((c) => c.parallel[0].find((m) => m.element.kind === 'diode')!.element.id),
      ...ends(chains),
      chains,
      saturation: Float64Array.from(chains, (c) => c.model.saturationAmps),
      slope: Float64Array.from(slope),
      count: Float64Array.from(chains, (c) => c.count),
      parallel: Float64Array.from(chains, (c) => c.parallel.length),
      seriesOhms: Float64Array.from(chains, (c) => c.ohms),
      critical: Float64Array.from(chains, (c, i) => criticalVolts(c.model.saturationAmps, slope[i])),
      anchor: Float64Array.from(chains, (c) => breakdownAnchor(c.model)),
    },
    limiters: {
      ...table(limiters),
      limit: Float64Array.from(limiters, (e) => e.limitAmps),
      knee: Float64Array.from(limiters, (e) => e.kneeVolts),
    },
    regulators: {
      ...table(regulators),
      c: Int32Array.from(regulators, (e) => node(e.c)),
      set: Float64Array.from(regulators, (e) => e.setVolts),
      dropout: Float64Array.from(regulators, (e) => e.dropoutVolts),
      alike: Float64Array.from(regulators, (e) => e.alike ?? 1),
    },
    transistors: {
      ...table(transistors),
      c: Int32Array.from(transistors, (e) => node(e.c)),
      sign: Float64Array.from(transistors, (e) => (e.polarity === 'npn' ? 1 : -1)),
      models: transistors.map((e) => e.model),
    },
    switches: {
      ...table(switches),
      onSiemens: Float64Array.from(switches, (e) => 1 / e.onOhms),
      offSiemens: Float64Array.from(switches, (e) => 1 / e.offOhms),
      closed: switches.map((e) => e.closed),
      toggles: switches.map((e) => e.toggleSeconds),
    },
  };
}
