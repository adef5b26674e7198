import { CountField } from '../../fields/count-field';
import { TextField } from '../../fields/text-field';
import { csvFigure } from '../../../core/build/lists/csv';
import { soldByLength } from '../../../core/study/stock';
import type { StockRow } from '../../../core/build/lists/stock-csv';

const MOST_COUNT = 9999;

interface StockCountProps {
  readonly row: StockRow;
  readonly onPut: (changed: Partial<StockRow>) => void;
}

/** Metres, with or without their unit; null for what is none. */
const metresIn = (text: string): number | null => csvFigure(text.replace(/\s*m\s*$/, ''));

/** How many there are: whole pieces, or metres of what comes by the metre; and what one costs. */
export function StockCount({ row, onPut }: StockCountProps) {
  const metres = soldByLength(row.key);
  return (
    <>
      {metres ? (
        <TextField
          label={`Metres of ${row.name}`}
          text={`${row.count} m`}
          most={10}
          check={(t) => ((metresIn(t) ?? -1) < 0 ? `“${t}” is no number of metres.` : null)}
          onCommit={(t) => onPut({ count: metresIn(t) ?? row.count })}
        />
      ) : (
        <CountField
          label={`How many of ${row.name}`}
          count={Math.floor(row.count)}
          least={0}
          most={MOST_COUNT}
          onCommit={(count) => onPut({ count })}
        />
      )}
      <TextField
        label={`Price of one ${row.name}`}
        text={row.price.toFixed(2)}
        most={8}
        check={(t) => {
          const price = csvFigure(t);
          return price === null || price < 0 || price > 10_000 ? `“${t}” is no price from 0 to 10000.` : null;
        }}
        onCommit={(t) => onPut({ price: csvFigure(t) ?? row.price })}
      />
    </>
  );
}
