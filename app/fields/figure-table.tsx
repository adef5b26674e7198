import { Table } from 'antd';
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

/** Figures in rows: the library's table, close; what it stands in scrolls. */
export function FigureTable<R extends object>({
  label,
  rows,
  rowKey,
  columns,
  mark,
  stale = false,
}: FigureTableProps<R>) {
  return (
    <Table<R>
      className={stale ? 'figure-table stale' : 'figure-table'}
      aria-label={label}
      size="small"
      dataSource={rows as R[]}
      rowKey={rowKey}
      rowClassName={mark}
      pagination={false}
      columns={columns.map(([title, cell], i) => ({
        key: title || String(i),
        title,
        rowScope: i === 0 ? ('row' as const) : undefined,
        render: (_: unknown, row: R) => cell(row),
      }))}
    />
  );
}
