import { mainLineId, putRectifier, rectifierOf } from '../../core/document/line-stages';
import { Choice } from '../fields/choice';
import { More } from '../fields/more';
import { useLayoutStore } from '../store/layout-store';
import { supplyKind, type SupplyKindName } from '../../core/supply';
import { useStudy } from '../workers/use-study';
import { formatQuantity } from '../../core/quantity/format';
import { SupplyFields } from '../panels/supplies';
import { LegendFields } from './legend-fields';
import { SupplyField } from './supply-field';
import { anyJobIn } from '../../core/document/jobs';
import type { RectifierName } from '../../core/document/rectifier-names';
import type { ReactNode } from 'react';
import type { PanelProps } from '../kinds/face';

/** What feeds a job, what turns it into one direction, and which colour of wire means what. */
interface PowerPanelProps extends PanelProps {
  /** Sorts of supply that make sense; all of them when left out. */
  readonly supplies?: readonly SupplyKindName[];
  /** What its kind asks besides. */
  readonly children?: ReactNode;
}

export function PowerPanel({ layout, jobId, job, supplies, children }: PowerPanelProps) {
  const edit = useLayoutStore((s) => s.edit);
  const supply = layout.supplies[job.supplyId];
  const kind = supplyKind(supply);
  const roofId = mainLineId(job) ?? '';
  const rectifier = roofId === '' ? 'none' : rectifierOf(job.lines[roofId]);
  const costs = useStudy('rectifierCosts', layout, { jobId });
  /** What a rectifier takes here, solved with it in place. */
  const cost = (name: RectifierName): string | undefined => {
    const volts = costs.answer?.[name];
    return volts === undefined || volts === null || costs.stale
      ? undefined
      : `−${formatQuantity(volts, 'volt', { significant: 2 })}`;
  };
  const setRectifier = (name: RectifierName): void =>
    edit('Rectifier', (draft) => putRectifier(anyJobIn(draft, jobId).lines[roofId], name));
  const rare = !['silicon-bridge', 'schottky-bridge', 'none'].includes(rectifier);
  return (
    <div className="choices">
      <h2>What feeds it</h2>
      <SupplyField layout={layout} jobId={jobId} kinds={supplies} />
      <SupplyFields supplyId={job.supplyId} supply={supply} />
      {(kind.changesSides || rectifier !== 'none') && (
        <Choice<RectifierName>
          label="Rectifier"
          options={[
            { value: 'silicon-bridge', name: 'Silicon bridge', figure: cost('silicon-bridge') },
            { value: 'schottky-bridge', name: 'Schottky bridge', figure: cost('schottky-bridge') },
            { value: 'none', name: 'Nothing' },
          ]}
          value={rare ? null : rectifier}
          onChoose={setRectifier}
        />
      )}
      <More label="Other rectifiers" open={rare}>
        <Choice<RectifierName>
          label="Loose diodes"
          columns={2}
          options={[
            { value: 'silicon-diodes', name: 'Four silicon', figure: cost('silicon-diodes') },
            { value: 'schottky-diodes', name: 'Four Schottky', figure: cost('schottky-diodes') },
            { value: 'half-wave', name: 'One silicon', figure: `half-wave ${cost('half-wave') ?? ''}` },
            {
              value: 'half-wave-schottky',
              name: 'One Schottky',
              figure: `half-wave ${cost('half-wave-schottky') ?? ''}`,
            },
          ]}
          value={rare ? rectifier : null}
          onChoose={setRectifier}
        />
      </More>
      {children}
      <LegendFields jobId={jobId} legend={job.legend} />
      {kind.faults(supply).length > 0 && (
        <More label="What it may do to the lamps">
          <dl className="may-do">
            {kind.faults(supply).map((f) => (
              <div key={f.id}>
                <dt>{f.name}</dt>
                <dd>{f.says}</dd>
              </div>
            ))}
          </dl>
        </More>
      )}
      <p className="hint">
        {kind.onTrack ? 'One kind of supply on a track at a time. ' : ''}Never work on the mains side of a
        supply.
      </p>
    </div>
  );
}
