import { formatQuantity, inSentence } from '../quantity/format';
import { supplyKind } from '../supply';
import { FAINT_LIGHTNESS } from '../light/lamp-light';
import { inOrder } from '../document/in-order';
import { driverOf } from '../document/aspect-record';
import { chainOf } from '../document/line-stages';
import { terminalKey, type Terminal } from '../assembly/assembly';
import { leadsOf } from '../assembly/leads';
import { pressesIn, functionsOn } from '../supply/drivers/decoder';
import { withFaults, type Bench } from './bench';
import { driveKey, isFed, phasesOf } from './drive';
import { Solver } from './solver';
import { clippedTo, withoutDriver } from './tester-touch';
import { stateWords } from './state-words';
import { statesOf } from './states';
import type { Fault } from '../assembly/fault';
import type { Phase, State } from '../supply/state';
import type { DieReading } from './readings';

/** Light of every colour of every lamp, by `dieKey`: what is seen when something is touched. */
export type Observation = ReadonlyMap<string, number>;

const SECOND = ' second';
const dieKey = ({ part, second }: Pick<DieReading, 'part' | 'second'>): string =>
  second ? part + SECOND : part;

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

/** Everything a person can do to see lamps light: the tester at the ends of each line's leads both ways, and the supply in every state. */
export function candidateTouches(bench: Bench): Touch[] {
  return [...testerTouches(bench), ...trackTouches(bench)];
}

/** A lead's end as it is called where there is no track: by the side of what feeds it. */
function endWords(
  { supply }: Bench,
  { terminal, name }: { readonly terminal: Terminal; readonly name: string },
): string {
  const kind = supplyKind(supply);
  const side = terminal.terminal === 'right' || terminal.terminal === 'left' ? terminal.terminal : null;
  if (terminal.part !== 'rails' || side === null || kind.onTrack) return name;
  return `the ${kind.sides[side]} lead of the ${inSentence(kind.name)}`;
}

function testerTouches(bench: Bench): Touch[] {
  const { job } = bench;
  const pairs = new Map<
    string,
    { ends: [Terminal, Terminal]; names: [string, string]; circuits: string[] }
  >();
  for (const circuit of inOrder(job.circuits)) {
    if (!Object.values(job.lamps).some((l) => l.circuitId === circuit.id)) continue;
    const [root] = chainOf(job, circuit.lineId);
    const [one, two] = leadsOf(job, { ...root, swapped: false })!;
    const key = `${terminalKey(one.terminal)} ${terminalKey(two.terminal)}`;
    const known = pairs.get(key);
    if (known) known.circuits.push(circuit.id);
    else
      pairs.set(key, {
        ends: [one.terminal, two.terminal],
        names: [endWords(bench, one), endWords(bench, two)],
        circuits: [circuit.id],
      });
  }
  const bare = withoutDriver(bench);
  const out = job.decoder ? ' (decoder out of its socket)' : driverOf(job) ? ' (leads off the driver)' : '';
  return [...pairs.values()].flatMap(({ ends: [one, two], names, circuits }) =>
    ([0, 1] as const).map((way): Touch => {
      const [red, black] = way === 0 ? [one, two] : [two, one];
      const [redName, blackName] = way === 0 ? names : [names[1], names[0]];
      return {
        id: `tester ${terminalKey(red)} ${terminalKey(black)}`,
        kind: 'tester',
        does: `Tester${out}: red clip on ${redName}; black clip on ${blackName}`,
        circuits,
        look: (faults) => testerLook(withFaults(bare, faults), red, black),
      };
    }),
  );
}

/** What the tester lights, clipped to two terminals of a job without power. */
const testerLook = (bench: Bench, red: Terminal, black: Terminal): Observation =>
  new Map(clippedTo(bench, red, black).dies.map((d) => [dieKey(d), d.lightness]));

function trackTouches(bench: Bench): Touch[] {
  const { job } = bench;
  const seen = new Map<string, { state: State; phase: Phase }>();
  for (const state of statesOf(bench).states)
    for (const phase of phasesOf(bench, state)) {
      const key = driveKey(bench, state, phase);
      if (!seen.has(key)) seen.set(key, { state, phase });
    }
  // Fewest presses first: of states that tell the same, the simplest is taken.
  const presses = ({ state }: { state: State }): number => functionsOn(state).length + pressesIn(state);
  const found = [...seen].sort(([, a], [, b]) => presses(a) - presses(b));
  const kept = found.length <= MOST_STATES ? found : [...found.slice(0, MOST_STATES - 2), ...found.slice(-2)];
  const solvers = new Map<string, Solver>();
  const solverFor = (faults: readonly Fault[]): Solver => {
    const key = JSON.stringify(faults);
    let solver = solvers.get(key);
    if (!solver) {
      if (solvers.size > 2) solvers.clear();
      solvers.set(key, (solver = new Solver(withFaults(bench, faults))));
    }
    return solver;
  };
  return kept.map(([key, { state, phase }]): Touch => ({
    id: `track ${key}`,
    kind: 'track',
    does: `${supplyKind(bench.supply).onTrack ? 'On the track' : 'With power'}: ${stateWords(bench, state, { phase, throttle: true })}`,
    circuits: inOrder(job.circuits)
      .filter((c) => isFed(job, c.id, state, phase))
      .map((c) => c.id),
    look: (faults) =>
      new Map(
        solverFor(faults)
          .at(state, { phase })
          .dies.map((d) => [dieKey(d), d.lightness]),
      ),
  }));
}

/** What has to be seen, in words. */
export function seenWords({ assembly }: Bench, seen: Observation): string {
  const names = [...seen]
    .filter(([, lightness]) => lightness >= FAINT_LIGHTNESS)
    .map(([key]) => {
      const second = key.endsWith(SECOND);
      const id = second ? key.slice(0, -SECOND.length) : key;
      const part = assembly.parts.find((p) => p.id === id);
      return `${part?.label ?? id}${second ? ', its other colour' : ''}`;
    });
  return names.length === 0 ? 'nothing shines' : `${names.join(', ')}; nothing else`;
}

/** The tester in words with its figures. */
export const testerWords = ({ layout }: Bench): string =>
  `${formatQuantity(layout.drawer.tester.volts, 'volt')} and ${formatQuantity(layout.drawer.tester.ohms, 'ohm')}`;
