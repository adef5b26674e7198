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

/** Lit length that is got of a wanted one: strip to its cut marks, tubes whole. */
export function laidMillimetres({
  form,
  cutMillimetres,
  pieceMillimetres,
  lengthMillimetres,
}: RigRowRecord): number {
  const step = form === 'strip' ? cutMillimetres : pieceMillimetres;
  return Math.floor(lengthMillimetres / step + 1e-9) * step;
}

/** Pieces of a row that are lit: in each module one, within the area. */
export function piecesOf(row: RigRowRecord, rig: RigRecord, area: RigArea): RowPiece[] {
  const laid = laidMillimetres(row);
  if (laid <= 0) return [];
  const module = rig.moduleMillimetres ?? area.width;
  return Array.from({ length: Math.max(1, Math.ceil(area.width / module)) }, (_, k) => {
    const from = k * module + row.fromMillimetres;
    return { from, to: Math.min(from + laid, area.width) };
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
