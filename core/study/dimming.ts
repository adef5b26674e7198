import { nearestPreferred } from '../part/preferred';
import { change } from '../document/patch';
import { inOrder } from '../document/in-order';
import { chainOf } from '../document/line-stages';
import { resistorsOf } from '../document/presets';
import { outputsOn } from '../supply/drivers/decoder';
import { benchIn, type Bench } from './bench';
import { totalLumens } from './meter';
import { Solver } from './solver';
import { statesOf } from './states';
import type { LampCore } from '../document/lamp-record';

/** A dimmed output, and the resistors that dim its lamps as much while it conducts all the time. */
export interface DimmingStudy {
  readonly brightness: number;
  /** By lamp, or by circuit where one resistor serves all of it. */
  readonly resistors: readonly {
    readonly id: string;
    readonly of: 'lamp' | 'circuit';
    readonly ohms: number;
    readonly instead: number;
    readonly preferred: number;
  }[];
}

const TURNS = 14;

interface Held {
  readonly id: string;
  readonly of: 'lamp' | 'circuit';
  readonly ohms: number;
  /** The lamp whose light is watched. */
  readonly lampId: string;
}

/**
 * What resistors give the lamps of an output, conducting steadily, the light they have by its drive
 * share. Found on the circuit: light by pulses is the mean of the light, and a lamp at less current
 * has a lower voltage, so the resistor is larger than the share alone says.
 * @returns null where the output is not dimmed, or nothing with a resistor hangs on it
 * @throws CircuitError when the circuit cannot be solved
 */
export function dimmingStudy(bench: Bench, outputId: string): DimmingStudy | null {
  const { job, layout, jobId } = bench;
  const table = job.decoder;
  const rule = table?.outputs[outputId];
  if (!table || !rule || rule.brightness >= 1 || rule.brightness <= 0) return null;
  const state = statesOf(bench).states.find((s) => outputsOn(table, s).has(outputId));
  const circuits = inOrder(job.circuits).filter((c) => {
    const { from } = chainOf(job, c.lineId)[0];
    return from.kind === 'output' && from.output === outputId;
  });
  const lamps = inOrder(job.lamps as Readonly<Record<string, LampCore>>).filter((l) =>
    circuits.some((c) => c.id === l.circuitId),
  );
  if (!state || lamps.length === 0) return null;
  const held = circuits.flatMap((c): Held[] => {
    const own = lamps.filter((l) => l.circuitId === c.id);
    const [first] = own;
    if (!first || resistorsOf(c) === 'none') return [];
    if (resistorsOf(c) === 'shared' || c.inSeries > 1)
      return [{ id: c.id, of: 'circuit', ohms: c.ohms, lampId: first.id }];
    return own.map((l) => ({ id: l.id, of: 'lamp', ohms: l.ohms ?? c.ohms, lampId: l.id }));
  });
  if (held.length === 0) return null;
  const lumens = (b: Bench): Map<string, number> => {
    const solver = new Solver(b);
    const phase = solver.phases(state).find((p) => p.slices.some((s) => s.conducting.has(outputId)));
    const { dies } = solver.at(state, { phase });
    return new Map(dies.filter((d) => !d.second).map((d) => [d.lampId, d.lumens]));
  };
  const wanted = lumens(bench);
  const instead = held.map((h) => h.ohms);
  for (let turn = 0; turn < TURNS; turn++) {
    const tried = change(layout, (draft) => {
      const own = draft.jobs[jobId];
      own.decoder!.outputs[outputId].brightness = 1;
      held.forEach((h, i) => {
        if (h.of === 'lamp') own.lamps[h.id].ohms = instead[i];
        else own.circuits[h.id].ohms = instead[i];
      });
    }).layout;
    const now = lumens(benchIn(bench, tried));
    held.forEach((h, i) => (instead[i] *= (now.get(h.lampId) ?? 0) / (wanted.get(h.lampId) ?? 1)));
  }
  return {
    brightness: rule.brightness,
    resistors: held.map((h, i) => ({
      id: h.id,
      of: h.of,
      ohms: h.ohms,
      instead: instead[i],
      preferred: nearestPreferred(instead[i], 'E12'),
    })),
  };
}

/**
 * Light of the lamps on a decoder's outputs over what they would have with a common positive: what a
 * plug without a blue wire costs.
 * @returns a share, 1 where nothing returns to a rail; null without lamps on outputs
 * @throws CircuitError when the circuit cannot be solved
 */
export function railReturnShare(bench: Bench): number | null {
  const { job, layout, jobId } = bench;
  const { decoder } = job;
  if (!decoder) return null;
  const state = statesOf(bench).states.find((s) => outputsOn(decoder, s).size > 0);
  if (!state) return null;
  const common = change(layout, (draft) => {
    for (const { from } of Object.values(draft.jobs[jobId].lines))
      if (from.kind === 'output') from.returnTo = 'common';
  }).layout;
  const total = (b: Bench): number => totalLumens(new Solver(b).at(state));
  const most = total(benchIn(bench, common));
  return most > 0 ? total(bench) / most : null;
}
