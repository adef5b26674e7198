import { inSentence } from '../../../../core/quantity/format';
import { FigureTable } from '../../../fields/figure-table';
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
import type { WireColour } from '../../../../core/part/wire-colour';

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
      <FigureTable
        label="Functions"
        rows={lines.filter((l) => !l.spare)}
        rowKey={(l) => l.output}
        columns={[
          ['Function', (l) => l.functions || '—'],
          ['Pad', (l) => `${l.outputName.split(',')[0]}, ${l.pad}`],
          ['Wire', (l) => (l.colour ? <Wire colour={l.colour as WireColour} /> : 'own colour')],
          ['Lamps', (l) => l.lamps.join(', ') || '—'],
          [
            'Brightness',
            (l) => (
              <>
                {l.brightness} <small>{inSentence(l.effect)}</small>
              </>
            ),
          ],
          ['Now', (l) => nowWords(lit?.outputAmps.get(l.output) ?? 0)],
        ]}
      />
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
  const lampsOf = (circuitId: string) => inOrder(job.lamps).filter((l) => l.circuitId === circuitId);
  return (
    <FigureTable
      label="Leads"
      rows={inOrder(job.circuits)}
      rowKey={(c) => c.id}
      columns={[
        ['Circuit', (c) => c.name],
        [
          'Leads',
          (c) =>
            leadsOf(job, chainOf(job, c.lineId)[0])!.map((lead) => (
              <div key={lead.name}>
                <Wire colour={lead.colour} /> {lead.name}
              </div>
            )),
        ],
        [
          'Lamps',
          (c) =>
            lampsOf(c.id)
              .map((l) => lampName(job, l.id))
              .join(', ') || '—',
        ],
        ['Resistors', (c) => resistorWords(c, lampsOf(c.id))],
      ]}
    />
  );
}

/** "2.2 kΩ, 3.3 kΩ each". */
function resistorWords(
  circuit: LocomotiveRecord['circuits'][string],
  lamps: readonly LocomotiveRecord['lamps'][string][],
): string {
  const way = resistorsOf(circuit);
  if (way === 'none') return 'none';
  if (way === 'shared' || circuit.inSeries > 1) return formatQuantity(circuit.ohms, 'ohm');
  return `${[...new Set(lamps.map((l) => formatQuantity(l.ohms ?? circuit.ohms, 'ohm')))].join(', ')} each`;
}
