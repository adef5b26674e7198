import { useState } from 'react';
import type { Draft } from 'immer';
import type { LocomotiveRecord } from '../../../../core/kinds/locomotive/record';
import { Choice } from '../../../fields/choice';
import { SelectField } from '../../../fields/select-field';
import { SupplyFields } from '../../../panels/supplies';
import { decoderTypeOf, ownFrom } from '../../../../core/document/decoder-record';
import { decoderTypes, type OutputHold } from '../../../../core/part/decoder-type';
import { OwnDecoder } from './own-decoder';
import { hasCommon, plugs } from '../../../../core/part/plug';
import { formatQuantity } from '../../../../core/quantity/format';
import { SupplyField } from '../../../panels/supply-field';
import type { SupplyKindName } from '../../../../core/supply';
import { layOnDecoder, layOnTrack } from '../../../../core/kinds/locomotive/lay-circuits';
import { railReturnShare } from '../../../../core/study/dimming';
import type { Bench } from '../../../../core/study/bench';
import { useLocomotiveEdit, type LocomotiveProps } from '../locomotive-props';

/** What cannot be solved has no share; the findings say why. */
function railShare(vehicle: Bench<LocomotiveRecord>): number | null {
  const returns = Object.values(vehicle.job.lines).some(
    ({ from }) => from.kind === 'output' && from.returnTo !== 'common',
  );
  if (!returns) return null;
  try {
    return railReturnShare(vehicle);
  } catch {
    return null;
  }
}

/** What a locomotive is run on. */
const tracks: readonly SupplyKindName[] = ['dc-track', 'dcc-track', 'ac-track'];

/** Value of the choice of a decoder that is in no list. */
const OWN = 'own';

/** What its board limits its outputs by, in words. */
function heldInWords(kinds: readonly OutputHold['kind'][]): string {
  const held = kinds.filter((k) => k !== 'nothing');
  if (held.length === 0) return 'nothing';
  const words = [...new Set(held)].map((k) => `a ${k}`).join(' or ');
  return held.length === kinds.length ? words : `${words} at ${held.length} of ${kinds.length}`;
}

/** "100 mA", or "20 mA to 1 A" where outputs differ. */
function limitsInWords(amps: readonly number[]): string {
  const [least, most] = [Math.min(...amps), Math.max(...amps)].map((a) => formatQuantity(a, 'amp'));
  return least === most ? most : `${least} to ${most}`;
}

