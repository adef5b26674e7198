import { FAINT_LIGHTNESS } from '../light/lamp-light';
import { Solver } from './solver';
import { usualState } from './states';
import type { Part } from '../assembly/assembly';
import type { Bench } from './bench';

/** Places of the trimmer that are solved, from all the way down to all the way up. */
export const TRIMMER_STEPS = 20;
/** A current within this share of the greatest: turning on does nothing the eye would see. */
const FLAT_SHARE = 0.03;

/** What one trimmer does over its travel. */
export interface TrimmerTravel {
  readonly part: string;
  readonly line: string | null;
  readonly lampIds: readonly string[];
  readonly points: readonly {
    /** 0 all the way down, 1 all the way up. */
    readonly turn: number;
    /** Through the socket. */
    readonly amps: number;
    /** Of the brightest lamp on it, 0 to 100 and above. */
    readonly lightness: number;
  }[];
  /** Below this it is dark; null where it never lights. */
  readonly darkBelow: number | null;
  /** From here on it does nothing more; 1 where it works to the end. */
  readonly flatFrom: number;
}

type Socket = Extract<Part, { kind: 'socket' }>;

/** The bench with one trimmer turned otherwise: an argument, never stored. */
const turned = (bench: Bench, socket: Socket, turn: number): Bench => ({
  ...bench,
  assembly: {
    ...bench.assembly,
    parts: bench.assembly.parts.map((p) => (p.id === socket.id ? { ...socket, turn } : p)),
  },
});

/**
 * Every trimmer of a job's sockets over its travel, the others as they stand, in the state of every day.
 * @returns an entry a socket that lamps hang on
 * @throws CircuitError when the circuit cannot be solved
 */
export function trimmerTravel(bench: Bench): TrimmerTravel[] {
  const state = usualState(bench);
  return bench.assembly.parts.flatMap((part): TrimmerTravel[] => {
    if (part.kind !== 'socket' || !part.on) return [];
    const lampIds = bench.assembly.parts.flatMap((p) =>
      (p.kind === 'lamp' || p.kind === 'bulb') && p.line === part.line ? [p.lamp!] : [],
    );
    if (lampIds.length === 0) return [];
    const points = Array.from({ length: TRIMMER_STEPS + 1 }, (_, i) => {
      const turn = i / TRIMMER_STEPS;
      const readings = new Solver(turned(bench, part, turn)).at(state);
      const own = readings.dies.filter((d) => lampIds.includes(d.lampId));
      return {
        turn,
        amps: readings.parts.get(part.id)?.amps.mean ?? 0,
        lightness: Math.max(0, ...own.map((d) => d.lightness)),
      };
    });
    const most = Math.max(...points.map((p) => p.amps));
    return [
      {
        part: part.id,
        line: part.line,
        lampIds,
        points,
        darkBelow: points.find((p) => p.lightness >= FAINT_LIGHTNESS)?.turn ?? null,
        flatFrom: points.find((p) => p.amps >= (1 - FLAT_SHARE) * most)?.turn ?? 1,
      },
    ];
  });
}
