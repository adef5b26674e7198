import { Button, Modal } from 'antd';
import { useRef, useState } from 'react';
import {
  putStock,
  readStockCsv,
  writeStockCsv,
  type ReadStockCsv,
  type StockChange,
} from '../../../core/build/lists/stock-csv';
import { FileInput } from '../../fields/file-input';
import { FigureTable } from '../../fields/figure-table';
import { saveFile } from '../../storage/files';
import { useLayoutStore } from '../../store/layout-store';
import type { Layout } from '../../../core/document/layout';

/** Larger than any list a person keeps. */
const MOST_BYTES = 4 * 1024 * 1024;

/** The drawer as a file for a spreadsheet, and back: with a look at what it would change before it does. */
export function StockFile({ layout }: { readonly layout: Layout }) {
  const file = useRef<HTMLInputElement>(null);
  const edit = useLayoutStore((s) => s.edit);
  const [read, setRead] = useState<ReadStockCsv | null>(null);
  const open = async (chosen: File): Promise<void> => {
    setRead(
      chosen.size > MOST_BYTES
        ? { ok: false, complaints: ['The file is larger than 4 MB: no list of parts is.'] }
        : readStockCsv(await chosen.text(), layout),
    );
  };
  const changes = read?.ok ? read.changes.filter((c) => c.before !== c.count) : [];
  return (
    <div className="button-row">
      <Button onClick={() => saveFile('drawer.csv', writeStockCsv(layout), 'text/csv')}>Save as CSV</Button>
      <Button onClick={() => file.current?.click()}>Read from CSV</Button>
      <FileInput
        ref={file}
        label="A list of parts as CSV"
        accept=".csv,text/csv"
        onFile={(chosen) => void open(chosen)}
      />
      <Modal
        open={read !== null}
        title={read?.ok ? 'What the list would change' : 'The list cannot be read'}
        okText="Put it in"
        okButtonProps={{ disabled: !read?.ok || read.changes.length === 0 }}
        cancelText="Leave it"
        onCancel={() => setRead(null)}
        onOk={() => {
          if (read?.ok)
            edit('A list into the drawer', (draft) => read.changes.forEach((c) => putStock(draft, c)));
          setRead(null);
        }}
      >
        {read?.ok ? (
          <>
            <p>
              {read.changes.length} parts; {changes.length} of them with another count than now.
            </p>
            <FigureTable<StockChange>
              label="What changes"
              rows={changes}
              rowKey={(c) => c.key}
              columns={[
                ['Part', (c) => c.name],
                ['Now', (c) => c.before ?? '—'],
                ['Then', (c) => c.count],
              ]}
            />
          </>
        ) : (
          <ul>
            {read?.complaints.map((c) => (
              <li key={c}>{c}</li>
            ))}
          </ul>
        )}
      </Modal>
    </div>
  );
}
