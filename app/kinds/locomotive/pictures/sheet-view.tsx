import { Button } from 'antd';
import { functionSheet } from '../../../../core/build/function-sheet';
import { leadsOf } from '../../../../core/assembly/leads';
import { inOrder } from '../../../../core/document/in-order';
import { lampName, lampNames } from '../../../../core/kinds/locomotive/lamp-name';
import { chainOf } from '../../../../core/document/line-stages';
import { resistorsOf } from '../../../../core/document/presets';
import { formatQuantity } from '../../../../core/quantity/format';
import type { LocomotivePictureProps } from '../locomotive-props';
import { Wire } from './plug-view';
import type { Readings } from '../../../../core/study/readings';
import type { LocomotiveRecord } from '../../../../core/kinds/locomotive/record';
import type { WireColour } from '../../../../core/document/wire-legend';

interface SheetViewProps {
  readonly job: LocomotiveRecord;
  readonly lit: Readings | null;
}

/** The sheet for the bench: function, pad, wire colour, lamps, brightness; on the rails, lead by lead. */
export function SheetView({ job, solved }: LocomotivePictureProps) {
  return (
    <div className="sheet-view">
      <h3>
        {job.name}: {job.decoder ? 'function, pad, wire, lamps, brightness' : 'which lead, which lamps'}
      </h3>
      {job.decoder ? <Functions job={job} lit={solved.readings} /> : <Leads job={job} />}
      <div className="button-row">
        <Button className="print-button" onClick={() => print()}>
          Print this sheet
        </Button>
      </div>
    </div>
  );
}

function Functions({ job, lit }: SheetViewProps) {
  const lines = functionSheet(job, lampNames(job));
  return (
    <>
      <table className="sheet">
        <thead>
          <tr>
            <th>Function</th>
            <th>Pad</th>
            <th>Wire</th>
            <th>Lamps</th>
            <th>Brightness</th>
            <th>Now</th>
          </tr>
        </thead>
        <tbody>
          {lines
            .filter((l) => !l.spare)
            .map((l) => (
              <tr key={l.output}>
                <th>{l.functions || '—'}</th>
                <td>
                  {l.outputName.split(',')[0]}, {l.pad}
                </td>
                <td>{l.colour ? <Wire colour={l.colour as WireColour} /> : 'own colour'}</td>
                <td>{l.lamps.join(', ') || '—'}</td>
                <td>
                  {Math.round(l.brightness * 100)} % <small>{l.effect.toLowerCase()}</small>
                </td>
                <td>{nowWords(lit?.outputAmps.get(l.output) ?? 0)}</td>
              </tr>
            ))}
        </tbody>
      </table>
      <p className="hint">
        Spare:{' '}
        {lines
          .filter((l) => l.spare)
          .map((l) => l.outputName.toLowerCase())
          .join('; ') || 'none'}
        .
      </p>
    </>
  );
}

/** What flows in an output now; one that is off leaks next to nothing. */
const nowWords = (amps: number): string =>
  amps < LEAK_AMPS ? 'off' : formatQuantity(amps, 'amp', { significant: 2 });
const LEAK_AMPS = 1e-6;

function Leads({ job }: { readonly job: LocomotiveRecord }) {
  return (
    <table className="sheet">
      <thead>
        <tr>
          <th>Circuit</th>
          <th>Leads</th>
          <th>Lamps</th>
          <th>Resistors</th>
        </tr>
      </thead>
      <tbody>
        {inOrder(job.circuits).map((c) => {
          const lamps = inOrder(job.lamps).filter((l) => l.circuitId === c.id);
          const [one, two] = leadsOf(job, chainOf(job, c.lineId)[0])!;
          return (
            <tr key={c.id}>
              <th>{c.name}</th>
              <td>
                <Wire colour={one.colour} /> {one.name}
                <br />
                <Wire colour={two.colour} /> {two.name}
              </td>
              <td>{lamps.map((l) => lampName(job, l.id)).join(', ') || '—'}</td>
              <td>
                {resistorsOf(c) === 'none'
                  ? 'none'
                  : resistorsOf(c) === 'each' && c.inSeries === 1
                    ? [...new Set(lamps.map((l) => formatQuantity(l.ohms ?? c.ohms, 'ohm')))].join(', ') +
                      ' each'
                    : formatQuantity(c.ohms, 'ohm')}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
