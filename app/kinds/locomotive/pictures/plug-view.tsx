import { FigureTable } from '../../../fields/figure-table';
import { chainOf } from '../../../../core/document/line-stages';
import { plugs } from '../../../../core/part/plug';
import { PlugPair } from '../../../drawings/build/plug-pair';
import { inOrder } from '../../../../core/document/in-order';
import { leadsOf, type LeadEnd } from '../../../../core/assembly/leads';
import { wirePaint } from '../../../../core/part/wire-colour';
import type { LocomotivePictureProps } from '../locomotive-props';

/** Which lead goes where: the plug from both sides, then every circuit's two leads by name. */
export function PlugView({ job, solved }: LocomotivePictureProps) {
  const plug = job.decoder ? plugs[job.decoder.plug] : null;
  const circuits = inOrder(job.circuits).filter((c) =>
    Object.values(job.lamps).some((l) => l.circuitId === c.id),
  );
  return (
    <div className="leads-view">
      {plug && <PlugPair plug={plug} assembly={solved.bench.assembly} />}
      {!plug && (
        <p className="hint">
          Right rail positive runs forward.{' '}
          {job.turned ? 'This vehicle stands with end A backward.' : 'End A points forward.'} The resistor may
          sit in either lead, at the lamp or at the far end of the wire.
        </p>
      )}
      <FigureTable
        label="Which lead goes where"
        rows={circuits}
        rowKey={(c) => c.id}
        columns={[
          ['Circuit', (c) => c.name],
          [
            'First lead, to its resistor',
            (c) => <LeadName end={leadsOf(job, chainOf(job, c.lineId)[0])![0]} />,
          ],
          ['Second lead', (c) => <LeadName end={leadsOf(job, chainOf(job, c.lineId)[0])![1]} />],
        ]}
      />
    </div>
  );
}

function LeadName({ end }: { readonly end: LeadEnd }) {
  return (
    <>
      <Wire colour={end.colour} /> {end.name.replace(`, ${end.colour}`, '')}
    </>
  );
}

/** A wire's colour with its name. */
export function Wire({ colour }: { readonly colour: keyof typeof wirePaint }) {
  return (
    <span className="wire-name">
      <span className="swatch" style={{ background: wirePaint[colour] }} />
      {colour}
    </span>
  );
}
