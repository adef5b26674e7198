import { coachInterior } from './interior';
import { spreadPlaces, type LampPlace } from './places';
import type { CoachRecord } from './record';

type Coach = Pick<CoachRecord, 'interior' | 'dimensions'>;

export const tenth = (mm: number): number => Math.round(mm * 10) / 10;

/**
 * How far from the centre line rows of lamps lie, towards the far side: one on the centre line; two
 * over the quarters, or over the compartments and over the corridor.
 */
export function rowsAcross(job: Coach, rows: number): number[] {
  const { widthMillimetres: width } = job.interior;
  const { corridor, rooms } = coachInterior(job);
  if (rows === 1) return [0];
  if (!corridor) return [-width / 4, width / 4];
  const beside = rooms.find((r) => r.nearest > 0 || r.farthest < width)!;
  const middle = (a: { nearest: number; farthest: number }): number => (a.nearest + a.farthest - width) / 2;
  // From the near side.
  return [middle(beside), middle(corridor)].sort((a, b) => a - b);
}

/** Equal spacing, the usual way: each row from end to end. */
export function equalPlacing(job: Coach, perRow: readonly number[]): LampPlace[] {
  const across = rowsAcross(job, perRow.length);
  return perRow.flatMap((count, row) =>
    spreadPlaces(count, job.dimensions.lengthMillimetres).map((placeMillimetres) => ({
      placeMillimetres,
      acrossMillimetres: tenth(across[row]),
    })),
  );
}
