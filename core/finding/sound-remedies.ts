import { attemptPatches } from '../document/gate';
import type { Layout } from '../document/layout';
import type { Finding } from './finding';

/** Findings with those cures only that leave a layout which can be saved: a resistor past its limit is none. */
export function soundRemedies(layout: Layout, findings: readonly Finding[]): Finding[] {
  return findings.map((f) => {
    const remedies = f.remedies.filter((r) => attemptPatches(layout, r.patches).ok);
    return remedies.length === f.remedies.length ? f : { ...f, remedies };
  });
}
