import { mainLineId } from '../document/line-stages';
import type { Part } from '../assembly/assembly';
import type { Spread } from '../circuit/average';
import type { Bench } from './bench';
import type { Readings } from './readings';

export type Electrolytic = Extract<Part, { kind: 'electrolytic' }>;

/** The reservoirs of a job, as parts. */
export const reservoirsOf = ({ assembly }: Pick<Bench, 'assembly'>): Electrolytic[] =>
  assembly.parts.filter((p) => p.kind === 'electrolytic');

/** Voltage over the first reservoir, plus against minus as marked; null without one. */
export const reservoirVolts = (bench: Bench, readings: Readings): Spread | null =>
  reservoirsOf(bench)
    .map((p) => readings.parts.get(p.id)?.across)
    .find((v) => v !== undefined) ?? null;

/** Voltage between the two leads that the lamps of the first line hang on; null where nothing hangs there. */
export function lineVolts({ job, assembly }: Bench, readings: Readings): Spread | null {
  const id = mainLineId(job);
  const fed = assembly.parts.some(
    (p) => p.kind === 'electrolytic' || (p.lamp !== null && p.circuit !== null),
  );
  return id !== null && fed ? (readings.lines.get(id) ?? null) : null;
}

/**
 * What the rectifier of a line takes: of the peak where a reservoir is charged at the peaks, else on
 * the mean. Null without one.
 */
export function rectifierVolts({ assembly }: Bench, readings: Readings, lineId: string): number | null {
  const own = assembly.parts.filter((p) => p.line === lineId);
  const rectifier = own.find((p) => p.kind === 'bridge' || (p.kind === 'diode' && p.role === 'rectifier'));
  const behind = rectifier && readings.parts.get(rectifier.id)?.across;
  if (!behind) return null;
  const peaks = rectifier.kind === 'diode' || own.some((p) => p.kind === 'electrolytic');
  const { railVolts } = readings;
  return peaks ? railVolts.greatest - behind.greatest : railVolts.mean - behind.mean;
}
