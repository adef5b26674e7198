import { GROUND } from '../circuit/netlist';
import type { Lowered } from '../assembly/lower';
import type { Bench } from './bench';

/**
 * Whether all that hangs on the supply hangs behind full bridges, so that it answers both polarities
 * alike. Nothing is gained by asking where the supply keeps its sides.
 */
export function isBehindBridges({ assembly, supply }: Bench, { netlist, nodeOf }: Lowered): boolean {
  if (supply.kind === 'dc-track') return false;
  const rails = [GROUND, nodeOf.get('rails.right')!];
  const bridges = new Set(
    assembly.parts
      .filter((p) => p.kind === 'bridge' || p.kind === 'decoder' || p.kind === 'driver')
      .map((p) => p.id),
  );
  return netlist.elements.every(
    (e) =>
      !rails.some((r) => e.a === r || e.b === r) ||
      e.of?.part === 'rails' ||
      e.of?.role === 'bleed' ||
      (e.kind === 'diode' && bridges.has(e.of?.part ?? '')),
  );
}
