import { FAINT_LIGHTNESS } from '../light/lamp-light';
import { fewestSets } from './fewest';
import { candidateTouches, seenWords, testerWords, type Observation, type Touch } from './touches';
import { wiringFaults, type WiringFault } from './wiring-faults';
import type { Bench } from './bench';

/** Two lights this far apart are told from one another beside what else shines; half the light is 24. */
export const TOLD_LIGHTNESS = 20;

/** One touch of the proof. */
export interface ProofTouch {
  readonly id: string;
  readonly kind: Touch['kind'];
  readonly does: string;
  /** What must be seen when the wiring is sound. */
  readonly sees: string;
  /** Faults it exposes, in words. */
  readonly exposes: readonly string[];
}

/** The fewest touches that expose every single wiring fault. */
export interface ShortestProof {
  readonly tester: string;
  readonly touches: readonly ProofTouch[];
  /** Single faults that were tried, and those no touch can tell. */
  readonly tried: number;
  readonly unproven: readonly string[];
  /** Faults and touches by their ids: which touch of all exposes which fault. */
  readonly exposing: ReadonlyMap<string, readonly string[]>;
}

/** Whether an eye tells one observation from another: a lamp lit or dark otherwise, or clearly brighter or dimmer. */
export function tellsApart(sound: Observation, seen: Observation): boolean {
  for (const part of new Set([...sound.keys(), ...seen.keys()])) {
    const [a, b] = [Math.min(100, sound.get(part) ?? 0), Math.min(100, seen.get(part) ?? 0)];
    if (a < FAINT_LIGHTNESS !== b < FAINT_LIGHTNESS && Math.abs(a - b) > 1) return true;
    if (Math.abs(a - b) > TOLD_LIGHTNESS) return true;
  }
  return false;
}

/**
 * The fewest touches, with the person's tester and on the track, that would expose every single
 * wiring fault of a job; computed from the faulted assemblies. Tester touches are preferred where a
 * track touch tells no more: they burn nothing.
 * @param onProgress told the share done; returns true to stop
 * @throws CircuitError when the sound job cannot be solved
 */
export function shortestProof(bench: Bench, onProgress?: (share: number) => boolean): ShortestProof | null {
  const touches = candidateTouches(bench);
  const faults = wiringFaults(bench);
  const sound = touches.map((touch) => touch.look([]));
  const told = touches.map(() => new Set<number>());
  for (let f = 0; f < faults.length; f++) {
    if (onProgress?.(f / faults.length)) return null;
    touches.forEach((touch, t) => {
      if (exposes(touch, faults[f], sound[t])) told[t].add(f);
    });
  }
  const chosen = fewestSets(told);
  const known = new Set(told.flatMap((s) => [...s]));
  return {
    tester: testerWords(bench),
    touches: chosen.map((t) => ({
      id: touches[t].id,
      kind: touches[t].kind,
      does: touches[t].does,
      sees: seenWords(bench, sound[t]),
      exposes: [...told[t]].map((f) => faults[f].says),
    })),
    tried: faults.length,
    unproven: faults.filter((_, f) => !known.has(f)).map((f) => f.says),
    exposing: new Map(
      faults.map((fault, f) => [fault.id, touches.filter((_, t) => told[t].has(f)).map((t) => t.id)]),
    ),
  };
}

/** A fault in circuits that a touch sends nothing through changes nothing it shows. */
function exposes(touch: Touch, fault: WiringFault, sound: Observation): boolean {
  if (!fault.circuits.some((c) => touch.circuits.includes(c))) return false;
  try {
    return tellsApart(sound, touch.look(fault.faults));
  } catch {
    // What cannot be solved is a dead short: the tester's lamp or the controller tells.
    return true;
  }
}
