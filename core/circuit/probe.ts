import { GROUND } from './netlist';
import type { Plan } from './plan';
import type { System } from './system';

/** Reads one figure off a solved system at a moment. */
export type Probe = (system: System, seconds: number) => number;

/**
 * Voltage of one node against another, in volts.
 * @throws RangeError when the plan has no such node
 */
export function voltageProbe(plan: Plan, plus: string, minus: string = GROUND): Probe {
  const p = nodeOf(plan, plus);
  const m = nodeOf(plan, minus);
  if (typeof p === 'number' && typeof m === 'number') return (system) => system.x[p] - system.x[m];
  const level = (of: number | Probe): Probe => (typeof of === 'number' ? (system) => system.x[of] : of);
  const [high, low] = [level(p), level(m)];
  return (system, seconds) => high(system, seconds) - low(system, seconds);
}

/** Index of a node among the unknowns, or how its voltage follows from the chain it lies in. */
function nodeOf(plan: Plan, name: string): number | Probe {
  if (name === GROUND) return plan.unknowns;
  const index = plan.nodeIndex.get(name);
  if (index !== undefined) return index;
  const { chains, a } = plan.junctions;
  for (let k = 0; k < chains.length; k++) {
    for (const members of chains[k].parallel) {
      const before = members.findIndex((m) => (m.along ? m.element.b : m.element.a) === name);
      if (before < 0) continue;
      let ohms = 0;
      let junctions = 0;
      for (const { element } of members.slice(0, before + 1)) {
        ohms += element.kind === 'resistor' ? element.ohms : element.model.seriesOhms;
        if (element.kind === 'diode') junctions++;
      }
      return (system) =>
        system.x[a[k]] -
        junctions * system.branches.junctionVolts(system.x, k) -
        ohms * system.branches.amps(system.x, k);
    }
  }
  throw new RangeError(`there is no node ${name}`);
}

/**
 * Current through an element, positive into its first terminal, in amperes.
 * @throws RangeError when the plan has no such element
 */
export function currentProbe(plan: Plan, id: string): Probe {
  let places = placesOf.get(plan);
  if (!places) placesOf.set(plan, (places = currentProbes(plan)));
  const probe = places.get(id);
  if (!probe) throw new RangeError(`there is no element ${id}`);
  return probe();
}

const placesOf = new WeakMap<Plan, ReadonlyMap<string, () => Probe>>();

/** For every element of a plan what reads its current. */
function currentProbes(plan: Plan): Map<string, () => Probe> {
  const { resistors, voltages, currents, states, junctions, limiters, switches } = plan;
  const { regulators, transistors } = plan;
  const found = new Map<string, () => Probe>();
  resistors.ids.forEach((id, k) => {
    const { a, b, siemens } = resistors;
    found.set(id, () => (system) => siemens[k] * (system.x[a[k]] - system.x[b[k]]));
  });
  for (const table of [voltages, states])
    table.ids.forEach((id, k) => found.set(id, () => (system) => system.x[table.branch[k]]));
  currents.ids.forEach((id, k) => found.set(id, () => (system) => system.sourceScale * system.amps[k]));
  junctions.chains.forEach((chain, k) => {
    for (const member of chain.parallel.flat()) {
      const sign = member.along ? 1 : -1;
      found.set(member.element.id, () => (system) => sign * system.branches.amps(system.x, k));
    }
  });
  limiters.ids.forEach((id, k) =>
    found.set(id, () => (system) => system.branches.amps(system.x, junctions.ids.length + k)),
  );
  regulators.ids.forEach((id, k) => found.set(id, () => (system) => system.regulatorAmps(k)));
  transistors.ids.forEach((id, k) => found.set(id, () => (system) => system.collectorAmps(k)));
  switches.ids.forEach((id, k) => found.set(id, () => (system, seconds) => system.switchAmps(k, seconds)));
  return found;
}
