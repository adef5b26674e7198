import { GROUND, type Element, type Provenance } from '../circuit/netlist';
import { supplyKind, usualControls, type Stress, type Supply } from '../supply';
import { BLEED_OHMS, elementId } from './element-id';
import type { Part } from './assembly';

/** Name of the element that carries what a supply beside the job's own gives, positive towards the job. */
export const besideElement = (partId: string): string => elementId('r', partId);

/**
 * A supply beside the job's own: its circuit under names of its own, and its minus held to the common
 * ground, of which it knows nothing.
 * @param node name of the node a terminal of the part lies on
 */
export function besideElements(
  part: Extract<Part, { kind: 'rails' }>,
  supply: Supply,
  node: (terminal: string) => string,
  stress: Stress | undefined,
  of: (role: string) => Provenance,
): Element[] {
  const ends = { right: node('right'), left: node('left') };
  const inside = (name: string): string =>
    name === ends.right || name === ends.left || name === GROUND ? name : elementId('n', part.id, name);
  const source = supplyKind(supply)
    .lower(supply, ends, { controls: usualControls, stress }, of('supply'))
    .map((e) => ({
      ...e,
      id: elementId(e.id.charAt(0), part.id),
      a: inside(e.a),
      b: inside(e.b),
    }));
  return ends.left === GROUND
    ? source
    : [
        ...source,
        {
          kind: 'resistor',
          id: elementId('r', part.id, 'bleed'),
          a: ends.left,
          b: GROUND,
          ohms: BLEED_OHMS,
          of: of('bleed'),
        },
      ];
}
