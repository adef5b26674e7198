import { useState, type ReactNode } from 'react';
import { inOrder } from '../../../core/document/in-order';
import { screenColour } from '../../../core/light/colour';
import { colourDifference, SEEN_COLOUR } from '../../../core/light/difference';
import { paints, paintShifts } from '../../../core/light/spectra';
import { duvWords, whiteXy } from '../../../core/light/white';
import { formatQuantity } from '../../../core/quantity/format';
import { FigureTable } from '../../fields/figure-table';
import { NumberField } from '../../fields/number-field';
import type { RigLight } from '../../../core/overhead/light';
import type { RigRecord } from '../../../core/document/rig-record';

interface ColourFiguresProps {
  readonly rig: RigRecord;
  readonly light: RigLight;
  /** What can be made of the mix, after what it is. */
  readonly children?: ReactNode;
}

/** The mix of the rows, how far it drifts, and what another light does to paints and greens. */
export function ColourFigures({ rig, light, children }: ColourFiguresProps) {
  const [besideKelvin, setBeside] = useState(3000);
  const beside = whiteXy({ kelvin: besideKelvin, duv: 0 });
  const shifts = paintShifts(beside, light.xy);
  return (
    <div className="rig-colour">
      <p>
        All together <b>{Math.round(light.white.kelvin / 10) * 10} K</b>, Duv {duvWords(light.white.duv)}
        {Math.abs(light.white.duv) < 0.002
          ? ', as white as a lamp of its colour'
          : light.white.duv > 0
            ? ', a little green'
            : ', a little magenta'}
        . Over the boards it differs by up to {light.drift.toFixed(4)} in u′v′
        {light.drift > SEEN_COLOUR ? ', which is seen.' : ', which no eye sees.'}
      </p>
      <FigureTable
        label="White of each row"
        rows={inOrder(rig.rows).filter((r) => light.byRow.has(r.id))}
        rowKey={(r) => r.id}
        columns={[
          [
            'Row',
            (r) => (
              <>
                <i className="swatch" style={{ background: screenColour(whiteXy(r)) }} /> {r.name}
              </>
            ),
          ],
          ['White', (r) => `${Math.round(r.kelvin)} K`],
          ['Gives', (r) => formatQuantity(light.byRow.get(r.id)!.meanLux, 'lux')],
          ['From the mix', (r) => colourDifference(light.byRow.get(r.id)!.xy, light.xy).toFixed(4)],
        ]}
      />
      {children}
      <h3 className="part-head">Paints and greens, against another light</h3>
      <div className="rig-beside">
        <NumberField
          label="The other light"
          unit="kelvin"
          figure={besideKelvin}
          significant={5}
          limits={{ least: 2000, most: 8000 }}
          onCommit={setBeside}
        />
      </div>
      {shifts.length === 0 ? (
        <p className="hint">One of the two is no white that an LED gives.</p>
      ) : (
        <FigureTable
          label="How paints change"
          rows={shifts}
          rowKey={(s) => s.paint}
          columns={[
            ['Paint', (s) => paints[s.paint].name],
            [`Beside ${besideKelvin} K`, (s) => s.words],
            ['Once used to it', (s) => s.usedWords],
          ]}
        />
      )}
      <p className="hint">
        Typical spectra of white LEDs and of paints, under as many lux, in steps of L*a*b*, of which an eye
        sees one or two. Beside each other a cooler light turns all bluer; once the eye is used to it, only
        what its spectrum does is left.
      </p>
    </div>
  );
}
