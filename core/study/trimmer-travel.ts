import { FAINT_LIGHTNESS } from '../light/lamp-light';
import { Solver } from './solver';
import { usualState } from './states';
import { shines, type Part, type ShiningPart } from '../assembly/assembly';
import { supplyKind } from '../supply';
import type { Readings } from './readings';
import type { Bench } from './bench';

/** Places of the trimmer that are solved, from all the way down to all the way up. */
export const TRIMMER_STEPS = 20;
/** A current within this share of the greatest: turning on does nothing the eye would see. */
const FLAT_SHARE = 0.03;

/** What the trimmers of some sockets alike do over their travel. */
export interface TrimmerTravel {
  /** The sockets, and the lines they stand in. */
  readonly parts: readonly string[];
  readonly lines: readonly string[];
  readonly lampIds: readonly string[];
  readonly points: readonly {
    /** 0 all the way down, 1 all the way up. */
    readonly turn: number;
    /** Through one of the sockets. */
    readonly amps: number;
    /** Of its brightest lamp, 0 to 100 and above. */
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

/** The lamps in the line of a socket. */
const lampsOn = ({ assembly }: Bench, socket: Socket): ShiningPart[] =>
  assembly.parts.filter(shines).filter((p) => p.line === socket.line);

/** What two sockets must have in common to be alike. */
const likeness = (bench: Bench, socket: Socket): string =>
  JSON.stringify([
    socket.seriesOhms,
    socket.baseOhms,
    socket.trimmerOhms,
    lampsOn(bench, socket).map((p) => (p.kind === 'bulb' ? p.bulb.id : [p.led.id, p.second?.id, p.builtIn])),
  ]);

/**
 * A job on an alternating supply as if fed with steady volts that leave the same behind its bridge:
 * the reservoir holds them steady, and every place of a trimmer costs one operating point.
 */
function steadied(bench: Bench, line: string): Bench {
  const state = usualState(bench);
  const before = new Solver(bench).at(state);
  if (before.period === 0) return bench;
  const on = (volts: number): Bench => ({
    ...bench,
    supply: { kind: 'layout-bus', volts, highestVolts: volts, limitAmps: 1, tripSeconds: 1, wireOhms: 0.1 },
  });
  const behind = (of: Pick<Readings, 'lines'>): number => of.lines.get(line)?.mean ?? 0;
  const guess = supplyKind(bench.supply).highestVolts(bench.supply);
  const tried = behind(new Solver(on(guess)).at(state));
  return on(Math.max(0.1, guess + behind(before) - tried));
}

/**
 * The trimmers of a job's sockets over their travel, the others as they stand, in the state of every
 * day; sockets alike are solved once.
 * @returns an entry for each sort of socket that lamps hang on
 * @throws CircuitError when the circuit cannot be solved
 */
export function trimmerTravel(bench: Bench): TrimmerTravel[] {
  const sorts = new Map<string, Socket[]>();
  for (const part of bench.assembly.parts) {
    if (part.kind !== 'socket' || !part.on || lampsOn(bench, part).length === 0) continue;
    const key = likeness(bench, part);
    sorts.set(key, [...(sorts.get(key) ?? []), part]);
  }
  return [...sorts.values()].map((sockets): TrimmerTravel => {
    const [first] = sockets;
    const steady = steadied(bench, first.line!);
    const own = new Set(lampsOn(bench, first).map((p) => p.lamp!));
    const state = usualState(bench);
    const points = Array.from({ length: TRIMMER_STEPS + 1 }, (_, i) => {
      const turn = i / TRIMMER_STEPS;
      const readings = new Solver(turned(steady, first, turn)).at(state);
      return {
        turn,
        amps: readings.parts.get(first.id)?.amps.mean ?? 0,
        lightness: Math.max(0, ...readings.dies.filter((d) => own.has(d.lampId)).map((d) => d.lightness)),
      };
    });
    const most = Math.max(...points.map((p) => p.amps));
    return {
      parts: sockets.map((s) => s.id),
      lines: sockets.map((s) => s.line!),
      lampIds: sockets.flatMap((s) => lampsOn(bench, s).map((p) => p.lamp!)),
      points,
      darkBelow: points.find((p) => p.lightness >= FAINT_LIGHTNESS)?.turn ?? null,
      flatFrom: points.find((p) => p.amps >= (1 - FLAT_SHARE) * most)?.turn ?? 1,
    };
  });
}
