import { Button } from 'antd';
import { useRef, useState } from 'react';
import { FileInput } from '../../../fields/file-input';
import { saveFile } from '../../../storage/files';
import { decoderTypeOf } from '../../../../core/document/decoder-record';
import { useLocomotiveEdit } from '../locomotive-props';
import type { Draft } from 'immer';
import type { DecoderRecord } from '../../../../core/document/decoder-record';

/** What reads and writes tables comes when it is asked for. */
const csv = () => import('../../../../core/build/function-csv');

/** The table out to a file, and in again. */
export function TableFile({ jobId, decoder }: { readonly jobId: string; readonly decoder: DecoderRecord }) {
  const set = useLocomotiveEdit(jobId);
  const [refusal, setRefusal] = useState<readonly string[]>([]);
  const file = useRef<HTMLInputElement>(null);
  const type = decoderTypeOf(decoder);
  const save = async (): Promise<void> => {
    const { writeFunctionCsv } = await csv();
    saveFile('functions.csv', writeFunctionCsv(decoder.outputs), 'text/csv');
  };
  const read = async (picked: File): Promise<void> => {
    const { readFunctionCsv } = await csv();
    const answer = readFunctionCsv(await picked.text(), type);
    setRefusal(answer.ok ? [] : answer.complaints);
    if (answer.ok)
      set('Function table from a file', (j) => {
        if (j.decoder) j.decoder.outputs = answer.outputs as Draft<DecoderRecord['outputs']>;
      });
  };
  return (
    <>
      <div className="button-row">
        <Button onClick={() => void save()}>Save as CSV</Button>
        <Button onClick={() => file.current?.click()}>Read CSV</Button>
        <FileInput
          ref={file}
          label="Function table from a CSV file"
          accept=".csv,text/csv"
          onFile={(picked) => void read(picked)}
        />
      </div>
      {refusal.map((r) => (
        <p key={r} className="field-refusal" role="alert">
          {r}
        </p>
      ))}
    </>
  );
}
