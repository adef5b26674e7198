import { GROUND } from '../../circuit/netlist';
import type { Lowered } from '../../assembly/lower';
import type { Level } from '../../circuit/levels';
import type { Vehicle } from './vehicle';

/** Whether all that hangs on the rails hangs behind full bridges, so that it answers both polarities alike. */
export function behindBridges({ assembly, supply }: Vehicle, { netlist, nodeOf }: Lowered): boolean {
  if (supply.kind === 'dc-track') return false;
  const rails = [GROUND, nodeOf.get('rails.right')!];
  const bridges = new Set(
    assembly.parts.filter((p) => p.kind === 'bridge' || p.kind === 'decoder').map((p) => p.id),
  );
  return netlist.elements.every(
    (e) =>
      !rails.some((r) => e.a === r || e.b === r) ||
      e.of?.part === 'rails' ||
      e.of?.role === 'bleed' ||
      (e.kind === 'diode' && bridges.has(e.of?.part ?? '')),
  );
}

/** Levels without their signs, like ones together. */
export function folded(levels: readonly Level[]): Level[] {
  const shares = new Map<number, number>();
  for (const { volts, share } of levels) {
    const key = Number(Math.abs(volts).toPrecision(12));
    shares.set(key, (shares.get(key) ?? 0) + share);
  }
  return [...shares].map(([volts, share]) => ({ volts, share }));
}
