import { elementId } from '../assembly/element-id';
import { outputElement } from '../assembly/decoder-elements';
import { holdElement } from '../assembly/driver-elements';
import { lower, type Lowered } from '../assembly/lower';
import { controlsIn, isClosed, phasesOf } from './drive';
import type { Feeding } from '../assembly/rails-elements';
import type { State } from '../supply/state';
import type { Bench } from './bench';

/** The circuit of a job with outputs and switches as a state has them; an output that is dimmed conducts. */
export function loweredAt(bench: Bench, state: State, feeding: Feeding = {}): Lowered {
  const { assembly, supply } = bench;
  const lowered = lower(assembly, supply, { controls: controlsIn(state), ...feeding });
  const closed = new Map<string, boolean>();
  for (const part of assembly.parts)
    if (part.kind === 'switch') closed.set(elementId('x', part.id), isClosed(part, state));
  const [{ slices }] = phasesOf(bench, state);
  for (const { conducting } of slices)
    for (const id of conducting) {
      for (const part of ['decoder', 'driver']) closed.set(outputElement(part, id), true);
      closed.set(holdElement(id), false);
    }
  return {
    ...lowered,
    netlist: {
      ...lowered.netlist,
      elements: lowered.netlist.elements.map((e) =>
        e.kind === 'switch' && closed.has(e.id) ? { ...e, closed: closed.get(e.id)! } : e,
      ),
    },
  };
}
