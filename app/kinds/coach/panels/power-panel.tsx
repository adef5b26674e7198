import { mainLineId, putRectifier, rectifierOf } from '../../../../core/document/line-stages';
import { Choice } from '../../../fields/choice';
import { More } from '../../../fields/more';
import { SelectField } from '../../../fields/select-field';
import { useLayoutStore } from '../../../store/layout-store';
import { freeId, usualSupply } from '../../../../core/document/usual-supply';
import { inOrder } from '../../../../core/document/in-order';
import { supplyKind, supplyKinds, type SupplyKindName } from '../../../../core/supply';
import { useStudy } from '../../../workers/use-study';
import { formatQuantity } from '../../../../core/quantity/format';
import { SupplyFields } from '../../../panels/supplies';
import { WiringFields } from './wiring-fields';
import { coachIn } from '../../../../core/kinds/coach/jobs';
import type { RectifierName } from '../../../../core/document/rectifier-names';
import type { CoachProps } from '../coach-props';

const ANOTHER = 'add:';

/** What feeds the coach, and what turns it into one direction. */
export function PowerPanel({ layout, jobId }: CoachProps) {
  const edit = useLayoutStore((s) => s.edit);
  const job = coachIn(layout, jobId);
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
  const choose = (value: string): void => {
    if (!value.startsWith(ANOTHER)) {
      edit('Supply', (draft) => void (coachIn(draft, jobId).supplyId = value));
      return;
    }
    const added = value.slice(ANOTHER.length) as SupplyKindName;
    edit(`Supply: ${supplyKinds[added].name}`, (draft) => {
      const id = freeId(layout.supplies, added);
      const order = 1 + Math.max(0, ...Object.values(layout.supplies).map((s) => s.order));
      draft.supplies[id] = usualSupply(added, layout.scale, order);
      coachIn(draft, jobId).supplyId = id;
    });
  };
  const setRectifier = (name: RectifierName): void =>
    edit('Rectifier', (draft) => putRectifier(coachIn(draft, jobId).lines[roofId], name));
  const rare = !['silicon-bridge', 'schottky-bridge', 'none'].includes(rectifier);
  return (
    <div className="choices">
      <h2>What feeds it</h2>
      <SelectField
        label="Supply"
        value={job.supplyId}
        options={[
          ...inOrder(layout.supplies).map((s) => ({
            value: s.id,
            label: `${s.name} · ${supplyKind(s).name}`,
          })),
          ...Object.values(supplyKinds).map((k) => ({
            value: ANOTHER + k.kind,
            label: `Another: ${k.name}`,
          })),
        ]}
        onChange={choose}
      />
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
      <WiringFields job={job} jobId={jobId} onTrack={kind.onTrack} />
      {kind.faults(supply).length > 0 && (
        <More label="What it may do to the coach">
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
