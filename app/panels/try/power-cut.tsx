import { Button } from 'antd';
import { formatQuantity } from '../../../core/quantity/format';
import { holdByHand } from '../../../core/study/by-hand';
import { fades } from '../../../core/study/power-cut';
import { useRunStore } from '../../store/run-store';
import { useStudy } from '../../workers/use-study';
import { ByHand } from './by-hand';
import { shareName } from './share-name';
import type { PanelProps } from '../../kinds/face';

/** Cuts the power: how long each degree of light holds. */
export function PowerCut({ layout, jobId, solved, hand }: PanelProps) {
  const control = useRunStore((s) => s.control);
  const { power } = hand;
  const cut = useStudy('powerCut', layout, { jobId, supplyId: hand.supplyId ?? undefined }, 'slow');
  const sum = solved.readings ? holdByHand(solved.bench, solved.readings) : null;
  return (
    <>
      <h2>Cut the power and see</h2>
      <p className="hint">The stage fades as fast as the real thing. The light falls to</p>
      <dl className="fact-list" aria-busy={cut.stale}>
        {fades.map((f, i) => (
          <FadeRow
            key={f.name}
            name={`${shareName[i]}: ${f.name}`}
            moment={cut.answer?.moments[i]}
            stale={cut.stale}
          />
        ))}
      </dl>
      {cut.stale && !cut.cancelled && (
        <p className="stale-note">
          Being worked out…{' '}
          <Button size="small" onClick={cut.cancel}>
            Stop
          </Button>
        </p>
      )}
      {cut.cancelled && <p className="stale-note">Stopped. The next change starts it again.</p>}
      {cut.failure && <p className="field-refusal">{cut.failure}</p>}
      <Button type="primary" block onClick={() => control(jobId, { power: !power })}>
        {power ? 'Cut the power' : 'Power on again'}
      </Button>
      <ByHand sum={sum} />
    </>
  );
}

function FadeRow({
  name,
  moment,
  stale,
}: {
  readonly name: string;
  readonly moment: number | null | undefined;
  readonly stale: boolean;
}) {
  return (
    <>
      <dt>{name}</dt>
      <dd style={stale ? { opacity: 0.45, fontStyle: 'italic' } : undefined}>
        {moment === undefined
          ? '–'
          : moment === null
            ? 'over 120 s'
            : moment === 0
              ? 'at once'
              : formatQuantity(moment, 'second')}
      </dd>
    </>
  );
}
