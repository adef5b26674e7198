import { Table, type TableProps } from 'antd';
import './fields.css';

type FigureTableProps<R extends object> = Pick<
  TableProps<R>,
  'columns' | 'rowKey' | 'rowClassName' | 'scroll' | 'summary'
> & {
  readonly label: string;
  readonly rows: readonly R[];
  readonly stale?: boolean;
  /** Rows of one page; all on one when left out. */
  readonly perPage?: number;
};

/** Figures in rows: the library's table, close and without what a short one has no use for. */
export function FigureTable<R extends object>({
  label,
  rows,
  stale = false,
  perPage,
  ...table
}: FigureTableProps<R>) {
  return (
    <Table<R>
      {...table}
      className={stale ? 'figure-table stale' : 'figure-table'}
      aria-label={label}
      size="small"
      dataSource={rows as R[]}
      pagination={
        perPage === undefined
          ? false
          : { pageSize: perPage, hideOnSinglePage: true, showSizeChanger: false, size: 'small' }
      }
    />
  );
}
