/** Pieces cut from one length of stock. */
export interface Cut {
  readonly stockMillimetres: number;
  readonly pieces: readonly number[];
  readonly leftMillimetres: number;
}

/** How lengths are cut from stock. */
export interface CutPlan {
  readonly cuts: readonly Cut[];
  /** What is left on all of them but the one with the longest rest, which is kept. */
  readonly wasteMillimetres: number;
}

type Pick = (room: readonly number[], piece: number) => number;

const firstFit: Pick = (room, piece) => room.findIndex((r) => r >= piece);
const bestFit: Pick = (room, piece) =>
  room.reduce((best, r, i) => (r >= piece && (best < 0 || r < room[best]) ? i : best), -1);

function packed(pieces: readonly number[], stock: number, pick: Pick): CutPlan {
  const room: number[] = [];
  const cuts: number[][] = [];
  for (const piece of pieces) {
    let at = pick(room, piece);
    if (at < 0) {
      at = room.push(stock) - 1;
      cuts.push([]);
    }
    room[at] -= piece;
    cuts[at].push(piece);
  }
  const kept = Math.max(0, ...room);
  return {
    cuts: cuts.map((own, i) => ({ stockMillimetres: stock, pieces: own, leftMillimetres: room[i] })),
    wasteMillimetres: room.reduce((sum, r) => sum + r, 0) - kept,
  };
}

/** The plan a person makes who cuts each piece from the first length that still has room. */
export const firstFitPlan = (pieces: readonly number[], stockMillimetres: number): CutPlan =>
  packed(pieces, stockMillimetres, firstFit);

/**
 * Cuts pieces from lengths of stock: the better of best fit and first fit, longest first (Johnson
 * 1974), and of first fit as they come, by lengths used and then by waste.
 * @throws RangeError for a piece longer than the stock, or no length at all
 */
export function cutPlan(pieces: readonly number[], stockMillimetres: number): CutPlan {
  const wrong = pieces.find((p) => !(p > 0) || p > stockMillimetres);
  if (wrong !== undefined)
    throw new RangeError(`a piece of ${wrong} mm is not cut from ${stockMillimetres} mm`);
  const longest = [...pieces].sort((a, b) => b - a);
  return [
    packed(longest, stockMillimetres, bestFit),
    packed(longest, stockMillimetres, firstFit),
    firstFitPlan(pieces, stockMillimetres),
  ].reduce((best, plan) =>
    plan.cuts.length < best.cuts.length ||
    (plan.cuts.length === best.cuts.length && plan.wasteMillimetres < best.wasteMillimetres)
      ? plan
      : best,
  );
}
