import { More } from '../../../fields/more';
import { TextField } from '../../../fields/text-field';
import type { DecoderType } from '../../../../core/part/decoder-type';
import {
  bitOf,
  cvMeaning,
  FIRST_CV,
  fromCvs,
  toCvs,
  type Windowed,
} from '../../../../core/supply/drivers/function-map';
import { useLocomotiveEdit } from '../locomotive-props';
import type { Draft } from 'immer';
import type { DecoderRecord } from '../../../../core/document/decoder-record';

/** The function table as the CVs of a decoder, each to be typed; what no CV can say is told. */
export function CvTable({
  jobId,
  decoder,
  type,
}: {
  readonly jobId: string;
  readonly decoder: DecoderRecord;
  readonly type: DecoderType & Windowed;
}) {
  const set = useLocomotiveEdit(jobId);
  const { cvs, refusals } = toCvs(decoder, type);
  const name = (id: string): string => type.outputs.find((o) => o.id === id)?.name ?? id;
  const put = (index: number, text: string): string | null => {
    const next = cvs.map((v, i) => (i === index ? Number(text) : v));
    try {
      const outputs = fromCvs(next, type, decoder.outputs);
      set(`CV ${FIRST_CV + index}`, (j) => {
        if (j.decoder) j.decoder.outputs = outputs as Draft<DecoderRecord['outputs']>;
      });
      return null;
    } catch (error) {
      return error instanceof Error ? `${error.message}.` : String(error);
    }
  };
  return (
    <More label="As CV 33 to 46">
      <div className="cv-grid">
        {cvs.map((v, i) => (
          <div key={i} title={`bits: outputs ${type.windows[i]} to ${type.windows[i] + 7}`}>
            <TextField
              label={`${FIRST_CV + i} · ${cvMeaning(i)}`}
              text={String(v)}
              most={3}
              check={(t) => put(i, t)}
              onCommit={() => undefined}
            />
          </div>
        ))}
      </div>
      <p className="hint">
        Bits follow this decoder’s windows; F0 forward reaches outputs {type.windows[0]} to{' '}
        {type.windows[0] + 7}
        {bitOf(type, 0, 'out1') === null ? '' : `, output 1 by ${bitOf(type, 0, 'out1')}`}. Brightness and
        effects have CVs of each maker’s own.
      </p>
      {refusals.length > 0 && (
        <ul className="refusals">
          {refusals.map((r) => (
            <li key={r.output + r.reason}>
              <b>{name(r.output)}:</b> {r.reason}.{' '}
              {r.offers.length > 0 &&
                `Free and within reach: ${r.offers.map((o) => name(o).toLowerCase()).join(', ')}.`}
            </li>
          ))}
        </ul>
      )}
    </More>
  );
}
