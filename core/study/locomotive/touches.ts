import { elementId } from '../../assembly/element-id';
import { lower } from '../../assembly/lower';
import { currentProbe } from '../../circuit/probe';
import { operatingPoint } from '../../circuit/sweep';
import { inOrder } from '../../document/in-order';
import { lampName } from '../../document/lamp-name';
import { FAINT_LIGHTNESS } from '../../light/lamp-light';
import { formatQuantity } from '../../quantity/format';
import { lightnessAhead, lumensOf, opticsOf, type ShiningPart } from './lamp-optics';
import { driveKey, reachableStates } from './states';
import { leadsOf } from '../../assembly/leads';
import { switchedOn } from './expected';
import { outputsOn } from '../../supply/decoder-output';
import { VehicleSolver } from './lit';
import { faulty, type Vehicle, type VehicleState } from './vehicle';
import type { Assembly, Terminal } from '../../assembly/assembly';
import type { Fault } from '../../assembly/fault';

/** Light of every colour of every lamp, by part: what is seen when something is touched. */
export type Observation = ReadonlyMap<string, number>;

/** One thing to do before the body closes, and what is looked at. */
export interface Touch {
  readonly id: string;
  readonly kind: 'tester' | 'track';
  /** "Tester: red clip on the right rail, black on the left". */
  readonly does: string;
  /** Circuits it sends current through. */
  readonly circuits: readonly string[];
  /** What is seen with faults tried on the wiring; none for a sound one. Throws CircuitError when it cannot be solved. */
  readonly look: (faults: readonly Fault[]) => Observation;
}

/** More distinct states than this are not all candidates. */
const MOST_STATES = 64;

/** Everything a person can do to see lamps light: the tester at the ends of each circuit's leads both ways, and the track in every state. */
export function candidateTouches(vehicle: Vehicle): Touch[] {
  return [...testerTouches(vehicle), ...trackTouches(vehicle)];
}

function testerTouches(vehicle: Vehicle): Touch[] {
  const { job } = vehicle;
  const pairs = new Map<
    string,
    { one: Terminal; two: Terminal; names: [string, string]; circuits: string[] }
  >();
  const at = (key: string): Terminal => {
    const [part, terminal] = key.split('.');
    return { part, terminal };
  };
  for (const circuit of inOrder(job.circuits)) {
    if (!Object.values(job.lamps).some((l) => l.circuitId === circuit.id)) continue;
    const [one, two] = leadsOf({ ...job }, { ...circuit, leadsSwapped: false });
    const key = `${one.terminal} ${two.terminal}`;
    const known = pairs.get(key);
    if (known) known.circuits.push(circuit.id);
    else
      pairs.set(key, {
        one: at(one.terminal),
        two: at(two.terminal),
        names: [one.name, two.name],
        circuits: [circuit.id],
      });
  }
  const bare: Vehicle = {
    ...vehicle,
    assembly: {
      ...vehicle.assembly,
      parts: vehicle.assembly.parts.map((p) => (p.kind === 'decoder' ? { ...p, unplugged: true } : p)),
    },
  };
  const out = job.decoder ? ' (decoder out of its socket)' : '';
  return [...pairs.values()].flatMap(({ one, two, names, circuits }) =>
    ([0, 1] as const).map((way): Touch => {
      const [red, black] = way === 0 ? [one, two] : [two, one];
      const [redName, blackName] = way === 0 ? names : [names[1], names[0]];
      return {
        id: `tester ${red.terminal} ${black.terminal}`,
        kind: 'tester',
        does: `Tester${out}: red clip on ${redName}; black clip on ${blackName}`,
        circuits,
        look: (faults) => testerLook(faulty(bare, faults), red, black),
      };
    }),
  );
}

