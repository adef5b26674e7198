import type { JobCore } from './job-record';

type Wired = Pick<JobCore, 'lines' | 'circuits'> & { lamps: Record<string, { circuitId: string | null }> };

/** Circuits that no lamp hangs in. */
export const emptyCircuits = ({ circuits, lamps }: Wired): string[] => {
  const hung = new Set(Object.values(lamps).map((l) => l.circuitId));
  return Object.keys(circuits).filter((id) => !hung.has(id));
};

/**
 * Takes circuits that no lamp hangs in out of a job, and with them the lines that then lead nowhere.
 * @param only circuits that may go; all where left out
 * @returns whether there was anything to take out
 */
export function takeEmptyOut(job: Wired, only: readonly string[] = Object.keys(job.circuits)): boolean {
  const gone = emptyCircuits(job).filter((id) => only.includes(id));
  const led = new Set<string>(gone.map((id) => job.circuits[id].lineId));
  for (const id of gone) Reflect.deleteProperty(job.circuits, id);
  for (const lineId of led) {
    const used =
      Object.values(job.circuits).some((c) => c.lineId === lineId) ||
      Object.values(job.lines).some((l) => l.from.kind === 'line' && l.from.line === lineId);
    if (used || !Object.hasOwn(job.lines, lineId)) continue;
    const { from } = job.lines[lineId];
    Reflect.deleteProperty(job.lines, lineId);
    // What fed it may feed nothing else.
    if (from.kind === 'line') led.add(from.line);
  }
  return gone.length > 0;
}
