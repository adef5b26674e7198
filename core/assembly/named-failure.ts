import { CircuitError } from '../circuit/error';
import type { Assembly } from './assembly';
import type { Lowered } from './lower';

/** Parts that are named before it says “and others”. */
const MOST_NAMED = 4;

/**
 * The kernel's refusal with the things it is about called as the person calls them, in place of the
 * names of elements. Anything else that was thrown is given back as it is.
 */
export function namedFailure(error: unknown, assembly: Assembly, { netlist }: Lowered): unknown {
  if (!(error instanceof CircuitError)) return error;
  const parts = error.elements
    .map((id) => netlist.elements.find((e) => e.id === id)?.of?.part)
    .map((id) => assembly.parts.find((p) => p.id === id)?.label);
  const names = [...new Set(parts.filter((label) => label !== undefined))];
  if (names.length === 0) return error;
  const more = names.length > MOST_NAMED ? ' and others' : '';
  const said = names.slice(0, MOST_NAMED).join(', ');
  return new CircuitError(error.kind, `No answer was found for ${said}${more}.`, error.elements, error.nodes);
}