/** What feeds it: the track, straight or through a decoder with its plug, and a second track for trials. */
export function PowerPanel({ layout, jobId, job, solved }: LocomotiveProps) {
  const set = useLocomotiveEdit(jobId);
  /** What the last wiring anew left out, in words. */
  const [left, setLeft] = useState<readonly string[]>([]);
  const lay = (label: string, wire: (j: Draft<LocomotiveRecord>) => string[]): void => {
    let said: string[] = [];
    set(label, (j) => {
      said = wire(j);
    });
    setLeft(said);
  };
  const supply = layout.supplies[job.supplyId];
  const share = railShare(solved.bench);
  const type = job.decoder ? decoderTypeOf(job.decoder) : null;
  const others = Object.entries(layout.jobs).flatMap(([id, { decoder, name }]) =>
    id !== jobId && decoder?.own ? [{ id: `own ${id}`, own: decoder.own, type: decoder.type, name }] : [],
  );
  return (
    <div className="choices">
      <h2>What feeds it</h2>
      <SupplyField layout={layout} jobId={jobId} label="Its track" kinds={tracks} />
      <Choice<'track' | 'decoder'>
        label="Its lamps hang"
        columns={2}
        options={[
          { value: 'track', name: 'On the rails', figure: 'by direction' },
          { value: 'decoder', name: 'On a decoder', figure: 'by function' },
        ]}
        value={job.decoder ? 'decoder' : 'track'}
        onChoose={(v) =>
          lay(v === 'decoder' ? 'Fit a decoder' : 'Take the decoder out', (j) =>
            v === 'decoder'
              ? layOnDecoder(j, { type: 'usual', own: null }, '8-pin')
              : layOnTrack(j, 'shared-both-ways'),
          )
        }
      />
      {left.length > 0 && (
        <div className="hint" role="status">
          {left.map((l) => (
            <p key={l}>{l}</p>
          ))}
        </div>
      )}
      {job.decoder && type && (
        <>
          <SelectField
            label="Decoder"
            value={job.decoder.own === null ? job.decoder.type : OWN}
            options={[
              ...Object.values(decoderTypes).map((d) => ({ value: d.id, label: d.name })),
              { value: OWN, label: job.decoder.own?.name ?? 'One of my own, by its leaflet' },
              ...others.map(({ id, own, name }) => ({ value: id, label: `${own.name}, as in ${name}` })),
            ]}
            onChange={(id) =>
              lay('Decoder', (j) => {
                const other = others.find((o) => o.id === id);
                if (other) return layOnDecoder(j, { type: other.type, own: other.own }, other.own.plugs[0]);
                if (id !== OWN) return layOnDecoder(j, { type: id, own: null }, decoderTypes[id].plugs[0]);
                if (!j.decoder || j.decoder.own) return [];
                const { type: from, plug } = j.decoder;
                return layOnDecoder(j, { type: from, own: ownFrom(decoderTypes[from]) }, plug);
              })
            }
          />
          <SelectField
            label="Plug"
            value={job.decoder.plug}
            options={Object.values(plugs).map((p) => ({ value: p.id, label: `${p.name} · ${p.source}` }))}
            onChange={(plug) =>
              set('Plug', (j) => {
                if (!j.decoder) return;
                j.decoder.plug = plug;
                const common = decoderTypeOf(j.decoder).switches === 'plus' || hasCommon(plugs[plug]);
                for (const { from } of Object.values(j.lines))
                  if (from.kind === 'output') from.returnTo = common ? 'common' : 'right-rail';
              })
            }
          />
          {job.decoder.own && (
            <OwnDecoder
              own={job.decoder.own}
              onChange={(label, own) =>
                lay(label, (j) =>
                  j.decoder
                    ? layOnDecoder(
                        j,
                        { type: j.decoder.type, own },
                        own.plugs.includes(j.decoder.plug) ? j.decoder.plug : own.plugs[0],
                      )
                    : [],
                )
              }
            />
          )}
          <dl className="fact-list">
            <dt>Each output for lamps</dt>
            <dd>{limitsInWords(type.outputs.map((o) => o.limitAmps))} at most</dd>
            <dt>All of them together</dt>
            <dd>{formatQuantity(type.totalAmps, 'amp')} at most</dd>
            <dt>Outputs switch</dt>
            <dd>{type.switches}</dd>
            <dt>Board limits by</dt>
            <dd>{heldInWords(type.outputs.map((o) => o.holds.kind))}</dd>
          </dl>
          {job.decoder.own === null && (
            <p className="hint">
              All of this is assumed, as is typical of its sort. Where its leaflet says otherwise, choose “One
              of my own, by its leaflet”.
            </p>
          )}
          {type.switches === 'minus' && !hasCommon(plugs[job.decoder.plug]) && (
            <p className="hint">
              This plug has no blue wire: lamps return to a rail and get every other half of the signal
              {share === null ? '' : `, which leaves ${Math.round(share * 100)} % of the light`}. A blue wire
              soldered to the decoder’s own plus gives it back.
            </p>
          )}
        </>
      )}
      <SupplyField
        layout={layout}
        jobId={jobId}
        label="Set it on for trials too"
        kinds={tracks}
        which="otherSupplyId"
      />
      <SupplyFields supplyId={job.supplyId} supply={supply} />
      <p className="hint">
        One kind of supply on a track at a time. Never work on the mains side of a supply.
      </p>
    </div>
  );
}
