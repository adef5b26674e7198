import { inOrder } from '../document/in-order';
import { channels } from '../part/overhead-lamp';
import type { RigArea } from './area';
import type { RigRecord, RigRowRecord } from '../document/rig-record';

/** A piece of a row that is lit in one: between cut marks, from where to where. */
export interface RowPiece {
  readonly from: number;
  readonly to: number;
}

type Row = RigRowRecord & { readonly id: string };

/** How long a rig is along, or one module of it, in millimetres. */
export const stretchMillimetres = (rig: Pick<RigRecord, 'moduleMillimetres'>, area: RigArea): number =>
  Math.min(rig.moduleMillimetres ?? area.width, area.width);

/**
 * Lit length that is got of a wanted one: strip to its cut marks, tubes and spots whole.
 * @param room how long a stretch it may hang on; nothing hangs out over the end of a module
 */
export function laidMillimetres(
  { form, cutMillimetres, pieceMillimetres, lengthMillimetres, fromMillimetres }: RigRowRecord,
  room: number,
): number {
  const step = form === 'strip' ? cutMillimetres : pieceMillimetres;
  return Math.max(0, Math.floor(Math.min(lengthMillimetres, room - fromMillimetres) / step + 1e-9) * step);
}

/** Pieces of a row that are lit: in each module one, as far as it reaches; the last module may be shorter. */
export function piecesOf(row: RigRowRecord, rig: RigRecord, area: RigArea): RowPiece[] {
  const stretch = stretchMillimetres(rig, area);
  return Array.from({ length: Math.ceil(area.width / stretch - 1e-9) }, (_, k) => {
    const from = k * stretch + row.fromMillimetres;
    return { from, to: from + laidMillimetres(row, Math.min(stretch, area.width - k * stretch)) };
  }).filter((p) => p.to > p.from);
}

/** Places along of the spots of a row within one of its pieces. */
export function spotsIn({ pieceMillimetres }: RigRowRecord, { from, to }: RowPiece): number[] {
  const count = Math.max(1, Math.round((to - from) / pieceMillimetres));
  return Array.from({ length: count }, (_, i) => from + ((i + 0.5) * (to - from)) / count);
}

/** Places of the spots of a row along it. */
export const spotsOf = (row: RigRowRecord, rig: RigRecord, area: RigArea): number[] =>
  piecesOf(row, rig, area).flatMap((piece) => spotsIn(row, piece));

/** Rows that are switched on, in order. */
export const litRows = (rig: RigRecord): Row[] => inOrder(rig.rows).filter((r) => r.on && r.level > 0);

/** Height of a rig's highest row above the scenery: its timber hangs there. */
export const rigHeight = (rig: RigRecord): number =>
  Math.max(0, ...Object.values(rig.rows).map((r) => r.heightMillimetres));

/** What leaves a row of its lamp's light: cover, dimming. */
export const leavesOf = ({ channel, level }: RigRowRecord): number => channels[channel].leaves * level;
