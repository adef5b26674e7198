import { cellTypes } from '../part/cell';
import { inSentence } from '../quantity/format';
import { cellsOf } from './cell-life';
import type { Bench } from './bench';
import type { SoldNeed } from '../part/sold-need';

/** What a holder for a cell costs (common practice, no source). */
const HOLDER_PRICE = 1;

/** Cells that a job hangs on, and a holder for those in a row. */
export function cellNeeds(bench: Bench): { readonly cells: SoldNeed[]; readonly holders: SoldNeed[] } {
  const own = cellsOf(bench).flatMap(({ supply }) => (supply.kind === 'cell' ? [supply] : []));
  return {
    cells: own.map(({ cell, inSeries }) => ({
      key: `cell:${cell}`,
      name: cellTypes[cell].name,
      count: inSeries,
      priceEach: cellTypes[cell].price,
    })),
    holders: own.map(({ cell, inSeries }) => ({
      key: `holder:${cell}:${inSeries}`,
      name: `Holder for ${inSeries > 1 ? `${inSeries} × ` : ''}${inSentence(cellTypes[cell].name)}`,
      count: 1,
      priceEach: HOLDER_PRICE,
    })),
  };
}
