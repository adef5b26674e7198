import { FigureTable } from '../../../fields/figure-table';
import { chainOf } from '../../../../core/document/line-stages';
import { mirrored, plugs, standardColour, type Plug } from '../../../../core/part/plug';
import { inOrder } from '../../../../core/document/in-order';
import { leadsOf, type LeadEnd } from '../../../../core/assembly/leads';
import { wirePaint } from '../../../../core/part/wire-colour';
import type { LocomotivePictureProps } from '../locomotive-props';
import type { LocomotiveRecord } from '../../../../core/kinds/locomotive/record';

const roleWords: Readonly<Record<string, string>> = {
  'right-rail': 'right rail',
  'left-rail': 'left rail',
  'motor-plus': 'motor +',
  'motor-minus': 'motor −',
  common: 'common +',
  ground: 'ground',
  'logic-supply': 'logic supply',
  key: 'no pin',
  other: 'not for lamps',
};

/** Which lead goes where: the plug from both sides, then every circuit's two leads by name. */
export function PlugView({ job }: LocomotivePictureProps) {
  const plug = job.decoder ? plugs[job.decoder.plug] : null;
  const circuits = inOrder(job.circuits).filter((c) =>
    Object.values(job.lamps).some((l) => l.circuitId === c.id),
  );
  return (
    <div className="leads-view">
      {plug && (
        <div className="plug-pair">
          <PlugPicture
            plug={plug}
            title="From above"
            says="the side the decoder is pushed in from"
            job={job}
          />
          <PlugPicture
            plug={mirrored(plug)}
            title="Solder side"
            says="mirrored: the side you solder"
            job={job}
          />
        </div>
      )}
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

interface PlugPictureProps {
  readonly plug: Plug;
  readonly title: string;
  readonly says: string;
  readonly job: LocomotiveRecord;
}

const CELL = 46;
const ROW = 62;

function PlugPicture({ plug, title, says, job }: PlugPictureProps) {
  const many = plug.columns > 8;
  const wide = plug.columns * CELL;
  const high = plug.rows * ROW;
  const used = new Set(
    Object.entries(job.circuits)
      .filter(([id]) => Object.values(job.lamps).some((l) => l.circuitId === id))
      .flatMap(([, c]) => leadsOf(job, chainOf(job, c.lineId)[0])!.map((l) => l.terminal.terminal)),
  );
  const wireOf = (role: string): string =>
    ({ common: 'blue', 'right-rail': 'red', 'left-rail': 'black' })[role] ?? role;
  return (
    <figure className={many ? 'plug wide' : 'plug'}>
      <svg viewBox={`-12 -12 ${wide + 24} ${high + 24}`} role="img" aria-label={`${plug.name}, ${title}`}>
        <rect
          x={-8}
          y={-8}
          width={wide + 16}
          height={high + 16}
          rx={6}
          fill={title === 'Solder side' ? '#d9cdb0' : '#25352f'}
        />
        {plug.pins.map((p) => {
          const colour = standardColour(p.role);
          const x = (p.column + 0.5) * CELL;
          const y = (p.row + 0.5) * ROW - 4;
          const ink = title === 'Solder side' ? '#16211f' : '#f6f2e9';
          return (
            <g key={p.pin}>
              <title>{`pin ${p.pin}: ${colour ?? ''} ${roleWords[p.role] ?? p.role.replace('out', 'output ')}`}</title>
              {used.has(wireOf(p.role)) && (
                <circle cx={x} cy={y - 4} r={17} fill="none" stroke="#b98a3b" strokeWidth={3} />
              )}
              {p.role === 'key' ? (
                <circle cx={x} cy={y - 4} r={10} fill="none" stroke={ink} strokeDasharray="3 3" />
              ) : (
                <circle
                  cx={x}
                  cy={y - 4}
                  r={12}
                  fill={colour ? wirePaint[colour] : '#84929a'}
                  stroke={ink}
                  strokeWidth={1.4}
                />
              )}
              <text
                x={x}
                y={y}
                textAnchor="middle"
                fontSize={12}
                fontFamily="IBM Plex Mono"
                fontWeight={600}
                fill={
                  colour && ['white', 'yellow', 'orange', 'grey'].includes(colour) ? '#16211f' : '#fffdf7'
                }
              >
                {p.pin}
              </text>
              <text x={x} y={y + 26} textAnchor="middle" fontSize={10.5} fontFamily="Archivo" fill={ink}>
                {colour ??
                  (p.role.startsWith('out')
                    ? p.role.replace('out', 'out ')
                    : p.role === 'ground'
                      ? 'gnd'
                      : '·')}
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption>
        <b>{title}</b> {says}
      </figcaption>
    </figure>
  );
}
