import { supplyKind, usualControls, type Feeding as SupplyFeeding, type Supply } from '../supply';
import { besideElements } from './beside-elements';
import { BLEED_OHMS } from './element-id';
import type { Element, Provenance } from '../circuit/netlist';
import type { Part } from './assembly';

/** Wheels on clean rail, in series with the track's own resistance, which counts the rest. */
const CONTACT_OHMS = 0.01;

/** How a job is fed for one study. */
export interface Feeding extends Partial<SupplyFeeding> {
  /** Contact of wheels and rail: whether it is made at first, and the moments at which it changes, in seconds. */
  readonly contact?: { readonly made: boolean; readonly toggleSeconds: readonly number[] };
  /** True for rails that nothing feeds any more. */
  readonly cut?: boolean;
}

/** What feeds an assembly: its supply with the contact of the wheels, or a supply beside it. */
export function railsElements(
  part: Extract<Part, { kind: 'rails' }>,
  node: (terminal: string) => string,
  supply: Supply,
  feeding: Feeding,
  of: (role: string) => Provenance,
): Element[] {
  if (part.beside) return besideElements(part, part.beside, node, feeding.stress, of);
  const rails = { right: node('right'), left: node('left') };
  // Dead rails still tie both sides to something, through what leaks.
  if (feeding.cut) {
    return [
      {
        kind: 'resistor',
        id: 'r_dead_rails',
        a: rails.right,
        b: rails.left,
        ohms: BLEED_OHMS,
        of: of('dead rails'),
      },
    ];
  }
  const { contact } = feeding;
  const fed = contact ? { right: 'wheel', left: rails.left } : rails;
  const source = supplyKind(supply).lower(
    supply,
    fed,
    { controls: feeding.controls ?? usualControls, stress: feeding.stress },
    of('supply'),
  );
  if (!contact) return source;
  return [
    ...source,
    {
      kind: 'switch',
      id: 'x_contact',
      a: fed.right,
      b: rails.right,
      onOhms: CONTACT_OHMS,
      offOhms: BLEED_OHMS,
      closed: contact.made,
      toggleSeconds: contact.toggleSeconds,
      of: of('contact'),
    },
  ];
}
