import { inOrder } from '../../document/in-order';
import { fittingSorts, type FittingSortName } from '../../part/lamp-fitting';
import { modelMillimetres, type ScaleName } from '../../quantity/scale';
import type { LampRecord, RowLamp } from './record';

/** Room at either end of a row over the height of its lamps, and the least, in millimetres. */
const END_HEIGHTS = 0.8;
const LEAST_END = 12;
const tenths = (millimetres: number): number => Math.max(0.5, Math.round(millimetres * 10) / 10);

/** A fitting of a sort as it commonly measures, at a scale. */
export function usualFitting(sort: FittingSortName, scale: ScaleName): LampRecord['fitting'] {
  const { height, head, outreach, spacing, toBeSeen } = fittingSorts[sort];
  const headMillimetres = tenths(modelMillimetres(head.usual, scale));
  return {
    sort,
    heightMillimetres: tenths(modelMillimetres(height.usual, scale)),
    outreachMillimetres: outreach.usual === 0 ? 0 : tenths(modelMillimetres(outreach.usual, scale)),
    headMillimetres,
    // A shade is about a third as deep as it is wide (common practice, no source).
    hoodMillimetres: toBeSeen ? 0 : Math.round(headMillimetres * 3.3) / 10,
    aimDegrees: toBeSeen ? 90 : 0,
    spacingMillimetres: Math.round(modelMillimetres(spacing.usual, scale)),
  };
}

/** Where the lamps of a row stand: at its spacing, with room at both ends. */
export function placesOfRow(fitting: LampRecord['fitting'], count: number): number[] {
  const end = Math.round(Math.max(LEAST_END, END_HEIGHTS * fitting.heightMillimetres));
  return Array.from({ length: count }, (_, i) => end + i * fitting.spacingMillimetres);
}

/** Sets the lamps of a row at its spacing again. */
export function spaceOut(job: {
  readonly fitting: LampRecord['fitting'];
  readonly lamps: Readonly<Record<string, RowLamp>>;
}): void {
  const lamps = inOrder(job.lamps);
  placesOfRow(job.fitting, lamps.length).forEach((at, i) => {
    job.lamps[lamps[i].id].alongMillimetres = at;
  });
}

/** Length of a row with its room at both ends, in millimetres. */
export function rowMillimetres({ lamps, fitting }: Pick<LampRecord, 'lamps' | 'fitting'>): number {
  const places = Object.values(lamps).map((l) => l.alongMillimetres);
  const [end] = placesOfRow(fitting, 1);
  return places.length === 0 ? 2 * end : Math.max(...places) + end;
}
