import { useState, type ReactNode } from 'react';
import { useOverflow } from './use-overflow';
import './fields.css';

/** What a column is sorted by. */
type SortBy<R> = (row: R) => number | string;
interface FigureTableProps<R extends object> {
  readonly label: string;
  readonly rows: readonly R[];
  readonly rowKey: (row: R) => string;
  /** Head and cell of each column, and what it can be sorted by; the first names its row. */
  readonly columns: readonly (readonly [head: string, cell: (row: R) => ReactNode, by?: SortBy<R>])[];
  /** A mark for a row: the one in force, or one that lacks something. */
  readonly mark?: (row: R) => string;
  readonly stale?: boolean;
}

/** Words as people number things: "lead 9" before "lead 10". */
const inWords = new Intl.Collator('en', { numeric: true });

const compared = (a: number | string, b: number | string): number =>
  typeof a === 'number' && typeof b === 'number'
    ? a === b
      ? 0
      : a - b
    : inWords.compare(String(a), String(b));

/**
 * A few figures in rows, sorted at a press on a head, and scrolled beside its first column where the room
 * is too narrow. Not the library's table: that one brings 70 kB of menus, pages, filters and selection to
 * the first load of the pages these stand on; it is used where there are many rows.
 */
export function FigureTable<R extends object>({
  label,
  rows,
  rowKey,
  columns,
  mark,
  stale = false,
}: FigureTableProps<R>) {
  const [sorted, setSorted] = useState<{ readonly column: number; readonly up: boolean } | null>(null);
  const [box, hidden] = useOverflow();
  const by = sorted && columns[sorted.column]?.[2];
  const shown = by ? rows.toSorted((a, b) => (sorted.up ? 1 : -1) * compared(by(a), by(b))) : rows;
  // Up, then down, then as it came.
  const press = (column: number): void =>
    setSorted((was) =>
      was?.column !== column ? { column, up: true } : was.up ? { column, up: false } : null,
    );
  return (
    <div
      ref={box}
      className={hidden ? 'figure-scroll hides-more' : 'figure-scroll'}
      {...(hidden && { role: 'region', tabIndex: 0, 'aria-label': `${label}, scrolls sideways` })}
    >
      <table className={stale ? 'figure-table stale' : 'figure-table'} aria-label={label}>
        <thead>
          <tr>
            {columns.map(([head, , sorts], i) => {
              const here = sorted?.column === i;
              return (
                <th
                  key={i}
                  scope="col"
                  aria-sort={here ? (sorted.up ? 'ascending' : 'descending') : undefined}
                >
                  {sorts && rows.length > 1 ? (
                    <button type="button" className="sorts" onClick={() => press(i)}>
                      {head}
                      <span aria-hidden="true">{here ? (sorted.up ? ' ▴' : ' ▾') : ' ↕'}</span>
                    </button>
                  ) : (
                    head
                  )}
                </th>
              );
            })}
          </tr>
        </thead>
        <tbody>
          {shown.map((row) => (
            <tr key={rowKey(row)} className={mark?.(row)}>
              {columns.map(([, cell], i) =>
                i === 0 ? (
                  <th key={i} scope="row">
                    {cell(row)}
                  </th>
                ) : (
                  <td key={i}>{cell(row)}</td>
                ),
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
