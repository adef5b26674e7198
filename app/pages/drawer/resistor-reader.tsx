import { Button } from 'antd';
import { useState } from 'react';
import { bandColours, bandPaint, ohmsOf, type BandColour } from '../../../core/part/colour-bands';
import { chipCodesOf, ohmsOfCode } from '../../../core/part/resistor-code';
import { putStock } from '../../../core/build/lists/stock-csv';
import { ownedOf, stockOf } from '../../../core/study/stock';
import { formatQuantity, shortOhms } from '../../../core/quantity/format';
import { BandedResistor } from '../../drawings/banded-resistor';
import { TextField } from '../../fields/text-field';
import { useLayoutStore } from '../../store/layout-store';
import type { Layout } from '../../../core/document/layout';

const MOST_BANDS = 5;
/** Of one resistor (common practice, no source). */
const USUAL_PRICE = 0.05;
/** What most loose resistors are. */
const USUAL_WATTS = 0.25;
/** Small chips bear a tenth of a watt (common practice, no source). */
const CHIP_WATTS = 0.1;

/** A value that was read, how exact it is and how much it bears. */
interface Reading {
  readonly ohms: number;
  readonly words: string;
  readonly watts: number;
}

/** What bands or a code say; a reason where they say nothing yet, or nothing at all. */
function readBands(bands: readonly BandColour[]): Reading | string {
  if (bands.length < 4) return 'Press the colours in their order, from the end where they sit closest.';
  try {
    const { ohms, tolerance } = ohmsOf(bands);
    return { ohms, words: `${formatQuantity(ohms, 'ohm')}, ${tolerance * 100} %`, watts: USUAL_WATTS };
  } catch (error) {
    return `${(error as Error).message}: turn it round and read from the other end.`;
  }
}

/** Tells what a resistor is by the bands one sees or the code on a chip, and puts it into the drawer. */
export function ResistorReader({ layout }: { readonly layout: Layout }) {
  const [bands, setBands] = useState<readonly BandColour[]>([]);
  const [code, setCode] = useState('');
  const edit = useLayoutStore((s) => s.edit);
  const read: Reading | string =
    code === ''
      ? readBands(bands)
      : { ohms: ohmsOfCode(code), words: formatQuantity(ohmsOfCode(code), 'ohm'), watts: CHIP_WATTS };
  const put = ({ ohms, watts }: Reading): void =>
    edit(`${formatQuantity(ohms, 'ohm')} into the drawer`, (draft) => {
      const key = `resistor:${ohms}:${watts}`;
      const [known] = stockOf(layout, key);
      putStock(draft, {
        key,
        name: `Resistor ${shortOhms(ohms)}`,
        count: ownedOf(layout, key) + 1,
        price: known?.price ?? USUAL_PRICE,
        kept: known?.kept ?? '',
      });
    });
  return (
    <section className="resistor-reader">
      <h2>What is this resistor?</h2>
      <div className="band-keys" role="group" aria-label="Bands">
        {bandColours.map((c) => (
          <Button
            key={c}
            disabled={bands.length >= MOST_BANDS}
            onClick={() => {
              setCode('');
              setBands([...bands, c]);
            }}
          >
            <span className="swatch" style={{ background: bandPaint[c] }} />
            {c}
          </Button>
        ))}
      </div>
      <p className="bands-read" aria-live="polite">
        {bands.map((b, i) => (
          <span key={`${i} ${b}`} className="swatch wide" style={{ background: bandPaint[b] }} title={b} />
        ))}
        <span>{bands.join(' ')}</span>
        {bands.length > 0 && (
          <Button size="small" onClick={() => setBands(bands.slice(0, -1))}>
            One back
          </Button>
        )}
      </p>
      <TextField
        label="Or the code on a chip"
        text={code}
        most={6}
        check={(typed) => {
          if (typed.trim() === '') return null;
          try {
            ohmsOfCode(typed);
            return null;
          } catch (error) {
            return `${(error as Error).message}.`;
          }
        }}
        onCommit={(typed) => {
          setBands([]);
          setCode(typed.trim());
        }}
      />
      {typeof read === 'string' ? (
        <p className="hint">{read}</p>
      ) : (
        <>
          <p className="read-value" role="status">
            {read.words}
          </p>
          <BandedResistor ohms={read.ohms} />
          <p className="hint">
            As a chip:{' '}
            {chipCodesOf(read.ohms)
              .map((c) => c.code)
              .join(', ') || 'no code says it'}
            .
          </p>
          <Button type="primary" disabled={!(read.ohms >= 0.1 && read.ohms <= 1e7)} onClick={() => put(read)}>
            One more into the drawer
          </Button>
        </>
      )}
    </section>
  );
}
