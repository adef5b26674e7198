import type { ReactNode } from 'react';
import './fields.css';

interface FigureTableProps<R extends object> {
  readonly label: string;
  readonly rows: readonly R[];
  readonly rowKey: (row: R) => string;
  /** Head and cell of each column; the first names its row. */
  readonly columns: readonly (readonly [head: string, cell: (row: R) => ReactNode])[];
  /** A mark for a row: the one in force, or one that lacks something. */
  readonly mark?: (row: R) => string;
  readonly stale?: boolean;
}

/**
 * A few figures in rows. Not the library's table: that one brings 70 kB of menus, pages, filters and
 * selection to the first load of the pages these stand on; it is used where there are many rows.
 */
export function FigureTable<R extends object>({
  label,
  rows,
  rowKey,
  columns,
  mark,
  stale = false,
}: FigureTableProps<R>) {
  return (
    <table className={stale ? 'figure-table stale' : 'figure-table'} aria-label={label}>
      <thead>
        <tr>
          {columns.map(([head], i) => (
            <th key={i} scope="col">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
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
  );
}
