import { currentProbe } from '../circuit/probe';
import { operatingPoint } from '../circuit/sweep';
import { FAINT_LIGHTNESS } from '../light/lamp-light';
import { netsOf, terminalKey, terminalsOf, type Lead, type Part, type Terminal } from '../assembly/assembly';

import { Meter } from './meter';
import { loweredAt } from './netlist-at';
import { usualState } from './states';
import type { Lowered } from '../assembly/lower';
import type { Bench } from './bench';
import type { DieReading } from './readings';

/** What the tester shows, clipped to two places of a job without power. */
export interface TesterReading {
  readonly dies: readonly DieReading[];
  /** What it gives. */
  readonly amps: number;
}

const clip = (id: string, from: Terminal, to: Terminal): Lead => ({
  id,
  from,
  to,
  colour: 'red',
  role: 'plus',
  jointOhms: 0,
  through: [],
});

/** A job with its decoder out of its socket, and its leads off what drives it. */
export const withoutDriver = (bench: Bench): Bench => ({
  ...bench,
  assembly: {
    ...bench.assembly,
    parts: bench.assembly.parts.map((p) =>
      p.kind === 'decoder' || p.kind === 'driver' ? { ...p, unplugged: true } : p,
    ),
  },
});

/** A job without power with the layout’s tester clipped to two terminals, and its netlist. */
export function withTester(bench: Bench, red: Terminal, black: Terminal): { there: Bench; lowered: Lowered } {
  const { assembly, layout } = bench;
  const tester: Part = {
    id: 'tester',
    kind: 'tester',
    label: 'Tester',
    path: ['drawer', 'tester'],
    line: null,
    circuit: null,
    lamp: null,
    place: null,
    board: null,
    decides: {},
    ...layout.drawer.tester,
  };
  const there: Bench = {
    ...bench,
    assembly: {
      ...assembly,
      parts: [...assembly.parts, tester],
      leads: [
        ...assembly.leads,
        clip('clip-red', { part: 'tester', terminal: 'plus' }, red),
        clip('clip-black', { part: 'tester', terminal: 'minus' }, black),
      ],
    },
  };
  return { there, lowered: loweredAt(there, usualState(bench), { cut: true }) };
}

/**
 * The layout’s tester clipped to two terminals of a job without power, solved.
 * @throws CircuitError when it cannot be solved
 */
export function clippedTo(bench: Bench, red: Terminal, black: Terminal): TesterReading {
  const { there, lowered } = withTester(bench, red, black);
  const meter = new Meter(there, lowered);
  const figures = operatingPoint(lowered.netlist, (plan) => [
    ...meter.probes(plan),
    lowered.leftOut.includes('tester') ? () => 0 : currentProbe(plan, 'r_tester'),
  ]);
  const dies = meter.readDies((i) => ({ mean: figures[i], least: figures[i], greatest: figures[i] }), null);
  return { dies, amps: figures[figures.length - 1] };
}

/** What the tester shows at the free ends of a lamp’s leads. */
export interface LampTouch {
  readonly amps: number;
  /** Lamps that light with it, itself among them. */
  readonly lit: number;
  /** Resistors between the clips, in series with it. */
  readonly ohms: number;
}

/** Where the clips go to touch a lamp, and the job as it lies there. */
export interface Touched {
  readonly bench: Bench;
  readonly red: Terminal;
  readonly black: Terminal;
  readonly ohms: number;
}

/**
 * The far ends of what is soldered to a lamp’s leads: where it is touched with the tester.
 * @param bench with no more leads than are joined by then
 * @param lampPart the id of a lamp or bulb
 */
export function freeEnds(bench: Bench, lampPart: string): Touched {
  const bare = withoutDriver(bench);
  const { assembly } = bare;
  const nets = netsOf(assembly);
  const netOf = (t: Terminal): string => nets.get(terminalKey(t))!;
  const resistors = assembly.parts.filter((p) => p.kind === 'resistor');
  let ohms = 0;
  /** From a terminal of the lamp over the resistors that hang on it to where a clip finds it. */
  const freeEnd = (from: Terminal): Terminal => {
    let at = from;
    const passed = new Set<string>();
    for (;;) {
      const ends = resistors.flatMap((r) =>
        passed.has(r.id)
          ? []
          : terminalsOf.resistor.flatMap((terminal, i) => {
              const end = { part: r.id, terminal };
              return netOf(end) === netOf(at)
                ? [{ r, other: { part: r.id, terminal: terminalsOf.resistor[1 - i] } }]
                : [];
            }),
      );
      // Where several begin, the lamp's own end is touched.
      if (ends.length !== 1) return at;
      const [{ r, other }] = ends;
      passed.add(r.id);
      if (r.kind === 'resistor') ohms += r.ohms;
      at = other;
    }
  };
  const lamp = assembly.parts.find((p) => p.id === lampPart)!;
  const [red, black] = terminalsOf[lamp.kind].map((terminal) => freeEnd({ part: lampPart, terminal }));
  const rails = assembly.parts.find((p) => p.kind === 'rails')!;
  // The rails are dead; what is not joined to them yet has its zero at the black clip.
  const ground = clip('clip-ground', { part: rails.id, terminal: terminalsOf.rails[1] }, black);
  return {
    bench: { ...bare, assembly: { ...assembly, leads: [...assembly.leads, ground] } },
    red,
    black,
    ohms,
  };
}

/**
 * A lamp touched with the tester the way it shines, at the far ends of what is soldered to its leads.
 * @throws CircuitError when it cannot be solved
 */
export function testerTouch(bench: Bench, lampPart: string): LampTouch {
  const touched = freeEnds(bench, lampPart);
  const { dies, amps } = clippedTo(touched.bench, touched.red, touched.black);
  const lit = dies.filter((d) => d.lightness >= FAINT_LIGHTNESS).length;
  return { amps, ohms: touched.ohms, lit };
}
