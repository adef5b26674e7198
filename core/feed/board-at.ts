import { inOrder } from '../document/in-order';
import type { Layout } from '../document/layout';
import type { NodeRecord } from '../document/network-record';

/** The board a place lies under, the first where boards overlap; null where it lies under none. */
export function boardAt(
  { boards }: Pick<Layout, 'boards'>,
  { xMillimetres: x, yMillimetres: y }: Pick<NodeRecord, 'xMillimetres' | 'yMillimetres'>,
): string | null {
  return (
    inOrder(boards).find(
      (b) =>
        x >= b.xMillimetres &&
        x < b.xMillimetres + b.widthMillimetres &&
        y >= b.yMillimetres &&
        y < b.yMillimetres + b.depthMillimetres,
    )?.id ?? null
  );
}