/** What the tester lights, clipped to two terminals of a vehicle without power. */
function testerLook(vehicle: Vehicle, red: Terminal, black: Terminal): Observation {
  const { assembly, job } = vehicle;
  const { volts, ohms } = job.tester;
  const lead = (id: string, from: Terminal, to: Terminal) => ({
    id,
    from,
    to,
    colour: 'red' as const,
    role: 'plus' as const,
    jointOhms: 0,
  });
  const clipped: Assembly = {
    ...assembly,
    parts: [...assembly.parts, { id: 'tester', kind: 'tester', label: 'Tester', path: [], volts, ohms }],
    leads: [
      ...assembly.leads,
      lead('clip-red', { part: 'tester', terminal: 'plus' }, red),
      lead('clip-black', { part: 'tester', terminal: 'minus' }, black),
    ],
  };
  const { netlist, leftOut } = lower(clipped, vehicle.supply, { cut: true });
  const lamps = assembly.parts.filter(
    (p): p is ShiningPart => (p.kind === 'lamp' || p.kind === 'bulb') && !leftOut.includes(p.id),
  );
  const amps = operatingPoint(netlist, (plan) =>
    lamps.map((l) => currentProbe(plan, elementId(l.kind === 'bulb' ? 'x' : 'd', l.id))),
  );
  return new Map(
    lamps.map((l, i) => {
      const optics = opticsOf(job, l);
      // What a bulb stands at follows from its current, near enough for seen or not.
      const drive = l.kind === 'bulb' ? (Math.abs(amps[i]) / l.bulb.amps) * l.bulb.volts : amps[i];
      return [l.id, lightnessAhead(lumensOf(l, optics, drive), optics)];
    }),
  );
}

function trackTouches(vehicle: Vehicle): Touch[] {
  const { job } = vehicle;
  const seen = new Map<string, VehicleState>();
  for (const state of reachableStates(vehicle).states) {
    const key = driveKey(vehicle, state);
    if (!seen.has(key)) seen.set(key, state);
  }
  // Fewest presses first: of states that tell the same, the simplest is taken.
  const presses = (s: VehicleState): number => s.functions.length + s.presses;
  const states = [...seen.values()].sort((a, b) => presses(a) - presses(b));
  const kept =
    states.length <= MOST_STATES ? states : [...states.slice(0, MOST_STATES - 2), ...states.slice(-2)];
  const solvers = new Map<string, VehicleSolver>();
  const solverFor = (faults: readonly Fault[]): VehicleSolver => {
    const key = JSON.stringify(faults);
    let solver = solvers.get(key);
    if (!solver) {
      if (solvers.size > 2) solvers.clear();
      solvers.set(key, (solver = new VehicleSolver(faulty(vehicle, faults))));
    }
    return solver;
  };
  return kept.map((state): Touch => {
    const on = job.decoder ? outputsOn(job.decoder, state) : new Map<string, number>();
    return {
      id: `track ${driveKey(vehicle, state)}`,
      kind: 'track',
      does: `On the track: ${stateInWords(vehicle, state)}`,
      circuits: inOrder(job.circuits)
        .filter(
          (c) =>
            switchedOn(job, c.id, state) &&
            (c.feed.kind === 'track' || !job.decoder || on.has(c.feed.output)),
        )
        .map((c) => c.id),
      look: (faults) =>
        new Map(
          solverFor(faults)
            .lit(state)
            .lamps.map((l) => [l.part, l.lightness]),
        ),
    };
  });
}

function stateInWords({ job, supply }: Vehicle, state: VehicleState): string {
  const words: string[] = [state.direction];
  if (supply.kind === 'dc-track') words.push(`throttle ${Math.round(state.throttle * 100)} %`);
  if (job.decoder && supply.kind !== 'dc-track') {
    words.push(state.functions.length === 0 ? 'no function' : state.functions.map((f) => `F${f}`).join(', '));
    if (job.decoder.stepped && state.presses > 0)
      words.push(`F${job.decoder.stepped.function} pressed ${state.presses}×`);
  }
  if (!state.moving) words.push('standing');
  const switches = Object.entries(state.switches).map(
    ([id, on]) => `${job.circuits[id].switch?.name ?? 'switch'} ${on ? 'on' : 'off'}`,
  );
  return [...words, ...new Set(switches)].join(', ');
}

/** What has to be seen, in words. */
export function seenWords(vehicle: Vehicle, seen: Observation): string {
  const names = [...seen]
    .filter(([, lightness]) => lightness >= FAINT_LIGHTNESS)
    .map(([part]) => {
      const found = vehicle.assembly.parts.find((p) => p.id === part);
      if (!found || (found.kind !== 'lamp' && found.kind !== 'bulb')) return part;
      return (
        lampName(vehicle.job, found.lampId) + (part.startsWith('second-lamp-') ? ', its other colour' : '')
      );
    });
  return names.length === 0 ? 'nothing shines' : `${names.join(', ')}; nothing else`;
}

/** The tester in words with its figures. */
export const testerWords = ({ job }: Vehicle): string =>
  `${formatQuantity(job.tester.volts, 'volt')} and ${formatQuantity(job.tester.ohms, 'ohm')}`;
